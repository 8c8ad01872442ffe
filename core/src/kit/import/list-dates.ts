import { addDays, isDate } from '../../units/wall-time.ts'

/** In which order the dates of a column have day and month; `mixed` where some have one and some the other. */
export type DateOrder = 'day-first' | 'month-first' | 'unclear' | 'mixed'

const NUMBERS = /^(\d{1,2})[./\- ](\d{1,2})[./\- ](\d{4}|\d{2})$/

/** Finds the order from the dates that can only be read one way. */
export function findDateOrder(cells: Iterable<string>): DateOrder {
  let dayFirst = false
  let monthFirst = false
  for (const cell of cells) {
    const [, first, second] = NUMBERS.exec(cell.trim()) ?? []
    if (Number(first) > 12 && Number(second) <= 12) dayFirst = true
    if (Number(second) > 12 && Number(first) <= 12) monthFirst = true
    // Points between figures are written where the day comes first (common practice).
    if (first && cell.includes('.')) dayFirst = true
  }
  if (dayFirst && monthFirst) return 'mixed'
  return dayFirst ? 'day-first' : monthFirst ? 'month-first' : 'unclear'
}

const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec']

/** Whether a date could be read with either order, so that its column has to say which. */
export function isAmbiguousDate(text: string): boolean {
  const [, first, second] = NUMBERS.exec(text.trim()) ?? []
  return first !== undefined && Number(first) <= 12 && Number(second) <= 12 && first !== second && !text.includes('.')
}

/**
 * Reads a day as lists have it: 2024-03-14, 14.3.2024, 3/14/24, 14 Mar 2024, March 14, 2024, with or without a time behind
 * it, and the bare day numbers of a spreadsheet (day 1 is 1 January 1900, which counts a 29 February that never was:
 * common practice). Null where it is no day, or where its order cannot be told.
 */
export function readListDate(text: string, order: DateOrder): string | null {
  const cell = text
    .trim()
    .replace(/[T ]\d{1,2}:\d{2}(:\d{2}(\.\d+)?)?( ?[AaPp][Mm])?Z?$/, '')
    .trim()
  const iso = /^(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})$/.exec(cell)
  if (iso) return makeDate(iso[1], iso[2], iso[3])
  if (/^[2-5]\d{4}$/.test(cell)) return addDays('1899-12-30', Number(cell))
  const named = /^(\d{1,2})(?:st|nd|rd|th)?[ .-]*([A-Za-z]{3,9})\.?[ ,.-]*(\d{4}|\d{2})$/.exec(cell)
  if (named) return makeDate(named[3], monthOf(named[2]), named[1])
  const monthNamed = /^([A-Za-z]{3,9})\.?[ .-]*(\d{1,2})(?:st|nd|rd|th)?[ ,.-]+(\d{4}|\d{2})$/.exec(cell)
  if (monthNamed) return makeDate(monthNamed[3], monthOf(monthNamed[1]), monthNamed[2])
  const [, first, second, year] = NUMBERS.exec(cell) ?? []
  if (!first || !second) return null
  if (cell.includes('.') || Number(first) > 12) return makeDate(year, second, first)
  if (Number(second) > 12) return makeDate(year, first, second)
  if (first === second) return makeDate(year, first, second)
  if (order === 'mixed' || order === 'unclear') return null
  return order === 'day-first' ? makeDate(year, second, first) : makeDate(year, first, second)
}

function monthOf(name: string | undefined): string {
  return String(MONTHS.indexOf((name ?? '').slice(0, 3).toLowerCase()) + 1)
}

function makeDate(year: string | undefined, month: string | undefined, day: string | undefined): string | null {
  if (!year || !month || !day) return null
  const whole = year.length === 2 ? `20${year}` : year
  const date = `${whole}-${month.padStart(2, '0')}-${day.padStart(2, '0')}`
  return isDate(date) ? date : null
}
