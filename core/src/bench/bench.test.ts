import { describe, expect, test } from 'vitest'
import { type Fault, findBlockingFault, newFaultSchema } from './fault.ts'
import { findServiceDue } from './service-due.ts'

describe('services', () => {
  const due = (part: Partial<Parameters<typeof findServiceDue>[0]>, today: string) =>
    findServiceDue({ serviceEveryDays: 180, lastServicedOn: '2026-05-28', acquiredOn: '2025-01-01', ...part }, today)

  test('reached is due: on its day, not a day before', () => {
    expect(due({}, '2026-11-23')).toEqual({ dueOn: '2026-11-24', daysLeft: 1, isDue: false })
    expect(due({}, '2026-11-24')).toMatchObject({ daysLeft: 0, isDue: true })
    expect(due({}, '2026-11-30')).toMatchObject({ daysLeft: -6, isDue: true })
  })

  test('counts from the day it came where no service is recorded, and says nothing without an interval', () => {
    expect(due({ lastServicedOn: null }, '2025-01-01')?.dueOn).toBe('2025-06-30')
    expect(due({ serviceEveryDays: null }, '2026-01-01')).toBe(null)
    expect(due({ lastServicedOn: null, acquiredOn: null }, '2026-01-01')).toBe(null)
  })
})

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
})
