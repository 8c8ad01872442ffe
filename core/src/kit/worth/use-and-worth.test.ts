import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { countAvailable, listUnusableSpans } from './sessions.ts'
import { estimateResale, findPeakDemand, isRisk, measureUse, valueSetups } from './use-and-worth.ts'

describe('use', () => {
  const facts = {
    acquiredOn: '2022-11-24',
    costMinor: 120_000,
    usedOn: Array.from({ length: 24 }, () => '2025-01-01'),
    availableSessions: 96,
    lastFailedOn: null,
  }

  test('four years, 24 of 96 sessions: a quarter of the sessions, £300 a year, £50 a time', () => {
    expect(measureUse(facts, '2026-11-24')).toEqual({
      timesUsed: 24,
      lastUsedOn: facts.usedOn.at(-1),
      share: 0.25,
      ageDays: 1461,
      perYearMinor: 30_000,
      perUseMinor: 5_000,
      hasProvedItself: true,
    })
  })

  test('what failed lately, is young, or was never used has not proved itself, and what is unknown is not made up', () => {
    expect(measureUse({ ...facts, lastFailedOn: '2026-01-01' }, '2026-11-24').hasProvedItself).toBe(false)
    expect(measureUse({ ...facts, acquiredOn: '2026-01-01' }, '2026-11-24')).toMatchObject({
      perYearMinor: null,
      hasProvedItself: false,
    })
    expect(measureUse({ ...facts, usedOn: [], availableSessions: 0, acquiredOn: null }, '2026-11-24')).toMatchObject({
      share: null,
      ageDays: null,
      perUseMinor: null,
    })
  })
})

describe('what a thing would bring', () => {
  // From memory, and said to be so on screen: a quarter less after one year, then a seventh of the rest each year.
  test.each([
    [0, 100_000],
    [365.25, 75_000],
    [2 * 365.25, 64_286],
    [3 * 365.25, 55_102],
  ])('after %d days', (days, minor) => expect(estimateResale(100_000, days)).toBe(minor))

  test('never more than it cost, and less with every day', () => {
    fc.assert(
      fc.property(fc.nat(1_000_000), fc.nat(8_000), (price, days) => {
        const now = estimateResale(price, days)
        expect(now).toBeLessThanOrEqual(price)
        expect(estimateResale(price, days + 30)).toBeLessThanOrEqual(now)
      }),
      { seed: 6 },
    )
  })

  test('half of the sessions with nothing to stand in is a risk; a spare or rare use is none', () => {
    expect([isRisk(0.5, 0), isRisk(0.5, 1), isRisk(0.4, 0), isRisk(null, 0)]).toEqual([true, false, false, false])
  })
})

describe('peak demand', () => {
  test('what ends frees its pieces for what begins at that instant', () => {
    expect(
      findPeakDemand([
        { start: 0, end: 5, quantity: 3 },
        { start: 5, end: 9, quantity: 4 },
      ]),
    ).toEqual({ quantity: 4, at: 5 })
    expect(
      findPeakDemand([
        { start: 0, end: 6, quantity: 3 },
        { start: 5, end: 9, quantity: 4 },
      ]),
    ).toEqual({ quantity: 7, at: 5 })
    expect(findPeakDemand([])).toEqual({ quantity: 0, at: null })
    expect(findPeakDemand([{ start: 3, end: 3, quantity: 9 }]).quantity).toBe(0)
  })

  test('is what looking at every instant finds', () => {
    const demand = fc.record({ start: fc.nat(20), end: fc.nat(20), quantity: fc.integer({ min: 1, max: 9 }) })
    fc.assert(
      fc.property(fc.array(demand, { maxLength: 12 }), (demands) => {
        const at = (t: number) => demands.reduce((sum, it) => sum + (it.start <= t && t < it.end ? it.quantity : 0), 0)
        const highest = Math.max(0, ...Array.from({ length: 21 }, (_, t) => at(t)))
        const peak = findPeakDemand(demands)
        expect(peak.quantity).toBe(highest)
        if (peak.at !== null) expect(at(peak.at)).toBe(highest)
      }),
      { seed: 8 },
    )
  })
})

describe('what a setup is worth', () => {
  const setups = [
    { id: 'a', things: ['x', 'y', 'x'] },
    { id: 'b', things: ['x', 'z'] },
    { id: 'c', things: ['x'] },
  ]
  const value = (id: string) => ({ x: 100, y: 50 })[id] ?? null
  const minors = (sharing: 'full' | 'split' | 'once') =>
    [...valueSetups(setups, value, sharing).values()].map((it) => it.minor)

  test('in full, split to the penny, or in the first alone; the unknown is counted apart', () => {
    expect(minors('full')).toEqual([150, 100, 100])
    expect(minors('split')).toEqual([84, 33, 33])
    expect(minors('once')).toEqual([150, 0, 0])
    expect(valueSetups(setups, value, 'full').get('b')).toEqual({ minor: 100, unknown: 1, shared: 1 })
  })

  test('split or once, all setups together are worth what their things are', () => {
    fc.assert(
      fc.property(
        fc.array(fc.array(fc.constantFrom('p', 'q', 'r', 's'), { maxLength: 4 }), { minLength: 1, maxLength: 5 }),
        fc.nat(9_999),
        (lists, price) => {
          const all = lists.map((things, at) => ({ id: `s${at}`, things }))
          const distinct = new Set(lists.flat()).size
          for (const sharing of ['split', 'once'] as const) {
            const sum = [...valueSetups(all, () => price, sharing).values()].reduce((total, it) => total + it.minor, 0)
            expect(sum).toBe(distinct * price)
          }
        },
      ),
      { seed: 9 },
    )
  })
})

describe('sessions for which a thing was to be had', () => {
  const at = (day: string) => Date.parse(`${day}T09:00:00Z`)
  const session = (on: string, ...ids: string[]) => ({ on, at: at(on), unitIds: new Set(ids) })
  const sessions = [
    session('2026-01-10', 'a'),
    session('2026-02-10', 'b'),
    session('2026-03-10'),
    session('2026-04-10'),
  ]

  test('what came later had no part in what was before, two on one day are two', () => {
    const unit = { id: 'a', acquiredOn: '2026-02-10' }
    expect(countAvailable(sessions, { ...unit, id: 'x' }, [])).toBe(3)
    const twice = [...sessions, session('2026-04-10', 'a')]
    expect(countAvailable(twice, { id: 'x', acquiredOn: null }, [])).toBe(5)
    // It served before the day it is said to have come: that session counts all the same.
    expect(countAvailable(sessions, unit, [])).toBe(4)
  })

  test('in repair it was not to be had, unless it served', () => {
    const spans = listUnusableSpans(
      [
        { at: at('2026-02-01'), before: 'in-service', after: 'in-repair' },
        { at: at('2026-03-20'), before: 'in-repair', after: 'in-service' },
      ],
      'in-service',
    )
    expect(spans).toEqual([{ start: at('2026-02-01'), end: at('2026-03-20') }])
    expect(countAvailable(sessions, { id: 'x', acquiredOn: null }, spans)).toBe(2)
    expect(countAvailable(sessions, { id: 'b', acquiredOn: null }, spans)).toBe(3)
    expect(listUnusableSpans([], 'lost')).toEqual([{ start: Number.NEGATIVE_INFINITY, end: Number.POSITIVE_INFINITY }])
  })
})
