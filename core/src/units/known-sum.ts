/** A sum of what is known, and of how many parts nothing is known: those are in no sum, and never nothing. */
export interface KnownSum {
  sum: number
  unknown: number
}

/** Adds up what is known, in whatever unit the parts have, and counts the rest. */
export function sumKnown(parts: Iterable<number | null | undefined>): KnownSum {
  let [sum, unknown] = [0, 0]
  for (const part of parts) {
    if (part === null || part === undefined) unknown++
    else sum += part
  }
  return { sum, unknown }
}
