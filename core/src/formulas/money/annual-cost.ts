/**
 * What a row of payments is worth now, the first of them now and one each year after it, at a yearly rate (0.05 is 5 %).
 * Amounts in minor units, as a fraction; source: time value of money, any handbook of engineering economy.
 */
export function computePresentValue(payments: readonly number[], rate: number): number {
  return payments.reduce((sum, it, year) => sum + it / (1 + rate) ** year, 0)
}

/**
 * The even sum a year that is worth as much as a present value over so many years: PV · i / (1 − (1 + i)^−n), and PV / n without
 * interest. `years` is more than nothing.
 */
export function computeAnnualCost(presentMinor: number, rate: number, years: number): number {
  return rate === 0 ? presentMinor / years : (presentMinor * rate) / (1 - (1 + rate) ** -years)
}

/** A thing bought, kept so many years with the same upkeep at the end of each, and sold: its even cost a year. */
export function computeOwningCost(
  { priceMinor, upkeepMinor, resaleMinor }: { priceMinor: number; upkeepMinor: number; resaleMinor: number },
  rate: number,
  years: number,
): number {
  const yearly = Array.from({ length: years }, (_, year) =>
    year === years - 1 ? upkeepMinor - resaleMinor : upkeepMinor,
  )
  return computeAnnualCost(computePresentValue([priceMinor, ...yearly], rate), rate, years)
}

/** What keeping a thing one more year costs, told at the end of that year: what it would fetch now, with interest, less what it fetches then, and its upkeep. */
export function computeKeepingCost(
  { nowMinor, laterMinor, upkeepMinor }: { nowMinor: number; laterMinor: number; upkeepMinor: number },
  rate: number,
): number {
  return nowMinor * (1 + rate) - laterMinor + upkeepMinor
}
