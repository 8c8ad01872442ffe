import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { type Asset, DEPRECIATION_CODES, depreciate, findBookValue } from './depreciation.ts'

const asset = (part: Partial<Asset>): Asset => ({
  costMinor: 1_000_000,
  since: '2026-01-15',
  restMinor: 0,
  years: 5,
  method: 'straight',
  percent: 40,
  ...part,
})
const minors = (part: Partial<Asset>) => depreciate(asset(part)).map((it) => it.minor)

describe('what is written off each year', () => {
  // IRS Publication 946, appendix A, table A-1, 5-year property: 20.00, 32.00, 19.20, 11.52, 11.52 and 5.76 per cent.
  test('MACRS of five years, of 10,000.00', () => {
    expect(minors({ method: 'macrs-5' })).toEqual([200_000, 320_000, 192_000, 115_200, 115_200, 57_600])
    // The half-year convention asks for no month.
    expect(minors({ method: 'macrs-5', since: '2026-12-31' })).toEqual(minors({ method: 'macrs-5' }))
  })

  // Any textbook of accounting: (10,000 − 1,000) / 5 = 1,800 a year.
  test('a straight line, from January and from October', () => {
    expect(minors({ restMinor: 100_000 })).toEqual([180_000, 180_000, 180_000, 180_000, 180_000])
    // Three months of the first year, nine of the last.
    expect(minors({ restMinor: 100_000, since: '2026-10-02' })).toEqual([
      45_000, 180_000, 180_000, 180_000, 180_000, 135_000,
    ])
  })

  // Double declining balance of 10,000 over five years, without the switch: 4,000, 2,400, 1,440, 864, 518.40.
  test('a declining share, which leaves something, and never less than what is to be left', () => {
    expect(minors({ method: 'declining' })).toEqual([400_000, 240_000, 144_000, 86_400, 51_840])
    expect(findBookValue(asset({ method: 'declining' }), 2030)).toBe(77_760)
    expect(minors({ method: 'declining', restMinor: 200_000 })).toEqual([400_000, 240_000, 144_000, 16_000, 0])
  })

  test('what is left at the end of a year, before it came and after its time', () => {
    const straight = asset({ restMinor: 100_000 })
    expect([2025, 2026, 2029, 2030, 2040].map((year) => findBookValue(straight, year))).toEqual([
      1_000_000, 820_000, 280_000, 100_000, 100_000,
    ])
  })

  test('all parts are the whole to the penny, none is negative, and what is left never falls below what is to be left', () => {
    const any = fc.record({
      costMinor: fc.nat(50_000_000),
      restMinor: fc.nat(5_000_000),
      years: fc.integer({ min: 1, max: 15 }),
      method: fc.constantFrom(...DEPRECIATION_CODES),
      percent: fc.integer({ min: 1, max: 100 }),
      month: fc.integer({ min: 1, max: 12 }),
    })
    fc.assert(
      fc.property(any, ({ month, ...part }) => {
        const it = asset({ ...part, since: `2024-${String(month).padStart(2, '0')}-20` })
        const parts = depreciate(it).map(({ minor }) => minor)
        const sum = parts.reduce((total, minor) => total + minor, 0)
        const whole = it.method === 'macrs-5' ? it.costMinor : Math.max(0, it.costMinor - it.restMinor)
        expect(parts.every((minor) => Number.isInteger(minor) && minor >= 0)).toBe(true)
        if (it.method === 'declining') expect(sum).toBeLessThanOrEqual(whole)
        else expect(sum).toBe(whole)
        expect(findBookValue(it, 2100)).toBe(it.costMinor - sum)
      }),
    )
  })
})
