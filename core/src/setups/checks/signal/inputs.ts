import { z } from 'zod'
import type { Joint } from '../../joining/completeness.ts'
import type { Scene } from '../scene.ts'
/** How many of its inputs a switcher, mixer, interface or recorder has in use. */
export const inputUseSchema = z.object({
  tag: z.string(),
  name: z.string(),
  used: z.number(),
  total: z.number(),
})
export type InputUse = z.infer<typeof inputUseSchema>

/** Counts the inputs of everything that has two or more of one kind, so that one sees what is left for another source. */
export function countInputs({ items, joints }: Scene): InputUse[] {
  return items.flatMap((thing) => {
    const inputs = thing.ports.filter((port) => port.direction === 'in' && port.count > 1)
    const total = inputs.reduce((sum, port) => sum + port.count, 0)
    if (total === 0) return []
    const ids = new Set(inputs.map((port) => port.id))
    const isOwn = (end: Joint['host']) => end.key === thing.key && ids.has(end.portId)
    const used = joints.filter(({ host, guest }) => isOwn(host) || isOwn(guest)).length
    return [{ tag: thing.tag, name: thing.name, used, total }]
  })
}
