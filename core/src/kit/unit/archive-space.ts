import { z } from 'zod'
import { findingLevelSchema } from '../../studio/finding.ts'
import { addDays, countDays, dateSchema } from '../../units/wall-time.ts'

/** How full a drive was on a day, as somebody read it off. */
export const fillSchema = z.object({
  on: dateSchema,
  usedMegabytes: z.number().int().min(0, 'A drive holds nothing or more.').max(1e12),
})
export type Fill = z.infer<typeof fillSchema>
export const archiveSpaceSchema = z.object({
  usedMegabytes: z.number(),
  freeMegabytes: z.number(),
  /** Decimal megabytes a day between the first and the last reading; null until they are two weeks apart. */
  perDayMegabytes: z.number().nullable(),
  /** The same for a month of 30.44 days, rounded. */
  perMonthMegabytes: z.number().nullable(),
  /** Days until it is full, rounded up; null where it does not fill or nobody can tell. */
  daysLeft: z.number().nullable(),
  monthsLeft: z.number().nullable(),
  fullOn: z.string().nullable(),
  /** Warned of when it is full within a quarter of a year: time to make room or to buy. */
  level: findingLevelSchema,
  /** The readings that it was reckoned from. */
  first: fillSchema,
  last: fillSchema,
})
export type ArchiveSpace = z.infer<typeof archiveSpaceSchema>
/** Readings nearer together say how one week went, not how the archive grows. */
const LEAST_DAYS = 14
const DAYS_OF_MONTH = 30.44
const SOON_DAYS = 92
/** A century off is no forecast: it does not fill as far as anybody can tell. */
const MOST_DAYS = 36_500

/** Reckons when a drive is full from how it filled until now; null without a reading. Readings come in any order. */
export function forecastSpace(capacityMegabytes: number, fills: readonly Fill[], today: string): ArchiveSpace | null {
  const sorted = [...fills].sort((a, b) => (a.on < b.on ? -1 : 1))
  const first = sorted[0]
  const last = sorted.at(-1)
  if (!first || !last) return null
  const freeMegabytes = Math.max(0, capacityMegabytes - last.usedMegabytes)
  const days = countDays(first.on, last.on)
  const perDayMegabytes = days < LEAST_DAYS ? null : (last.usedMegabytes - first.usedMegabytes) / days
  const perMonthMegabytes = perDayMegabytes === null ? null : Math.round(perDayMegabytes * DAYS_OF_MONTH)
  const common = { usedMegabytes: last.usedMegabytes, freeMegabytes, perDayMegabytes, perMonthMegabytes, first, last }
  const never = { ...common, daysLeft: null, monthsLeft: null, fullOn: null, level: 'ok' as const }
  // What is full is full, however it came to be.
  if (freeMegabytes === 0) return { ...common, daysLeft: 0, monthsLeft: 0, fullOn: last.on, level: 'warn' }
  if (perDayMegabytes === null || perDayMegabytes <= 0) return never
  const daysToFill = Math.ceil(freeMegabytes / perDayMegabytes)
  if (daysToFill > MOST_DAYS) return never
  const fullOn = addDays(last.on, daysToFill)
  const daysLeft = Math.max(0, countDays(today, fullOn))
  const monthsLeft = Math.ceil(daysLeft / DAYS_OF_MONTH)
  return { ...common, daysLeft, monthsLeft, fullOn, level: daysLeft <= SOON_DAYS ? 'warn' : 'ok' }
}
