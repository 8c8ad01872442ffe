import { z } from 'zod'
import { budgetSchema, entryChangeSchema, entrySchema, newEntrySchema, newRefundSchema } from '../ledger/entry.ts'
import { forecastSchema } from '../ledger/forecast.ts'
import {
  newShoppingLineSchema,
  partRequestSchema,
  shoppingLineSchema,
  shoppingPriceSchema,
} from '../ledger/shopping.ts'
import { spendingSchema } from '../ledger/spending.ts'
import { amount } from '../studio/people/secrecy.ts'
import { defineContract } from './contract.ts'
import { versionedSchema } from './replies.ts'

export const spendingReplySchema = z.object({
  ...spendingSchema.shape,
  budgetVersion: z.number(),
  /** Over all years, and from when on. */
  everMinor: amount(z.number()),
  since: z.string().nullable(),
  /** What it will have cost at its end; of the year in which we are, and of no other. */
  forecast: forecastSchema.nullable(),
})
export type SpendingReply = z.infer<typeof spendingReplySchema>

export const entryRowSchema = z.object({
  ...entrySchema.shape,
  tag: z.string().nullable(),
  party: z.string().nullable(),
  /** What came back of it so far. */
  backNetMinor: amount(z.number()),
  backTaxMinor: amount(z.number()),
})
export type EntryRow = z.infer<typeof entryRowSchema>

export const yearSchema = z.coerce.number().int().min(1990).max(2200)

/** Routes of spending, budgets and the shopping list. */
export const ledgerContract = defineContract('ledger', {
  'get /ledger/spending': {
    summary: 'Spending of a year by month and group against its budget',
    permission: 'see-money',
    query: z.object({ year: yearSchema.optional() }),
    reply: spendingReplySchema,
  },
  'get /ledger/entries': {
    summary: 'Entries of a year, newest first',
    permission: 'see-money',
    query: z.object({ year: yearSchema }),
    reply: z.array(entryRowSchema),
  },
  'post /ledger/entries': {
    summary: 'Record what was paid, or what a sale brought',
    permission: 'change-ledger',
    body: newEntrySchema,
    reply: entrySchema,
    status: 201,
  },
  'put /ledger/entries/:id': {
    summary: 'Correct an entry',
    permission: 'change-ledger',
    body: entryChangeSchema,
    reply: entrySchema,
    isChange: true,
  },
  'post /ledger/entries/:id/refunds': {
    summary: 'Record money that came back of an entry: all of it, or a part',
    permission: 'change-ledger',
    body: newRefundSchema,
    reply: entrySchema,
    status: 201,
    isChange: true,
  },
  'put /ledger/budget': {
    summary: 'Set the budget of a year; the first one needs no version',
    permission: 'change-ledger',
    body: budgetSchema.extend({ version: z.number().int().min(0) }),
    reply: z.object({ year: z.number(), totalMinor: amount(z.number()), version: z.number() }),
  },
  'get /shopping': {
    summary: 'The shopping list: what is not bought yet',
    permission: 'see-studio',
    reply: z.array(shoppingLineSchema),
  },
  'post /shopping': {
    summary: 'Put something on the shopping list',
    permission: 'ask-to-buy',
    body: newShoppingLineSchema,
    reply: shoppingLineSchema,
    status: 201,
  },
  'put /shopping/:id/price': {
    summary: 'Say what one of a shopping line costs, as of a day',
    permission: 'change-ledger',
    body: shoppingPriceSchema,
    reply: shoppingLineSchema,
    isChange: true,
  },
  'post /units/:id/part-requests': {
    summary: 'Ask for a worn part of a thing: on the shopping list under its model, and the thing is worn there',
    permission: 'change-kit',
    body: partRequestSchema,
    reply: shoppingLineSchema,
    isChange: true,
  },
  'post /shopping/:id/bought': {
    summary: 'It is bought: what is counted goes up in stock',
    permission: 'change-ledger',
    reply: versionedSchema,
    isChange: true,
  },
})
