/** A measured capacity: after so many cycles, as a share of what it held when new. */
export interface MeasuredCapacity {
  cycles: number
  share: number
}

/** A straight line through what was measured, and where it ends. */
export interface Fade {
  /** The share at no cycles, and what each cycle takes of it. */
  newShare: number
  perCycle: number
  /** Cycles at which the line reaches the end; null where it does not fall. */
  endCycles: number | null
  /** Between these two lies the end with 90 % of certainty; the later one null where it may never come. */
  endLow: number | null
  endHigh: number | null
}

/** A pack is at its end at so much of its capacity. Common practice of makers. */
export const PACK_END = 0.8

/**
 * What is exceeded with 5 % at each end by Student's t, for 1, 2, 3 ... degrees of freedom (NIST/SEMATECH e-Handbook, 1.3.6.7.2);
 * beyond them what the normal distribution has.
 */
const T_95 = [
  6.314, 2.92, 2.353, 2.132, 2.015, 1.943, 1.895, 1.86, 1.833, 1.812, 1.796, 1.782, 1.771, 1.761, 1.753, 1.746, 1.74,
  1.734, 1.729, 1.725, 1.721, 1.717, 1.714, 1.711, 1.708, 1.706, 1.703, 1.701, 1.699, 1.697,
]
const NORMAL_95 = 1.645

/**
 * How a pack fades: least squares through its measured capacities, and where the line reaches `end`, with the interval in which a
 * fresh measurement would (inverse prediction, 90 %). Null with fewer than three measurements or all at one count of cycles, as
 * nothing can be told of its spread then.
 */
export function fitFade(measured: readonly MeasuredCapacity[], end = PACK_END): Fade | null {
  const n = measured.length
  if (n < 3) return null
  const meanCycles = measured.reduce((sum, it) => sum + it.cycles, 0) / n
  const meanShare = measured.reduce((sum, it) => sum + it.share, 0) / n
  const spread = measured.reduce((sum, it) => sum + (it.cycles - meanCycles) ** 2, 0)
  if (spread === 0) return null
  const slope = measured.reduce((sum, it) => sum + (it.cycles - meanCycles) * (it.share - meanShare), 0) / spread
  const newShare = meanShare - slope * meanCycles
  const left = measured.reduce((sum, it) => sum + (it.share - newShare - slope * it.cycles) ** 2, 0)
  const error = Math.sqrt(left / (n - 2))
  const t = T_95[n - 3] ?? NORMAL_95
  const isBelow = (cycles: number, side: 1 | -1) =>
    newShare + slope * cycles + side * t * error * Math.sqrt(1 + 1 / n + (cycles - meanCycles) ** 2 / spread) <=
    end + NOISE
  return {
    newShare,
    perCycle: -slope,
    endCycles: slope < 0 ? Math.max(0, Math.ceil((end - newShare) / slope - NOISE)) : null,
    endLow: findFirst((cycles) => isBelow(cycles, -1)),
    endHigh: slope < 0 ? findFirst((cycles) => isBelow(cycles, 1)) : null,
  }
}

/** Sums of binary fractions are not exact: so much is none. */
const NOISE = 1e-9

/** More cycles than that no pack has. */
const MOST_CYCLES = 5_000

/** The first whole number of cycles for which something holds. */
function findFirst(holds: (cycles: number) => boolean): number | null {
  for (let cycles = 0; cycles <= MOST_CYCLES; cycles++) if (holds(cycles)) return cycles
  return null
}
