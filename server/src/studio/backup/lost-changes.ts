import { join } from 'node:path'
import Sqlite from 'better-sqlite3'
import type { Database } from '../../foundation/database/database.ts'
import { DATABASE_FILE } from '../../foundation/database/database.ts'

interface ChangeMark {
  id: number
  token: string
  at: number
}

const QUERY = 'SELECT id, token, at FROM changes'
const sayMark = ({ id, token, at }: ChangeMark) => `${id} ${token} ${at}`

/**
 * How many changes of now are not in an opened backup: what restoring it would lose. By the changes' own marks, so that
 * neither a clock that was set back nor the history of another house makes newer work look older.
 */
export function countLost(db: Database, folder: string): number {
  const copy = new Sqlite(join(folder, DATABASE_FILE), { readonly: true })
  try {
    // A backup of an earlier release knows no tokens; there the number and the instant tell.
    const hasTokens = copy.prepare("SELECT 1 FROM pragma_table_info('changes') WHERE name = 'token'").get()
    const query = hasTokens ? QUERY : "SELECT id, '' AS token, at FROM changes"
    const there = new Set((copy.prepare(query).all() as ChangeMark[]).map(sayMark))
    let lost = 0
    for (const it of db.$client.prepare(QUERY).iterate() as Iterable<ChangeMark>) if (!there.has(sayMark(it))) lost++
    return lost
  } finally {
    copy.close()
  }
}
