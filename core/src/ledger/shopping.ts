import { z } from 'zod'
import { GROUPS, type Group } from '../kit/model/category.ts'
import { wantedAbilitySchema } from '../kit/unit/ability.ts'
import { idSchema, nameSchema, noteSchema, versionSchema } from '../studio/identity.ts'
import { countDays } from '../units/wall-time.ts'
import { wishPriceSchema } from './wish/wish.ts'

/** Something to buy, and what it would cure. */
export const newShoppingLineSchema = z.object({
  item: nameSchema,
  quantity: z.number().int().min(1, 'Buy at least one.').max(10_000),
  reason: noteSchema,
  stockId: idSchema.nullable(),
  setupId: idSchema.nullable(),
  /** The model of which it is a part, and which nothing else fits. */
  partOfId: idSchema.nullable().default(null),
  /** Which part of a setup it is for; null where nobody said. */
  group: z.enum(GROUPS).nullable().default(null),
  /** What it has to do: what is here is looked through for it before anything is bought. */
  wants: z.array(wantedAbilitySchema).max(4).default([]),
  /** Why nothing that is here and could do it will do. */
  noneBecause: z.string().trim().max(300).default(''),
  /** What one costs, as of a day; null where nobody said. */
  price: wishPriceSchema.nullable().default(null),
})
export type NewShoppingLine = z.infer<typeof newShoppingLineSchema>

/** A worn part that is asked for: it goes on the list under exactly its model, and its thing counts as worn there. */
export const partRequestSchema = z.object({
  part: nameSchema,
  /** Where it was looked for already: shops asked, numbers found, what does not fit. */
  searched: noteSchema,
})
export type PartRequest = z.infer<typeof partRequestSchema>

export const shoppingPriceSchema = newShoppingLineSchema.pick({ price: true })

export const shoppingLineSchema = newShoppingLineSchema.extend({
  id: idSchema,
  version: versionSchema,
  boughtAt: z.number().int().nullable(),
})
export type ShoppingLine = z.infer<typeof shoppingLineSchema>

const FIRST: Readonly<Record<string, readonly Group[]>> = {
  sound: ['sound', 'light', 'camera'],
  light: ['light', 'sound', 'camera'],
  lens: ['camera', 'light', 'sound'],
  body: ['camera', 'light', 'sound'],
}

/** The shopping list in the order of the studio's school of buying; what it does not speak of comes after, by name. */
export function rankShopping<T extends Pick<ShoppingLine, 'group' | 'item'>>(lines: readonly T[], way: string): T[] {
  const order = FIRST[way] ?? []
  const rank = ({ group }: T) => {
    const at = group === null ? -1 : order.indexOf(group)
    return at < 0 ? order.length : at
  }
  return [...lines].sort((a, b) => rank(a) - rank(b) || (a.item < b.item ? -1 : 1))
}

/** What a shopping list comes to. */
export interface ShoppingSum {
  /** What is priced, tax in, times how many. */
  minor: number
  /** So many lines have no price: the list comes to more than that. */
  unpriced: number
  /** So many prices are older than a quarter of a year. */
  stale: number
}

/** After so many days a price may have changed: common practice. */
const FRESH_DAYS = 92

/** Adds up what is still to be bought. */
export function sumShopping(lines: readonly Pick<ShoppingLine, 'price' | 'quantity'>[], today: string): ShoppingSum {
  const priced = lines.flatMap(({ price, quantity }) => (price ? [{ price, quantity }] : []))
  return {
    minor: priced.reduce((sum, { price, quantity }) => sum + (price.netMinor + price.taxMinor) * quantity, 0),
    unpriced: lines.length - priced.length,
    stale: priced.filter(({ price }) => countDays(price.on, today) > FRESH_DAYS).length,
  }
}
