import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { reckonEnough } from '../formulas/reliability/enough-of-many.ts'
import { type Need, rankSpares, reckonOutlook, type ShootAhead } from './outlook.ts'
import { findLostAt, type Season, type SeasonOutcome, simulateSeasons } from './season.ts'

const need = (unitId: string, ...standIns: string[]): Need => ({ unitId, standIns })
const shoot = (id: string, start: number, ...needs: Need[]): ShootAhead => ({
  id,
  setupId: 's',
  start,
  end: start + 1,
  needs,
})

/** What is asked of the reckoning: every state of every thing, and every way to place the stand-ins. */
function tryEverything(needs: readonly Need[], ready: ReadonlyMap<string, number>): number {
  const things = [...ready.keys()]
  const place = (rest: readonly Need[], left: ReadonlySet<string>): boolean => {
    const [first, ...others] = rest
    if (!first) return true
    return first.standIns.some(
      (it) => left.has(it) && place(others, new Set([...left].filter((other) => other !== it))),
    )
  }
  let sum = 0
  for (let state = 0; state < 1 << things.length; state++) {
    const up = new Set(things.filter((_, at) => state & (1 << at)))
    const runs = place(
      needs.filter((it) => !up.has(it.unitId)),
      up,
    )
    if (!runs) continue
    sum += things.reduce((share, it) => share * (up.has(it) ? (ready.get(it) ?? 0) : 1 - (ready.get(it) ?? 0)), 1)
  }
  return sum
}

describe('whether a shoot can run', () => {
  // By hand: 0.9 · 0.8, and (1 − 0.1 · 0.3) · 0.8.
  test('alone, and with what could stand in', () => {
    const ready = new Map(Object.entries({ a: 0.9, b: 0.8, x: 0.7 }))
    const outlook = reckonOutlook([need('a', 'x'), need('b')], (it) => ready.get(it) ?? 0)
    expect(outlook.alone).toBeCloseTo(0.72, 12)
    expect(outlook.withStandIns).toBeCloseTo(0.97 * 0.8, 12)
    expect(outlook.isAtLeast).toBe(false)
  })

  test('nothing that it stops without: it runs', () => {
    expect(reckonOutlook([], () => 0)).toEqual({ alone: 1, withStandIns: 1, isAtLeast: false })
  })

  test('one spare for two that are alike is two of three, by the binomial sum', () => {
    const outlook = reckonOutlook([need('a', 'x'), need('b', 'x')], () => 0.9)
    expect(outlook.withStandIns).toBeCloseTo(reckonEnough(2, [0.9, 0.9, 0.9]), 12)
  })

  test('any needs and stand-ins: as trying everything says', () => {
    const pool = ['x', 'y', 'z']
    fc.assert(
      fc.property(
        fc.array(fc.subarray(pool), { minLength: 1, maxLength: 4 }),
        fc.array(fc.integer({ min: 0, max: 20 }), { minLength: 7, maxLength: 7 }),
        (wants, chances) => {
          const needs = wants.map((standIns, at) => need(`n${at}`, ...standIns))
          const all = [...needs.map((it) => it.unitId), ...pool]
          const ready = new Map(all.map((it, at) => [it, (chances[at] ?? 0) / 20]))
          const { withStandIns, alone } = reckonOutlook(needs, (it) => ready.get(it) ?? 0)
          expect(withStandIns).toBeCloseTo(tryEverything(needs, ready), 10)
          expect(withStandIns).toBeGreaterThanOrEqual(alone - 1e-12)
        },
      ),
      { numRuns: 300, seed: 7 },
    )
  })

  test('too much that hangs together: at least so much, and no more than there is', () => {
    const needs = Array.from({ length: 12 }, (_, at) => need(`n${at}`, 'x', 'y', 'z'))
    const outlook = reckonOutlook(needs, () => 0.95)
    expect(outlook.isAtLeast).toBe(true)
    expect(outlook.withStandIns).toBeGreaterThan(outlook.alone)
    expect(outlook.withStandIns).toBeLessThanOrEqual(reckonEnough(12, new Array(15).fill(0.95)))
  })
})

describe('what spare helps most', () => {
  const modelOf = (it: string) => (it.startsWith('cam') ? 'cameras' : 'leads')
  const ask = (prices: Record<string, number | null>) =>
    rankSpares([shoot('1', 0, need('cam-1'), need('lead-1')), shoot('2', 9, need('cam-1'))], {
      readyOf: (it) => (it.startsWith('cam') ? 0.9 : 0.8),
      modelOf,
      priceOf: (it) => prices[it] ?? null,
      spareReadyOf: () => 1,
    })

  // By hand. Camera: 0.72 → 0.8 and 0.9 → 1, so 0.18. Lead: 0.72 → 0.9, so 0.18.
  test('the same help: the cheaper first, and what has no price last', () => {
    const found = ask({ cameras: 180_000, leads: 900 })
    expect(found.map((it) => [it.modelId, it.perShootMinor])).toEqual([
      ['leads', 5_000],
      ['cameras', 1_000_000],
    ])
    expect(found[0]?.shoots).toBeCloseTo(0.18, 12)
    expect(found[1]?.helps).toEqual(['2', '1'])
    expect(ask({ cameras: 180_000 }).map((it) => it.modelId)).toEqual(['cameras', 'leads'])
  })
})

const run = (season: Season, seed: number, seasons = 2_000): SeasonOutcome => {
  const steps = simulateSeasons(season, seed, seasons)
  let step = steps.next()
  while (!step.done) step = steps.next()
  return step.value
}
const SEEDS = Array.from({ length: 20 }, (_, at) => at + 1)
/** 99.9 % of a normal distribution lie within so many standard deviations. */
const Z = 3.2905

describe('seasons by chance', () => {
  const failsOf = new Map(Object.entries({ a: 0.1, b: 0.2, c: 0.05, x: 0.3, y: 0.5 }))
  const shoots = [
    shoot('1', 0, need('a', 'x'), need('b')),
    shoot('2', 1, need('a', 'x', 'y'), need('b', 'x'), need('c')),
    shoot('3', 2),
  ]

  test.each(SEEDS)('seed %i: each shoot is lost as often as reckoned, within 99.9 %%', (seed) => {
    const outcome = run({ shoots, failsOf, daysOut: 0 }, seed)
    for (const [at, { needs }] of shoots.entries()) {
      const { withStandIns } = reckonOutlook(needs, (it) => 1 - (failsOf.get(it) ?? 0))
      const expected = (1 - withStandIns) * outcome.seasons
      const deviation = Math.sqrt(expected * withStandIns)
      expect(Math.abs((outcome.lostOf[at] ?? 0) - expected)).toBeLessThanOrEqual(Z * deviation)
    }
    expect(outcome.lost.reduce((sum, it) => sum + it, 0)).toBe(outcome.seasons)
  })

  // By hand: one thing, three shoots a day apart, out for two days: the second is lost if it failed at the first or fails then.
  test.each(SEEDS)('seed %i: what failed is missing until it is mended', (seed) => {
    const day = 86_400_000
    const season = { shoots: [0, 1, 2].map((at) => shoot(`${at}`, at * day, need('a'))), failsOf, daysOut: 2 }
    const outcome = run(season, seed)
    // Lost at the third: out since the first (fails at 1: back at day 2, in time), or failed at the second, or fails then.
    const p = 0.1
    const expected = [p, p + (1 - p) * p, p * p + (1 - p) * (p + (1 - p) * p)]
    for (const [at, share] of expected.entries()) {
      const deviation = Math.sqrt(outcome.seasons * share * (1 - share))
      expect(Math.abs((outcome.lostOf[at] ?? 0) - share * outcome.seasons)).toBeLessThanOrEqual(Z * deviation)
    }
  })

  test('the same seed gives the same bytes, another one others', () => {
    const season = { shoots, failsOf, daysOut: 3 }
    expect(JSON.stringify(run(season, 5))).toBe(JSON.stringify(run(season, 5)))
    expect(JSON.stringify(run(season, 5))).not.toBe(JSON.stringify(run(season, 6)))
  })

  test('what never fails loses nothing; what always fails loses all and is to blame', () => {
    const sure = run({ shoots, failsOf: new Map(), daysOut: 5 }, 1, 300)
    expect(sure).toMatchObject({ lost: [300], lostOf: [0, 0, 0], blame: [] })
    const never = run(
      { shoots: [shoot('1', 0, need('a')), shoot('2', 1, need('a'))], failsOf: new Map([['a', 1]]), daysOut: 0 },
      1,
      300,
    )
    expect(never).toMatchObject({ lost: [0, 0, 300], lostOf: [300, 300], blame: [{ unitId: 'a', times: 600 }] })
    expect([findLostAt(sure, 0.9), findLostAt(never, 0.9)]).toEqual([0, 2])
  })

  test('says how far it has come', () => {
    const steps = [...simulateSeasons({ shoots, failsOf, daysOut: 0 }, 1, 1_000)]
    expect(steps).toEqual([250, 500, 750])
  })
})
