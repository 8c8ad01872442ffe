/** Colour temperatures that lamps and white balances have. */
export const KELVIN_BOUNDS = [1000, 20_000] as const
