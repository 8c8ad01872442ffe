import { z } from 'zod'
import { idSchema, nameSchema } from '../../studio/identity.ts'
import { amount } from '../../studio/people/secrecy.ts'
import { minorSchema } from '../../units/money.ts'
import { dateSchema } from '../../units/wall-time.ts'
import { CATEGORY_CODES, isCounted } from '../model/category.ts'
import { moreSpecsSchema } from '../model/spec.ts'
import { ACQUISITION_CODES } from '../unit/unit.ts'
import { factsSchema, usualSchema } from './told.ts'

/** One thing of a purchase that came as several: whether it was in the box, and its share of the price. */
export const bundlePartSchema = z.object({
  category: z.enum(CATEGORY_CODES),
  maker: z.string().trim().max(120),
  name: nameSchema,
  quantity: z.number().int().min(1, 'At least one.').max(500),
  /** False where the box was said to hold it and did not: it becomes something to buy or ask for. */
  isThere: z.boolean(),
  /** What one would pay for it alone, for splitting the price; where nobody says, all parts count alike. */
  aloneMinor: amount(minorSchema.min(0).nullable()),
  /** What is told of it, as at quick entry. */
  facts: factsSchema.default({}),
  specs: moreSpecsSchema.default({}),
  usual: usualSchema,
})
export type BundlePart = z.infer<typeof bundlePartSchema>

/** So many things with a tag of their own come of one purchase; what is counted is one row, however many. */
const MOST_SINGLE = 200

export const bundleSchema = z
  .object({
    title: nameSchema,
    priceMinor: amount(minorSchema.min(0)),
    taxMinor: amount(minorSchema.min(0)),
    on: dateSchema,
    partyId: idSchema.nullable(),
    placeId: idSchema.nullable(),
    acquisition: z.enum(ACQUISITION_CODES),
    /** The parts go with the first of them from then on. */
    staysTogether: z.boolean(),
    parts: z.array(bundlePartSchema).min(1, 'A bundle has at least one part.').max(60),
  })
  .superRefine(({ parts }, context) => {
    const single = parts.filter((it) => it.isThere && !isCounted(it.category))
    if (single.reduce((sum, it) => sum + it.quantity, 0) <= MOST_SINGLE) return
    const message = `At most ${MOST_SINGLE} things with a tag of their own at once: take in the rest as a second purchase.`
    context.addIssue({ code: 'custom', path: ['parts'], message })
  })
export type Bundle = z.infer<typeof bundleSchema>

/**
 * Splits an amount by weights into whole minor units that add up to it exactly: each gets its share rounded down, and what
 * is left over goes one by one to the largest remainders, the first of equals (Hamilton's method). All weights nothing
 * means all alike.
 */
export function splitAmount(minor: number, weights: readonly number[]): number[] {
  const total = weights.reduce((sum, it) => sum + it, 0)
  const shares = total > 0 ? weights : weights.map(() => 1)
  const whole = BigInt(total > 0 ? total : weights.length)
  const exact = shares.map((it) => BigInt(minor) * BigInt(it))
  const split = exact.map((it) => Number(it / whole))
  let left = minor - split.reduce((sum, it) => sum + it, 0)
  const byRemainder = exact
    .map((it, index) => ({ index, remainder: it % whole }))
    .sort((a, b) => (a.remainder === b.remainder ? a.index - b.index : a.remainder > b.remainder ? -1 : 1))
  for (const { index } of byRemainder) {
    if (left-- <= 0) break
    split[index] = (split[index] ?? 0) + 1
  }
  return split
}

/** The price of each piece that was in the box, part by part. What was not in it carries nothing. */
export function priceBundle({
  priceMinor,
  parts,
}: {
  priceMinor: number
  parts: readonly Pick<BundlePart, 'isThere' | 'quantity' | 'aloneMinor'>[]
}): number[][] {
  const there = parts.filter((it) => it.isThere)
  const isKnown = there.some((it) => it.aloneMinor !== null)
  const weights = there.flatMap((it) => Array.from({ length: it.quantity }, () => (isKnown ? (it.aloneMinor ?? 0) : 1)))
  const prices = splitAmount(priceMinor, weights)
  return parts.map((it) => (it.isThere ? prices.splice(0, it.quantity) : []))
}
