import { z } from 'zod'
import { reliabilityRecordSchema } from '../bench/reliability.ts'
import { tapeSchema } from '../setups/setup/setup.ts'
import { defineContract } from './contract.ts'

export const reliabilityReplySchema = z.object({
  today: z.string(),
  /** Of each thing that was ever here what the log tells. */
  records: z.array(reliabilityRecordSchema),
  /** Bookings of a year ahead and of the year past, in the order of time; those of no setup only hold things. */
  shoots: z.array(
    z.object({
      id: z.string(),
      title: z.string(),
      day: z.string(),
      start: z.number(),
      end: z.number(),
      isPast: z.boolean(),
      setup: z.object({ id: z.string(), code: z.string(), tape: tapeSchema, name: z.string() }).nullable(),
      unitIds: z.array(z.string()),
    }),
  ),
})
export type ReliabilityReply = z.infer<typeof reliabilityReplySchema>

/** Routes of what fails how often. */
export const reliabilityContract = defineContract('bench', {
  'get /reliability': {
    summary: 'How long things went between failures, and the shoots that hang on them',
    permission: 'see-studio',
    reply: reliabilityReplySchema,
  },
})
