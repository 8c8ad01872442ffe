import type { Database } from './database.ts'

/** More than so many and the map is begun anew: minutes pass, and their answers are asked for no more. */
const MOST_KEPT = 2000

/**
 * What was worked out since the last change, kept until the next one. What is kept is never changed by whoever gets
 * it. Everything that depends on the clock has the minute in its key.
 */
export function remember<T>({ memo }: Database, key: string, make: () => T): T {
  if (memo.has(key)) return memo.get(key) as T
  const made = make()
  if (memo.size >= MOST_KEPT) memo.clear()
  memo.set(key, made)
  return made
}

export const minuteOf = (now: number): number => Math.floor(now / 60_000)
