import { z } from 'zod'
/**
 * `unknown` is never fine: it says which fact is missing. `unknown-stop` is a fact that could turn out to be a stop: until
 * somebody answers, nobody can say that it runs.
 */
export const findingLevelSchema = z.enum(['stop', 'unknown-stop', 'warn', 'advise', 'unknown', 'ok'])
export type FindingLevel = z.infer<typeof findingLevelSchema>
export const LEVELS_WORST_FIRST: readonly FindingLevel[] = ['stop', 'unknown-stop', 'warn', 'unknown', 'advise', 'ok']

/** The worst of several levels; `ok` for none. */
export function findWorstLevel(levels: Iterable<FindingLevel>): FindingLevel {
  let worst = LEVELS_WORST_FIRST.length - 1
  for (const level of levels) worst = Math.min(worst, LEVELS_WORST_FIRST.indexOf(level))
  return LEVELS_WORST_FIRST[worst] ?? 'ok'
}
