import type { Database } from './database.ts'

/** More than so many and the map is begun anew: minutes pass, and their answers are asked for no more. */
const MOST_KEPT = 2000

/**
 * What was worked out since the last change, kept until the next one. What is kept is never changed by whoever gets
 * it. Everything that depends on the clock has the minute in its key.
 */
export function remember<T>({ cache }: Database, key: string, make: () => T): T {
  if (cache.has(key)) return cache.get(key) as T
  const made = make()
  if (cache.size >= MOST_KEPT) cache.clear()
  cache.set(key, made)
  return made
}

export const minuteOf = (now: number): number => Math.floor(now / 60_000)
