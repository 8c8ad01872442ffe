import { Temporal } from 'temporal-polyfill'
import { describe, expect, test } from 'vitest'
import { overlaps } from './interval.ts'
import { addDays, countDays, dateSchema, findInstant, findStartOfDay, findWallTime, zoneSchema } from './wall-time.ts'

// Days on which the clocks change, from the IANA time zone database: Europe/London 29 March and 25 October 2026,
// America/New_York 8 March 2026; America/Santiago changes at midnight on 6 September 2026.
describe('wall time on days when the clocks change', () => {
  test('a skipped time moves forward by the gap and says so', () => {
    expect(findInstant('2026-03-29T01:30', 'Europe/London')).toEqual({
      epochMs: Date.UTC(2026, 2, 29, 1, 30),
      movedMinutes: 60,
    })
  })

  test('a repeated time is the earlier one', () => {
    expect(findInstant('2026-10-25T01:30', 'Europe/London')).toEqual({
      epochMs: Date.UTC(2026, 9, 25, 0, 30),
      movedMinutes: 0,
    })
  })

  test('a day can begin at one in the morning', () => {
    const start = findStartOfDay('2026-09-06', 'America/Santiago')
    expect(findWallTime(start, 'America/Santiago')).toBe('2026-09-06T01:00')
  })

  test('a booking across the change is an hour shorter or longer', () => {
    const hours = (from: string, to: string, zone: string) =>
      (findInstant(to, zone).epochMs - findInstant(from, zone).epochMs) / 3_600_000
    expect(hours('2026-03-28T22:00', '2026-03-29T06:00', 'Europe/London')).toBe(7)
    expect(hours('2026-10-24T22:00', '2026-10-25T06:00', 'Europe/London')).toBe(9)
    expect(hours('2026-03-07T22:00', '2026-03-08T06:00', 'America/New_York')).toBe(7)
  })
})

describe('days', () => {
  test('count and add across a leap day and a change of the clocks', () => {
    expect(addDays('2028-02-28', 2)).toBe('2028-03-01')
    expect(countDays('2026-03-28', '2026-03-30')).toBe(2)
    expect(countDays('2026-11-24', '2026-11-18')).toBe(-6)
  })

  test('there is no 30 February, and no zone of that name', () => {
    expect(dateSchema.safeParse('2026-02-30').success).toBe(false)
    expect(zoneSchema.safeParse('Europe/Larkmoor').success).toBe(false)
  })
})

describe('half-open intervals', () => {
  test('touching ends do not collide and nothing holds nothing', () => {
    expect(overlaps({ start: 0, end: 10 }, { start: 10, end: 20 })).toBe(false)
    expect(overlaps({ start: 0, end: 11 }, { start: 10, end: 20 })).toBe(true)
    expect(overlaps({ start: 5, end: 5 }, { start: 0, end: 20 })).toBe(false)
  })
})

describe('days of the calendar by number', () => {
  // Temporal, whose algorithm is another, over leap days, turns of years and a century that is none.
  test('added and counted as the calendar does, from 1890 to 2110', () => {
    const start = Temporal.PlainDate.from('1890-01-01')
    for (let step = 0; step < 220 * 12; step++) {
      const from = start.add({ months: step, days: step % 28 })
      const to = from.add({ days: (step * 37) % 4_000 })
      expect(addDays(from.toString(), (step * 37) % 4_000)).toBe(to.toString())
      expect(countDays(from.toString(), to.toString())).toBe((step * 37) % 4_000)
      expect(countDays(to.toString(), from.toString())).toBe(0 - ((step * 37) % 4_000))
    }
  })

  test('what is no day is refused', () => {
    expect(() => addDays('2026-02-30', 1)).toThrow()
    expect(() => addDays('2026-02-00', 1)).toThrow()
    expect(() => addDays('2026-00-10', 1)).toThrow()
    expect(() => countDays('2026-13-01', '2026-01-01')).toThrow()
  })
})
