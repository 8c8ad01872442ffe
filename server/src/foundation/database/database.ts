import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import Sqlite from 'better-sqlite3'
import { type BetterSQLite3Database, drizzle } from 'drizzle-orm/better-sqlite3'
import { migrate } from 'drizzle-orm/better-sqlite3/migrator'
import { realDisk } from '../base/disk.ts'
import { SERVER_FOLDER } from '../base/server-folder.ts'
import { type ChangeCapture, makeChangeCapture } from './change-capture.ts'

export type Database = BetterSQLite3Database & {
  $client: Sqlite.Database
  changeCapture: ChangeCapture
  /** What was worked out since the last change; see cache.ts. */
  cache: Map<string, unknown>
}

const MIGRATIONS = join(SERVER_FOLDER, 'migrations')
export const DATABASE_FILE = 'exemplar.sqlite'

/**
 * Opens the database of a data folder and brings it to the newest schema. Before a migration touches an existing
 * database, a copy is put beside it. Every acknowledged write is on disk: WAL with synchronous FULL.
 */
export function openDatabase(folder: string): Database {
  mkdirSync(folder, { recursive: true })
  const file = join(folder, DATABASE_FILE)
  const isNew = !existsSync(file)
  const client = new Sqlite(file)
  client.pragma('journal_mode = WAL')
  client.pragma('synchronous = FULL')
  client.pragma('foreign_keys = ON')
  client.pragma('busy_timeout = 5000')
  const pending = listPendingMigrations(client)
  if (!isNew && pending.length > 0) copyBeforeMigration(client, folder, pending[0] ?? 'unknown')
  const database = drizzle({ client })
  migrate(database, { migrationsFolder: MIGRATIONS })
  return Object.assign(database, { $client: client, changeCapture: makeChangeCapture(client), cache: new Map() })
}

/** Opens the database of a data folder to read only, on a connection of its own; another one has migrated it. */
export function openDatabaseReader(folder: string): Database {
  const client = new Sqlite(join(folder, DATABASE_FILE), { readonly: true })
  client.pragma('busy_timeout = 5000')
  return Object.assign(drizzle({ client }), { $client: client, changeCapture: { current: null }, cache: new Map() })
}

interface Migration {
  tag: string
  when: number
}

/** Every migration this version knows, oldest first. */
export function listMigrations(): Migration[] {
  const text = readFileSync(join(MIGRATIONS, 'meta/_journal.json'), 'utf8')
  return (JSON.parse(text) as { entries: Migration[] }).entries
}

function listPendingMigrations(client: Sqlite.Database): string[] {
  const table = client.prepare("SELECT 1 FROM sqlite_master WHERE name = '__drizzle_migrations'").get()
  const newest = table ? client.prepare('SELECT max(created_at) FROM __drizzle_migrations').pluck().get() : null
  return listMigrations()
    .filter((entry) => entry.when > Number(newest ?? 0))
    .map((entry) => entry.tag)
}

/**
 * Whole or not there: written aside, looked at, then named. A copy that an earlier start left is written anew, as the
 * database may be another one by now.
 */
function copyBeforeMigration(client: Sqlite.Database, folder: string, migration: string): void {
  const copy = join(folder, `before-${migration}.sqlite`)
  const partial = `${copy}.partial`
  rmSync(partial, { force: true })
  client.prepare('VACUUM INTO ?').run(partial)
  const made = new Sqlite(partial)
  const isWhole =
    made.pragma('integrity_check(1)', { simple: true }) === 'ok' && countTables(made) === countTables(client)
  made.close()
  if (!isWhole) throw new Error('The copy before bringing the database up to date is not whole. Nothing was changed.')
  realDisk.replace(partial, copy)
}

const countTables = (client: Sqlite.Database) =>
  client.prepare("SELECT count(*) FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%'").pluck().get()

/** Brings a database to the newest schema where it lies, without a copy: for one that is a copy itself. */
export function migrateInPlace(client: Sqlite.Database): void {
  migrate(drizzle({ client }), { migrationsFolder: MIGRATIONS })
}
