import { readMoney } from '../../units/money.ts'
import { type DateOrder, findDateOrder, isAmbiguousDate } from './list-dates.ts'

/** How a list writes its days, told by those that can be read one way only; else as the studio does, and then that is said. */
export function findDateHabit(
  cells: readonly string[],
  isDayFirst: boolean,
): { order: DateOrder; assumed: string | null } {
  const order = findDateOrder(cells)
  if (order !== 'unclear') return { order, assumed: null }
  const example = cells.find(isAmbiguousDate)
  const [first, second] = isDayFirst ? ['day', 'month'] : ['month', 'day']
  return {
    order: isDayFirst ? 'day-first' : 'month-first',
    assumed: example
      ? `Dates such as ${example.trim()} are read with the ${first} first and the ${second} second.`
      : null,
  }
}

/** So many amounts in another currency are a habit, and no slip. */
const MANY_AMOUNTS = 5
/** Against so many of them one that names no currency may stand: it is meant in that of the others. */
const SHARE_OF_OTHERS = 4

/**
 * Whether a list counts in another currency than the studio. Nothing is worth so many pounds because it cost so many dollars: all
 * its amounts are kept as they are written, those without a sign too. One that stands alone is asked about.
 */
export function isForeignMoney(cells: readonly string[], currency: string): boolean {
  const readings = cells.filter((it) => it !== '').map((it) => readMoney(it, currency))
  const own = readings.filter((it) => it.ok).length
  const foreign = readings.filter((it) => !it.ok && it.problem === 'other-currency').length
  return foreign >= MANY_AMOUNTS && own * SHARE_OF_OTHERS <= foreign
}

export const sayForeignMoney = (currency: string) =>
  `The amounts are in another currency than ${currency}: they are kept in the notes as they are written.`
