import { describe, expect, test } from 'vitest'
import { type Failure, groupReliability, makeFailureRates, type ReliabilityRecord } from './reliability.ts'

const failure = (ageDays: number | null = null, daysOut: number | null = null): Failure => ({
  on: '2026-01-01',
  ageDays,
  daysOut,
})
let next = 0
const record = (part: Partial<ReliabilityRecord> = {}): ReliabilityRecord => ({
  unitId: `u${next++}`,
  tag: 'T',
  name: 'Lamp',
  modelId: 'lamp',
  category: 'panel',
  maker: 'Fenwick',
  supplier: null,
  priceMinor: null,
  newMinor: null,
  lifeDays: null,
  isGone: false,
  hasDied: false,
  uses: 0,
  usesInYear: 0,
  hours: 0,
  failures: [],
  accidents: 0,
  ...part,
})

describe('what the log says together', () => {
  test('failures a use, early ones, days out and what a month of life cost', () => {
    const [row] = groupReliability(
      [
        record({
          uses: 30,
          hours: 90,
          failures: [failure(100, 4), failure(400)],
          priceMinor: 30_000,
          lifeDays: 365.25,
        }),
        record({ uses: 10, hours: 10, accidents: 1, priceMinor: 30_000, lifeDays: 365.25 * 4, hasDied: true }),
        record({ priceMinor: 90_000 }),
      ],
      'model',
    )
    expect(row).toMatchObject({ things: 3, uses: 40, failures: 2, early: 1, died: 1, accidents: 1, meanDaysOut: 4 })
    expect(row?.betweenUses?.mean).toBe(20)
    expect(row?.betweenHours?.mean).toBe(50)
    // 600 over 60 months; the one of which nobody knows when it came is not among them.
    expect([row?.perMonthMinor, row?.priced]).toEqual([1_000, 2])
  })

  test('what failed most often a use comes first; what failed and was never used before all', () => {
    const rows = groupReliability(
      [
        record({ modelId: 'a', name: 'A', uses: 100, failures: [failure()] }),
        record({ modelId: 'b', name: 'B', uses: 10, failures: [failure()] }),
        record({ modelId: 'c', name: 'C', uses: 50 }),
        record({ modelId: 'd', name: 'D', failures: [failure()] }),
      ],
      'model',
    )
    expect(rows.map((it) => it.name)).toEqual(['D', 'B', 'A', 'C'])
    expect(rows[0]?.betweenUses).toBeNull()
  })

  test('makers by any spelling of case; nobody recorded is a group of its own', () => {
    const rows = groupReliability([record(), record({ maker: 'FENWICK ' }), record({ maker: '' })], 'maker')
    expect(rows.map((it) => [it.name, it.things])).toEqual([
      ['Fenwick', 2],
      ['No maker recorded', 1],
    ])
  })

  test('cheap and dear within a kind; three prices make none, nor do equal ones', () => {
    const lamps = [100, 200, 300, 400].map((priceMinor) => record({ priceMinor }))
    const leads = [5, 6, 7].map((priceMinor) => record({ category: 'cable', priceMinor }))
    const bodies = [9, 9, 9, 9].map((priceMinor) => record({ category: 'camera', priceMinor }))
    const rows = groupReliability([...lamps, ...leads, ...bodies, record()], 'price')
    expect(rows.map((it) => [it.key, it.things]).sort()).toEqual([
      ['cheaper', 2],
      ['dearer', 2],
    ])
  })
})

describe('how often something is reckoned to fail', () => {
  test('with too few uses nothing is said', () => {
    expect(makeFailureRates([record({ uses: 49 })]).rateOf('lamp', 'panel')).toBeNull()
    expect(makeFailureRates([record({ uses: 50 })]).rateOf('lamp', 'panel')).not.toBeNull()
  })

  // By hand: all 2 in 100, so 50 each; the kind (60 + 50) / (1 + 1) = 55; the model (1 + 1) / (45 + 55) = 0.02.
  test('a model within its kind within the kit', () => {
    const rates = makeFailureRates([
      record({ uses: 45, failures: [failure()] }),
      record({ modelId: 'other', uses: 15 }),
      record({ modelId: 'body', category: 'camera', uses: 40, failures: [failure()] }),
    ])
    expect(rates.rateOf('lamp', 'panel')).toMatchObject({
      perUse: 0.02,
      model: { failures: 1, uses: 45 },
      kind: { failures: 1, uses: 60 },
    })
    // What was never used is as its kind; a kind that was never used as the kit.
    expect(rates.rateOf('new', 'panel')?.perUse).toBeCloseTo(1 / 55, 12)
    expect(rates.rateOf('new', 'boundary-mic')?.perUse).toBeCloseTo(1 / 50, 12)
  })

  // The median of what may be: e^(−100 p) = 1/2.
  test('no failure at all is not never', () => {
    const rates = makeFailureRates([record({ uses: 100 })])
    expect(rates.rateOf('new', 'camera')?.perUse).toBeCloseTo(Math.LN2 / 100, 12)
    expect(rates.rateOf('lamp', 'panel')?.perUse).toBeLessThan(Math.LN2 / 100)
  })

  test('a failure more never makes it seem better, a use more never worse', () => {
    const perUse = (uses: number, failures: number) =>
      makeFailureRates([
        record({ uses, failures: new Array(failures).fill(failure()) }),
        record({ modelId: 'body', category: 'camera', uses: 60, failures: [failure()] }),
      ]).rateOf('lamp', 'panel')?.perUse ?? 0
    expect(perUse(50, 2)).toBeGreaterThan(perUse(50, 1))
    expect(perUse(50, 1)).toBeGreaterThan(perUse(50, 0))
    expect(perUse(51, 1)).toBeLessThan(perUse(50, 1))
  })
})
