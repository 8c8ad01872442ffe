import { z } from 'zod'
import { supplySchema } from '../kit/unit/unit.ts'
import { dateSchema } from '../units/wall-time.ts'
import { defineContract } from './contract.ts'
import { keptStockSchema } from './replies.ts'

/** A counted thing with how long it lasts. */
export const supplyLineSchema = z.object({
  stockId: z.string(),
  tag: z.string(),
  name: z.string(),
  place: z.string().nullable(),
  quantity: z.number(),
  reorderLevel: z.number(),
  version: z.number(),
  supply: supplySchema,
  /** Sessions ahead in which it serves, and the pieces used up lately with the sessions of that time. */
  sessionsAhead: z.number(),
  usedUp: z.number(),
  sessions: z.number(),
  perUse: z.number().nullable(),
  basis: z.enum(['said', 'log']).nullable(),
  lowOn: z.string().nullable(),
  shortOn: z.string().nullable(),
  missing: z.number(),
  orderBy: z.string().nullable(),
  isOrderDue: z.boolean(),
  isExpired: z.boolean(),
  expiresBefore: z.string().nullable(),
})
export type SupplyLine = z.infer<typeof supplyLineSchema>

/** Routes of what is used up. */
export const supplyContract = defineContract('bench', {
  'get /supplies': {
    summary: 'How long what is used up lasts, and by when to order more: what runs short first',
    permission: 'see-studio',
    reply: z.object({ today: z.string(), lines: z.array(supplyLineSchema) }),
  },
  'post /stock/:id/uses': {
    summary: 'Say that pieces were used up',
    permission: 'count-stock',
    body: z.object({
      on: dateSchema,
      quantity: z.number().int().min(1, 'At least one.').max(100_000),
      note: z.string().trim().max(300).default(''),
    }),
    reply: keptStockSchema,
    status: 201,
  },
})
