import { existsSync } from 'node:fs'
import { join } from 'node:path'
import Sqlite from 'better-sqlite3'
import { getTableName, is, Table } from 'drizzle-orm'
import { drizzle } from 'drizzle-orm/better-sqlite3'
import type { SQLiteTable } from 'drizzle-orm/sqlite-core'
import { DATABASE_FILE, migrateInPlace } from '../../foundation/database/database.ts'
import * as bench from '../../schema/bench-tables.ts'
import * as diary from '../../schema/diary-tables.ts'
import { listOddJson } from '../../schema/json-column.ts'
import * as kit from '../../schema/kit-tables.ts'
import * as ledger from '../../schema/ledger-tables.ts'
import * as setups from '../../schema/setups-tables.ts'
import * as studio from '../../schema/studio-tables.ts'
import { refuseBackup } from './manifest.ts'
import { requireWhole } from './take-backup.ts'

const ALL: Record<string, unknown> = { ...bench, ...diary, ...kit, ...ledger, ...setups, ...studio }
const TABLES = Object.values(ALL).filter((it): it is SQLiteTable => is(it, Table))

/** What was noticed in a database that can stand here all the same. */
export interface CopyReport {
  /** Attachments whose file is not in the backup. */
  missingFiles: number
  /** Rows with an entry that is not as this release writes it; they are shown as they are. */
  oddRows: number
}

/**
 * Brings the database of an opened backup up to date where it was unpacked, and looks whether it could stand here: whole,
 * the very tables, views and triggers of this release, no broken reference, JSON as its schemas have it, and each
 * attachment there. Refuses with a sentence, long before anything here is touched. A house's own backup may hold an old
 * oddity, as it is shown with it every day; a foreign one may not.
 */
export function prepareCopy(folder: string, isOwn: boolean): CopyReport {
  const client = openCopy(folder)
  try {
    requireWhole(client)
    migrateInPlace(client)
    requireSameSchema(client)
    if ((client.pragma('foreign_key_check') as unknown[]).length > 0)
      throw refuseBackup(
        'The database in this backup is damaged: it names things that are not in it. Nothing was changed.',
      )
    requireWhole(client)
    const oddRows = countOddRows(client)
    if (oddRows > 0 && !isOwn)
      throw refuseBackup(
        `The database in this backup holds ${oddRows === 1 ? 'an entry' : `${oddRows} entries`} that no Exemplar writes. Nothing was changed.`,
      )
    const rows = client.prepare('SELECT DISTINCT sha256 FROM attachments').pluck().all() as string[]
    const missingFiles = rows.filter((it) => !existsSync(join(folder, 'attachments', it))).length
    client.pragma('journal_mode = DELETE')
    return { missingFiles, oddRows }
  } catch (error) {
    if ((error as { status?: unknown }).status === 422) throw error
    throw refuseBackup('The database in this backup is not one that this Exemplar can use. Nothing was changed.', error)
  } finally {
    client.close()
  }
}

export function openCopy(folder: string): Sqlite.Database {
  const client = new Sqlite(join(folder, DATABASE_FILE))
  client.pragma('foreign_keys = ON')
  return client
}

function requireSameSchema(client: Sqlite.Database): void {
  const found = describeSchema(client)
  const wanted = describeNewest()
  if (found.length === wanted.length && found.every((it, index) => it === wanted[index])) return
  throw refuseBackup('The database in this backup is not made as an Exemplar makes it. Nothing was changed.')
}

function describeSchema(client: Sqlite.Database): string[] {
  return client
    .prepare(
      "SELECT type || ' ' || name || ' ' || tbl_name || ' ' || coalesce(sql, '') FROM sqlite_master WHERE name NOT LIKE 'sqlite\\_%' ESCAPE '\\' ORDER BY type, name",
    )
    .pluck()
    .all() as string[]
}

let newest: string[] | null = null

/** How this release makes a database, told by making an empty one. */
function describeNewest(): string[] {
  if (newest) return newest
  const client = new Sqlite(':memory:')
  migrateInPlace(client)
  newest = describeSchema(client)
  client.close()
  return newest
}

/** Reads every row through its own schema. */
function countOddRows(client: Sqlite.Database): number {
  const db = drizzle({ client })
  return listOddJson(() => {
    for (const table of TABLES) {
      try {
        db.select().from(table).all()
      } catch (error) {
        throw refuseBackup(
          `The table of ${getTableName(table)} in this backup cannot be read. Nothing was changed.`,
          error,
        )
      }
    }
  }).length
}
