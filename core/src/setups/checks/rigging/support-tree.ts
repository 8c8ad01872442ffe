import type { Category } from '../../../kit/model/category.ts'
import { isItemOf, type PlacedItem } from '../../placed/placed-item.ts'
import { defineCheck, type Found, ofItem } from '../check.ts'
import { plain } from '../finding-words.ts'
import { factOf } from '../scene.ts'
import { computeCarriedLoads } from './carried-load.ts'

interface StandsOnNothing {
  code: 'stands-on-nothing'
  tag: string
  name: string
  carries: string[]
}

/** An arm of which nobody said what it is: one with a base of its own stands, any other hangs in the air. */
interface FootUnknown {
  code: 'foot-unknown'
  tag: string
  name: string
  carries: string[]
}

/** Kinds that carry and do not stand by themselves: without something under them what they carry hangs in the air. */
const BETWEEN: readonly Category[] = ['plate', 'head', 'boom-arm', 'friction-arm', 'prompter']

/**
 * What carries and is itself carried by nothing: what stands, stands on the floor, a wall, a ceiling, a piece of furniture or
 * somebody in the end. An open foot is told as that; who carries by hand is not asked what for.
 */
export const supportTree = defineCheck<StandsOnNothing | FootUnknown>({
  shownIn: 'rig',
  find(scene) {
    const { below, above } = factOf(scene, computeCarriedLoads)
    const isTold = ({ key }: PlacedItem) =>
      [...scene.unmet, ...scene.away.flatMap((it) => it.leaves)].some(
        (need) =>
          need.thing.key === key &&
          need.side === 'guest' &&
          need.interfaces.some((code) => scene.interfaces.get(code)?.kind === 'carry'),
      )
    return scene.items.flatMap((item): Found<StandsOnNothing | FootUnknown>[] => {
      const isUnsaid = item.category === 'arm'
      if (!(isUnsaid || BETWEEN.some((kind) => isItemOf(item, kind))) || scene.setup.carriers > 0) return []
      const riders = (above.get(item.key) ?? []).flatMap((key) => scene.itemOf.get(key) ?? [])
      if (riders.length === 0 || (below.get(item.key) ?? []).length > 0 || isTold(item)) return []
      const told = { ...ofItem(item), carries: riders.slice(0, 3).map((it) => it.tag) }
      return isUnsaid ? [{ ...told, level: 'unknown', code: 'foot-unknown' }] : [{ ...told, code: 'stands-on-nothing' }]
    })
  },
  codes: {
    'foot-unknown': {
      couldStop: true,
      say: ({ tag, name, carries }) =>
        plain(
          `Cannot tell what ${tag} stands on`,
          `${name} carries ${carries.join(', ')}, and “Arm or boom” says not how it stands. Say under “Specs” which kind it is: with its own base, for a desk, for a screen, or one that goes on a stand.`,
        ),
      deciding: ({ carries }) => carries,
    },
    'stands-on-nothing': {
      say: ({ tag, name, carries }) =>
        plain(
          `${tag} stands on nothing`,
          `${name} carries ${carries.join(', ')}, and nothing carries it. Put in what it goes on; where it is there already, write down under “Specs” which foot ${tag} has.`,
        ),
      deciding: ({ carries }) => carries,
      seeks: () => ({ categories: ['tripod', 'stand', 'head', 'clamp'] }),
    },
  },
})
