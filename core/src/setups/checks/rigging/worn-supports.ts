import { listInWords } from '../../../units/wording.ts'
import type { PlacedItem } from '../../placed/placed-item.ts'
import { defineCheck, type Found, LEVEL_OF_IMPORTANCE, ofItem } from '../check.ts'
import { plain } from '../finding-words.ts'
import { findRole, listStandInsFor } from '../ideas.ts'
import { factOf, type Scene } from '../scene.ts'
import { computeCarriedLoads } from './carried-load.ts'

interface WornSupport {
  code: 'support-worn'
  itemKey: string
  tag: string
  name: string
  faultId: string
  note: string
  /** What rides on it: tags. */
  riders: string[]
}

/** What rides on something, however far up: tags. */
export const listRiders = ({ key }: PlacedItem, scene: Scene): string[] =>
  (factOf(scene, computeCarriedLoads).above.get(key) ?? []).flatMap((it) => scene.itemOf.get(it)?.tag ?? [])

/** A support that sags or comes loose is not good for what it was rated for: nobody knows for how much. */
export const wornSupports = defineCheck<WornSupport>({
  shownIn: 'rig',
  find: (scene) => {
    const { faults, items } = scene
    if (!faults || faults.size === 0) return []
    return items.flatMap((item) => {
      const riders = listRiders(item, scene)
      const worn = (faults.get(item.unit?.id ?? '') ?? []).filter((it) => it.fails === 'load')
      if (riders.length === 0) return []
      const level = LEVEL_OF_IMPORTANCE[findRole(scene, item.roleId)?.importance ?? 'essential']
      return worn.map(
        ({ id, note }): Found<WornSupport> => ({
          ...ofItem(item),
          about: [item.key, id],
          level,
          code: 'support-worn',
          itemKey: item.key,
          faultId: id,
          note,
          riders,
        }),
      )
    })
  },
  codes: {
    'support-worn': {
      isHazard: true,
      say: ({ tag, name, note, riders }) =>
        plain(
          `${tag} is not to be trusted with ${listInWords(riders)}`,
          `Of ${name} somebody reported “${note}”. Nobody knows what it bears now: mend it and try it with the load close to the floor, or take another.`,
        ),
      deciding: ({ faultId, riders }) => [faultId, ...riders],
      ideas: ({ itemKey }, context) => listStandInsFor([itemKey], context),
      replaceable: ({ itemKey }) => [itemKey],
    },
  },
})
