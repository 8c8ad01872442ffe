import { countDays, splitSpan } from '../../units/wall-time.ts'
import { sayNumber } from '../../units/wording.ts'

/** So many days before it ends there is time to have a thing looked over and to claim. Common practice. */
const NOTICE_DAYS = 60

export interface Warranty {
  /** Days left, its last day among them; negative when it is over. */
  daysLeft: number
  isOver: boolean
  /** It ends soon: whatever is wrong is claimed before. */
  isEnding: boolean
}

/** How a warranty stands on a day; it holds through its last day. */
export function readWarranty(until: string, today: string): Warranty {
  const daysLeft = countDays(today, until)
  return { daysLeft, isOver: daysLeft < 0, isEnding: daysLeft >= 0 && daysLeft <= NOTICE_DAYS }
}

/** "6 years 11 months left", "29 days left", "ends today", "over since 3 months 2 days". */
export function sayWarranty(until: string, today: string): string {
  const { daysLeft, isOver } = readWarranty(until, today)
  if (daysLeft === 0) return 'ends today'
  const { years, months, days } = isOver ? splitSpan(until, today) : splitSpan(today, until)
  const parts = [
    years > 0 && sayNumber(years, 'year'),
    months > 0 && sayNumber(months, 'month'),
    years === 0 && days > 0 && sayNumber(days, 'day'),
  ].filter((it) => it !== false)
  // A year and some days are a year.
  const span = parts.slice(0, 2).join(' ')
  return isOver ? `over for ${span}` : `${span} left`
}
