import { UNDO_DAYS } from '@exemplar/core'
import type Sqlite from 'better-sqlite3'
import { and, asc, desc, eq, gt, ne, sql } from 'drizzle-orm'
import { ProblemError, refuseMissing } from '../../foundation/base/problem.ts'
import type { Transaction, Writer } from '../../foundation/database/app-context.ts'
import { listColumns } from '../../foundation/database/change-capture.ts'
import type { Database } from '../../foundation/database/database.ts'
import { changes, events, people, rowChanges } from '../../schema/studio-tables.ts'

type Row = Record<string, unknown>
type RowChange = typeof rowChanges.$inferSelect

/** Why a change cannot be taken back; null where it can. `underWay` is the taking back that asks. */
export function findObstacle(db: Database | Transaction, changeId: number, underWay = 0): string | null {
  const change = db.select().from(changes).where(eq(changes.id, changeId)).get()
  if (!change) throw refuseMissing('change')
  const back = db
    .select()
    .from(changes)
    .where(and(eq(changes.undoes, changeId), ne(changes.id, underWay)))
    .get()
  if (back) return 'This was taken back already.'
  if (db.select().from(rowChanges).where(eq(rowChanges.changeId, changeId)).get()) return null
  return `This cannot be taken back: it is older than ${UNDO_DAYS} days, or it changed who may do what.`
}

/** Puts every row that a change touched back as it was, unless somebody built on it since. Versions go on counting. */
export function takeBack(writer: Writer, client: Sqlite.Database, changeId: number): void {
  const { tx } = writer
  const obstacle = findObstacle(tx, changeId, writer.changeId)
  if (obstacle) throw new ProblemError(409, 'Not to be taken back', obstacle)
  const done = tx.select().from(rowChanges).where(eq(rowChanges.changeId, changeId)).orderBy(asc(rowChanges.id)).all()
  requireUntouched(tx, done, changeId, writer.changeId)
  // Rows that point at each other go and come in any order; the check comes at the end of the transaction.
  client.pragma('defer_foreign_keys = ON')
  for (const it of done.reverse()) reverse(client, it)
  requireUnnamed(client, done)
  logTakingBack(writer, changeId)
}

/** What was done to a row since must have been taken back again, down to nothing. */
function requireUntouched(tx: Transaction, done: readonly RowChange[], changeId: number, underWay: number): void {
  const keys = new Map(done.map((it) => [`${it.table}/${JSON.stringify(it.key)}`, it]))
  for (const { table, key } of keys.values()) {
    const later = tx
      .selectDistinct({ id: changes.id, undoes: changes.undoes, person: people.name })
      .from(rowChanges)
      .innerJoin(changes, eq(changes.id, rowChanges.changeId))
      .leftJoin(people, eq(people.id, changes.personId))
      .where(
        and(
          eq(rowChanges.table, table),
          sql`${rowChanges.key} = ${JSON.stringify(key)}`,
          gt(changes.id, changeId),
          ne(changes.id, underWay),
        ),
      )
      .orderBy(desc(changes.id))
      .all()
    const standing = cancelOut(later)
    if (!standing) continue
    const detail = `${standing.person ?? 'Somebody'} changed this again since. Take that back first, or change it by hand.`
    throw new ProblemError(409, 'Changed since', detail)
  }
}

/** Newest first: a taking back and what it took back cancel out. Gives the newest that is left; null for none. */
function cancelOut<T extends { id: number; undoes: number | null }>(later: readonly T[]): T | null {
  const gone = new Set<number>()
  for (const { id, undoes } of later) {
    if (gone.has(id) || undoes === null || !later.some((it) => it.id === undoes)) continue
    gone.add(id).add(undoes)
  }
  return later.find((it) => !gone.has(it.id)) ?? null
}

function reverse(client: Sqlite.Database, { table, op, key, before }: RowChange): void {
  const { clause, values } = makeWhere(key)
  if (op === 'insert') {
    client.prepare(`DELETE FROM "${table}" WHERE ${clause}`).run(values)
    return
  }
  const row = { ...before }
  const columns = listColumns(client, table).filter((it) => it.name in row)
  if (op === 'update') {
    const names = columns.filter((it) => it.pk === 0 && it.name !== 'version').map((it) => it.name)
    const counts = columns.some((it) => it.name === 'version') ? [', "version" = "version" + 1'] : []
    const set = names.map((name) => `"${name}" = @set_${name}`).join(', ')
    const bound = Object.fromEntries(names.map((name) => [`set_${name}`, row[name]]))
    client.prepare(`UPDATE "${table}" SET ${set}${counts.join('')} WHERE ${clause}`).run({ ...bound, ...values })
    return
  }
  if (typeof row.version === 'number') row.version++
  const names = columns.map((it) => it.name)
  client
    .prepare(
      `INSERT INTO "${table}" (${names.map((it) => `"${it}"`).join(', ')}) VALUES (${names.map((it) => `@${it}`).join(', ')})`,
    )
    .run(row)
}

/** Lists of ids are no foreign keys, so what was made and is now unmade must stand in none of them. */
const NAMED_IN: readonly [table: string, query: string][] = [
  ['units', 'SELECT 1 FROM bookings, json_each(bookings.unit_ids) AS it WHERE it.value = ?'],
  ['people', 'SELECT 1 FROM bookings, json_each(bookings.person_ids) AS it WHERE it.value = ?'],
  ['places', 'SELECT 1 FROM places WHERE parent_id = ?'],
]

function requireUnnamed(client: Sqlite.Database, done: readonly RowChange[]): void {
  for (const { table, op, key } of done) {
    if (op !== 'insert') continue
    for (const [of, query] of NAMED_IN) if (of === table && client.prepare(query).get(key.id)) throw refuseUsed()
  }
}

/** What a broken reference means here. */
export function refuseUsed(): ProblemError {
  return new ProblemError(409, 'In use since', 'Something was built on this since. Take that back first.')
}

function makeWhere(key: Row): { clause: string; values: Row } {
  const names = Object.keys(key)
  return {
    clause: names.map((name) => `"${name}" = @key_${name}`).join(' AND '),
    values: Object.fromEntries(names.map((name) => [`key_${name}`, key[name]])),
  }
}

/**
 * What was taken back is said on everything that the change spoke of. Taking a taking-back back says once more what
 * had been said at first, so that whatever is told from the log holds again.
 */
function logTakingBack({ tx, log }: Writer, changeId: number): void {
  const said = tx.select().from(events).where(eq(events.changeId, changeId)).orderBy(asc(events.id)).all()
  const isTakingBack = said.some((it) => it.kind === 'reversed')
  if (!isTakingBack) {
    for (const { kind, subjectType, subjectId } of said) log('reversed', subjectType, subjectId, { changeId, kind })
    return
  }
  const first = tx.select().from(changes).where(eq(changes.id, changeId)).get()?.undoes ?? 0
  for (const it of tx.select().from(events).where(eq(events.changeId, first)).orderBy(asc(events.id)).all()) {
    log(it.kind, it.subjectType, it.subjectId, it.data)
  }
}

/** An event that stands: its change was not taken back. */
export const eventStands = sql`not exists (select 1 from changes as back where back.undoes = events.change_id)`
