import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { compareNewAndUsed, costOffer } from './new-or-used.ts'

describe('new with cover, or used', () => {
  const fresh = { priceMinor: 100_000, coverMinor: 8_000, months: 48, resaleMinor: 30_000, failPercent: 0 }
  const used = { priceMinor: 55_000, coverMinor: 0, months: 36, resaleMinor: 20_000, failPercent: 25 }
  test('£1,000 and £80 of cover over 48 months against £550 and a quarter of £1,000 over 36', () => {
    // (100,000 + 8,000 − 30,000) / 48 = 1,625; (55,000 + 25,000 − 20,000) / 36 = 1,666.7
    expect(compareNewAndUsed(fresh, used)).toEqual({
      fresh: { riskMinor: 0, trueMinor: 108_000, perMonthMinor: 1_625 },
      used: { riskMinor: 25_000, trueMinor: 80_000, perMonthMinor: 1_667 },
      cheaper: 'new',
    })
    expect(compareNewAndUsed(fresh, { ...used, failPercent: 10 }).cheaper).toBe('used')
    expect(compareNewAndUsed(fresh, fresh).cheaper).toBe('same')
  })
  test('more risk never costs less', () => {
    fc.assert(
      fc.property(fc.nat(100), fc.nat(100), (a, b) => {
        const cost = (failPercent: number) => costOffer({ ...used, failPercent }, 100_000).perMonthMinor
        expect(cost(Math.max(a, b))).toBeGreaterThanOrEqual(cost(Math.min(a, b)))
      }),
    )
  })
})
