import { roundHalfAwayFromZero } from '../../units/rounding.ts'

/** How a price is spread over the years: evenly; a share of what is left each year; by the table of the United States for five years. */
export const DEPRECIATIONS = {
  straight: 'The same each year',
  declining: 'A share of what is left',
  'macrs-5': 'MACRS, 5 years, half-year convention (United States)',
} as const
export type Depreciation = keyof typeof DEPRECIATIONS
export const DEPRECIATION_CODES = Object.keys(DEPRECIATIONS) as [Depreciation, ...Depreciation[]]

/** In hundredths of a per cent, by year of service. Source: IRS Publication 946, appendix A, table A-1, five-year property. */
const MACRS_5 = [2_000, 3_200, 1_920, 1_152, 1_152, 576] as const

/** What was paid, in which month it came into service, what is to be left in the end, and how it is spread. Amounts in minor units. */
export interface Asset {
  costMinor: number
  /** `yyyy-mm-dd`. */
  since: string
  /** Never written off below this; MACRS knows none. */
  restMinor: number
  /** Of service; MACRS has its own. */
  years: number
  method: Depreciation
  /** Of what is left, each year; for a declining share alone. Twice the straight line is usual. */
  percent: number
}

/**
 * What is written off in each calendar year, whole minor units. The first year counts its months of service, that of the purchase
 * whole, and what that lacks falls to one year more (common practice); a declining share is not turned into a straight line, so something
 * is left. By MACRS each year has its share of the table and the last takes what rounding left over. A planning aid, no tax advice.
 */
export function depreciate(asset: Asset): { year: number; minor: number }[] {
  const { costMinor, restMinor, years, method, percent, since } = asset
  const first = Number(since.slice(0, 4))
  const months = 13 - Number(since.slice(5, 7))
  const whole = Math.max(0, costMinor - restMinor)
  if (method === 'macrs-5') return spread(costMinor, first, (at) => MACRS_5[at] ?? 0, MACRS_5.length, 10_000)
  const calendarYears = months === 12 ? years : years + 1
  const monthsOf = (at: number) => (at === 0 ? months : at === calendarYears - 1 && months < 12 ? 12 - months : 12)
  if (method === 'straight') return spread(whole, first, monthsOf, calendarYears, 12 * years)
  let left = whole
  return Array.from({ length: calendarYears }, (_, at) => {
    const book = left + Math.min(costMinor, restMinor)
    const minor = Math.min(left, roundHalfAwayFromZero((book * percent * monthsOf(at)) / 1_200))
    left -= minor
    return { year: first + at, minor }
  })
}

/** Parts of an amount, each rounded by what is due until then, so that all of them are that amount. */
function spread(minor: number, first: number, shareOf: (at: number) => number, count: number, shares: number) {
  let due = 0
  let told = 0
  return Array.from({ length: count }, (_, at) => {
    due += shareOf(at)
    const until = at === count - 1 ? minor : roundHalfAwayFromZero((minor * due) / shares)
    const part = until - told
    told = until
    return { year: first + at, minor: part }
  })
}

/** What is left in the books at the end of a year. */
export function findBookValue(asset: Asset, year: number): number {
  if (year < Number(asset.since.slice(0, 4))) return asset.costMinor
  return depreciate(asset).reduce((left, it) => (it.year <= year ? left - it.minor : left), asset.costMinor)
}
