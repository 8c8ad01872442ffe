/** A mass and how far beside the column it hangs, towards the edge over which the stand would go. */
export interface HangingMass {
  massGrams: number
  /** Millimetres from the column; below nothing is on the other side, as a counterweight is. */
  offsetMm: number
}

/** Of how many legs what stands on the floor has. */
const LEGS = 3

/** How near the edge of the foot is in the weakest direction, which is between two legs: r · cos(π/n). Millimetres. */
export function findTippingEdge(legRadiusMm: number, legs = LEGS): number {
  return legRadiusMm * Math.cos(Math.PI / legs)
}

/** Moments about the edge of the foot, in gram millimetres: what pulls over it, and what holds against that. */
export function computeTippingMoments(masses: readonly HangingMass[], edgeMm: number): { over: number; back: number } {
  let over = 0
  let back = 0
  for (const { massGrams, offsetMm } of masses) {
    if (offsetMm > edgeMm) over += massGrams * (offsetMm - edgeMm)
    else back += massGrams * (edgeMm - offsetMm)
  }
  return { over, back }
}

/** What holds against what pulls over; infinite where nothing is beyond the edge. At 1 it is on the point of falling. */
export function computeTippingSafety(masses: readonly HangingMass[], edgeMm: number): number {
  const { over, back } = computeTippingMoments(masses, edgeMm)
  return over === 0 ? Number.POSITIVE_INFINITY : back / over
}

/** Grams that have to lie on the foot, at the column, for a safety; nothing where it stands so already. */
export function findMissingWeight(masses: readonly HangingMass[], edgeMm: number, safety: number): number {
  const { over, back } = computeTippingMoments(masses, edgeMm)
  return Math.max(0, Math.ceil((safety * over - back) / edgeMm))
}

/** Below the first it is a stop, below the second a warning (common practice). */
export const TIPS_BELOW = 1.2
export const UNSTEADY_BELOW = 1.5
