import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Sqlite from 'better-sqlite3'
import { makeTestConfig } from '../server/src/foundation/api.fixture.ts'
import { type AppContext, makeSystemActor, openContext } from '../server/src/foundation/database/app-context.ts'
import { DATABASE_FILE } from '../server/src/foundation/database/database.ts'
import { bringIn } from '../server/src/kit/import/bringing-in.ts'
import { ensureStudio } from '../server/src/studio/settings/settings-routes.ts'
import type { Measured } from './measure.ts'

const LINES = 10_000
const ROUNDS = 5
const SIGNAL = new AbortController().signal

const csv = [
  'tag;name;kind;make;where;serial;bought;price;weight',
  ...Array.from(
    { length: LINES },
    (_, n) =>
      `T-${n};Lamp ${n % 300};LED panel;Dace;Shelf ${n % 40};SN${n};${1 + (n % 28)}.3.2025;£${20 + (n % 90)},50;${1 + (n % 300) / 100} kg`,
  ),
].join('\n')
const body = { csv, leaveOut: [], asNew: [], corrections: [], columns: null }

function openEmpty(): { app: AppContext; folder: string } {
  const folder = mkdtempSync(join(tmpdir(), 'exemplar-speed-'))
  const app = openContext(makeTestConfig(folder, null))
  ensureStudio(app)
  return { app, folder }
}

/** What the search index fills by itself comes from triggers in both. */
const BY_TRIGGER = /^(unit_words|search_keys)/

/** Every row that the import left, table by table, to be put into another database of the same schema. */
function readRows({ db }: AppContext): { table: string; columns: string[]; rows: unknown[][] }[] {
  const client = db.$client
  const tables = client
    .prepare(
      "SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%' AND name NOT LIKE '\\_%' ESCAPE '\\'",
    )
    .pluck()
    .all() as string[]
  return tables
    .filter((table) => !BY_TRIGGER.test(table))
    .map((table) => {
      const columns = client.prepare('SELECT name FROM pragma_table_info(?)').pluck().all(table) as string[]
      return { table, columns, rows: client.prepare(`SELECT * FROM "${table}"`).raw().all() as unknown[][] }
    })
}

/** Importing 10,000 lines, read, checked and written, against bare inserts of the same rows in one transaction. */
export async function measureImport(): Promise<Measured> {
  const ours: number[] = []
  const theirs: number[] = []
  for (let round = -1; round < ROUNDS; round++) {
    const { app, folder } = openEmpty()
    const start = performance.now()
    const report = await bringIn(app, body, makeSystemActor(), SIGNAL, () => {})
    const took = performance.now() - start
    if (report?.counts.things !== LINES) throw new Error('The import did not bring what it should.')
    const tables = readRows(app)
    app.db.$client.close()
    rmSync(folder, { recursive: true, force: true })
    const bare = insertBare(tables)
    if (round < 0) continue
    ours.push(took)
    theirs.push(bare)
  }
  const median = (values: number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? Number.NaN
  const [oursMs, theirsMs] = [median(ours), median(theirs)]
  return {
    name: `importing ${LINES} lines: read, checked, written`,
    reference: 'bare inserts of the same final rows in all tables in one transaction',
    target: 3,
    oursMs,
    theirsMs,
    ratio: oursMs / theirsMs,
  }
}

function insertBare(tables: ReturnType<typeof readRows>): number {
  const { app, folder } = openEmpty()
  app.db.$client.close()
  const client = new Sqlite(join(folder, DATABASE_FILE))
  client.pragma('journal_mode = WAL')
  client.pragma('synchronous = FULL')
  client.pragma('foreign_keys = OFF')
  // The rows that every new database has are there already.
  const statements = tables.map(({ table, columns, rows }) => ({
    insert: client.prepare(`INSERT OR IGNORE INTO "${table}" VALUES (${columns.map(() => '?').join(', ')})`),
    rows,
  }))
  const start = performance.now()
  client.transaction(() => {
    for (const { insert, rows } of statements) for (const row of rows) insert.run(row)
  })()
  const took = performance.now() - start
  client.close()
  rmSync(folder, { recursive: true, force: true })
  return took
}
