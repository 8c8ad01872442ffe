import { listInWords } from '../../../units/wording.ts'
import { isItemOf, type PlacedItem } from '../../placed/placed-item.ts'
import { defineCheck, type Found, ofItem } from '../check.ts'
import { plain } from '../finding-words.ts'
import { factOf, type Scene } from '../scene.ts'
import { isFilming } from '../signal/filming.ts'
import { findKeeping } from '../signal/keeping.ts'
import { listReached, traceSignals } from '../signal/signals.ts'

type KeptFinding =
  | { code: 'picture-unkept'; tag: string; name: string; reaches: string[] }
  | { code: 'keeping-unknown'; tag: string; name: string; modelId: string }

/**
 * Every camera's picture has to be kept by something: a medium of its own, or what it is connected to. What is told at an open
 * end, such as a slot without a card or a plug in nothing, is not told again.
 */
export const keptPictures = defineCheck<KeptFinding>({
  shownIn: 'signals',
  find: (scene) => scene.items.filter((it) => isFilming(it, scene)).flatMap((it) => judge(it, scene)),
  codes: {
    'picture-unkept': {
      say: ({ tag, name, reaches }) =>
        plain(
          `Nothing keeps the picture of ${tag}`,
          reaches.length > 0
            ? `${name} records nothing itself. Its picture goes to ${listInWords(reaches)}, and from there nowhere that keeps it.`
            : `${name} records nothing itself, and its picture goes nowhere that keeps it. A recorder, or a computer with a way in, would.`,
        ),
      deciding: ({ reaches }) => reaches,
      seeks: () => ({ categories: ['external-recorder', 'computer', 'capture'] }),
    },
    'keeping-unknown': {
      couldStop: true,
      say: ({ tag, name }) =>
        plain(
          `Cannot tell whether anything keeps the picture of ${tag}`,
          `${name} takes no card, and its picture goes nowhere that keeps it. Nobody recorded whether it has a memory of its own.`,
        ),
      deciding: () => [],
      asks: ({ modelId }) => ({ modelId, fact: 'memory' }),
    },
  },
})

function judge(item: PlacedItem, scene: Scene): Found<KeptFinding>[] {
  const keeping = findKeeping(item, scene)
  if (keeping === 'yes' || isOpen(item, scene)) return []
  const reached = listReached(item, factOf(scene, traceSignals).chains, scene)
  if (reached.some((it) => PICTURE_KEEPERS.some((kind) => isItemOf(it, kind)) && findKeeping(it, scene) !== 'no'))
    return []
  const { model } = item
  if (keeping === 'no') return [{ ...ofItem(item), code: 'picture-unkept', reaches: reached.map((it) => it.tag) }]
  // What it records on is asked of itself.
  if (!model?.specs.none.includes('medium')) return []
  return [{ ...ofItem(item), level: 'unknown', code: 'keeping-unknown', modelId: model.id }]
}

const PICTURE_KEEPERS = ['external-recorder', 'computer', 'tablet', 'switcher'] as const

/** Whether an end of it that signals or cards go into is open, and told as that. */
function isOpen({ key }: PlacedItem, { unmet, away, interfaces }: Scene): boolean {
  return [...unmet, ...away.flatMap((it) => it.leaves)].some(
    (need) => need.thing.key === key && need.interfaces.some((code) => WAYS.has(interfaces.get(code)?.kind ?? '')),
  )
}

const WAYS: ReadonlySet<string> = new Set(['card', 'signal'])
