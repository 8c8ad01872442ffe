import { readFigure } from '../../placed/placed-item.ts'
import { defineCheck, type Found, ofItem } from '../check.ts'
import { kilograms, makeGauge } from '../finding-words.ts'
import { listStandInsFor } from '../ideas.ts'
import { factOf } from '../scene.ts'
import { computeCarriedLoads } from './carried-load.ts'

interface TooLight {
  code: 'load-too-light'
  itemKey: string
  tag: string
  name: string
  totalGrams: number
  leastGrams: number
  /** Some of what rides on it was not weighed: it may be enough. */
  unweighed: string[]
}

/** A balanced arm springs up under less than it is balanced for. */
export const leastLoad = defineCheck<TooLight>({
  shownIn: 'rig',
  find: (scene) =>
    factOf(scene, computeCarriedLoads).every.flatMap(({ key, riders, totalGrams }): Found<TooLight>[] => {
      const item = scene.itemOf.get(key)
      const leastGrams = item ? readFigure(item, 'leastLoadGrams') : null
      if (!item || leastGrams === null || totalGrams >= leastGrams) return []
      const unweighed = riders.flatMap((it) => (it.massGrams === null ? [it.tag] : []))
      const level = unweighed.length > 0 ? 'unknown' : 'advise'
      return [{ ...ofItem(item), level, code: 'load-too-light', itemKey: key, totalGrams, leastGrams, unweighed }]
    }),
  codes: {
    'load-too-light': {
      say: ({ tag, name, totalGrams, leastGrams, unweighed }) => {
        const asked = unweighed.length > 0
        return {
          title: asked ? `Cannot tell whether ${tag} stays where it is put` : `${tag} springs up`,
          text: asked
            ? `${name} is balanced from ${kilograms(leastGrams)} on, and ${unweighed.join(', ')} on it was not weighed.`
            : `${name} is balanced from ${kilograms(leastGrams)} on and carries ${kilograms(totalGrams)}. Set its tension for less, where it can be, or put weight on it.`,
          gauge: makeGauge(totalGrams, leastGrams, `${kilograms(totalGrams)}, ${kilograms(leastGrams)} wanted`),
        }
      },
      deciding: ({ totalGrams, leastGrams }) => [totalGrams, leastGrams],
      ideas: ({ itemKey }, context) => listStandInsFor([itemKey], context),
      replaceable: ({ itemKey }) => [itemKey],
      isSmaller: (after, before) => after.totalGrams > before.totalGrams,
    },
  },
})
