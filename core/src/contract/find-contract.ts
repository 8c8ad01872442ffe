import { z } from 'zod'
import { defineContract } from './contract.ts'

export const findHitSchema = z.object({
  key: z.string(),
  kind: z.enum(['unit', 'stock', 'setup', 'booking', 'person', 'place', 'party', 'action']),
  id: z.string(),
  title: z.string(),
  text: z.string(),
  path: z.string(),
})
export type FindHit = z.infer<typeof findHitSchema>

export const findReplySchema = z.object({
  hits: z.array(findHitSchema),
})
export type FindReply = z.infer<typeof findReplySchema>

/** Routes of finding anything by words. */
export const findContract = defineContract('today', {
  'get /find': {
    summary: 'Things, setups, bookings, people, places and actions by their words; typing errors are forgiven',
    permission: 'see-studio',
    query: z.object({ q: z.string().trim().min(1, 'Type what you look for.').max(80) }),
    reply: findReplySchema,
  },
})
