import { listInWords } from '../../../units/wording.ts'
import { defineCheck, ofItem } from '../check.ts'
import { plain } from '../finding-words.ts'
import { factOf } from '../scene.ts'
import { computeCarriedLoads } from './carried-load.ts'
import { listUnsureStands } from './tipping.ts'

interface BridgeUnknown {
  code: 'bridge-unknown'
  tag: string
  name: string
  /** Tags of what several supports bear together. */
  shared: string[]
  wouldTip: boolean
}

/** A support that stands for what it bears with others only where enough of that comes on the others. A hazard. */
export const bridges = defineCheck<BridgeUnknown>({
  shownIn: 'rig',
  find(scene) {
    const tipping = new Map(factOf(scene, listUnsureStands).map((it) => [it.stand.key, it.shared]))
    const shares = new Map(factOf(scene, computeCarriedLoads).shares.map((it) => [it.load.key, it.shared]))
    return scene.items.flatMap((item) => {
      const shared = shares.get(item.key) ?? tipping.get(item.key)
      if (!shared) return []
      const wouldTip = tipping.has(item.key)
      return [{ ...ofItem(item), level: 'unknown' as const, code: 'bridge-unknown' as const, shared, wouldTip }]
    })
  },
  codes: {
    'bridge-unknown': {
      couldStop: true,
      isHazard: true,
      say: ({ tag, shared, wouldTip }) =>
        plain(
          `Cannot tell how much of ${listInWords(shared)} comes on ${tag}`,
          `It rests on other supports as well. ${wouldTip ? `With all of it at its end ${tag} would fall over` : `All of it would be too much for ${tag}`}; in the middle half of it comes here, nearer to ${tag} more. Take what bears all of it, or accept it with where it hangs. A competent rigger decides about anything overhead.`,
        ),
      deciding: ({ shared, wouldTip }) => [...shared, wouldTip],
    },
  },
})
