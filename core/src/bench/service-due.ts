import type { Unit } from '../kit/unit/unit.ts'
import { addDays, countDays } from '../units/wall-time.ts'

export interface ServiceDue {
  dueOn: string
  /** Negative when it is past. */
  daysLeft: number
  isDue: boolean
}

/**
 * When a thing wants its next service, counted from the last one, or from the day it came where none is recorded.
 * Null where no interval is set or there is no day to count from. A service is due on its day, not after it.
 */
export function findServiceDue(
  unit: Pick<Unit, 'serviceEveryDays' | 'lastServicedOn' | 'acquiredOn'>,
  today: string,
): ServiceDue | null {
  const from = unit.lastServicedOn ?? unit.acquiredOn
  if (unit.serviceEveryDays === null || from === null) return null
  const dueOn = addDays(from, unit.serviceEveryDays)
  const daysLeft = countDays(today, dueOn)
  return { dueOn, daysLeft, isDue: daysLeft <= 0 }
}
