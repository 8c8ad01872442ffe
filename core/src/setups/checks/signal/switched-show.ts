import { listInWords } from '../../../units/wording.ts'
import { defineCheck, type Found, ofItem } from '../check.ts'
import { plain } from '../finding-words.ts'
import { listCablesFor, SEEKS_CABLE } from '../ideas.ts'
import { factOf } from '../scene.ts'
import { isFilming } from './filming.ts'
import { findKeeping } from './keeping.ts'
import { listReached, traceSignals } from './signals.ts'

interface NotCut {
  code: 'camera-not-cut'
  tag: string
  name: string
  switchers: string[]
  reaches: string[]
}

/** The cut itself goes nowhere that keeps it or sends it on. */
interface CutUnkept {
  code: 'cut-unkept'
  tag: string
  name: string
  reaches: string[]
}

/** Where there is a switcher, the live cut shows what goes into it and nothing else. */
export const switchedShow = defineCheck<NotCut | CutUnkept>({
  shownIn: 'signals',
  find(scene) {
    const switchers = scene.items.filter((it) => it.category === 'switcher')
    if (switchers.length === 0) return []
    const { chains } = factOf(scene, traceSignals)
    const uncut = scene.items.flatMap((item): Found<NotCut>[] => {
      if (!isFilming(item, scene)) return []
      const reached = listReached(item, chains, scene)
      if (reached.some((it) => switchers.includes(it))) return []
      return [
        {
          ...ofItem(item),
          code: 'camera-not-cut' as const,
          switchers: switchers.map((it) => it.tag),
          reaches: reached.map((it) => it.tag),
        },
      ]
    })
    const unkept = switchers.flatMap((item): Found<CutUnkept>[] => {
      const reached = listReached(item, chains, scene)
      if ([item, ...reached].some((it) => findKeeping(it, scene) !== 'no')) return []
      // Cameras keep their own pictures, and it may go out over what is not in the kit.
      return [{ ...ofItem(item), level: 'advise', code: 'cut-unkept', reaches: reached.map((it) => it.tag) }]
    })
    return [...uncut, ...unkept]
  },
  codes: {
    'cut-unkept': {
      say: ({ tag, name, reaches }) =>
        plain(
          `Nothing keeps the cut of ${tag}`,
          `What ${name} puts together goes ${reaches.length > 0 ? `to ${listInWords(reaches)}` : 'nowhere'}, and nowhere that records it or sends it out. A computer, a recorder or a drive in it would do.`,
        ),
      deciding: ({ reaches }) => reaches,
      ideas: ({ roleId }, context) => listCablesFor(roleId, context),
      seeks: () => SEEKS_CABLE,
    },
    'camera-not-cut': {
      say: ({ tag, name, switchers, reaches }) =>
        plain(
          `${tag} does not reach ${listInWords(switchers, 'or')}`,
          `A live cut shows only what goes into it. The picture of ${name} goes ${reaches.length > 0 ? `to ${listInWords(reaches)}` : 'nowhere'}. Where it only records on the side, say so: make its role optional, or accept it.`,
        ),
      deciding: ({ reaches }) => reaches,
      ideas: ({ roleId }, context) => listCablesFor(roleId, context),
      seeks: () => SEEKS_CABLE,
    },
  },
})
