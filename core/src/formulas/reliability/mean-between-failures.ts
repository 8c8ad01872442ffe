import { findChiSquareOfPairs } from './poisson.ts'

/** How long things went between failures, in the unit of the exposure: uses, hours. */
export interface MeanBetweenFailures {
  /** Exposure over failures; null without a failure. */
  mean: number | null
  /** Between these two with 90 % of certainty; without a failure only the lower one is known, with 5 % below it. */
  low: number
  high: number | null
}

/** So much lies outside the interval, half of it at either end. */
const OUTSIDE = 0.1

/**
 * The mean between failures of things that are mended and go on, watched for so much exposure: T / r, from 2T / χ²(1 − α/2; 2r + 2)
 * to 2T / χ²(α/2; 2r). NIST/SEMATECH e-Handbook of Statistical Methods, 8.4.5.1. Null where nothing was watched.
 */
export function reckonMeanBetweenFailures(failures: number, exposure: number): MeanBetweenFailures | null {
  if (!(exposure > 0)) return null
  return {
    mean: failures > 0 ? exposure / failures : null,
    low: (2 * exposure) / findChiSquareOfPairs(1 - OUTSIDE / 2, failures + 1),
    high: failures > 0 ? (2 * exposure) / findChiSquareOfPairs(OUTSIDE / 2, failures) : null,
  }
}

/** The chance to get through so much exposure without a failure: e^−t/m, as things that fail by chance do. */
export const reckonSurvival = (exposure: number, meanBetweenFailures: number): number =>
  Math.exp(-exposure / meanBetweenFailures)
