import type { NeededFact } from '../../../kit/template/needed-facts.ts'
import { listInWords } from '../../../units/wording.ts'
import { isItemOf, listItemsOf, type PlacedItem, readFigure } from '../../placed/placed-item.ts'
import type { Role } from '../../setup/setup.ts'
import { defineCheck, type Found } from '../check.ts'
import { metres, plain } from '../finding-words.ts'
import { listStandInsFor } from '../ideas.ts'
import { factOf, type Scene } from '../scene.ts'
import { computeCarriedLoads } from './carried-load.ts'

type HeightFinding =
  | {
      code: 'height-out-of-reach'
      tag: string
      carriers: string[]
      carrierKeys: string[]
      wantedMm: number
      lowestMm: number
      highestMm: number
    }
  | { code: 'height-unknown'; tag: string; stand: string; modelId: string | null; wantedMm: number; fact: NeededFact }
  | { code: 'above-ceiling'; tag: string; wantedMm: number; ceilingMm: number }

/**
 * Whether a thing can be brought to the height that its role asks for: under the ceiling, and between the lowest and the highest
 * of what it rides on, down to the floor; arms on the way reach up or down by their length. How high a stand goes that nobody
 * measured is asked.
 */
export const workingHeight = defineCheck<HeightFinding>({
  shownIn: 'rig',
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
    'height-unknown': {
      say: ({ tag, stand, wantedMm, fact }) =>
        plain(
          `Cannot tell whether ${tag} gets to ${metres(wantedMm)}`,
          `How ${fact === 'lowest' ? 'low' : 'high'} ${stand} goes is not recorded.`,
        ),
      deciding: ({ wantedMm, fact }) => [wantedMm, fact],
      asks: ({ modelId, fact }) => (modelId === null ? null : { modelId, fact }),
    },
    'above-ceiling': {
      say: ({ tag, wantedMm, ceilingMm }) =>
        plain(
          `${tag} is wanted at ${metres(wantedMm)}, and the ceiling is at ${metres(ceilingMm)}`,
          'Set it lower, or choose a higher room. A hot lamp wants air above it as well.',
        ),
      deciding: ({ wantedMm, ceilingMm }) => [wantedMm, ceilingMm],
    },
  },
})

function checkRole(role: Role, scene: Scene): Found<HeightFinding>[] {
  const wantedMm = role.position?.heightMm
  const [item] = listItemsOf(role, scene.items)
  if (wantedMm == null || !item) return []
  const about = { about: [item.key], roleId: role.id, tag: item.tag, wantedMm }
  const ceilingMm = scene.roomSize?.heightMm ?? null
  if (ceilingMm !== null && wantedMm >= ceilingMm) return [{ ...about, code: 'above-ceiling', ceilingMm }]
  const { below } = factOf(scene, computeCarriedLoads)
  const carriers = (below.get(item.key) ?? []).flatMap((key) => scene.itemOf.get(key) ?? [])
  const stand = carriers.find(isStanding)
  if (!stand) return []
  const range = findHeightRange(stand, carriers)
  const ask = (fact: NeededFact): Found<HeightFinding>[] => {
    const asked = { level: 'unknown' as const, stand: stand.tag, modelId: stand.model?.id ?? null, fact }
    return [{ ...about, ...asked, code: 'height-unknown' }]
  }
  if (!range) return ask('height')
  // Stands go down to half of their height, and hardly lower (common practice).
  if (readFigure(stand, 'heightMinMm') === null && wantedMm < range.highestMm / 2) return ask('lowest')
  if (wantedMm >= range.lowestMm && wantedMm <= range.highestMm) return []
  return [
    {
      ...about,
      code: 'height-out-of-reach',
      level: 'warn',
      carriers: carriers.map(({ tag }) => tag),
      carrierKeys: carriers.map(({ key }) => key),
      ...range,
    },
  ]
}

const STANDING = ['tripod', 'stand', 'mic-stand'] as const
const isStanding = (item: PlacedItem) => STANDING.some((kind) => isItemOf(item, kind))

/** Down to the floor where nobody recorded how low it goes; null where nobody recorded how high. */
function findHeightRange(stand: PlacedItem, carriers: readonly PlacedItem[]) {
  const highest = readFigure(stand, 'heightMaxMm')
  if (highest === null) return null
  // What is a stand and a boom in one reaches by itself.
  const reach = carriers.reduce((sum, it) => sum + (readFigure(it, 'reachMm') ?? 0), 0)
  const lowest = readFigure(stand, 'heightMinMm') ?? 0
  return { lowestMm: Math.max(0, lowest - reach), highestMm: highest + reach }
}
