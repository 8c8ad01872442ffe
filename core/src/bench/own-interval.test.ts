import { describe, expect, test } from 'vitest'
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
