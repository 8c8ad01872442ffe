import { z } from 'zod'
import { amount } from '../../studio/people/secrecy.ts'
import { roundHalfAwayFromZero } from '../../units/rounding.ts'
import { countDays } from '../../units/wall-time.ts'

/** What is known of the use of one thing. */
export interface UseFacts {
  acquiredOn: string | null
  /** Price with everything spent on it since, less what came in. */
  costMinor: number | null
  /** The days of the sessions in which it served, as `yyyy-mm-dd`, one for each. */
  usedOn: readonly string[]
  /** Sessions in which it served or could have: it was here, and neither in repair nor lent nor out of use. */
  availableSessions: number
  /** The last fault that made it unusable; null where there was none. */
  lastFailedOn: string | null
}
export const useFiguresSchema = z.object({
  /** In how many sessions it served, taken along or standing ready. */
  timesUsed: z.number(),
  lastUsedOn: z.string().nullable(),
  /** Share of the sessions for which it was to be had in which it served; null where there was none. */
  share: z.number().nullable(),
  ageDays: z.number().nullable(),
  perYearMinor: amount(z.number().nullable()),
  perUseMinor: amount(z.number().nullable()),
  /** Old, often used, and not failing: what to buy again. */
  hasProvedItself: z.boolean(),
})
export type UseFigures = z.infer<typeof useFiguresSchema>
const DAYS_OF_YEAR = 365.25
/** Three years, twenty times used, and two years without failing. Common practice. */
const PROVED = { ageDays: 3 * 365, timesUsed: 20, soundDays: 2 * 365 }

export function measureUse(
  { acquiredOn, costMinor, usedOn, availableSessions, lastFailedOn }: UseFacts,
  today: string,
): UseFigures {
  const ageDays = acquiredOn === null ? null : Math.max(0, countDays(acquiredOn, today))
  const timesUsed = usedOn.length
  const soundDays = lastFailedOn === null ? Number.POSITIVE_INFINITY : countDays(lastFailedOn, today)
  return {
    timesUsed,
    lastUsedOn: [...usedOn].sort().at(-1) ?? null,
    share: availableSessions > 0 ? timesUsed / availableSessions : null,
    ageDays,
    // Under a year a cost per year would only say how new it is.
    perYearMinor:
      costMinor === null || ageDays === null || ageDays < DAYS_OF_YEAR
        ? null
        : roundHalfAwayFromZero((costMinor * DAYS_OF_YEAR) / ageDays),
    perUseMinor: costMinor === null || timesUsed === 0 ? null : roundHalfAwayFromZero(costMinor / timesUsed),
    hasProvedItself:
      ageDays !== null && ageDays >= PROVED.ageDays && timesUsed >= PROVED.timesUsed && soundDays >= PROVED.soundDays,
  }
}

/** What used gear of this kind fetches: a quarter less after the first year, a seventh of the rest each year after. */
const RESALE = { firstYear: 0.75, laterYear: 6 / 7 }

/** A rough guess at what a thing would bring, from its price and age alone (common practice, from memory). */
export function estimateResale(priceMinor: number, ageDays: number): number {
  const years = Math.max(0, ageDays / DAYS_OF_YEAR)
  const share = years <= 1 ? 1 - (1 - RESALE.firstYear) * years : RESALE.firstYear * RESALE.laterYear ** (years - 1)
  return roundHalfAwayFromZero(priceMinor * share)
}

/** Used in so large a share of the sessions that its failing would stop the work, with nothing of its kind to stand in. */
export function isRisk(share: number | null, standIns: number): boolean {
  return share !== null && share >= 0.5 && standIns === 0
}

export interface Demand {
  start: number
  end: number
  quantity: number
}

/**
 * The most that is wanted at one time, and when that begins: a sweep over starts and ends. Intervals are half-open, so what
 * ends frees its pieces for what begins at that instant.
 */
export function findPeakDemand(demands: readonly Demand[]): { quantity: number; at: number | null } {
  const steps = demands
    .filter((it) => it.start < it.end)
    .flatMap(({ start, end, quantity }) => [
      { at: start, change: quantity },
      { at: end, change: -quantity },
    ])
    .sort((a, b) => a.at - b.at || a.change - b.change)
  let now = 0
  let peak = { quantity: 0, at: null as number | null }
  for (const { at, change } of steps) {
    now += change
    if (now > peak.quantity) peak = { quantity: now, at }
  }
  return peak
}

/** How what serves in several setups counts in the worth of each: in full, split among them, or in the first alone. */
export const SHARING = { full: 'In full in each', split: 'Split among them', once: 'In the first alone' } as const
export type Sharing = keyof typeof SHARING

/** What stands in each setup is worth together, and of how many things nobody knows. Shares are exact to the penny. */
export function valueSetups(
  setups: readonly { id: string; things: readonly string[] }[],
  worthOf: (id: string) => number | null,
  sharing: Sharing,
): Map<string, { minor: number; unknown: number; shared: number }> {
  const users = new Map<string, string[]>()
  for (const { id, things } of setups) {
    for (const thing of new Set(things)) users.set(thing, [...(users.get(thing) ?? []), id])
  }
  return new Map(
    setups.map(({ id, things }) => {
      const sum = { minor: 0, unknown: 0, shared: 0 }
      for (const thing of new Set(things)) {
        const all = users.get(thing) ?? [id]
        const value = worthOf(thing)
        if (all.length > 1) sum.shared++
        if (value === null) sum.unknown++
        else sum.minor += takeShare(value, all, id, sharing)
      }
      return [id, sum] as const
    }),
  )
}

function takeShare(value: number, users: readonly string[], id: string, sharing: Sharing): number {
  const at = users.indexOf(id)
  if (sharing === 'full') return value
  if (sharing === 'once') return at === 0 ? value : 0
  // The first carry the pennies that do not divide.
  return Math.floor(value / users.length) + (at < value % users.length ? 1 : 0)
}
