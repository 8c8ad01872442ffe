import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { computeTax, splitTax } from '../../units/money.ts'
import { addMonths } from '../../units/wall-time.ts'
import { listNeeds } from './cures.ts'
import { makeOtherWeightings, WEIGHTINGS } from './points.ts'
import { countShoots, groupShoots, QUARTER_DAYS } from './shoots.ts'
import type { WishPrice } from './wish.ts'
import { costWish, findLatestPrice, isWaiting } from './wish-price.ts'

const price = (part: Partial<WishPrice> = {}): WishPrice => ({
  kind: 'seen',
  netMinor: 1_000,
  taxMinor: 200,
  on: '2026-11-01',
  source: '',
  ...part,
})
const off = (percent: number, until: string | null = null) => ({ percent, code: '', until })

describe('what a wish costs', () => {
  test('the price of the latest day counts; of one day the surest', () => {
    const prices = [
      price({ kind: 'quote', netMinor: 1, on: '2026-11-01' }),
      price({ kind: 'estimate', netMinor: 2, on: '2026-11-03' }),
      price({ kind: 'quote', netMinor: 3, on: '2026-11-03' }),
      price({ kind: 'estimate', netMinor: 4, on: '2026-11-03' }),
    ]
    expect(findLatestPrice(prices)?.netMinor).toBe(3)
    expect(findLatestPrice([])).toBeNull()
  })

  test('whole minor units whatever is taken off, never more than without, and what is off and what is left are all of it', () => {
    const any = fc.record({
      net: fc.nat(10_000_000),
      tax: fc.nat(2_000_000),
      percent: fc.double({ min: 0.1, max: 100, noNaN: true }),
      quantity: fc.integer({ min: 1, max: 60 }),
    })
    fc.assert(
      fc.property(any, ({ net, tax, percent, quantity }) => {
        const prices = [price({ netMinor: net, taxMinor: tax })]
        const cost = costWish({ prices, quantity, discount: off(percent) }, '2026-11-24')
        const whole = costWish({ prices, quantity, discount: null }, '2026-11-24')
        expect(Number.isInteger(cost?.totalMinor)).toBe(true)
        expect((cost?.totalMinor ?? 0) + (cost?.offMinor ?? 0)).toBe(whole?.totalMinor)
        expect(cost?.offMinor).toBeGreaterThanOrEqual(0)
      }),
    )
  })

  test('tax that is in a price is taken out of it to the penny, and is what the rate makes of the rest', () => {
    fc.assert(
      fc.property(fc.nat(100_000_000), fc.integer({ min: 0, max: 3_000 }), (gross, rate) => {
        const { netMinor, taxMinor } = splitTax(gross, rate)
        expect(netMinor + taxMinor).toBe(gross)
        expect(Math.abs(taxMinor - computeTax(netMinor, rate))).toBeLessThanOrEqual(1)
      }),
    )
    // A shelf price of 120.00 with 20 % in it is 100.00 and 20.00; of 7.00 it is 5.83 and 1.17.
    expect(splitTax(12_000, 2_000)).toEqual({ netMinor: 10_000, taxMinor: 2_000 })
    expect(splitTax(700, 2_000)).toEqual({ netMinor: 583, taxMinor: 117 })
  })

  test('it waits until its day is over, and without a reason not at all', () => {
    expect(isWaiting({ waitsFor: 'x', waitsUntil: '2026-11-24' }, '2026-11-24')).toBe(true)
    expect(isWaiting({ waitsFor: 'x', waitsUntil: '2026-11-24' }, '2026-11-25')).toBe(false)
    expect(isWaiting({ waitsFor: '', waitsUntil: '2027-11-24' }, '2026-11-25')).toBe(false)
  })

  test('a month after the last of January is the last of February, leap years too', () => {
    expect([addMonths('2026-01-31', 1), addMonths('2028-01-31', 1), addMonths('2024-02-29', 12)]).toEqual([
      '2026-02-28',
      '2028-02-29',
      '2025-02-28',
    ])
  })
})

describe('what goes with it', () => {
  test('needs of needs, each once; a ring ends where it began', () => {
    const needs = new Map([
      ['body', ['plate', 'pack']],
      ['pack', ['charger']],
      ['charger', ['body']],
    ])
    expect(listNeeds('body', needs).sort()).toEqual(['charger', 'pack', 'plate'])
    expect(listNeeds('plate', needs)).toEqual([])
  })
})

describe('shoots', () => {
  const DAY = 86_400_000
  const NOW = Date.UTC(2026, 10, 24)

  test('by quarters from now on: the last instant of one is not in the next', () => {
    const shoots = [0, QUARTER_DAYS * DAY - 1, QUARTER_DAYS * DAY, 4 * QUARTER_DAYS * DAY].map((ms) => ({
      id: 'POD',
      start: NOW + ms,
    }))
    const count = countShoots(shoots, NOW, 4)
    expect([count.basis, count.of('POD'), count.of('LEC')]).toEqual(['ahead', [2, 1, 0, 0], [0, 0, 0, 0]])
    // All money at once looks at two quarters together.
    expect(countShoots(shoots, NOW, 1).of('POD')).toEqual([3])
  })

  test('none ahead: as many as before; none at all: each setup one', () => {
    const before = [{ id: 'POD', start: NOW - 5 * DAY }]
    expect(countShoots(before, NOW, 1)).toMatchObject({ basis: 'behind' })
    expect(countShoots(before, NOW, 1).of('POD')).toEqual([1])
    expect(countShoots([], NOW, 2).of('POD')).toEqual([1, 1])
    expect(countShoots([{ id: 'POD', start: NOW - 400 * DAY }], NOW, 1).basis).toBe('none')
  })

  test('shoots of one setup of which the same is found are one; the first has its id', () => {
    const it = (start: number, ...found: string[]) => ({ setupId: 'POD', start, found })
    const groups = groupShoots([it(3, 'a', 'b'), it(1), it(2, 'b', 'a'), it(4)])
    expect(groups.map(({ id, starts }) => [id, starts])).toEqual([
      ['POD', [1, 4]],
      ['POD~2', [2, 3]],
    ])
  })
})

describe('weightings', () => {
  test('what a school puts first counts three times, what comes second twice, everything else once', () => {
    const of = (way: string) =>
      (['microphone', 'panel', 'lens', 'camera', 'tripod'] as const).map((it) => WEIGHTINGS[way]?.weigh(it))
    expect(of('even')).toEqual([1, 1, 1, 1, 1])
    expect(of('sound')).toEqual([3, 2, 1, 1, 1])
    expect(of('light')).toEqual([2, 3, 1, 1, 1])
    expect(of('lens')).toEqual([2, 2, 3, 1, 1])
    expect(of('body')).toEqual([2, 2, 1, 3, 1])
  })

  test('the others are the same each time, differ, and lie from once to three times', () => {
    const list = makeOtherWeightings().map((weigh) => [weigh('microphone'), weigh('panel'), weigh('camera')])
    expect(list).toEqual(makeOtherWeightings().map((weigh) => [weigh('microphone'), weigh('panel'), weigh('camera')]))
    for (const it of list.flat()) expect(it >= 1 && it <= 3).toBe(true)
    expect(new Set(list.map(String)).size).toBe(list.length)
  })
})
