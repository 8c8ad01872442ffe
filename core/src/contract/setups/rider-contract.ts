import { z } from 'zod'
import { defineContract } from '../contract.ts'
import { setupNameSchema } from '../replies.ts'

export const ridersReplySchema = z.object({
  setup: setupNameSchema,
  riders: z.array(
    z.object({
      tag: z.string(),
      name: z.string(),
      massGrams: z.number().nullable(),
    }),
  ),
  ratedGrams: z.number().nullable(),
})
export type RidersReply = z.infer<typeof ridersReplySchema>

/** Routes of what a support carries where. */
export const riderContract = defineContract('setups', {
  'get /units/:id/riders': {
    summary: 'What rides on a thing in each setup, and would be left without a place if it went away',
    permission: 'see-studio',
    reply: z.array(ridersReplySchema),
  },
})
