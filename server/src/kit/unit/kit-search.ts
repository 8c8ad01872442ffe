import { findNearWords, splitWords } from '@exemplar/core'
import type { Database } from '../../foundation/database/database.ts'
import { prepare } from '../../foundation/database/statements.ts'

/**
 * What the words of somebody ask of the index, each as the beginning of a word; what hangs together (`CAM-02`) is asked
 * for as it stands. Null where there are no words.
 */
export function makeMatch(text: string): string | null {
  const parts = text.split(/\s+/).flatMap((part) => {
    const words = splitWords(part)
    return words.length === 0 ? [] : [`"${words.join(' ')}"*`]
  })
  return parts.length === 0 ? null : parts.join(' ')
}

/** The same question with typing errors forgiven: each word, or what is near it in the words that there are. */
export function makeNearMatch(db: Database, text: string): string | null {
  const words = splitWords(text)
  if (words.length === 0) return null
  const vocabulary = readVocabulary(db)
  const parts = words.map((word) => {
    const near = findNearWords(word, vocabulary)
    return near.length === 0 ? null : `(${near.map((it) => `"${it}"`).join(' OR ')})`
  })
  return parts.includes(null) ? null : parts.join(' AND ')
}

/** Every word in the index. The table that lists them is only a view of it, made for this connection. */
function readVocabulary(db: Database): string[] {
  const { cache } = db
  const known = cache.get('kit-vocabulary') as string[] | undefined
  if (known) return known
  db.$client.exec(
    "CREATE VIRTUAL TABLE IF NOT EXISTS temp.unit_vocabulary USING fts5vocab('main', 'unit_words', 'row')",
  )
  const words = prepare(db, 'SELECT term FROM temp.unit_vocabulary').pluck().all() as string[]
  cache.set('kit-vocabulary', words)
  return words
}
