import { describe, expect, test } from 'vitest'
import type { Entry } from './entry.ts'
import { type ForecastFacts, forecastYear } from './forecast.ts'

const TODAY = '2026-11-24'
const entry = (date: string, kind: Entry['kind'], netMinor: number) => ({
  ...{ date, kind, netMinor, taxMinor: 0 },
  description: `a ${kind}`,
})
const facts = (part: Partial<ForecastFacts> = {}): ForecastFacts => ({
  ...{ entries: [], since: '2020-01-01', ordered: [], repairs: [] },
  ...part,
})

describe('what a year will have cost', () => {
  test('nothing recorded, nothing to come: nothing', () => {
    expect(forecastYear(facts(), TODAY)).toMatchObject({ totalMinor: 0, isAtLeast: false, endsOn: '2026-12-31' })
  })

  test('what is recorded counts, a sale and money that came back taken off, also of days to come', () => {
    const entries = [
      entry('2026-01-01', 'purchase', 10_000),
      entry('2026-05-01', 'sale', 3_000),
      entry('2026-06-01', 'refund', 500),
      entry('2026-12-31', 'purchase', 200),
      entry('2025-12-31', 'purchase', 99_999),
      entry('2027-01-01', 'purchase', 88_888),
    ]
    expect(forecastYear(facts({ entries }), TODAY)).toMatchObject({ recordedMinor: 6_700, totalMinor: 6_700 })
  })

  test('what is paid again and again comes as in the same days of last year, and what is bought once does not', () => {
    const entries = [
      // A year ago to the day is behind us; the day after it is not, nor is the last of the year.
      entry('2025-11-24', 'subscription', 1),
      entry('2025-11-25', 'subscription', 1_000),
      entry('2025-12-31', 'consumable', 20),
      entry('2025-12-10', 'rental', 300),
      entry('2025-12-10', 'purchase', 50_000),
      entry('2025-12-10', 'repair', 4_000),
    ]
    expect(forecastYear(facts({ entries }), TODAY)).toMatchObject({ runningMinor: 1_320, totalMinor: 1_320 })
  })

  test('what is written down of the coming days already is not counted twice', () => {
    const entries = [entry('2025-12-10', 'subscription', 1_000), entry('2026-12-10', 'subscription', 1_100)]
    expect(forecastYear(facts({ entries }), TODAY)).toMatchObject({ runningMinor: 0, totalMinor: 1_100 })
  })

  test('where nothing was recorded a year ago, that is said and nothing is made up', () => {
    for (const since of [null, '2025-11-25']) {
      const entries = [entry('2025-12-10', 'subscription', 1_000)]
      const found = forecastYear(facts({ entries, since }), TODAY)
      expect(found).toMatchObject({ runningMinor: null, totalMinor: 0, isAtLeast: true })
    }
    expect(forecastYear(facts({ since: '2025-11-24' }), TODAY).runningMinor).toBe(0)
  })

  test('orders and repairs count to the last day of the year, or without a day; without a price they are counted apart', () => {
    const due = (minor: number | null, dueOn: string | null) => ({ minor, dueOn })
    const found = forecastYear(
      facts({
        ordered: [
          due(100, '2026-12-31'),
          due(20, null),
          due(3, '2026-11-01'),
          due(5_000, '2027-01-01'),
          due(null, null),
        ],
        repairs: [due(7_000, null), due(null, '2027-02-01')],
      }),
      TODAY,
    )
    expect(found.ordered).toEqual({ minor: 123, count: 4, unknown: 1 })
    expect(found.repairs).toEqual({ minor: 7_000, count: 1, unknown: 0 })
    expect(found).toMatchObject({ totalMinor: 7_123, isAtLeast: true, laterMinor: 5_000 })
  })

  test('on the last day nothing more comes of last year; on the first of January all of it', () => {
    const entries = [entry('2025-12-31', 'subscription', 1_000), entry('2025-01-01', 'consumable', 50)]
    expect(forecastYear(facts({ entries }), '2026-12-31').runningMinor).toBe(0)
    expect(forecastYear(facts({ entries }), '2026-01-01').runningMinor).toBe(1_000)
    expect(
      forecastYear(facts({ entries: [...entries, entry('2025-01-02', 'service', 7)] }), '2026-01-01'),
    ).toMatchObject({ runningMinor: 1_007 })
  })

  test('a rent or subscription that began within a year leaves the sum a least one; one that ran before, or a supply, does not', () => {
    const begun = (...entries: ReturnType<typeof entry>[]) => {
      const found = forecastYear(facts({ entries }), TODAY)
      return [found.begun, found.isAtLeast]
    }
    const called = (date: string, description: string) => ({ ...entry(date, 'subscription', 900), description })
    expect(begun(called('2026-06-01', 'Cutting'), called('2026-07-01', 'cutting '))).toEqual([1, true])
    expect(begun(called('2025-11-24', 'Cutting'), called('2026-06-01', 'Cutting'))).toEqual([0, false])
    expect(begun(called('2025-11-25', 'Cutting'))).toEqual([1, true])
    expect(begun(entry('2026-06-01', 'consumable', 5), entry('2026-06-01', 'service', 5))).toEqual([0, false])
  })
})
