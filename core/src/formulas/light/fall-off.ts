/** How light spreads from a lamp. Lengths in millimetres, light in lux. */

/** A source looks like a point from about so many of its own widths on: nearer, a large soft source falls off more slowly. */
export const POINT_FROM_WIDTHS = 5

/** Lux at a distance of what gives so much at one metre: the inverse square of a point source. */
export function findLuxAt(luxAtOneMetre: number, distanceMm: number): number {
  return luxAtOneMetre / (distanceMm / 1000) ** 2
}

/** Stops lost from one distance to a longer one: 2 · log₂(d₂ / d₁). */
export function findStopsOverDistance(nearMm: number, farMm: number): number {
  return 2 * Math.log2(farMm / nearMm)
}

/** From the lamp to the point on a wall straight behind the subject, with the lamp to the side of the line and above or below. */
export function findDistanceToWall(alongFloorMm: number, sideDegrees: number, behindMm: number, aboveMm: number) {
  const forward = alongFloorMm * Math.cos(radians(sideDegrees))
  const sideways = alongFloorMm * Math.sin(radians(sideDegrees))
  return Math.hypot(forward + behindMm, sideways, aboveMm)
}

/** Along the floor, of a straight way of which the height is known; null where it is longer up than away. */
export function findAlongFloor(straightMm: number, aboveMm: number): number | null {
  return straightMm > Math.abs(aboveMm) ? Math.sqrt(straightMm ** 2 - aboveMm ** 2) : null
}

/**
 * Stops by which a wall is darker at one height than at another, lit by a lamp at a height so far before it: inverse square
 * and the slant of the light on the wall.
 */
export function findWallFallOff(lampHeightMm: number, beforeMm: number, brightMm: number, darkMm: number): number {
  const light = (heightMm: number) => beforeMm / Math.hypot(lampHeightMm - heightMm, beforeMm) ** 3
  return Math.log2(light(brightMm) / light(darkMm))
}

/** Of several measured points, how many stops are between the brightest and the darkest. */
export function findEvenness(lux: readonly number[]): number | null {
  return lux.length < 2 ? null : Number(Math.log2(Math.max(...lux) / Math.min(...lux)).toFixed(9))
}

/** What is left of a lamp in stops before it is at its full output: −log₂ of the share it is dimmed to. */
export function findHeadroom(share: number): number {
  return -Math.log2(share)
}

export const radians = (degrees: number) => (degrees * Math.PI) / 180
export const degreesOf = (angle: number) => (angle * 180) / Math.PI
