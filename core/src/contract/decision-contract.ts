import { z } from 'zod'
import { decisionSchema, newDecisionSchema } from '../ledger/decide/calculators.ts'
import { defineContract } from './contract.ts'

/** Routes of what was decided about money. */
export const decisionContract = defineContract('ledger', {
  'get /decisions': {
    summary: 'What was decided about money, with its figures and why, newest first',
    permission: 'see-money',
    reply: z.array(decisionSchema),
  },
  'post /decisions': {
    summary: 'Keep what was decided: the figures as they are, which way, and why',
    permission: 'change-ledger',
    body: newDecisionSchema,
    reply: decisionSchema,
    status: 201,
  },
  'put /decisions/:id': {
    summary: 'Correct a decision that was kept',
    permission: 'change-ledger',
    body: newDecisionSchema,
    reply: decisionSchema,
    isChange: true,
  },
})
