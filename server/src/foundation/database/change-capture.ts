import type Sqlite from 'better-sqlite3'

/** Tables that people change: whatever happens to their rows in a change can be taken back. */
export const TRACKED_TABLES = [
  'studio',
  'people',
  'parties',
  'places',
  'films',
  'attachments',
  'interfaces',
  'models',
  'units',
  'stock',
  'controls',
  'saved_views',
  'column_maps',
  'stocktakes',
  'snapshots',
  'setups',
  'setup_units',
  'setup_stock',
  'bookings',
  'faults',
  'service_plans',
  'services',
  'unit_uses',
  'incidents',
  'incident_units',
  'repairs',
  'capacity_runs',
  'readings',
  'stock_uses',
  'entries',
  'budgets',
  'shopping_lines',
  'wishes',
  'decisions',
  'kit_plans',
] as const
export type TrackedTable = (typeof TRACKED_TABLES)[number]

/** The change that is under way on this connection. */
export interface ChangeCapture {
  current: number | null
}

interface Column {
  name: string
  pk: number
}

export function listColumns(client: Sqlite.Database, table: string): Column[] {
  return client.prepare('SELECT name, pk FROM pragma_table_info(?)').all(table) as Column[]
}

/**
 * Makes the database write down what each change does to each row. Triggers see every write, so no handler can forget
 * one; they are temporary, made anew from the schema at each opening, and other programs on the file are not bothered.
 */
export function makeChangeCapture(client: Sqlite.Database): ChangeCapture {
  const changeCapture: ChangeCapture = { current: null }
  client.function('current_change', () => changeCapture.current)
  for (const table of TRACKED_TABLES) client.exec(makeTriggers(table, listColumns(client, table)))
  return changeCapture
}

function makeTriggers(table: TrackedTable, columns: readonly Column[]): string {
  const keys = columns.filter((it) => it.pk > 0)
  const objectOf = (row: 'OLD' | 'NEW', of: readonly Column[]) =>
    `json_object(${of.map((it) => `'${it.name}', ${row}."${it.name}"`).join(', ')})`
  const write = (op: string, key: string, before: string) =>
    `INSERT INTO row_changes (change_id, table_name, op, row_key, before)
     VALUES (current_change(), '${table}', '${op}', ${key}, ${before});`
  const when = 'WHEN current_change() IS NOT NULL BEGIN'
  return `
    CREATE TEMP TRIGGER journal_${table}_insert AFTER INSERT ON main.${table} ${when}
      ${write('insert', objectOf('NEW', keys), 'NULL')} END;
    CREATE TEMP TRIGGER journal_${table}_update AFTER UPDATE ON main.${table} ${when}
      ${write('update', objectOf('NEW', keys), objectOf('OLD', columns))} END;
    CREATE TEMP TRIGGER journal_${table}_delete AFTER DELETE ON main.${table} ${when}
      ${write('delete', objectOf('OLD', keys), objectOf('OLD', columns))} END;`
}
