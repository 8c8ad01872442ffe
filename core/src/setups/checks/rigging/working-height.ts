import { trim } from '../../../units/quantity.ts'
import { listInWords } from '../../../units/wording.ts'
import { listItemsOf, type PlacedItem, readFigure } from '../../placed/placed-item.ts'
import type { Role } from '../../setup/setup.ts'
import { defineCheck } from '../check.ts'
import { plain } from '../finding-words.ts'
import { listStandInsFor } from '../ideas.ts'
import { factOf, type Scene } from '../scene.ts'
import { computeCarriedLoads } from './carried-load.ts'

interface OutOfReach {
  code: 'height-out-of-reach'
  tag: string
  carriers: string[]
  carrierKeys: string[]
  wantedMm: number
  lowestMm: number
  highestMm: number
}

/**
 * Whether a thing can be brought to the height that its role asks for: what it rides on, down to the floor, reaches from
 * its lowest to its highest, and arms on the way reach up or down by their length. Where one of the carriers has no height
 * recorded, nothing is said.
 */
export const workingHeight = defineCheck<OutOfReach>({
  find: (scene) => scene.setup.roles.flatMap((role) => checkRole(role, scene)),
  codes: {
    'height-out-of-reach': {
      say({ tag, carriers, wantedMm, lowestMm, highestMm }) {
        const way =
          wantedMm > highestMm
            ? 'A taller stand, a riser or an arm would.'
            : 'A low stand, a clamp, or an adapter in the base of the stand would.'
        return plain(
          `${tag} does not get to ${metres(wantedMm)}`,
          `On ${listInWords(carriers)} it works between ${metres(lowestMm)} and ${metres(highestMm)}. ${way}`,
        )
      },
      deciding: ({ wantedMm, lowestMm, highestMm }) => [wantedMm, lowestMm, highestMm],
      ideas: ({ carrierKeys }, context) => listStandInsFor(carrierKeys, context),
      replaceable: ({ carrierKeys }) => carrierKeys,
    },
  },
})

const metres = (mm: number) => `${trim(mm / 1000, 2)} m`

function checkRole(role: Role, scene: Scene) {
  const wantedMm = role.position?.heightMm
  const [item] = listItemsOf(role, scene.items)
  if (wantedMm == null || !item) return []
  const { below } = factOf(scene, computeCarriedLoads)
  const carriers = (below.get(item.key) ?? []).flatMap((key) => scene.itemOf.get(key) ?? [])
  const range = findHeightRange(carriers)
  if (!range || (wantedMm >= range.lowestMm && wantedMm <= range.highestMm)) return []
  return [
    {
      code: 'height-out-of-reach' as const,
      about: [item.key],
      level: 'warn' as const,
      roleId: role.id,
      tag: item.tag,
      carriers: carriers.map(({ tag }) => tag),
      carrierKeys: carriers.map(({ key }) => key),
      wantedMm,
      ...range,
    },
  ]
}

function findHeightRange(carriers: readonly PlacedItem[]) {
  let range: { lowestMm: number; highestMm: number } | null = null
  let reach = 0
  for (const carrier of carriers) {
    const least = readFigure(carrier, 'heightMinMm')
    const most = readFigure(carrier, 'heightMaxMm')
    if (least !== null && most !== null) range = { lowestMm: least, highestMm: most }
    else reach += readFigure(carrier, 'reachMm') ?? 0
  }
  return range && { lowestMm: Math.max(0, range.lowestMm - reach), highestMm: range.highestMm + reach }
}
