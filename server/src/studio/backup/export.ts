import type { Readable } from 'node:stream'
import { type Cell, writeCsv } from '@exemplar/core'
import { makeArchive, toStream } from '../../foundation/base/archive.ts'
import { listColumns, TRACKED_TABLES } from '../../foundation/database/change-capture.ts'
import type { Database } from '../../foundation/database/database.ts'

const README = `Everything that Exemplar knows, as open files.

One CSV (RFC 4180, UTF-8) for each table, and exemplar.json with all of them. Amounts of money are whole minor units of
the studio's currency, instants are milliseconds since 1970-01-01 UTC, lists and objects are JSON inside their cell.
Text that a spreadsheet would run as a formula has an apostrophe in front. Attachments are in the backups.
`

/** All tables that people fill, with the log; no passwords, no sessions. */
export function exportEverything({ $client }: Database): Readable {
  const archive = makeArchive()
  const all: Record<string, unknown[]> = {}
  for (const table of [...TRACKED_TABLES, 'events'] as const) {
    const columns = listColumns($client, table).map((it) => it.name)
    const rows = $client.prepare(`SELECT * FROM "${table}"`).all() as Record<string, Cell>[]
    const csv = writeCsv(
      columns,
      rows.map((row) => columns.map((column) => row[column] ?? null)),
    )
    archive.addBuffer(Buffer.from(csv), `${table}.csv`)
    all[table] = rows
  }
  archive.addBuffer(Buffer.from(JSON.stringify(all, null, 1)), 'exemplar.json')
  archive.addBuffer(Buffer.from(README), 'README.txt')
  archive.end()
  return toStream(archive)
}
