import jstat from 'jstat'
import { linearRegression, linearRegressionLine } from 'simple-statistics'
import { describe, expect, test } from 'vitest'
import { reckonEnough } from './enough-of-many.ts'
import { fitFade } from './fade.ts'
import { reckonMeanBetweenFailures, reckonSurvival } from './mean-between-failures.ts'
import { countSpares, findChiSquareOfPairs, reckonPoissonAtMost } from './poisson.ts'

describe('mean between failures', () => {
  // NIST/SEMATECH e-Handbook 8.4.5.1, worked example: 800 hours, 2 failures; factors 0.3177 and 5.6281 for 90 % and r = 2.
  test('the worked example of the handbook', () => {
    const found = reckonMeanBetweenFailures(2, 800)
    expect(found?.mean).toBe(400)
    expect(found?.low).toBeCloseTo(400 * 0.3177, 1)
    expect(found?.high).toBeCloseTo(400 * 5.6281, 0)
  })

  // The same, table of the bound without a failure: T / 2.9957 at 95 %, one-sided (−ln 0.05).
  test('without a failure only a lower bound, with 5 % in its tail', () => {
    const found = reckonMeanBetweenFailures(0, 100)
    expect([found?.mean, found?.high]).toEqual([null, null])
    expect(found?.low).toBeCloseTo(100 / -Math.log(0.05), 8)
  })

  test('nothing watched, nothing told', () => {
    expect(reckonMeanBetweenFailures(0, 0)).toBeNull()
    expect(reckonMeanBetweenFailures(2, 0)).toBeNull()
  })

  // jstat, an independent library.
  test.each([1, 2, 3, 5, 10, 40, 120])('chi-square of %i pairs as jstat has it', (pairs) => {
    for (const share of [0.025, 0.05, 0.5, 0.9, 0.95, 0.975]) {
      const theirs = jstat.chisquare.inv(share, 2 * pairs)
      expect(findChiSquareOfPairs(share, pairs) / theirs).toBeCloseTo(1, 8)
    }
  })
})

describe('spares', () => {
  test.each([0.1, 0.7, 1, 3.5, 12, 60])('at most so many of %f expected, as jstat has it', (expected) => {
    for (const count of [0, 1, 2, 5, 12, 62]) {
      expect(reckonPoissonAtMost(count, expected)).toBeCloseTo(jstat.poisson.cdf(count, expected), 8)
    }
  })

  // By hand: e^−1 = 0.3679, + 0.3679 = 0.7358, + 0.1839 = 0.9197, + 0.0613 = 0.9810.
  test('the smallest number that is enough', () => {
    expect(countSpares(1, 0.36)).toBe(0)
    expect(countSpares(1, 0.9)).toBe(2)
    expect(countSpares(1, 0.95)).toBe(3)
    expect(countSpares(0, 0.999)).toBe(0)
    expect(countSpares(1, 1)).toBeNull()
    expect(countSpares(Number.POSITIVE_INFINITY, 0.9)).toBeNull()
  })

  test('enough of many alike is the binomial sum, as jstat has it', () => {
    for (const n of [1, 2, 5, 12]) {
      for (let needed = 0; needed <= n + 1; needed++) {
        for (const p of [0, 0.1, 0.5, 0.93, 1]) {
          const theirs = needed === 0 ? 1 : 1 - jstat.binomial.cdf(needed - 1, n, p)
          expect(reckonEnough(needed, new Array(n).fill(p))).toBeCloseTo(needed > n ? 0 : theirs, 8)
        }
      }
    }
  })

  // By hand: 0.9 · 0.8 + 0.9 · 0.2 + 0.1 · 0.8.
  test('enough of many that are not alike', () => {
    expect(reckonEnough(1, [0.9, 0.8])).toBeCloseTo(0.98, 12)
    expect(reckonEnough(2, [0.9, 0.8])).toBeCloseTo(0.72, 12)
  })

  test('getting through falls with what is asked of it', () => {
    expect(reckonSurvival(0, 50)).toBe(1)
    expect(reckonSurvival(50, 50)).toBeCloseTo(Math.exp(-1), 12)
  })
})

describe('how a pack fades', () => {
  const points = [
    { cycles: 10, share: 0.99 },
    { cycles: 60, share: 0.97 },
    { cycles: 120, share: 0.93 },
    { cycles: 200, share: 0.905 },
    { cycles: 260, share: 0.88 },
  ]

  // simple-statistics, an independent library.
  test('the line is least squares', () => {
    const theirs = linearRegression(points.map((it) => [it.cycles, it.share]))
    const fade = fitFade(points)
    expect(fade?.newShare).toBeCloseTo(theirs.b, 12)
    expect(fade?.perCycle).toBeCloseTo(-theirs.m, 12)
    const line = linearRegressionLine(theirs)
    const end = fade?.endCycles ?? 0
    expect(line(end)).toBeLessThanOrEqual(0.8)
    expect(line(end - 1)).toBeGreaterThan(0.8)
  })

  // The half width of a prediction at 450 cycles, worked out with jstat's own t: the end lies where it meets 80 %.
  test('the interval of its end is where the prediction of one measurement meets it', () => {
    const fade = fitFade(points)
    if (!fade?.endLow || !fade.endHigh) throw new Error('It ends.')
    const mean = 130
    const spread = points.reduce((sum, it) => sum + (it.cycles - mean) ** 2, 0)
    const at = (cycles: number) => fade.newShare - fade.perCycle * cycles
    const error = Math.sqrt(points.reduce((sum, it) => sum + (it.share - at(it.cycles)) ** 2, 0) / 3)
    const half = (cycles: number) =>
      jstat.studentt.inv(0.95, 3) * error * Math.sqrt(1 + 1 / 5 + (cycles - mean) ** 2 / spread)
    expect(at(fade.endLow) - half(fade.endLow)).toBeLessThanOrEqual(0.8 + 1e-5)
    expect(at(fade.endLow - 1) - half(fade.endLow - 1)).toBeGreaterThan(0.8 - 1e-5)
    expect(at(fade.endHigh) + half(fade.endHigh)).toBeLessThanOrEqual(0.8 + 1e-5)
    expect(at(fade.endHigh - 1) + half(fade.endHigh - 1)).toBeGreaterThan(0.8 - 1e-5)
    expect(fade.endLow).toBeLessThan(fade.endCycles ?? 0)
    expect(fade.endHigh).toBeGreaterThan(fade.endCycles ?? 0)
  })

  test('too few, or all at one count, say nothing; what does not fall has no end', () => {
    expect(fitFade(points.slice(0, 2))).toBeNull()
    expect(fitFade([10, 10, 10].map((cycles) => ({ cycles, share: 0.9 })))).toBeNull()
    const level = fitFade([10, 100, 200].map((cycles) => ({ cycles, share: 0.95 })))
    expect([level?.endCycles, level?.endHigh]).toEqual([null, null])
  })

  test('one that lies under its end already ends at nought', () => {
    const fade = fitFade([
      { cycles: 0, share: 0.7 },
      { cycles: 10, share: 0.69 },
      { cycles: 20, share: 0.68 },
    ])
    expect(fade?.endCycles).toBe(0)
  })
})
