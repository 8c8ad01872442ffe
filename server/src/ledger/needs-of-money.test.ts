import { describe, expect, test } from 'vitest'
import { useQuickEntry } from '../setups/quick-entry.fixture.ts'

const { call } = useQuickEntry()

const spend = (date: string, category: string, netMinor: number, taxMinor = 0) =>
  call('POST', '/ledger/entries', {
    date,
    kind: 'purchase',
    category,
    description: 'Bought',
    netMinor,
    taxMinor,
    unitId: null,
    partyId: null,
  })

describe('spending', () => {
  test('[O02.1] the sum is exact to the penny, however many rows, and comes with the list', async () => {
    // Thirty times a third of a pound, which no binary fraction holds, and one penny.
    for (let n = 0; n < 30; n++) await spend('2026-03-01', 'light', 33, 7)
    await spend('2026-04-01', 'camera', 1)
    const spending = await call('GET', '/ledger/spending?year=2026')
    expect(spending.totalMinor).toBe(30 * 40 + 1)
    const entries = await call('GET', '/ledger/entries?year=2026')
    const added = entries.reduce(
      (sum: number, it: { netMinor: number; taxMinor: number }) => sum + it.netMinor + it.taxMinor,
      0,
    )
    expect(added).toBe(spending.totalMinor)
  })

  test('[O38.1] spent so far, this year and by kind, against the budget', async () => {
    await spend('2025-12-31', 'light', 5_000)
    await spend('2026-01-01', 'light', 2_000)
    await spend('2026-06-01', 'camera', 30_000, 6_000)
    await call('PUT', '/ledger/budget', { year: 2026, totalMinor: 40_000, version: 0 })
    const spending = await call('GET', '/ledger/spending?year=2026')
    expect(spending).toMatchObject({ totalMinor: 38_000, everMinor: 43_000, budgetMinor: 40_000 })
    expect(spending.byGroup).toMatchObject({ light: 2_000, camera: 36_000 })
  })
})
