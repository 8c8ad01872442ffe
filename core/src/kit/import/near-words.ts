/**
 * The words of a vocabulary that somebody may have meant: those that begin alike or are one slip of the fingers away
 * (a letter left out, added, changed or two swapped), two slips from eight letters on. Nearest first, at most `most`.
 */
export function findNearWords(typed: string, vocabulary: Iterable<string>, most = 12): string[] {
  const wanted = typed.toLowerCase()
  const limit = countSlips(wanted)
  const found: { word: string; slips: number }[] = []
  for (const word of vocabulary) {
    if (word.startsWith(wanted)) found.push({ word, slips: 0 })
    else if (limit > 0) {
      const slips = measureSlips(wanted, word, limit)
      if (slips <= limit) found.push({ word, slips })
    }
  }
  return found
    .sort((a, b) => a.slips - b.slips || a.word.length - b.word.length || (a.word < b.word ? -1 : 1))
    .slice(0, most)
    .map((it) => it.word)
}

/** Figures are meant as they stand, and three letters with a slip in them may be anything. */
function countSlips(word: string): number {
  if (/^\d+$/.test(word) || word.length < 4) return 0
  return word.length < 8 ? 1 : 2
}

/**
 * The optimal string alignment distance (Damerau 1964, in the form that edits no part twice); anything above `limit` for
 * words that cannot be nearer than that.
 */
export function measureSlips(a: string, b: string, limit = Number.POSITIVE_INFINITY): number {
  if (Math.abs(a.length - b.length) > limit) return limit + 1
  let beforeLast: number[] = []
  let last = Array.from({ length: b.length + 1 }, (_, index) => index)
  for (let i = 1; i <= a.length; i++) {
    const row = [i]
    let least = i
    for (let j = 1; j <= b.length; j++) {
      const change = a[i - 1] === b[j - 1] ? 0 : 1
      let best = Math.min((last[j] ?? 0) + 1, (row[j - 1] ?? 0) + 1, (last[j - 1] ?? 0) + change)
      if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1]) {
        best = Math.min(best, (beforeLast[j - 2] ?? 0) + 1)
      }
      row.push(best)
      if (best < least) least = best
    }
    if (least > limit) return limit + 1
    beforeLast = last
    last = row
  }
  return last[b.length] ?? 0
}

/** The words that a text is searched by: letters and digits, lower case, without accents. */
export function splitWords(text: string): string[] {
  return text
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean)
}
