import { formatData, formatEnergy, formatMass, formatPower } from '../../units/quantity.ts'
import type { Doubt } from './plausibility.ts'
/** Asks about what was entered; whoever knows better says so and it stays. */
export function sayDoubt(doubt: Doubt): string {
  switch (doubt.code) {
    case 'out-of-bounds': {
      const say = (value: number) => sayAmount(value, doubt.unit)
      return `${doubt.label} ${say(doubt.value)}: such things have ${say(doubt.least)} to ${say(doubt.most)}. Is the unit right?`
    }
    case 'prime-with-two':
      return `A prime has one focal length; ${doubt.shortestMm} mm and ${doubt.longestMm} mm are two. Is it a zoom?`
    case 'zoom-with-one':
      return `A zoom has two focal lengths; both are ${doubt.focalMm} mm. Is it a prime?`
    case 'turned-round':
      return `“${doubt.lower}” is more than “${doubt.upper}”. Are they the wrong way round?`
    case 'sensor-not-wide':
      return `A sensor of ${doubt.widthMm} × ${doubt.heightMm} mm is not wider than high. Are the sides swapped?`
    default:
      return doubt satisfies never
  }
}

function sayAmount(value: number, unit: string): string {
  switch (unit) {
    case 'g':
      return formatMass(value)
    case 'mW':
      return formatPower(value)
    case 'mWh':
      return formatEnergy(value)
    case 'MB':
      return formatData(value)
    default:
      return unit ? `${value} ${unit}` : String(value)
  }
}
