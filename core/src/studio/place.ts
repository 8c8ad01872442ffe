import { z } from 'zod'
import { idSchema, nameSchema, noteSchema, versionSchema } from './identity.ts'

export const PLACE_KINDS = ['room', 'store', 'shelf', 'case', 'bag'] as const
export type PlaceKind = (typeof PLACE_KINDS)[number]

/** A mains circuit of a room: what its breaker lets through and where it can be reached. */
export const circuitSchema = z.object({
  id: idSchema,
  name: nameSchema,
  volts: z.number().int().min(1, 'A circuit has a voltage.').max(1000),
  amps: z.number().min(0.5, 'A circuit carries at least half an ampere.').max(400),
  outlets: z.number().int().min(0).max(200),
  outletInterface: idSchema,
})
export type Circuit = z.infer<typeof circuitSchema>

export const newPlaceSchema = z.object({
  name: nameSchema,
  kind: z.enum(PLACE_KINDS),
  parentId: idSchema.nullable(),
  circuits: z.array(circuitSchema).max(40),
  note: noteSchema,
})
export const placeSchema = newPlaceSchema.extend({ id: idSchema, version: versionSchema })
export type Place = z.infer<typeof placeSchema>
