import { findWallTime } from '@exemplar/core'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { sayDay, sayLongDay, sayWall, shiftDate, toWall } from './calendar-words.ts'

describe('days and times in words', () => {
  test('belong to no zone: a date stays what it is', () => {
    expect(sayDay('2026-11-24')).toBe('Tue 24 Nov')
    expect(sayLongDay('2026-11-24')).toBe('Tuesday 24 November')
    expect(sayWall('2026-11-26T09:30')).toBe('Thu 26 Nov 09:30')
  })

  test('shift across months, years and leap days', () => {
    expect(shiftDate('2026-12-31', 1)).toBe('2027-01-01')
    expect(shiftDate('2028-03-01', -1)).toBe('2028-02-29')
  })

  test('an instant has the wall time that core gives it, in any zone and season', () => {
    const instants = fc.integer({ min: Date.UTC(2000, 0), max: Date.UTC(2040, 0) })
    const zones = fc.constantFrom('Europe/London', 'America/New_York', 'Asia/Kolkata', 'Pacific/Auckland', 'UTC')
    fc.assert(
      fc.property(instants, zones, (at, zone) => {
        const minute = Math.floor(at / 60_000) * 60_000
        expect(toWall(minute, zone)).toBe(findWallTime(minute, zone))
      }),
    )
  })
})
