/** A load that runs three hours or more is continuous in the sense of NFPA 70, 210.20(A). */
export const CONTINUOUS_MINUTES = 180

/** P = V·I for what a circuit gives, in milliwatts. 15 A at 120 V with the 80 % rule is 1,440 W. */
export function computeCircuitLimit(volts: number, amps: number, percent: number): number {
  // Tenths of an ampere and whole per cent keep the product whole: 13 A · 230 V = 2,990,000 mW exactly.
  return Math.round(volts * Math.round(amps * 10) * percent)
}
