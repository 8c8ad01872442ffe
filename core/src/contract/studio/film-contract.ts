import { z } from 'zod'
import { filmStandingSchema } from '../../kit/unit/film-copies.ts'
import { filmSchema, newFilmSchema } from '../../studio/archive/film.ts'
import { defineContract } from '../contract.ts'

export const filmRowSchema = z.object({
  /** How safe it lies. */
  standing: filmStandingSchema,
  /** What is to be said with it of the things in its setup that were here by then; null where it has none, so that nobody knows. */
  disclosures: z.array(z.string()).nullable(),
  ...filmSchema.omit({ copies: true }).shape,
  copies: z.array(
    filmSchema.shape.copies.unwrap().element.and(
      z.object({
        tag: z.string(),
        /** In words, where it is not simply there. */
        state: z.string(),
      }),
    ),
  ),
})
export type FilmRow = z.infer<typeof filmRowSchema>

/** Routes of films and where their files are. */
export const filmContract = defineContract('studio', {
  'get /films': {
    summary: 'The archive: which film lies on which drive',
    permission: 'see-studio',
    reply: z.array(filmRowSchema),
  },
  'post /films': {
    summary: 'Write down where a film lies',
    permission: 'change-directory',
    body: newFilmSchema,
    reply: filmSchema,
    status: 201,
  },
  'put /films/:id': {
    summary: 'Change where a film lies',
    permission: 'change-directory',
    body: newFilmSchema,
    reply: filmSchema,
    isChange: true,
  },
})
