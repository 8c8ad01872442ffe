import { z } from 'zod'
import { addDays, countDays, dateSchema } from '../units/wall-time.ts'

/** How full a drive was on a day, as somebody read it off. */
export const fillSchema = z.object({
  on: dateSchema,
  usedMegabytes: z.number().int().min(0, 'A drive holds nothing or more.').max(1e12),
})
export type Fill = z.infer<typeof fillSchema>

export interface ArchiveSpace {
  usedMegabytes: number
  freeMegabytes: number
  /** Decimal megabytes a day between the first and the last reading; null until they are two weeks apart. */
  perDayMegabytes: number | null
  /** Days until it is full, rounded up; null where it does not fill or nobody can tell. */
  daysLeft: number | null
  fullOn: string | null
}

/** Readings nearer together say how one week went, not how the archive grows. */
const LEAST_DAYS = 14
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
  const common = { usedMegabytes: last.usedMegabytes, freeMegabytes, perDayMegabytes }
  if (perDayMegabytes === null || perDayMegabytes <= 0) return { ...common, daysLeft: null, fullOn: null }
  const daysToFill = Math.ceil(freeMegabytes / perDayMegabytes)
  if (daysToFill > MOST_DAYS) return { ...common, daysLeft: null, fullOn: null }
  const fullOn = addDays(last.on, daysToFill)
  return { ...common, daysLeft: Math.max(0, countDays(today, fullOn)), fullOn }
}
