import { z } from 'zod'
import { defineContract } from '../contract.ts'

export const healthReplySchema = z.object({
  ok: z.boolean(),
  problems: z.array(
    z.object({
      code: z.string(),
      text: z.string(),
    }),
  ),
})
export type HealthReply = z.infer<typeof healthReplySchema>

/** Routes of whether all is well. */
export const healthContract = defineContract('studio', {
  'get /health': {
    summary: 'Whether all is well, else what to do; 503 when the database does not answer',
    permission: 'open',
    reply: healthReplySchema,
  },
})
