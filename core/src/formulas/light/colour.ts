/** Colour temperature in kelvin, and in mired, in which equal steps look alike: 10⁶ / K. */
export const miredOf = (kelvin: number): number => 1_000_000 / kelvin

/** Apart by less is hard to see: 5 to 10 mired. From memory, common practice. */
export const SEEN_FROM_MIRED = 10

export interface ColourRange {
  kelvinMin: number
  kelvinMax: number
}

/** The temperatures that all of them reach; null where they share none. */
export function findCommonRange(ranges: readonly ColourRange[]): ColourRange | null {
  const kelvinMin = Math.max(...ranges.map((it) => it.kelvinMin))
  const kelvinMax = Math.min(...ranges.map((it) => it.kelvinMax))
  return ranges.length > 0 && kelvinMin <= kelvinMax ? { kelvinMin, kelvinMax } : null
}

/** What a gel has to shift by, in mired, so that the first looks like the second: above nothing is warmer. */
export function findShift(fromKelvin: number, toKelvin: number): number {
  return miredOf(toKelvin) - miredOf(fromKelvin)
}
