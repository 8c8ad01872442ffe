import { z } from 'zod'
import {
  newStocktakeSchema,
  stocktakeLineSchema,
  stocktakeSeenSchema,
  stocktakeSettlingSchema,
} from '../../kit/counting/stocktake.ts'
import { defineContract } from '../contract.ts'
import { versionedSchema } from '../replies.ts'

export const stocktakeRowSchema = z.object({
  id: z.string(),
  placeId: z.string().nullable(),
  place: z.string().nullable(),
  startedAt: z.number(),
  closedAt: z.number().nullable(),
  seen: z.number(),
  version: z.number(),
})
export type StocktakeRow = z.infer<typeof stocktakeRowSchema>

export const stocktakePageReplySchema = z.object({
  ...stocktakeRowSchema.omit({ seen: true }).shape,
  seen: z.array(
    z.object({
      tag: z.string(),
      quantity: z.number().nullable(),
    }),
  ),
  lines: z.array(stocktakeLineSchema),
})
export type StocktakePageReply = z.infer<typeof stocktakePageReplySchema>

/** Routes of counting a place. */
export const stocktakeContract = defineContract('kit', {
  'get /stocktakes': {
    summary: 'Counts, the newest first',
    permission: 'see-studio',
    reply: z.array(stocktakeRowSchema),
  },
  'post /stocktakes': {
    summary: 'Begin to count a place, or everything',
    permission: 'count-stock',
    body: newStocktakeSchema,
    reply: z.object({ ...stocktakeRowSchema.omit({ place: true }).shape, seen: stocktakePageReplySchema.shape.seen }),
    status: 201,
  },
  'get /stocktakes/:id': {
    summary: 'A count: what was expected, what was seen, what differs',
    permission: 'see-studio',
    reply: stocktakePageReplySchema,
  },
  'post /stocktakes/:id/seen': {
    summary: 'Something was seen, or a stock counted; needs no version, as many may count at once',
    permission: 'count-stock',
    body: stocktakeSeenSchema.extend({ isSeen: z.boolean().default(true) }),
    reply: versionedSchema,
  },
  'post /stocktakes/:id/settle': {
    summary: 'Settle what differs: counts, where things are, and what is lost',
    permission: 'count-stock',
    body: stocktakeSettlingSchema,
    reply: z.object({
      settled: z.number(),
    }),
    isChange: true,
  },
})
