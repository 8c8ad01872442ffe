import { z } from 'zod'
import { idSchema } from '../../studio/identity.ts'

export const IMPORTANCES = ['essential', 'wanted', 'optional'] as const
export type Importance = (typeof IMPORTANCES)[number]
export const importanceSchema = z.enum(IMPORTANCES)

/** Quantities that decide whether two ports may join: what one side is good for must reach what the other demands. */
export const RATED_QUANTITIES = ['loadGrams', 'cardMegabytesPerSecond', 'amps'] as const
export type RatedQuantity = (typeof RATED_QUANTITIES)[number]

const ratingSchema = z.object({ quantity: z.enum(RATED_QUANTITIES), value: z.number().min(0).max(1e9) })

/**
 * One place of a model where something else joins. A combined socket lists every interface it accepts. Ports of one
 * `exclusiveGroup` are ways to use the same end: using one closes the others.
 */
export const portSchema = z.object({
  id: idSchema,
  interfaces: z.array(idSchema).min(1, 'A port has at least one interface.').max(12),
  side: z.enum(['host', 'guest']),
  direction: z.enum(['in', 'out', 'both', 'none']),
  count: z.number().int().min(1).max(64),
  importance: z.enum(IMPORTANCES),
  /** What travels or hangs here, such as `phantom-48v` or `distribution`. */
  carries: z.array(idSchema).max(12),
  /** What must not be on the other side. */
  forbids: z.array(idSchema).max(12),
  rating: ratingSchema.nullable(),
  demand: ratingSchema.nullable(),
  exclusiveGroup: idSchema.nullable(),
})
export type Port = z.infer<typeof portSchema>

export type PortSketch = Pick<Port, 'id' | 'side'> & { interfaces: string | string[] } & Partial<
    Omit<Port, 'interfaces'>
  >

/** Fills in what a port usually is: one of it, essential, no direction, nothing carried or forbidden. */
export function makePort(sketch: PortSketch): Port {
  return {
    direction: 'none',
    count: 1,
    importance: 'essential',
    carries: [],
    forbids: [],
    rating: null,
    demand: null,
    exclusiveGroup: null,
    ...sketch,
    interfaces: typeof sketch.interfaces === 'string' ? [sketch.interfaces] : sketch.interfaces,
  }
}
