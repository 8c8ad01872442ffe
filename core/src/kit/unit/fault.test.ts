import { describe, expect, test } from 'vitest'
import { type Fault, findBlockingFault, newFaultSchema } from './fault.ts'

describe('faults', () => {
  const fault = (id: string, part: Partial<Fault>): Fault => ({
    id,
    unitId: 'u',
    bookingId: null,
    note: id,
    severity: 'unusable',
    reportedAt: 1,
    mendedAt: null,
    mendNote: '',
    inFile: '',
    workAround: '',
    workAroundMinutes: null,
    fails: null,
    isNoisy: false,
    isHazard: false,
    valueLossMinor: null,
    version: 1,
    ...part,
  })

  test('only an open one that makes the thing unusable blocks; the oldest is named', () => {
    expect(findBlockingFault([fault('a', { severity: 'usable' }), fault('b', { mendedAt: 5 })])).toBe(null)
    expect(findBlockingFault([fault('late', { reportedAt: 9 }), fault('early', { reportedAt: 2 })])?.id).toBe('early')
  })

  test('a fault without words is refused', () => {
    expect(newFaultSchema.safeParse({ note: '  ', severity: 'usable', bookingId: null }).success).toBe(false)
  })

  test('what can hurt somebody cannot be used: anything less is refused at its field', () => {
    const told = { note: 'swollen', bookingId: null, isHazard: true }
    expect(newFaultSchema.safeParse({ ...told, severity: 'unusable' }).success).toBe(true)
    const refused = newFaultSchema.safeParse({ ...told, severity: 'nuisance' })
    expect(refused.error?.issues.map((it) => it.path)).toEqual([['severity']])
  })
})
