import { z } from 'zod'
import { CATEGORY_CODES } from '../kit/model/category.ts'
import { hindranceSchema } from '../ledger/hindrances.ts'
import { upgradePlanSchema } from '../ledger/plan/upgrade.ts'
import { newWishSchema, PRICE_KIND_CODES, wishChangeSchema, wishSchema } from '../ledger/wish/wish.ts'
import { tapeSchema } from '../setups/setup/setup.ts'
import { findingSchema } from '../setups/verdict/finding.ts'
import { idSchema } from '../studio/identity.ts'
import { amount } from '../studio/people/secrecy.ts'
import { dateSchema } from '../units/wall-time.ts'
import { defineContract } from './contract.ts'

const setupNameSchema = z.object({ id: z.string(), code: z.string(), tape: tapeSchema, name: z.string() })

/** A wish with what it costs today and what it would do in each setup that it names, together with what it needs. */
export const wishRowSchema = z.object({
  ...wishSchema.shape,
  name: z.string(),
  category: z.enum(CATEGORY_CODES),
  cost: z
    .object({
      kind: z.enum(PRICE_KIND_CODES),
      on: z.string(),
      netMinor: amount(z.number()),
      taxMinor: amount(z.number()),
      totalMinor: amount(z.number()),
      offMinor: amount(z.number()),
    })
    .nullable(),
  isWaiting: z.boolean(),
  /** It served long enough to say whether it cured what it was bought for, and nobody did. */
  asksOutcome: z.boolean(),
  /** Things that would be sold for it, and what keeps each from being sold. */
  sales: z.array(
    z.object({
      unitId: z.string(),
      tag: z.string(),
      askMinor: amount(z.number()),
      neededIn: z.array(z.string()),
      isOurs: z.boolean(),
    }),
  ),
  effects: z.array(
    z.object({
      /** Of the setup at that time: what is away for some of its shoots makes two of it. */
      id: z.string(),
      setupId: z.string(),
      shoots: z.number(),
      stopsBefore: z.number(),
      stopsAfter: z.number(),
      questionsAfter: z.number(),
      cured: z.array(findingSchema),
      added: z.array(findingSchema),
    }),
  ),
  /** One of its kind that was regretted, where nobody said how this one was tried: it is not ordered before. */
  untried: z.object({ name: z.string(), note: z.string() }).nullable(),
  /** Where it was ordered: tags of its things, and what was paid for them. */
  tags: z.array(z.string()),
  paidMinor: amount(z.number().nullable()),
  /** What it does by itself, with what it needs. */
  score: z.object({
    runs: z.number(),
    betters: z.number(),
    withIds: z.array(z.string()),
    points: z.record(z.string(), z.number()),
    wholeMinor: amount(z.number().nullable()),
  }),
})
export type WishRow = z.infer<typeof wishRowSchema>

export const wishesReplySchema = z.object({
  wishes: z.array(wishRowSchema),
  setups: z.array(setupNameSchema),
  basis: upgradePlanSchema.shape.basis,
  /** Of each whose advice was followed: how often it cured what it was for. */
  advice: z.array(z.object({ by: z.string(), yes: z.number(), partly: z.number(), no: z.number(), open: z.number() })),
})
export type WishesReply = z.infer<typeof wishesReplySchema>

const planReplySchema = z.object({ ...upgradePlanSchema.shape, names: z.array(setupNameSchema) })
export type PlanReply = z.infer<typeof planReplySchema>

/** Up to four whole amounts with commas between, one for each quarter. */
const budgetsSchema = z
  .string()
  .regex(/^\d{1,12}(,\d{1,12}){0,3}$/, 'One to four amounts in whole pence, with commas between.')
  .transform((text) => text.split(',').map(Number))
const idsSchema = z
  .string()
  .max(4000)
  .transform((text) => text.split(',').filter(Boolean))
  .pipe(z.array(idSchema).max(100))

/** Routes of wishes and the upgrade plan. */
export const wishContract = defineContract('ledger', {
  'get /wishes': {
    summary: 'Wishes with what they cost today, and what each would do in the setups that it names',
    permission: 'see-money',
    reply: wishesReplySchema,
  },
  'get /wishes/places': {
    summary: 'Roles of all setups, with which of them suit a kind of thing, and what of it each has',
    permission: 'see-studio',
    query: z.object({ category: z.enum(CATEGORY_CODES) }),
    reply: z.array(
      z.object({
        ...setupNameSchema.shape,
        roleId: z.string(),
        role: z.string(),
        /** It wants such a thing, or has one. */
        suits: z.boolean(),
        /** Nothing at all stands in it. */
        isEmpty: z.boolean(),
        /** Such things that stand in it. */
        things: z.array(z.object({ unitId: z.string(), tag: z.string() })),
      }),
    ),
  },
  'post /wishes': {
    summary: 'Wish for something: what it is, why, and where it would serve',
    // What it is may fill in what is open of a model, and prices stand in it.
    permission: 'change-ledger',
    body: newWishSchema,
    reply: wishSchema,
    status: 201,
  },
  'put /wishes/:id': {
    summary: 'Change a wish: its reasons, prices, what it needs, what became of it',
    permission: 'change-ledger',
    body: wishChangeSchema,
    reply: wishSchema,
    isChange: true,
  },
  'post /wishes/:id/ordered': {
    summary: 'Order a wish at its price of today: its things are in the kit as ordered',
    permission: 'change-ledger',
    body: z.object({ partyId: idSchema.nullable(), dueOn: dateSchema.nullable() }),
    reply: wishSchema,
    isChange: true,
  },
  'post /wishes/:id/arrived': {
    summary: 'It is here: in service, in the roles that it was wished for, and paid in the ledger',
    permission: 'change-ledger',
    body: z.object({
      on: dateSchema,
      /** What was paid for all of it, as the bill says. */
      netMinor: amount(z.number().int().min(0, 'A price is not negative.').max(1e12)),
      taxMinor: amount(z.number().int().min(0, 'Tax is not negative.').max(1e12)),
    }),
    reply: wishSchema,
    isChange: true,
  },
  'post /wishes/:id/not-delivered': {
    summary: 'The seller will not deliver: it is wished for again, and nothing is paid',
    permission: 'change-ledger',
    reply: wishSchema,
    isChange: true,
  },
  'get /ledger/hindrances': {
    summary: 'What holds the work back: findings of all setups by the shoots that they touch',
    permission: 'see-money',
    reply: z.object({
      basis: upgradePlanSchema.shape.basis,
      hindrances: z.array(hindranceSchema),
      setups: z.array(setupNameSchema),
    }),
  },
  'get /ledger/upgrade-plan': {
    summary: 'What to buy with one budget, or with one for each of up to four quarters: proven best, with its reasons',
    permission: 'see-money',
    query: z.object({
      budgets: budgetsSchema,
      weighting: z.enum(['even', 'sound', 'light', 'lens', 'body']).default('even'),
      promised: idsSchema.default([]),
    }),
    reply: planReplySchema,
  },
})
