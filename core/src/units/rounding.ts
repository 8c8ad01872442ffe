/** Rounds half away from zero, the rule for tax and money here (0.5 → 1, -0.5 → -1). */
export function roundHalfAwayFromZero(value: number): number {
  return value < 0 ? -Math.round(-value) : Math.round(value)
}

/** Rounds for a figure on screen without turning 2.675 into 2.67 by binary noise. */
export function roundTo(value: number, decimals: number): number {
  const factor = 10 ** decimals
  return roundHalfAwayFromZero(Number((value * factor).toPrecision(12))) / factor
}
