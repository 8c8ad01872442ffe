import { FULL_DIAGONAL_MM } from './framing.ts'

/**
 * How sharp and how blurred a picture is. Lengths in millimetres; distances from the lens. Thin-lens geometry, as in every
 * optics textbook; what still counts as sharp is a convention.
 */

/** 0.030 mm on 36 × 24 mm, and as much smaller as the sensor is by diagonal: the usual convention. */
export const FULL_CONFUSION_MM = 0.03

/** How large a point may be drawn on a sensor and still pass as sharp. */
export function findCircleOfConfusion(widthMm: number, heightMm: number): number {
  return (FULL_CONFUSION_MM * Math.hypot(widthMm, heightMm)) / FULL_DIAGONAL_MM
}

/** Focused there, everything from half of it to infinity passes as sharp. */
export function findHyperfocal(focalMm: number, fNumber: number, confusionMm: number): number {
  return focalMm ** 2 / (fNumber * confusionMm) + focalMm
}

export interface SharpRange {
  nearMm: number
  /** Null: to infinity. */
  farMm: number | null
}

/** From where to where it passes as sharp, focused at a distance. */
export function findSharpRange(
  focalMm: number,
  fNumber: number,
  confusionMm: number,
  distanceMm: number,
): SharpRange | null {
  if (distanceMm <= focalMm) return null
  const hyperfocal = findHyperfocal(focalMm, fNumber, confusionMm)
  const nearMm = (distanceMm * (hyperfocal - focalMm)) / (hyperfocal + distanceMm - 2 * focalMm)
  const farMm = distanceMm >= hyperfocal ? null : (distanceMm * (hyperfocal - focalMm)) / (hyperfocal - distanceMm)
  return { nearMm, farMm }
}

/** How large a point behind the focused plane is drawn on the sensor; null nearer than the focal length. */
export function findBlurDisc(focalMm: number, fNumber: number, focusedMm: number, behindMm: number): number | null {
  if (focusedMm <= focalMm || behindMm < focusedMm) return null
  return (focalMm ** 2 * (behindMm - focusedMm)) / (fNumber * behindMm * (focusedMm - focalMm))
}

/** The widest f-number at which everything between two distances passes as sharp, focused between them; null where no aperture does. */
export function findFNumberFor(
  focalMm: number,
  confusionMm: number,
  focusedMm: number,
  nearMm: number,
  farMm: number,
): number | null {
  for (const fNumber of APERTURES) {
    const range = findSharpRange(focalMm, fNumber, confusionMm, focusedMm)
    if (range && range.nearMm <= nearMm && (range.farMm === null || range.farMm >= farMm)) return fNumber
  }
  return null
}

/** Marked apertures in thirds of a stop, as on lenses (ISO 517). */
export const APERTURES: readonly number[] = [
  0.95, 1, 1.1, 1.2, 1.4, 1.6, 1.8, 2, 2.2, 2.5, 2.8, 3.2, 3.5, 4, 4.5, 5, 5.6, 6.3, 7.1, 8, 9, 10, 11, 13, 14, 16, 18,
  20, 22,
]
