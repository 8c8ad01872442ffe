import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { CATEGORY_CODES } from '../kit/model/category.ts'
import { ENTRY_KIND_CODES, type Entry } from './entry.ts'
import { findBudgetEffect, summariseSpending } from './spending.ts'

const entry = (date: string, netMinor: number, part: Partial<Entry> = {}): Entry => ({
  id: date,
  version: 1,
  date,
  kind: 'purchase',
  category: 'camera',
  description: 'x',
  wishId: null,
  refundOfId: null,
  netMinor,
  taxMinor: 0,
  partyId: null,
  unitId: null,
  ...part,
})

describe('spending', () => {
  test('months, groups, tax and sales', () => {
    const spending = summariseSpending(
      [
        entry('2026-01-31', 10_000, { taxMinor: 2_000 }),
        entry('2026-03-01', 5_000, { category: 'light', kind: 'repair' }),
        entry('2026-03-31', 4_000, { kind: 'sale' }),
        entry('2025-12-31', 99_999),
      ],
      2026,
      13_000,
    )
    expect(spending.totalMinor).toBe(13_000)
    expect(spending.months[2]).toMatchObject({ totalMinor: 1_000, cumulativeMinor: 13_000 })
    expect(spending.byGroup).toMatchObject({ camera: 8_000, light: 5_000 })
    expect(spending.byKind).toMatchObject({ purchase: 12_000, repair: 5_000, sale: -4_000 })
    // Equality passes a budget.
    expect([spending.leftMinor, spending.isOver]).toEqual([0, false])
  })

  test('a penny over is over, and no budget is no verdict', () => {
    expect(summariseSpending([entry('2026-01-01', 101)], 2026, 100).isOver).toBe(true)
    expect(summariseSpending([entry('2026-01-01', 101)], 2026, null)).toMatchObject({ leftMinor: null, isOver: false })
  })

  test('months and groups both add up to the whole, in whole pence', () => {
    const entries = fc.array(
      fc.record({
        month: fc.integer({ min: 1, max: 12 }),
        net: fc.nat(10_000_000),
        tax: fc.nat(2_000_000),
        kind: fc.constantFrom(...ENTRY_KIND_CODES),
        category: fc.constantFrom(...CATEGORY_CODES),
      }),
    )
    fc.assert(
      fc.property(entries, (list) => {
        const rows = list.map(({ month, net, tax, ...rest }) =>
          entry(`2026-${String(month).padStart(2, '0')}-15`, net, { taxMinor: tax, ...rest }),
        )
        const { totalMinor, months, byGroup, byKind } = summariseSpending(rows, 2026, null)
        const sum = (values: number[]) => values.reduce((a, b) => a + b, 0)
        expect(totalMinor).toBe(sum(rows.map(findBudgetEffect)))
        expect(sum(months.map((month) => month.totalMinor))).toBe(totalMinor)
        expect(sum(Object.values(byGroup))).toBe(totalMinor)
        expect(sum(Object.values(byKind))).toBe(totalMinor)
        expect(months[11]?.cumulativeMinor).toBe(totalMinor)
      }),
    )
  })
})
