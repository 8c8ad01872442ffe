import { z } from 'zod'
import { idSchema } from '../../studio/identity.ts'
import { tagSchema } from '../unit/unit.ts'

/** One thing or stock that was scanned or ticked, in the order in which it was; stock comes with its count. */
export const stocktakeSeenSchema = z.object({
  tag: tagSchema,
  quantity: z.number().int().min(0).max(100_000).nullable(),
})
export type StocktakeSeen = z.infer<typeof stocktakeSeenSchema>

/** A thing as it is recorded, as far as counting goes. */
export interface Countable {
  id: string
  tag: string
  name: string
  /** Where it is said to be now. */
  placeId: string | null
  /** How many are said to be there; null for a thing of its own. */
  quantity: number | null
  /** Out on a booking, in repair, lent: nobody expects it on its shelf. */
  isAway: boolean
}
export const stocktakeLineSchema = z.object({
  tag: z.string(),
  id: z.string().nullable(),
  name: z.string(),
  outcome: z.enum(['here', 'missing', 'moved-here', 'back-early', 'count-differs', 'unknown-tag']),
  expected: z.number().nullable(),
  seen: z.number().nullable(),
})
export type StocktakeLine = z.infer<typeof stocktakeLineSchema>
export const stocktakeSettlingSchema = z.object({
  /** Tags of what is nowhere: they count as lost from now on. */
  lost: z.array(tagSchema).max(5000).default([]),
})

/**
 * Compares what is said to be in some places with what was seen there. A tag scanned twice counts once; the last count of
 * a stock holds. `placeIds` null means everywhere.
 */
export function compareStocktake(
  things: readonly Countable[],
  seen: readonly StocktakeSeen[],
  placeIds: ReadonlySet<string> | null,
): StocktakeLine[] {
  const isExpectedHere = (it: Countable) => placeIds === null || (it.placeId !== null && placeIds.has(it.placeId))
  const byTag = new Map(things.map((it) => [it.tag, it]))
  const seenByTag = new Map(seen.map((it) => [it.tag, it]))
  const lines: StocktakeLine[] = []
  for (const { tag, quantity } of seenByTag.values()) {
    const it = byTag.get(tag)
    if (!it) {
      lines.push({ tag, id: null, name: '', outcome: 'unknown-tag', expected: null, seen: quantity })
      continue
    }
    const counted = it.quantity === null ? null : (quantity ?? it.quantity)
    const line = { tag, id: it.id, name: it.name, expected: it.quantity, seen: counted }
    if (counted !== it.quantity) lines.push({ ...line, outcome: 'count-differs' })
    else if (it.isAway) lines.push({ ...line, outcome: 'back-early' })
    else lines.push({ ...line, outcome: isExpectedHere(it) ? 'here' : 'moved-here' })
  }
  for (const it of things) {
    if (it.isAway || seenByTag.has(it.tag) || !isExpectedHere(it)) continue
    lines.push({ tag: it.tag, id: it.id, name: it.name, outcome: 'missing', expected: it.quantity, seen: null })
  }
  return lines.sort((a, b) => ORDER[a.outcome] - ORDER[b.outcome] || (a.tag < b.tag ? -1 : a.tag > b.tag ? 1 : 0))
}

/** What needs somebody comes first. */
const ORDER: Readonly<Record<StocktakeLine['outcome'], number>> = {
  missing: 0,
  'count-differs': 1,
  'unknown-tag': 2,
  'moved-here': 3,
  'back-early': 4,
  here: 5,
}

export const newStocktakeSchema = z.object({ placeId: idSchema.nullable() })
