import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { findCorrectionFault, findRefundable, findRefundFault } from './refund.ts'

const paid = (netMinor: number, taxMinor: number, kind: 'purchase' | 'sale' | 'refund' = 'purchase') => ({
  ...{ date: '2026-03-02', netMinor, taxMinor },
  kind,
})
const back = (netMinor: number, taxMinor = 0, date = '2026-03-02') => ({ date, netMinor, taxMinor })
const fault = (...[original, others, refund]: [ReturnType<typeof paid>, ReturnType<typeof back>[], object]) =>
  findRefundFault(original, others, refund as ReturnType<typeof back>, String)?.field ?? null

describe('money that comes back', () => {
  test('all of it may, on the same day, in one or in several parts, and not a penny more', () => {
    expect(fault(paid(10_000, 2_000), [], back(10_000, 2_000))).toBeNull()
    expect(fault(paid(10_000, 2_000), [], back(10_001, 2_000))).toBe('netMinor')
    expect(fault(paid(10_000, 2_000), [back(6_000, 1_200)], back(4_000, 800))).toBeNull()
    expect(fault(paid(10_000, 2_000), [back(6_000, 1_200)], back(4_001, 800))).toBe('netMinor')
    expect(fault(paid(10_000, 2_000), [], back(0, 0))).toBe('netMinor')
  })

  test('a sum told without its tax may be up to all that was paid; more tax than was paid comes not back', () => {
    expect(fault(paid(10_000, 2_000), [], back(12_000, 0))).toBeNull()
    expect(fault(paid(10_000, 2_000), [], back(9_000, 2_001))).toBe('taxMinor')
    expect(fault(paid(10_000, 2_000), [back(5_000, 1_500)], back(0, 501))).toBe('taxMinor')
  })

  test('not before it was paid, and not of what came in', () => {
    expect(fault(paid(10_000, 0), [], back(1, 0, '2026-03-01'))).toBe('date')
    expect(fault(paid(10_000, 0, 'sale'), [], back(1))).toBe('kind')
    expect(fault(paid(10_000, 0, 'refund'), [], back(1))).toBe('kind')
  })

  test('what came back holds a correction: its sum, its tax, its day and that it was paid', () => {
    const correct = (part: object) =>
      findCorrectionFault({ ...paid(10_000, 2_000), ...part }, [back(4_000, 1_000, '2026-03-09')], String)?.field ??
      null
    expect(correct({ netMinor: 4_000, taxMinor: 1_000 })).toBeNull()
    expect(correct({ netMinor: 3_999, taxMinor: 1_000 })).toBe('netMinor')
    expect(correct({ netMinor: 9_000, taxMinor: 999 })).toBe('taxMinor')
    expect(correct({ date: '2026-03-09' })).toBeNull()
    expect(correct({ date: '2026-03-10' })).toBe('date')
    expect(correct({ kind: 'sale' })).toBe('kind')
    expect(findCorrectionFault({ ...paid(1, 0), kind: 'sale' }, [], String)).toBeNull()
  })

  test('whatever is let through, never more than was paid has come back, in all or of its tax', () => {
    const tries = fc.array(fc.record({ net: fc.nat(3_000), tax: fc.nat(900) }), { maxLength: 12 })
    fc.assert(
      fc.property(fc.nat(5_000), fc.nat(1_000), tries, (net, tax, all) => {
        const kept: ReturnType<typeof back>[] = []
        for (const it of all) {
          const refund = back(it.net, it.tax)
          if (fault(paid(net, tax), kept, refund) === null) kept.push(refund)
        }
        const left = findRefundable(paid(net, tax), kept)
        expect(left.netMinor + left.taxMinor).toBeGreaterThanOrEqual(0)
        expect(left.taxMinor).toBeGreaterThanOrEqual(0)
      }),
    )
  })
})
