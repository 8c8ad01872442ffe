import { npv, pmt } from 'financial'
import { describe, expect, test } from 'vitest'
import { computeAnnualCost, computeKeepingCost, computeOwningCost, computePresentValue } from './annual-cost.ts'

const RATES = [0, 0.01, 0.035, 0.08, 0.2]

describe('against the package `financial` (a port of numpy-financial)', () => {
  test('present values', () => {
    for (const rate of RATES)
      for (const flows of [[100], [-1_000, 300, 400, 500], [0, 0, 999], [5, -5, 5, -5, 5]])
        expect(computePresentValue(flows, rate)).toBeCloseTo(npv(rate, flows), 6)
  })

  test('even sums a year', () => {
    for (const rate of RATES)
      for (const years of [1, 2, 5, 10, 30])
        expect(computeAnnualCost(10_000, rate, years)).toBeCloseTo(-pmt(rate, years, 10_000), 6)
  })
})

test('a worked case: 1,000 bought, 50 upkeep a year, 400 in the end, three years without interest: 250 a year', () => {
  expect(computeOwningCost({ priceMinor: 1_000, upkeepMinor: 50, resaleMinor: 400 }, 0, 3)).toBeCloseTo(250, 9)
})

test('keep until the next year costs more than an even year of the best new one: the same year as by trying all of them', () => {
  // Resale after each year of life, and the upkeep of that year: it loses less each year and wants more.
  const price = 1_000
  const resale = [1_000, 700, 520, 400, 310, 240, 180, 130, 90, 50]
  const upkeep = [0, 20, 35, 60, 90, 130, 190, 260, 350, 460]
  for (const rate of RATES) {
    const even = (years: number) => {
      const flows = Array.from(
        { length: years },
        (_, at) => (upkeep[at + 1] ?? 0) - (at === years - 1 ? (resale[years] ?? 0) : 0),
      )
      return computeAnnualCost(computePresentValue([price, ...flows], rate), rate, years)
    }
    const each = Array.from({ length: 9 }, (_, at) => even(at + 1))
    const best = each.indexOf(Math.min(...each)) + 1
    const marginal = (year: number) =>
      computeKeepingCost(
        { nowMinor: resale[year - 1] ?? 0, laterMinor: resale[year] ?? 0, upkeepMinor: upkeep[year] ?? 0 },
        rate,
      )
    // Up to the best year the next one pulls the mean down or leaves it; after it, it pulls it up.
    expect(marginal(best)).toBeLessThanOrEqual(Math.min(...each) + 1e-9)
    if (best < 9) expect(marginal(best + 1)).toBeGreaterThanOrEqual(Math.min(...each) - 1e-9)
  }
})
