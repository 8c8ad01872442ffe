import { z } from 'zod'
import { listLeadWays } from '../../../studio/places/socket-map.ts'
import { findStand, toRoom } from '../picture/stand.ts'
import { factOf, type Scene } from '../scene.ts'
import { listPlanned } from './planned.ts'

export const leadSchema = z.object({
  key: z.string(),
  tag: z.string(),
  socketId: z.string(),
  socket: z.string(),
  via: z.enum(['floor', 'overhead', 'straight']),
  /** Square to the walls, up and down included, without slack. */
  wayMm: z.number(),
})
export type Lead = z.infer<typeof leadSchema>

/** For everything that runs on the mains where it stands, the nearest socket. Only where its height and the way they stand are known. */
export function listLeads(scene: Scene): Lead[] {
  const stand = findStand(scene)
  const sockets = scene.crew?.place?.details.sockets ?? []
  if (!stand || sockets.length === 0) return []
  return factOf(scene, listPlanned).placed.flatMap((it): Lead[] => {
    const item = scene.itemOf.get(it.key)
    if (item?.powerMode?.source !== 'mains' || it.heightMm === null) return []
    const { xMm, yMm } = toRoom(stand, it)
    const nearest = listLeadWays(sockets, { xMm, yMm, zMm: it.heightMm }, 0)[0]
    if (!nearest) return []
    const { socketId, name, via, wayMm } = nearest
    return [{ key: it.key, tag: it.tag, socketId, socket: name, via, wayMm }]
  })
}
