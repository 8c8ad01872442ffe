import { addDays, findStartOfDay, type Readiness, type ReadinessFinding, type TodayItem } from '@exemplar/core'
import { and, eq, isNull, lte, sql } from 'drizzle-orm'
import { loadHoldings } from '../availability/holdings.ts'
import { type BookingRow, listItems, loadBookings, loadHolds, loadKin, loadSetups } from '../availability/holds.ts'
import { listServicesDue } from '../bench/bench-routes.ts'
import { nameSubject } from '../diary/booking-check.ts'
import type { Database } from '../foundation/database/database.ts'
import { models, stock } from '../schema/kit-tables.ts'
import { shoppingLines } from '../schema/ledger-tables.ts'
import { assessSetupOnce, loadAbsences } from '../setups/assessing.ts'

import { DAYS_AHEAD, type TodayContext } from './today-context.ts'

/** One booking ahead with what is found about its setup. */
export interface Ahead {
  row: BookingRow
  readiness: Readiness | null
  /** Loose things beside the setup that will not be there. */
  looseAbsent: number
}

export function judgeAhead({ db, settings, now, today }: TodayContext): Ahead[] {
  const end = findStartOfDay(addDays(today, DAYS_AHEAD), settings.zone)
  const rows = loadBookings(db, { start: now, end }).filter(
    (row) => row.state === 'pencilled' || row.state === 'confirmed',
  )
  const setupOf = loadSetups(
    db,
    rows.flatMap((row) => row.setupId ?? []),
  )
  return rows.map((row) => {
    const setup = setupOf.get(row.setupId ?? '')
    const interval = { start: row.holdStart, end: row.holdEnd }
    const occasion = {
      now,
      interval,
      exceptBookingId: row.id,
      countsBookings: true,
      bookedIds: row.personIds,
      placeId: row.placeId,
    }
    const loose = [...loadHoldings(db, row.unitIds, []).units.values()]
    const looseAbsent = loose.length
      ? loadAbsences(db, loose, occasion, settings.zone, loadHolds(db, interval, row.id)).size
      : 0
    return { row, readiness: setup ? assessSetupOnce(db, setup, occasion, settings) : null, looseAbsent }
  })
}

export function listShoots({ db }: TodayContext, ahead: readonly Ahead[]): TodayItem[] {
  const shoots = ahead.filter(({ row }) => row.kind === 'shoot').slice(0, 5)
  return shoots.map(({ row, readiness, looseAbsent }): TodayItem => {
    const counts = readiness?.counts
    return {
      key: `shoot/${row.id}`,
      level: looseAbsent > 0 ? 'stop' : (readiness?.level ?? 'ok'),
      section: 'next',
      code: 'shoot',
      bookingId: row.id,
      setupId: row.setupId,
      title: row.title,
      startsAt: row.startsAt,
      place: row.placeId ? nameSubject(db, 'place', row.placeId) : '',
      people: row.personIds.map((id) => nameSubject(db, 'person', id)),
      stops: (counts?.stop ?? 0) + looseAbsent,
      checks: (counts?.warn ?? 0) + (counts?.unknown ?? 0) + (counts?.advise ?? 0),
      state: row.state,
    }
  })
}

export function listPreparation(context: TodayContext, ahead: readonly Ahead[]): TodayItem[] {
  const { db, today } = context
  const items: TodayItem[] = []
  const seen = new Set<string>()
  const add = (item: TodayItem): void => {
    if (seen.has(item.key)) return
    seen.add(item.key)
    items.push(item)
  }
  for (const { row, readiness } of ahead) {
    if (!readiness) continue
    for (const finding of readiness.findings) {
      const item = makePreparation(finding, row)
      if (item) add(item)
    }
    const isSoon = row.startsAt.slice(0, 10) <= addDays(today, 2)
    for (const working of isSoon ? readiness.workings : []) {
      if (working.formula !== 'pack-hours') continue
      const family = nameInterface(db, working.family)
      const { title, startsAt, id } = row
      add({
        key: `charge/${working.family}`,
        level: 'advise',
        section: 'before',
        code: 'charge',
        family,
        packs: working.have,
        bookingId: id,
        title,
        startsAt,
      })
    }
  }
  const next = ahead[0]
  if (next && next.row.startsAt.slice(0, 10) <= addDays(today, 1)) add(makeFetch(db, next.row))
  for (const line of db.select().from(shoppingLines).where(isNull(shoppingLines.boughtAt)).all()) {
    const { id, item, quantity, reason } = line
    items.push({
      key: `line/${id}`,
      level: 'advise',
      section: 'before',
      code: 'buy',
      item,
      quantity,
      reason,
      lineId: id,
    })
  }
  for (const low of listLowStock(db)) add(low)
  return withoutDoubles(items)
}

/** What is on the shopping list already is not asked for a second time. */
function withoutDoubles(items: TodayItem[]): TodayItem[] {
  const listed = new Set(items.flatMap((it) => (it.code === 'buy' && it.lineId ? [it.item] : [])))
  return items.filter((it) => it.code !== 'buy' || it.lineId !== null || !listed.has(it.item))
}

function makePreparation(finding: ReadinessFinding, row: BookingRow): TodayItem | null {
  const { title, startsAt } = row
  if (finding.code === 'thing-absent' && (finding.absence.reason === 'state' || finding.absence.reason === 'fault')) {
    const note = finding.absence.reason === 'fault' ? finding.absence.note : 'In repair or away'
    const { unitId, tag, name, level } = finding
    return { key: `mend/${unitId}`, level, section: 'before', code: 'mend', unitId, tag, name, title, startsAt, note }
  }
  const canTake = finding.remedies.some((it) => it.kind === 'assign' || it.kind === 'assign-stock')
  const shop = finding.remedies.find((it) => it.kind === 'shop')
  if (!shop || canTake || finding.level !== 'stop') return null
  const reason = `${finding.code === 'need-unmet' ? `for ${finding.tag}, ` : ''}${title}`
  const { item, quantity } = shop
  return { key: `buy/${item}`, level: 'stop', section: 'before', code: 'buy', item, quantity, reason, lineId: null }
}

function nameInterface(db: Database, code: string): string {
  const row = db.get<{ label: string } | undefined>(sql`select label from interfaces where code = ${code}`)
  return row?.label ?? code
}

function makeFetch(db: Database, row: BookingRow): TodayItem {
  const items = listItems(row, loadSetups(db, row.setupId ? [row.setupId] : []), loadKin(db))
  const holdings = loadHoldings(
    db,
    items.flatMap((it) => it.unitId ?? []),
    items.flatMap((it) => it.stockId ?? []),
  )
  const from = [...holdings.units.values(), ...holdings.stock.values()].map((it) => it.placeId)
  const { id, title, startsAt } = row
  const pieces = items.reduce((sum, it) => sum + it.quantity, 0)
  return {
    key: `fetch/${id}`,
    level: 'advise',
    section: 'before',
    code: 'fetch',
    bookingId: id,
    title,
    pieces,
    places: new Set(from).size,
    startsAt,
  }
}

function listLowStock(db: Database): TodayItem[] {
  return db
    .select({ stock, name: models.name })
    .from(stock)
    .innerJoin(models, eq(models.id, stock.modelId))
    .where(and(isNull(stock.archivedAt), lte(stock.quantity, stock.reorderLevel), sql`${stock.reorderLevel} > 0`))
    .all()
    .map(({ stock: it, name }) => ({
      key: `buy/${name}`,
      level: 'advise',
      section: 'before',
      code: 'buy',
      item: name,
      quantity: Math.max(1, it.reorderLevel - it.quantity + 1),
      reason: `${it.quantity} left, to reorder at ${it.reorderLevel}`,
      lineId: null,
    }))
}

export function listServices({ db, settings, today }: TodayContext): TodayItem[] {
  return listServicesDue(db, today)
    .filter((it) => it.daysLeft <= settings.serviceNoticeDays)
    .map(({ unitId, tag, name, dueOn, daysLeft, isDue }) => ({
      key: `service/${unitId}`,
      level: isDue ? 'warn' : 'advise',
      section: 'before',
      code: 'service',
      unitId,
      tag,
      name,
      dueOn,
      daysLeft,
    }))
}
