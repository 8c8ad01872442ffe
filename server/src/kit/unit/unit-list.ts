import {
  addDays,
  CATEGORIES,
  CATEGORY_CODES,
  type Category,
  findStartOfDay,
  findWallTime,
  type KitFilter,
  type KitOnly,
  type KitSort,
  LIFE_STATE_CODES,
  LIFE_STATES,
  type LifeState,
  listKindsOf,
  type unitListQuery,
} from '@exemplar/core'
import { isNull, like } from 'drizzle-orm'
import { z } from 'zod'
import { listAbsences } from '../../availability/absences.ts'
import { loadHoldBook } from '../../availability/holds.ts'
import { loadBlockingFaults } from '../../availability/reference.ts'
import type { AppContext } from '../../foundation/database/app-context.ts'
import type { Database } from '../../foundation/database/database.ts'
import { prepare } from '../../foundation/database/statements.ts'
import { stock, units } from '../../schema/kit-tables.ts'
import { loadStudio } from '../../studio/settings/settings-routes.ts'
import { makeMatch, makeNearMatch } from './kit-search.ts'

type UnitListQuery = z.infer<typeof unitListQuery>

export interface UnitRow {
  id: string
  tag: string
  name: string
  nickname: string
  maker: string
  category: Category
  place: string | null
  isAtHome: boolean
  state: LifeState
  fault: string | null
  serial: string | null
  massGrams: number | null
  acquiredOn: string | null
  priceMinor: number | null
  lastOutAt: number | null
  version: number
  usedIn: { id: string; code: string; tape: string; role: string }[]
}

export interface UnitListReply {
  rows: UnitRow[]
  next: string | null
  /** Nothing has these words, so what is near them was looked for. */
  isNear: boolean
}

const LAST_OUT = `(SELECT max(e.at) FROM events e WHERE e.subject_type = 'unit' AND e.subject_id = u.id AND e.kind = 'checked-out'
  AND NOT EXISTS (SELECT 1 FROM changes back WHERE back.undoes = e.change_id))`

const COLUMNS = `u.id, u.tag, m.name, u.nickname, m.maker, m.category, coalesce(n.name, p.name) AS place,
  u.now_place_id IS NULL OR u.now_place_id IS u.place_id AS isAtHome, u.state,
  (SELECT f.note FROM faults f WHERE f.unit_id = u.id AND f.mended_at IS NULL ORDER BY f.reported_at LIMIT 1) AS fault,
  u.serial, m.specs ->> '$.massGrams' AS massGrams, u.acquired_on AS acquiredOn, u.price_minor AS priceMinor,
  ${LAST_OUT} AS lastOutAt, u.version`

const SOURCE = `units u JOIN models m ON m.id = u.model_id
  LEFT JOIN places p ON p.id = u.place_id LEFT JOIN places n ON n.id = u.now_place_id`

/** By what rows are put in order, before their tags; what is not known stands last. */
const SORTS: Readonly<Record<KitSort, { key: string; isDown: boolean }>> = {
  tag: { key: 'u.tag', isDown: false },
  name: { key: "lower(trim(m.maker || ' ' || m.name))", isDown: false },
  place: { key: "coalesce(n.name, p.name, '~')", isDown: false },
  acquired: { key: "coalesce(u.acquired_on, '')", isDown: true },
  used: { key: `coalesce(${LAST_OUT}, 0)`, isDown: false },
}

/** One page of things, with where to go on from. Reads by index where it can, and never the whole list. */
export function listUnits(app: AppContext, { after, limit, ...filter }: UnitListQuery): UnitListReply {
  const exact = readPage(app, filter, after, limit, filter.find ? makeMatch(filter.find) : null)
  if (exact.rows.length > 0 || !filter.find) return { ...exact, isNear: false }
  const near = makeNearMatch(app.db, filter.find)
  // A page after the first of what is near asks the same question, and has no exact answer either.
  const page = near === null ? exact : readPage(app, filter, after, limit, near)
  return { ...page, isNear: page.rows.length > 0 }
}

function readPage(
  app: AppContext,
  filter: KitFilter,
  after: string | undefined,
  limit: number,
  match: string | null,
): Omit<UnitListReply, 'isNear'> {
  const { db } = app
  const { where, values } = makeWhere(app, filter, match)
  const { key, isDown } = SORTS[filter.sort ?? 'tag']
  const [afterKey, afterTag] = readCursor(after)
  if (afterTag !== null) {
    const beyond = isDown ? '<' : '>'
    where.push(key === 'u.tag' ? 'u.tag > ?' : `(${key} ${beyond} ? OR (${key} = ? AND u.tag > ?))`)
    values.push(...(key === 'u.tag' ? [afterTag] : [afterKey, afterKey, afterTag]))
  }
  const order = key === 'u.tag' ? 'u.tag' : `${key}${isDown ? ' DESC' : ''}, u.tag`
  const sorting = key === 'u.tag' ? '' : `, ${key} AS sortKey`
  const sql = `SELECT ${COLUMNS}${sorting} FROM ${SOURCE} WHERE ${where.join(' AND ')} ORDER BY ${order} LIMIT ?`
  const found = prepare(db, sql).all(...values, limit + 1) as (UnitRow & { sortKey?: string | number })[]
  const page = found.slice(0, limit)
  const usedIn = loadUsedIn(
    db,
    page.map((row) => row.id),
  )
  const last = page[page.length - 1]
  return {
    rows: page.map(({ sortKey: _, ...row }) => ({
      ...row,
      name: row.maker ? `${row.maker} ${row.name}` : row.name,
      isAtHome: Boolean(row.isAtHome),
      usedIn: usedIn.get(row.id) ?? [],
    })),
    next: found.length > limit && last ? makeCursor(last.sortKey ?? '', last.tag) : null,
  }
}

const makeCursor = (key: string | number, tag: string) => JSON.stringify([key, tag])

/** A cursor is what a reply gave; a bare tag goes on from that tag. */
function readCursor(after: string | undefined): [key: string | number, tag: string | null] {
  if (!after) return ['', null]
  try {
    const read = z.tuple([z.union([z.string(), z.number()]), z.string()]).safeParse(JSON.parse(after))
    if (read.success) return read.data
  } catch {
    // Not a cursor.
  }
  return ['', after]
}

export function countUnits(app: AppContext, filter: KitFilter): { units: number; models: number } {
  const { where, values } = makeWhere(app, filter, filter.find ? makeMatch(filter.find) : null)
  const sql = `SELECT count(*) AS units, count(DISTINCT u.model_id) AS models FROM ${SOURCE} WHERE ${where.join(' AND ')}`
  return prepare(app.db, sql).get(...values) as { units: number; models: number }
}

/** The ids of all things that a filter finds, by tag. */
export function listUnitIds(app: AppContext, filter: KitFilter): string[] {
  const { where, values } = makeWhere(app, filter, filter.find ? makeMatch(filter.find) : null)
  const sql = `SELECT u.id FROM ${SOURCE} WHERE ${where.join(' AND ')} ORDER BY u.tag`
  return prepare(app.db, sql)
    .pluck()
    .all(...values) as string[]
}

type Value = string | number

function makeWhere(app: AppContext, filter: KitFilter, match: string | null): { where: string[]; values: Value[] } {
  const where = [`u.archived_at IS ${filter.only === 'archived' ? 'NOT ' : ''}NULL`]
  const values: Value[] = []
  const ask = (sql: string, ...of: Value[]) => {
    where.push(sql)
    values.push(...of)
  }
  if (filter.find) {
    if (match === null) ask('0')
    else
      ask(
        `u.id IN (SELECT k.unit_id FROM unit_words w JOIN search_keys k ON k.id = w.rowid WHERE unit_words MATCH ?)`,
        match,
      )
  }
  if (filter.category) ask(`m.category IN (${quote(listKindsOf(filter.category))})`)
  if (filter.group)
    ask(`m.category IN (${quote(CATEGORY_CODES.filter((it) => CATEGORIES[it].group === filter.group))})`)
  if (filter.state) ask('u.state = ?', filter.state)
  if (filter.placeId) ask('coalesce(u.now_place_id, u.place_id) = ?', filter.placeId)
  if (filter.interface) ask(HAS_INTERFACE, filter.interface)
  if (filter.setupId)
    ask('EXISTS (SELECT 1 FROM setup_units s WHERE s.unit_id = u.id AND s.setup_id = ?)', filter.setupId)
  if (filter.freeOn) {
    ask('u.id NOT IN (SELECT value FROM json_each(?))', JSON.stringify(listAbsentOn(app, filter.freeOn)))
  }
  if (filter.idleMonths) {
    const since = app.now() - filter.idleMonths * 30.4375 * 86_400_000
    const sinceDay = findWallTime(since, loadStudio(app.db).zone).slice(0, 10)
    // What came only lately had no time to be idle.
    ask(`coalesce(${LAST_OUT}, 0) < ? AND coalesce(u.acquired_on, '') < ?`, since, sinceDay)
  }
  if (filter.only && filter.only !== 'archived') ask(ONLY[filter.only])
  return { where, values }
}

const quote = (codes: readonly string[]) => codes.map((it) => `'${it}'`).join(', ')
const USABLE = LIFE_STATE_CODES.filter((it) => LIFE_STATES[it].usable)
const OPEN_FAULT = 'SELECT 1 FROM faults f WHERE f.mended_at IS NULL AND f.unit_id'
const HAS_INTERFACE = `EXISTS (SELECT 1 FROM json_each(m.ports) port, json_each(port.value, '$.interfaces') code WHERE code.value = ?)`

const ONLY: Readonly<Record<Exclude<KitOnly, 'archived'>, string>> = {
  'in-setup': 'EXISTS (SELECT 1 FROM setup_units s WHERE s.unit_id = u.id)',
  'in-none': 'NOT EXISTS (SELECT 1 FROM setup_units s WHERE s.unit_id = u.id)',
  faulty: `(EXISTS (${OPEN_FAULT} = u.id) OR u.state = 'in-repair')`,
  borrowed: "u.acquisition IN ('loan-in', 'rented')",
  'no-place': 'u.place_id IS NULL',
  'not-at-home': 'u.now_place_id IS NOT NULL AND u.now_place_id IS NOT u.place_id',
  // What is of the household, or was made by hand, has no maker to be found.
  unidentified: "m.maker = '' AND u.acquisition NOT IN ('household', 'hand-made')",
  incomplete: `EXISTS (SELECT 1 FROM units c WHERE c.archived_at IS NULL
    AND ((c.parent_id = u.id AND c.bond IN ('part', 'controller'))
      OR EXISTS (SELECT 1 FROM controls k WHERE k.controller_id = c.id AND k.controlled_id = u.id))
    AND (c.state NOT IN (${quote(USABLE)}) OR EXISTS (${OPEN_FAULT} = c.id AND f.severity = 'unusable')))`,
  'never-used': `${LAST_OUT} IS NULL`,
  // What can run without packs or cells of its own: from the mains, from what it is plugged into, or from nothing.
  'no-charging': `m.category NOT IN ('pack', 'cell', 'phone', 'tablet')
    AND coalesce(m.specs ->> '$.more.fedBy', '') <> 'own pack'
    AND (NOT EXISTS (SELECT 1 FROM json_each(m.power_modes) p WHERE p.value ->> '$.source' <> 'mains')
      OR EXISTS (SELECT 1 FROM json_each(m.power_modes) p WHERE p.value ->> '$.source' = 'mains'))`,
  'no-mass': "m.specs ->> '$.massGrams' IS NULL",
  'no-price': "u.price_minor IS NULL AND u.provenance ->> '$.valueMinor' IS NULL",
}

/** Ids of what cannot be counted on through the whole of a day, for any reason. */
function listAbsentOn(app: AppContext, day: string): string[] {
  const { db } = app
  const { zone } = loadStudio(db)
  const interval = { start: findStartOfDay(day, zone), end: findStartOfDay(addDays(day, 1), zone) }
  const { id, state, dueOn, acquisition } = units
  const live = db.select({ id, state, dueOn, acquisition }).from(units).where(isNull(units.archivedAt)).all()
  const stay = { interval, exceptBookingId: null, countsBookings: true }
  return [...listAbsences(live, stay, zone, loadBlockingFaults(db), loadHoldBook(db, interval, app.now())).keys()]
}

/** Which setups count on each of the units, in the order of their codes. */
export function loadUsedIn(db: Database, unitIds: string[]): Map<string, UnitRow['usedIn']> {
  const usedIn = new Map<string, UnitRow['usedIn']>()
  if (unitIds.length === 0) return usedIn
  const rows = prepare(
    db,
    `SELECT su.unit_id AS unitId, s.id, s.code, s.tape, su.role_name AS role
     FROM setup_units su JOIN setups s ON s.id = su.setup_id
     WHERE su.unit_id IN (SELECT value FROM json_each(?)) AND s.archived_at IS NULL ORDER BY s.code`,
  ).all(JSON.stringify(unitIds)) as (UnitRow['usedIn'][number] & { unitId: string })[]
  for (const { unitId, ...serve } of rows) {
    const known = usedIn.get(unitId)
    if (known) known.push(serve)
    else usedIn.set(unitId, [serve])
  }
  return usedIn
}

/** Tags of things and stock that start with a prefix, for giving the next one: a tag means one thing in the whole kit. */
export function listTagsLike(db: Pick<Database, 'select'>, prefix: string): string[] {
  return [units, stock].flatMap((table) =>
    db
      .select({ tag: table.tag })
      .from(table)
      .where(like(table.tag, `${prefix}-%`))
      .all()
      .map((row) => row.tag),
  )
}
