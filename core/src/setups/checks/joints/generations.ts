import { isOfOneMaker, listGenerations, understandEachOther } from '../../../kit/model/generation.ts'
import { ASKED_SPECS } from '../../../kit/template/template-facts.ts'
import { isItemOf, type PlacedItem } from '../../placed/placed-item.ts'
import { defineCheck, type Found, LEVEL_OF_IMPORTANCE, ofItem } from '../check.ts'
import { plain } from '../finding-words.ts'
import type { Scene } from '../scene.ts'

interface Gap {
  tag: string
  name: string
  other: string
  /** As they are recorded; nothing where nobody did. */
  own: string[]
  others: string[]
  isLink: boolean
}

type GenerationFinding = ({ code: 'generation-gap' } & Gap) | ({ code: 'generation-unknown' } & Gap)

/**
 * A controller and a lamp, the two halves of a wireless set, an adapter and what is on it: of one maker and of different
 * generations they look as if they belonged together, and do not understand each other.
 */
export const generations = defineCheck<GenerationFinding>({
  find: (scene) =>
    listPairs(scene).flatMap(([one, other]): Found<GenerationFinding>[] => {
      if (!one.model || !other.model || !isOfOneMaker(one.model, other.model)) return []
      const [own, others] = [[...listGenerations(one.model)], [...listGenerations(other.model)]]
      const isLink = one.category === other.category
      const gap = { ...ofItem(one), about: [one.key, other.key], other: other.tag, own, others, isLink }
      const isFine = understandEachOther(one.model, other.model)
      if (isFine === null) {
        const lacks = own.length === 0 ? one : other
        // A kind that has none is not asked for one.
        if (own.length + others.length === 0 || !hasGeneration(lacks)) return []
        return [{ ...gap, level: 'unknown', code: 'generation-unknown' }]
      }
      // Without its other half a wireless set sends to nobody; a lamp that its controller does not reach is set by hand.
      const level = LEVEL_OF_IMPORTANCE[one.roleImportance]
      return isFine ? [] : [{ ...gap, level: !isLink && level === 'stop' ? 'warn' : level, code: 'generation-gap' }]
    }),
  codes: {
    'generation-gap': {
      say: ({ tag, other, own, others, isLink }) =>
        plain(
          `${tag} and ${other} do not understand each other`,
          `They are of one maker, and of generation ${own.join(', ')} and ${others.join(', ')}. ${isLink ? 'Nothing comes over between them.' : `${other} has to be set by hand, or from what is of its own generation.`}`,
        ),
      deciding: ({ own, others }) => [...own, ...others],
    },
    'generation-unknown': {
      say: ({ tag, other, own }) => {
        const [lacks, known] = own.length === 0 ? [tag, other] : [other, tag]
        return plain(
          `Cannot tell whether ${tag} and ${other} understand each other`,
          `${known} is of a certain generation, and of ${lacks} nobody recorded it: write it down under “Specs”. It stands on its plate, or in its menu.`,
        )
      },
      deciding: ({ own, others }) => [...own, ...others],
    },
  },
})

const hasGeneration = ({ model }: PlacedItem) =>
  model !== null && (ASKED_SPECS[model.category] ?? []).includes('generation')

const isController = (it: PlacedItem) => it.category === 'control-surface' || it.category === 'remote'
const isControlled = (it: PlacedItem) => isItemOf(it, 'light') || isItemOf(it, 'camera')
const isHalf = (it: PlacedItem) => it.category === 'wireless-set' || it.category === 'video-link'

/** What talks to what, or sits on it; of two pieces of one model nothing is to be said. */
function listPairs({ items, itemOf, joints }: Scene): [PlacedItem, PlacedItem][] {
  const told = items.filter((it) => it.model !== null)
  const controlled = told.filter(isController).flatMap((it) => told.filter(isControlled).map((of) => pair(it, of)))
  const halves = told.filter(isHalf)
  const linked = halves.flatMap((it, at) =>
    halves
      .slice(at + 1)
      .filter((of) => it.category === of.category && it.roleId === of.roleId && it.model?.id !== of.model?.id)
      .map((of) => (rankOf(it) < rankOf(of) ? pair(it, of) : pair(of, it))),
  )
  const adapted = joints.flatMap(({ host, guest }) => {
    const [a, b] = [itemOf.get(host.key), itemOf.get(guest.key)]
    if (!a || !b) return []
    return a.category === 'lens-adapter' ? [pair(a, b)] : b.category === 'lens-adapter' ? [pair(b, a)] : []
  })
  return [...controlled, ...linked, ...adapted]
}

const pair = (a: PlacedItem, b: PlacedItem): [PlacedItem, PlacedItem] => [a, b]
const rankOf = ({ model, key }: PlacedItem) => `${model?.id ?? ''}\n${key}`
