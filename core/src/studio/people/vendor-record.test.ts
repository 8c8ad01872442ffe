import { describe, expect, test } from 'vitest'
import { recordVendor, sayVendorRecord } from './vendor-record.ts'

const TODAY = '2026-12-01'
const thing = (acquiredOn: string | null, failedOn: string | null = null) => ({ acquiredOn, failedOn })
const repair = (sentOn: string | null, dueOn: string | null, backOn: string | null) => ({ sentOn, dueOn, backOn })

describe('how a vendor did', () => {
  test('what failed within a year, of what had a year to fail or did before; young things that work say nothing', () => {
    const things = [
      thing('2024-01-01', '2024-12-31'),
      thing('2024-01-01', '2025-01-02'),
      thing('2025-12-01'),
      thing('2025-12-02'),
      thing('2026-11-01', '2026-11-20'),
      thing(null),
    ]
    // 365 days on it failed within a year (2024 has 366); a day later not; bought a year ago it counts, a day less and it does not.
    expect(recordVendor({ things, cancelled: 0, repairs: [] }, TODAY)).toMatchObject({
      things: 6,
      judged: 4,
      failed: 2,
    })
  })

  test('repairs: the middle of their days, and what came later than was said, also what is out still', () => {
    const repairs = [
      repair('2026-10-01', '2026-10-05', '2026-10-05'),
      repair('2026-10-01', '2026-10-05', '2026-10-11'),
      repair('2026-11-01', '2026-11-30', null),
      repair('2026-11-20', '2026-12-01', null),
      repair(null, null, '2026-10-05'),
    ]
    const record = recordVendor({ things: [], cancelled: 2, repairs }, TODAY)
    expect(record).toMatchObject({ repairs: 2, medianDays: 7, late: 2, promised: 3, cancelled: 2 })
    expect(sayVendorRecord(record)).toBe('2 orders cancelled; 2 repairs, 7 days in the middle; 2 of 3 late.')
  })

  test('nothing to go by is no praise', () => {
    const nothing = { cancelled: 0, repairs: [] }
    expect(sayVendorRecord(recordVendor({ ...nothing, things: [] }, TODAY))).toBe('')
    expect(sayVendorRecord(recordVendor({ ...nothing, things: [thing('2026-11-30')] }, TODAY))).toBe(
      '1 thing from them; none a year old yet.',
    )
  })
})
