import { z } from 'zod'
import { modelSchema } from '../kit/model/model.ts'
import { lifeStateSchema, stockSchema, unitSchema } from '../kit/unit/unit.ts'
import { tapeSchema } from '../setups/setup/setup.ts'
import { amount } from '../studio/people/secrecy.ts'

export const serveSchema = z.object({
  id: z.string(),
  code: z.string(),
  tape: z.string(),
  role: z.string(),
})
export type Serve = z.infer<typeof serveSchema>

export const unitRowSchema = z.object({
  id: z.string(),
  tag: z.string(),
  name: z.string(),
  category: modelSchema.shape.category,
  nickname: z.string(),
  maker: z.string(),
  place: z.string().nullable(),
  isAtHome: z.boolean(),
  state: lifeStateSchema,
  fault: z.string().nullable(),
  serial: z.string().nullable(),
  massGrams: z.number().nullable(),
  acquiredOn: z.string().nullable(),
  priceMinor: amount(z.number().nullable()),
  lastOutAt: z.number().nullable(),
  version: z.number(),
  usedIn: z.array(serveSchema),
})
export type UnitRow = z.infer<typeof unitRowSchema>

export const setupNameSchema = z.object({
  id: z.string(),
  code: z.string(),
  tape: tapeSchema,
  name: z.string(),
})
export type SetupName = z.infer<typeof setupNameSchema>

export const namedSchema = z.object({
  id: z.string(),
  tag: z.string(),
  name: z.string(),
})
export type Named = z.infer<typeof namedSchema>

/** What a change leaves: which record, and its version now. */
export const versionedSchema = z.object({ id: z.string(), version: z.number() })

/** For one of its bookings, or as it stands. */
export const contextQuery = z.object({ bookingId: z.string().max(64).optional() })

/** As it lies in the house: with the day on which it was archived. */
export const keptUnitSchema = z.object({ ...unitSchema.shape, archivedAt: z.number().nullable() })
export const keptStockSchema = z.object({ ...stockSchema.shape, archivedAt: z.number().nullable() })
export const keptModelSchema = z.object({ ...modelSchema.shape, archivedAt: z.number().nullable() })
