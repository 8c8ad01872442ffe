import { Temporal } from 'temporal-polyfill'
import { z } from 'zod'

/** Nothing of a studio lies outside of these; what does is a slip, and reckoning through it would take for ever. */
const FIRST_YEAR = 1850
const LAST_YEAR = 2199
const SAY_YEARS = `A year lies from ${FIRST_YEAR} to ${LAST_YEAR}.`

function isBearable(text: string): boolean {
  const year = Number(text.slice(0, 4))
  return year >= FIRST_YEAR && year <= LAST_YEAR
}

export const wallTimeSchema = z
  .string()
  .regex(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/, 'Write a day and a time, such as 2026-11-26T09:30.')
  .refine(isBearable, SAY_YEARS)
  .refine(isWallTime, 'There is no such day or time.')
export const dateSchema = z
  .string()
  .regex(/^\d{4}-\d{2}-\d{2}$/, 'Write a day as year-month-day, such as 2026-11-26.')
  .refine(isBearable, SAY_YEARS)
  .refine(isDate, 'There is no such day in the calendar.')
export const zoneSchema = z.string().refine(isZone, 'This is not a known time zone, such as Europe/London.')

function isWallTime(text: string): boolean {
  try {
    Temporal.PlainDateTime.from(text, { overflow: 'reject' })
    return true
  } catch {
    return false
  }
}

export function isDate(text: string): boolean {
  try {
    Temporal.PlainDate.from(text, { overflow: 'reject' })
    return isBearable(text)
  } catch {
    return false
  }
}

function isZone(zone: string): boolean {
  try {
    Temporal.Instant.fromEpochMilliseconds(0).toZonedDateTimeISO(zone)
    return true
  } catch {
    return false
  }
}

/**
 * The instant (UTC milliseconds) of a wall time in a zone. A repeated time means the earlier one; a skipped one moves
 * forward by the gap, and `movedMinutes` says by how much.
 */
export function findInstant(wall: string, zone: string): { epochMs: number; movedMinutes: number } {
  const plain = Temporal.PlainDateTime.from(wall)
  const zoned = plain.toZonedDateTime(zone, { disambiguation: 'compatible' })
  const moved = plain.until(zoned.toPlainDateTime(), { largestUnit: 'minutes' }).minutes
  return { epochMs: zoned.epochMilliseconds, movedMinutes: moved }
}

/** Wall time `YYYY-MM-DDTHH:mm` of an instant in a zone. */
export function findWallTime(epochMs: number, zone: string): string {
  return Temporal.Instant.fromEpochMilliseconds(epochMs)
    .toZonedDateTimeISO(zone)
    .toPlainDateTime()
    .toString({ smallestUnit: 'minute' })
}

export function findDate(epochMs: number, zone: string): string {
  return findWallTime(epochMs, zone).slice(0, 10)
}

const DAY_MS = 86_400_000

/** A calendar day as whole days since 1970. Days of the calendar have no zone and none is longer: thousands are counted at once. */
function toDayNumber(date: string): number {
  const [year, month, day] = [date.slice(0, 4), date.slice(5, 7), date.slice(8)].map(Number) as [number, number, number]
  const instant = Date.UTC(year, month - 1, day)
  const isDay =
    date.length === 10 && year >= 1000 && new Date(instant).getUTCDate() === day && month >= 1 && month <= 12
  // What is no day of the calendar, or none of four digits, is for who knows how.
  return isDay ? instant / DAY_MS : Temporal.PlainDate.from(date).since('1970-01-01').days
}

export function addDays(date: string, days: number): string {
  const number = toDayNumber(date) + days
  const year = number / 365.25
  // Years of four digits, as nearly all are.
  if (Number.isInteger(days) && year > -1_900 && year < 8_000)
    return new Date(number * DAY_MS).toISOString().slice(0, 10)
  return Temporal.PlainDate.from(date).add({ days }).toString()
}

/** The day so many months later; the last of the month where that has no such day: a month after 31 January is 28 February. */
export function addMonths(date: string, months: number): string {
  return Temporal.PlainDate.from(date).add({ months }).toString()
}

/** Whole days from one calendar day to another; negative when `to` lies before `from`. */
export function countDays(from: string, to: string): number {
  return toDayNumber(to) - toDayNumber(from)
}

/** Whole years, months and days from one calendar day to a later one, the largest first. */
export function splitSpan(from: string, to: string): { years: number; months: number; days: number } {
  const { years, months, days } = Temporal.PlainDate.from(from).until(Temporal.PlainDate.from(to), {
    largestUnit: 'years',
  })
  return { years, months, days }
}

/** First instant of a calendar day in the zone, which on some daylight-saving days is not 00:00. */
export function findStartOfDay(date: string, zone: string): number {
  return Temporal.PlainDate.from(date).toZonedDateTime(zone).startOfDay().epochMilliseconds
}
