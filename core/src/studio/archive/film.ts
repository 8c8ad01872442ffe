import { z } from 'zod'
import { dateSchema } from '../../units/wall-time.ts'
import { idSchema, nameSchema, versionSchema } from '../identity.ts'

/** Where a finished film and its sources lie: the index of the archive. */
export const newFilmSchema = z.object({
  title: nameSchema,
  on: dateSchema,
  setupId: idSchema.nullable(),
  /** The drives it lies on; a second one is the difference between a fault and a loss. */
  copies: z
    .array(z.object({ unitId: idSchema, folder: z.string().max(300) }))
    .max(8)
    .default([]),
})
export type NewFilm = z.infer<typeof newFilmSchema>
export const filmSchema = newFilmSchema.extend({ id: idSchema, version: versionSchema })
export type Film = z.infer<typeof filmSchema>
