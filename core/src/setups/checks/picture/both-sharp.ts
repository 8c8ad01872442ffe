import { findFNumberFor } from '../../../formulas/picture/depth-of-field.ts'
import { trim } from '../../../units/quantity.ts'
import type { CameraLook } from './camera-look.ts'

export interface BothSharp {
  /** Where to focus so that as much is sharp before as behind. */
  betweenMm: number
  /** The widest marked aperture that takes in both from there; null where none does. */
  fNumber: number | null
  /** What is set takes in both from there already. */
  isSetEnough: boolean
}

/** How a face and what is held up before it would both be sharp; null where a figure is missing. */
export function findBothSharp(
  { focalMm, confusionMm, distanceMm, fNumber }: CameraLook,
  atMm: number,
): BothSharp | null {
  if (focalMm === null || confusionMm === null || distanceMm === null || fNumber === null) return null
  const betweenMm = 2 / (1 / atMm + 1 / distanceMm)
  const widest = findFNumberFor(focalMm, confusionMm, betweenMm, atMm, distanceMm)
  return { betweenMm, fNumber: widest, isSetEnough: widest !== null && widest <= fNumber }
}

const OVER = 'or the focus goes over, quickly and by itself.'

export function sayBothSharp(both: BothSharp | null): string {
  if (!both) return ''
  const at = `${trim(both.betweenMm / 1000, 2)} m`
  if (both.fNumber === null) return 'No marked aperture takes in both: the focus has to go over, quickly and by itself.'
  if (both.isSetEnough) return `Focused between them, at ${at}, both are at the aperture that is set; ${OVER}`
  return `Focused between them, at ${at}, both are from f/${trim(both.fNumber, 1)} on; ${OVER}`
}
