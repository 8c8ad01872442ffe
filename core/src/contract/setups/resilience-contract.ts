import { z } from 'zod'
import { singlePointOfFailureSchema, singlePointSchema } from '../../setups/proposals/resilience.ts'
import { tapeSchema } from '../../setups/setup/setup.ts'
import { defineContract } from '../contract.ts'

export const resilienceReplySchema = z.object({
  points: z.array(singlePointSchema),
  setups: z.array(
    z.object({
      id: z.string(),
      code: z.string(),
      tape: tapeSchema,
      name: z.string(),
      losses: z.array(singlePointOfFailureSchema),
      /** What it would stop without, were it not for what stands by in it, which is named. */
      covered: z.array(singlePointOfFailureSchema),
      /** Stops that it has as it stands. */
      stops: z.number(),
      /** Each of its things was taken out: otherwise there may be more. */
      isDone: z.boolean(),
    }),
  ),
  /** Things that were taken out and judged so far, of all there are. */
  done: z.number(),
  of: z.number(),
})
export type ResilienceReply = z.infer<typeof resilienceReplySchema>

/** Routes of single points of failure. */
export const resilienceContract = defineContract('setups', {
  'get /resilience': {
    summary:
      'Single points of failure: without which setups would stop, and what could stand in. Says how far it has come; ask again until done is of',
    permission: 'see-studio',
    reply: resilienceReplySchema,
  },
})
