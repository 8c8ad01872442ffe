import type { Interval } from '../../units/interval.ts'

const MONTH_MS = 30 * 86_400_000
/** So far back sessions are counted; use of a room is measured half as far to either side. */
const MONTHS_LOOKED_AT = 3

/** Which bookings are asked for, around now. */
export function findMonthsAround(now: number): Interval {
  return { start: now - MONTHS_LOOKED_AT * MONTH_MS, end: now + (MONTHS_LOOKED_AT / 2) * MONTH_MS }
}

/** How often something is shot in a month: by the last three, or where there is nothing yet by the next one. */
export function countSessionsPerMonth(sessions: readonly Interval[], now: number): number {
  const between = (start: number, end: number) => sessions.filter((it) => it.end > start && it.start < end).length
  const past = between(now - MONTHS_LOOKED_AT * MONTH_MS, now) / MONTHS_LOOKED_AT
  return past > 0 ? past : between(now, now + MONTH_MS)
}

/** Minutes in a month that these take, by the last and the next six weeks; what reaches beyond counts up to there. */
export function measureMinutesPerMonth(uses: readonly Interval[], now: number): number {
  const [start, end] = [now - (MONTHS_LOOKED_AT / 2) * MONTH_MS, now + (MONTHS_LOOKED_AT / 2) * MONTH_MS]
  const taken = uses.reduce((sum, it) => sum + Math.max(0, Math.min(it.end, end) - Math.max(it.start, start)), 0)
  return Math.round(taken / 60_000 / MONTHS_LOOKED_AT)
}
