import type { FindingLevel } from '../../studio/finding.ts'

/** Ohms per kilometre of flexible copper at 20 °C by cross-section in mm² (IEC 60228, class 5). */
export const OHMS_PER_KILOMETRE: Readonly<Record<string, number>> = {
  '0.75': 26,
  '1': 19.5,
  '1.5': 13.3,
  '2.5': 7.98,
  '4': 4.95,
}

/**
 * Volts lost along a lead, single phase, there and back: ΔV = 2 · L · I · R′. Copper at 20 °C; warm copper loses about a
 * fifth more. Null for a cross-section that the table does not hold.
 */
export function computeVoltageDrop(lengthMm: number, amps: number, squareMillimetres: string): number | null {
  const ohms = OHMS_PER_KILOMETRE[squareMillimetres]
  // Millimetres times ohms a kilometre are micro-ohms.
  return ohms === undefined ? null : (2 * lengthMm * amps * ohms) / 1e6
}

/** The figures of BS 7671, appendix 4, for lighting and for other uses of fixed wiring, borrowed as a guide for leads. */
export const USUAL_DROP_LIMITS = { advisePercent: 3, warnPercent: 5 }

/** Advises above the one limit and warns above the other, in per cent of the supply. Equality passes. */
export function checkVoltageDrop(dropVolts: number, supplyVolts: number, limits = USUAL_DROP_LIMITS): FindingLevel {
  // In whole millivolts, so that exactly 3 % is not passed by binary noise.
  const millivolts = Math.round(dropVolts * 1000)
  if (millivolts > supplyVolts * limits.warnPercent * 10) return 'warn'
  return millivolts > supplyVolts * limits.advisePercent * 10 ? 'advise' : 'ok'
}

/** Diameter in millimetres of a solid conductor by American wire gauge: 0.127 · 92^((36 − n) / 39) (ASTM B258). */
export function findGaugeDiameter(gauge: number): number {
  return 0.127 * 92 ** ((36 - gauge) / 39)
}
