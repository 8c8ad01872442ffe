import { z } from 'zod'
import { CATEGORIES, GROUPS, type Group, groupSchema } from '../kit/model/category.ts'
import { amount } from '../studio/people/secrecy.ts'
import type { Entry } from './entry.ts'
import { ENTRY_KIND_CODES, type EntryKind, entrySchema, isIncome } from './entry.ts'
export const spendingSchema = z.object({
  year: z.number(),
  /** Twelve months, January first; what was spent less what sales brought, tax included. */
  months: z.array(
    z.object({
      month: z.number(),
      byGroup: z.record(groupSchema, z.number()),
      totalMinor: amount(z.number()),
      cumulativeMinor: amount(z.number()),
    }),
  ),
  byGroup: z.record(groupSchema, z.number()),
  byKind: z.record(entrySchema.shape.kind, z.number()),
  totalMinor: amount(z.number()),
  budgetMinor: amount(z.number().nullable()),
  /** What is left of the budget; negative when it is passed. Spending exactly the budget leaves nothing and passes. */
  leftMinor: amount(z.number().nullable()),
  isOver: z.boolean(),
})
export type Spending = z.infer<typeof spendingSchema>

/** What an entry takes from the year's budget: a sale gives its proceeds back at once, and so does money that came back. */
export function findBudgetEffect(entry: Pick<Entry, 'kind' | 'netMinor' | 'taxMinor'>): number {
  const amount = entry.netMinor + entry.taxMinor
  return isIncome(entry) ? -amount : amount
}

/** Adds up a year by month and group in whole minor units. Entries of other years are left out. */
export function summariseSpending(entries: readonly Entry[], year: number, budgetMinor: number | null): Spending {
  const months = Array.from({ length: 12 }, (_, index) => ({
    month: index + 1,
    byGroup: makeZeroes(),
    totalMinor: 0,
    cumulativeMinor: 0,
  }))
  const byGroup = makeZeroes()
  const byKind = Object.fromEntries(ENTRY_KIND_CODES.map((kind) => [kind, 0])) as Record<EntryKind, number>
  let totalMinor = 0
  for (const entry of entries) {
    if (Number(entry.date.slice(0, 4)) !== year) continue
    const month = months[Number(entry.date.slice(5, 7)) - 1]
    if (!month) continue
    const effect = findBudgetEffect(entry)
    const { group } = CATEGORIES[entry.category]
    month.byGroup[group] += effect
    month.totalMinor += effect
    byGroup[group] += effect
    byKind[entry.kind] += effect
    totalMinor += effect
  }
  let running = 0
  for (const month of months) {
    running += month.totalMinor
    month.cumulativeMinor = running
  }
  const leftMinor = budgetMinor === null ? null : budgetMinor - totalMinor
  return {
    year,
    months,
    byGroup,
    byKind,
    totalMinor,
    budgetMinor,
    leftMinor,
    isOver: leftMinor !== null && leftMinor < 0,
  }
}

function makeZeroes(): Record<Group, number> {
  return Object.fromEntries(GROUPS.map((group) => [group, 0])) as Record<Group, number>
}
