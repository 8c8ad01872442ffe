import { z } from 'zod'
import { defineContract } from './contract.ts'
import { unitRowSchema } from './replies.ts'

export const orderRowSchema = z.object({
  id: z.string(),
  version: z.number(),
  tag: z.string(),
  name: z.string(),
  party: z.string().nullable(),
  dueOn: z.string().nullable(),
  isLate: z.boolean(),
  usedIn: unitRowSchema.shape.usedIn,
})
export type OrderRow = z.infer<typeof orderRowSchema>

/** Routes of what is on order. */
export const orderContract = defineContract('ledger', {
  'get /orders': {
    summary: 'What is ordered and not here yet: from whom, when it is due, and which setups wait for it',
    permission: 'see-studio',
    reply: z.array(orderRowSchema),
  },
  'post /orders/:id/cancelled': {
    summary: 'The seller will not deliver: it is wished for again, and on the shopping list with the setups that wait',
    permission: 'change-ledger',
    reply: z.object({
      id: z.string(),
    }),
    isChange: true,
  },
})
