import { z } from 'zod'
import { todayItemSchema, todaySectionSchema } from '../today/today.ts'
import { defineContract } from './contract.ts'

export const todayReplySchema = z.object({
  date: z.string(),
  sections: z.record(todaySectionSchema, z.array(todayItemSchema)),
})
export type TodayReply = z.infer<typeof todayReplySchema>

/** Routes of what matters today. */
export const todayContract = defineContract('today', {
  'get /today': {
    summary: 'What matters now: next shoots, preparation, what is out, collisions, decisions',
    permission: 'see-studio',
    reply: todayReplySchema,
  },
})
