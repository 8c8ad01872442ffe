import { degreesOf, radians } from './fall-off.ts'

/** A lamp as what it lights sees it. Lengths in millimetres, angles in degrees. */

/** How large a source looks from there. */
export function findApparentSize(diameterMm: number, distanceMm: number): number {
  return degreesOf(2 * Math.atan(diameterMm / 2 / distanceMm))
}

export interface Shadow {
  /** By how much the shadow lies lower than what throws it; below nothing it lies higher. */
  lowerMm: number
  /** By how much it lies to the side, away from the lamp. */
  asideMm: number
}

/** Where the shadow of a head falls on a wall behind it; null where the lamp is beside or behind whom it lights. */
export function findShadow(
  alongFloorMm: number,
  sideDegrees: number,
  aboveMm: number,
  behindMm: number,
): Shadow | null {
  const forward = alongFloorMm * Math.cos(radians(sideDegrees))
  if (forward <= 0) return null
  const share = behindMm / forward
  return { lowerMm: aboveMm * share, asideMm: Math.abs(alongFloorMm * Math.sin(radians(sideDegrees))) * share }
}

/** The angle between two directions from the eyes, each to a side and up. */
export function findAngleBetween(
  one: { sideDegrees: number; upDegrees: number },
  other: { sideDegrees: number; upDegrees: number },
): number {
  const cosine =
    Math.sin(radians(one.upDegrees)) * Math.sin(radians(other.upDegrees)) +
    Math.cos(radians(one.upDegrees)) *
      Math.cos(radians(other.upDegrees)) *
      Math.cos(radians(one.sideDegrees - other.sideDegrees))
  return degreesOf(Math.acos(Math.min(1, Math.max(-1, cosine))))
}

/** How high something is seen from a height, so far away along the floor. */
export function findElevation(aboveMm: number, alongFloorMm: number): number {
  return degreesOf(Math.atan2(aboveMm, alongFloorMm))
}

/** By how much eyes that look at something beside the lens miss it. */
export function findGaze(offsetMm: number, distanceMm: number): number {
  return degreesOf(Math.atan(offsetMm / distanceMm))
}
