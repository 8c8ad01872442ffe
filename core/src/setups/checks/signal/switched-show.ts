import { listInWords } from '../../../units/wording.ts'
import { defineCheck, ofItem } from '../check.ts'
import { plain } from '../finding-words.ts'
import { factOf } from '../scene.ts'
import { isFilming } from './filming.ts'
import { listReached, traceSignals } from './signals.ts'

interface NotCut {
  code: 'camera-not-cut'
  tag: string
  name: string
  switchers: string[]
  reaches: string[]
}

/** Where there is a switcher, the live cut shows what goes into it and nothing else. */
export const switchedShow = defineCheck<NotCut>({
  shownIn: 'signals',
  find(scene) {
    const switchers = scene.items.filter((it) => it.category === 'switcher')
    if (switchers.length === 0) return []
    const { chains } = factOf(scene, traceSignals)
    return scene.items.flatMap((item) => {
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
  },
  codes: {
    'camera-not-cut': {
      say: ({ tag, name, switchers, reaches }) =>
        plain(
          `${tag} does not reach ${listInWords(switchers, 'or')}`,
          `A live cut shows only what goes into it. The picture of ${name} goes ${reaches.length > 0 ? `to ${listInWords(reaches)}` : 'nowhere'}. Where it only records on the side, say so: make its role optional, or accept it.`,
        ),
      deciding: ({ reaches }) => reaches,
    },
  },
})
