import { CATEGORIES, CATEGORY_CODES, type Category, factsOf } from './category.ts'

/** Reads a category as people write it: its code, its label, or either in the plural, in any case. */
export function readCategory(text: string): Category | null {
  return BY_NAME.get(flatten(text)) ?? null
}

/**
 * Reads a category from other words for it too. The word that the others only describe stands last, before any `with` or
 * `for`: a camera bag is a bag, and so is a bag for a camera. Null where no word says what it is.
 */
export function guessCategory(text: string): Category | null {
  const exact = readCategory(text)
  if (exact) return exact
  const [start = ''] = text.split(/\b(?:with|for|incl|including|w)\b|[,(;+/]/i)
  return findLastWord(flatten(start)) ?? findLastWord(flatten(text))
}

/** The kind whose word ends last in the text; of those the longest, so that `mic stand` is not a `stand`. */
function findLastWord(text: string): Category | null {
  let best: { end: number; length: number; code: Category } | null = null
  for (const [name, code] of WORDS) {
    const at = ` ${text} `.lastIndexOf(` ${name} `)
    if (at < 0) continue
    const end = at + name.length
    if (!best || end > best.end || (end === best.end && name.length > best.length))
      best = { end, length: name.length, code }
  }
  return best?.code ?? null
}

/** Lower case, one space between words, no plural at their ends. */
function flatten(text: string): string {
  return text
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim()
    .split(' ')
    .map((word) => (word.length > 3 && !word.endsWith('ss') ? word.replace(/ies$/, 'y').replace(/s$/, '') : word))
    .join(' ')
}

const WORDS: readonly (readonly [name: string, code: Category])[] = CATEGORY_CODES.flatMap((code) =>
  [code, CATEGORIES[code].label, ...(factsOf(code).words ?? [])].map((name) => [flatten(name), code] as const),
)

/** Codes and labels, flat; the first of equals. */
const BY_NAME: ReadonlyMap<string, Category> = new Map(
  [...CATEGORY_CODES].reverse().flatMap((code) => [code, CATEGORIES[code].label].map((name) => [flatten(name), code])),
)
