import { z } from 'zod'
import { factsSchema, usualSchema } from '../../kit/entry/told.ts'
import { CATEGORY_CODES } from '../../kit/model/category.ts'
import { moreSpecsSchema } from '../../kit/model/spec.ts'
import { idSchema, nameSchema, noteSchema, versionSchema } from '../../studio/identity.ts'
import { amount } from '../../studio/people/secrecy.ts'
import { minorSchema } from '../../units/money.ts'
import { dateSchema } from '../../units/wall-time.ts'

/** What is wrong with what there is, and makes somebody want another. */
export const DEFECTS = {
  missing: 'There is none',
  dark: 'Too dark, or the lens too slow',
  soft: 'The picture is not sharp, or not large enough',
  colour: 'Colours are off, or have a cast',
  noise: 'Hiss, hum or noise of its own',
  wobble: 'It wobbles',
  heavy: 'Too heavy or too large',
  slow: 'It takes too long to set up or to work with',
  fails: 'It fails, or cannot be relied on',
  other: 'Something else',
} as const
export type Defect = keyof typeof DEFECTS
export const DEFECT_CODES = Object.keys(DEFECTS) as [Defect, ...Defect[]]

/** How much a shoot suffers from it, as the manager says; counted so many times in a plan. */
export const DEFECT_WEIGHTS = {
  1: 'A nuisance',
  2: 'Seen or heard in the film',
  3: 'Costs takes or time each time',
} as const

/** How sure an amount is. */
export const PRICE_KINDS = { estimate: 'Estimate', seen: 'Seen in a shop', quote: 'Quote' } as const
export type PriceKind = keyof typeof PRICE_KINDS
export const PRICE_KIND_CODES = Object.keys(PRICE_KINDS) as [PriceKind, ...PriceKind[]]

/** What one piece was to be had for, on a day. */
export const wishPriceSchema = z.object({
  kind: z.enum(PRICE_KIND_CODES),
  netMinor: amount(minorSchema.min(0, 'A price is not negative.')),
  taxMinor: amount(minorSchema.min(0, 'Tax is not negative.')),
  on: dateSchema,
  source: z.string().trim().max(120),
})
export type WishPrice = z.infer<typeof wishPriceSchema>

/** Money off: until its last day, where it has one. */
export const discountSchema = z.object({
  percent: z.number().min(0.1, 'More than nothing.').max(100, 'At most 100 %.'),
  code: z.string().trim().max(40),
  until: dateSchema.nullable(),
})
export type Discount = z.infer<typeof discountSchema>

/** Where it would serve: in a role that is empty, in the place of one of its things, or beside what is there. */
export const wishUseSchema = z.object({
  setupId: idSchema,
  roleId: idSchema,
  insteadOfId: idSchema.nullable(),
  beside: z.boolean().default(false),
  /** How it is to be powered there; null takes its first way. */
  powerModeId: idSchema.nullable().default(null),
})
export type WishUse = z.infer<typeof wishUseSchema>

/** Something that is sold once this is here, and what it should fetch. */
export const wishSaleSchema = z.object({
  unitId: idSchema,
  askMinor: amount(minorSchema.min(0, 'A price is not negative.')),
})

/** What became of it, once it served a while. */
export const CURES = { yes: 'Yes', partly: 'Partly', no: 'No' } as const
export type Cure = keyof typeof CURES
export const CURE_CODES = Object.keys(CURES) as [Cure, ...Cure[]]
export const outcomeSchema = z.object({
  answer: z.enum(CURE_CODES),
  on: dateSchema,
  note: z.string().trim().max(300),
})
export type Outcome = z.infer<typeof outcomeSchema>

/**
 * `open`: wanted, or waiting for something. `enough`: what is there does the trick. `dropped`: not wanted any more. `ordered` and
 * `here`: it is being bought, or was.
 */
export const WISH_STATES = {
  open: 'Wanted',
  enough: 'What is there is good enough',
  dropped: 'Not wanted any more',
  ordered: 'On order',
  here: 'It is here',
} as const
export type WishState = keyof typeof WISH_STATES
export const WISH_STATE_CODES = Object.keys(WISH_STATES) as [WishState, ...WishState[]]

/** States that somebody sets by hand; the others come of ordering and arriving, and stay until that is undone. */
export const SET_STATE_CODES = ['open', 'enough', 'dropped'] as const satisfies readonly WishState[]

/** Why this one, where another would be better. */
export const WHY_THIS = {
  unsaid: 'Not said',
  best: 'It is the best for it',
  cost: 'It costs less than the best',
  practical: 'It is easier to work with',
  history: 'We know it, or had one',
  stock: 'It can be had now',
} as const
export type WhyThis = keyof typeof WHY_THIS
const WHY_THIS_CODES = Object.keys(WHY_THIS) as [WhyThis, ...WhyThis[]]

export const wishBodySchema = z.object({
  quantity: z.number().int().min(1, 'At least one.').max(60, 'At most 60 at once.').default(1),
  defect: z.enum(DEFECT_CODES).default('other'),
  severity: z.union([z.literal(1), z.literal(2), z.literal(3)]).default(1),
  reason: noteSchema.default(''),
  uses: z.array(wishUseSchema).max(40).default([]),
  prices: z.array(wishPriceSchema).max(30).default([]),
  discount: discountSchema.nullable().default(null),
  condition: z.enum(['new', 'used']).default('new'),
  warrantyMonths: z.number().int().min(0, 'Not negative.').max(240, 'At most 20 years.').nullable().default(null),
  /** Other wishes without which it is of no use: its plate, its packs. */
  needsIds: z.array(idSchema).max(20).default([]),
  /** Other wishes of which only one is bought. */
  insteadIds: z.array(idSchema).max(20).default([]),
  sells: z.array(wishSaleSchema).max(5).default([]),
  /** What it waits for, such as the next model, and how long; and what does until then. */
  waitsFor: z.string().trim().max(200).default(''),
  waitsUntil: dateSchema.nullable().default(null),
  meanwhile: z.string().trim().max(200).default(''),
  /** Whose advice it follows. */
  advice: z.string().trim().max(120).default(''),
  because: z.enum(WHY_THIS_CODES).default('unsaid'),
  /** How it was tried before: borrowed for a week, at the shop. */
  tried: z.string().trim().max(200).default(''),
  /** Bought on trial: on this day it is said whether it stays; null where it is not. */
  reviewOn: dateSchema.nullable().default(null),
})

/** Something that might be bought. What it is is told as of any new thing; nothing of it stands in the kit. */
export const newWishSchema = wishBodySchema.extend({
  it: z.object({
    category: z.enum(CATEGORY_CODES),
    maker: z.string().trim().max(120).default(''),
    name: nameSchema,
    facts: factsSchema.default({}),
    specs: moreSpecsSchema.default({}),
    usual: usualSchema,
  }),
})
export type NewWish = z.infer<typeof newWishSchema>

export const wishChangeSchema = wishBodySchema.extend({
  state: z.enum(WISH_STATE_CODES),
  outcome: outcomeSchema.nullable(),
})
export type WishChange = z.infer<typeof wishChangeSchema>

export const wishSchema = wishBodySchema.extend({
  id: idSchema,
  version: versionSchema,
  modelId: idSchema,
  state: z.enum(WISH_STATE_CODES),
  /** Things on order for it, or that came of it. */
  unitIds: z.array(idSchema),
  arrivedOn: dateSchema.nullable(),
  outcome: outcomeSchema.nullable(),
})
export type Wish = z.infer<typeof wishSchema>

/** After so many days of service it is asked whether it cured what it was bought for. */
export const ASK_AFTER_DAYS = 90
