import { type ReliabilityRow, sayNumber } from '@exemplar/core'

type Between = ReliabilityRow['betweenUses']

/** A chance as people say it: nothing is sure, and nothing that may happen is impossible. */
export function sayChance(chance: number): string {
  if (chance >= 0.995) return 'over 99 %'
  if (chance > 0 && chance < 0.01) return 'under 1 %'
  return `${Math.round(chance * 100)} %`
}

const round = (value: number) => (value < 10 ? Math.round(value * 10) / 10 : Math.round(value)).toLocaleString('en-GB')

/** Less than so many uses between failures is nothing that anybody would be glad to hear. */
const LEAST_TOLD = 3

/** How long things go between failures, and how little is known of it. */
export function sayBetween(between: Between, what: string): string {
  if (!between) return 'never used, as far as the log tells'
  const { mean, low, high } = between
  if (mean === null && low < LEAST_TOLD) return 'none so far, in too few to tell'
  if (mean === null || high === null) return `none so far: most likely more than ${round(low)} ${what} between two`
  return `one in ${round(mean)} ${what}, anything from ${round(low)} to ${round(high)} is possible`
}

/** Shoots as a number that may be a part of one. */
export const sayShoots = (shoots: number): string =>
  shoots < 0.005 ? 'hardly any' : (Math.round(shoots * 100) / 100).toLocaleString('en-GB')

export const sayDays = (days: number): string => (days < 1 ? 'the same day' : sayNumber(Math.round(days), 'day'))
