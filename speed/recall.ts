import { findNearWords, splitWords } from '@exemplar/core'
import type { AppContext } from '../server/src/foundation/database/app-context.ts'
import { listUnits } from '../server/src/kit/unit/unit-list.ts'
import { makeDraw } from './filled-kit.ts'

const ASKED = 500
const LETTERS = 'abcdefghijklmnopqrstuvwxyz'

/** One slip of the fingers: a letter left out, doubled, changed, or two swapped. */
function misspell(word: string, draw: (below: number) => number): string {
  const at = 1 + draw(word.length - 2)
  const [head, letter, next, tail] = [word.slice(0, at), word[at] ?? '', word[at + 1] ?? '', word.slice(at + 2)]
  switch (draw(4)) {
    case 0:
      return head + next + tail
    case 1:
      return head + letter + letter + next + tail
    case 2:
      return head + (LETTERS[draw(26)] ?? 'x') + next + tail
    default:
      return head + next + letter + tail
  }
}

/** How many of 500 misspelled words still find a thing that has the word, and how long one question takes. */
export function measureRecall(app: AppContext): string {
  const draw = makeDraw(41)
  const words = app.db.$client
    .prepare("SELECT DISTINCT lower(maker || ' ' || name) FROM models")
    .pluck()
    .all() as string[]
  const vocabulary = [...new Set(words.flatMap(splitWords))].filter((it) => it.length >= 5 && /^[a-z]+$/.test(it))
  let asked = 0
  let found = 0
  const times: number[] = []
  while (asked < ASKED) {
    const word = vocabulary[draw(vocabulary.length)] ?? ''
    const typed = misspell(word, draw)
    // A slip that makes another word, or leaves it as it was, is no misspelling.
    if (typed === word || vocabulary.includes(typed)) continue
    asked++
    const start = performance.now()
    const { rows } = listUnits(app, { find: typed, limit: 100 })
    times.push(performance.now() - start)
    if (rows.some((row) => row.name.toLowerCase().includes(word))) found++
  }
  const median = times.sort((a, b) => a - b)[Math.floor(times.length / 2)] ?? 0
  // Named so that a change of the rule shows here: what one word is taken for.
  const example = findNearWords('tripid', vocabulary).join(', ')
  return `search that forgives: ${found} of ${ASKED} misspelled words found (${((100 * found) / ASKED).toFixed(1)} %) out of ${vocabulary.length} words, ${median.toFixed(1)} ms each; "tripid" is taken for ${example}`
}
