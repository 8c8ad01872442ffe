import { z } from 'zod'
import { wallSchema } from '../../../studio/places/place.ts'
import { findNearestWall, findStand, toRoom } from '../picture/stand.ts'
import { factOf, type Scene } from '../scene.ts'
import { listPlanned } from './planned.ts'

export const gapSchema = z.object({
  key: z.string(),
  tag: z.string(),
  wall: wallSchema,
  /** Between its legs, or what stands there where their reach is not known, and the wall; below nothing it reaches into it. */
  freeMm: z.number(),
  isWithLegs: z.boolean(),
})
export type Gap = z.infer<typeof gapSchema>

/** How near everything stands to the wall nearest to it, the nearest first; nothing where nobody said how they stand in the room. */
export function listGaps(scene: Scene): Gap[] {
  const stand = findStand(scene)
  if (!stand) return []
  return factOf(scene, listPlanned)
    .placed.map((it) => {
      const { wall, mm } = findNearestWall(stand.size, toRoom(stand, it))
      return { key: it.key, tag: it.tag, wall, freeMm: mm - (it.legsMm ?? 0), isWithLegs: it.legsMm !== null }
    })
    .sort((a, b) => a.freeMm - b.freeMm || (a.tag < b.tag ? -1 : 1))
}
