import {
  type AheadBooking,
  addDays,
  findStartOfDay,
  listPreparations,
  listShoppingNeeds,
  makeShoppingFilter,
  type Readiness,
  type ServiceLine,
  type Setup,
  type StudioSettings,
  type TodayItem,
  withoutListed,
} from '@exemplar/core'
import { isNull } from 'drizzle-orm'
import { listAbsences } from '../availability/absences.ts'
import { loadHoldings } from '../availability/holdings.ts'
import { type BookingRow, type HoldBook, listItems, loadBookings, loadSetups } from '../availability/holds.ts'
import { loadBlockingFaults, loadInterfaces, loadKin, loadStockRows } from '../availability/reference.ts'
import { listServiceLines, type ServedRow } from '../bench/service-lines.ts'
import { loadSubjectNames } from '../diary/booking-check.ts'
import type { Database } from '../foundation/database/database.ts'
import { shoppingLines } from '../schema/ledger-tables.ts'
import { assessAll } from '../setups/assessing.ts'
import { makeBookingContext } from '../setups/assessment-context.ts'
import { listFree, loadShelf } from '../setups/free-store.ts'
import { DAYS_AHEAD, type TodayContext } from './today-context.ts'

/** One booking ahead with what is found about its setup. */
export interface Ahead {
  row: BookingRow
  setup: Setup | null
  readiness: Readiness | null
  /** Loose things beside the setup that will not be there. */
  looseAbsent: number
}

/** Every booking of the days ahead, judged: what is read for all of them is read at once. */
export function assessAhead({ db, settings, now, today, book }: TodayContext): Ahead[] {
  const end = findStartOfDay(addDays(today, DAYS_AHEAD), settings.zone)
  const rows = loadBookings(db, { start: now, end }).filter(
    (row) => row.state === 'pencilled' || row.state === 'confirmed',
  )
  const setupOf = loadSetups(
    db,
    rows.flatMap((row) => row.setupId ?? []),
  )
  const requests = rows.flatMap((row) => {
    const setup = setupOf.get(row.setupId ?? '')
    return setup ? [{ setup, context: makeBookingContext(now, row) }] : []
  })
  const readiness = assessAll(db, requests, settings, book)
  const byBooking = new Map(requests.map(({ context }, at) => [context.exceptBookingId, readiness[at] ?? null]))
  const absent = countLooseAbsent(db, rows, now, settings, book)
  return rows.map((row) => ({
    row,
    setup: setupOf.get(row.setupId ?? '') ?? null,
    readiness: byBooking.get(row.id) ?? null,
    looseAbsent: absent.get(row.id) ?? 0,
  }))
}

/** Of each booking: how many loose things beside its setup will not be there. */
function countLooseAbsent(
  db: Database,
  rows: readonly BookingRow[],
  now: number,
  { zone }: StudioSettings,
  book: HoldBook,
): Map<string, number> {
  const withLoose = rows.filter((row) => row.unitIds.length > 0)
  if (withLoose.length === 0) return new Map()
  const unitIds = withLoose.flatMap((row) => row.unitIds)
  const { units } = loadHoldings(db, unitIds, [])
  const blocking = loadBlockingFaults(db)
  return new Map(
    withLoose.map((row) => {
      const own = row.unitIds.flatMap((id) => units.get(id) ?? [])
      return [row.id, listAbsences(own, makeBookingContext(now, row), zone, blocking, book).size]
    }),
  )
}

export function listShoots({ db }: TodayContext, ahead: readonly Ahead[]): TodayItem[] {
  const shoots = ahead.filter(({ row }) => row.kind === 'shoot').slice(0, 5)
  const names = loadSubjectNames(
    db,
    shoots.flatMap(({ row }) => listSubjects(row)),
  )
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
      place: names.get(row.placeId ?? '') ?? '',
      people: row.personIds.map((id) => names.get(id) ?? id),
      stops: (counts?.stop ?? 0) + looseAbsent,
      checks: (counts?.warn ?? 0) + (counts?.unknown ?? 0) + (counts?.advise ?? 0),
      state: row.state,
    }
  })
}

const listSubjects = ({ placeId, personIds }: BookingRow) => [
  ...(placeId ? [{ subject: 'place' as const, subjectId: placeId }] : []),
  ...personIds.map((subjectId) => ({ subject: 'person' as const, subjectId })),
]

export function listPreparation(context: TodayContext, ahead: readonly Ahead[]): TodayItem[] {
  const { db, today } = context
  const interfaces = loadInterfaces(db)
  const toBuy = loadShoppingNeeds(context, ahead)
  const bookings = ahead.map(({ row, readiness }): AheadBooking => {
    return { id: row.id, title: row.title, startsAt: row.startsAt, readiness, toBuy: toBuy.get(row.id) ?? [] }
  })
  const next = ahead[0]
  return withoutListed([
    ...listPreparations(bookings, today, (code) => interfaces.get(code)?.label ?? code),
    ...(next && next.row.startsAt.slice(0, 10) <= addDays(today, 1) ? [makeFetch(db, next)] : []),
    ...listShoppingLines(db),
    ...listLowStock(db),
  ])
}

/** What stops the bookings ahead and has to be bought, each by what is free at its time. */
function loadShoppingNeeds(
  { db, settings, now, book }: TodayContext,
  ahead: readonly Ahead[],
): Map<string, AheadBooking['toBuy']> {
  const stopped = ahead.filter(({ readiness }) => readiness?.findings.some((it) => it.level === 'stop'))
  if (stopped.length === 0) return new Map()
  const findings = stopped.flatMap((it) => it.readiness?.findings ?? []).filter((it) => it.level === 'stop')
  const shelf = loadShelf(db, makeShoppingFilter(findings))
  return new Map(
    stopped.map(({ row, setup, readiness }) => {
      const context = makeBookingContext(now, row)
      const wanting = { setup: setup ?? { roles: [] }, zone: settings.zone, context, book, circuits: [] }
      return [row.id, listShoppingNeeds(readiness?.findings ?? [], listFree(shelf, wanting))]
    }),
  )
}

function listShoppingLines(db: Database): TodayItem[] {
  const lines = db.select().from(shoppingLines).where(isNull(shoppingLines.boughtAt)).all()
  return lines.map(({ id, item, quantity, reason }) => ({
    key: `line/${id}`,
    level: 'advise',
    section: 'before',
    code: 'buy',
    item,
    quantity,
    reason,
    lineId: id,
  }))
}

function makeFetch(db: Database, { row, setup }: Ahead): TodayItem {
  const setupOf = new Map(setup ? [[setup.id, setup]] : [])
  const items = listItems(row, setupOf, loadKin(db))
  const holdings = loadHoldings(
    db,
    items.flatMap((it) => it.unitId ?? []),
    items.flatMap((it) => it.stockId ?? []),
  )
  const from = [
    ...[...holdings.units.values()].map((it) => it.nowPlaceId ?? it.placeId),
    ...[...holdings.stock.values()].map((it) => it.placeId),
  ]
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
  return loadStockRows(db)
    .filter(({ stock: it }) => it.reorderLevel > 0 && it.quantity <= it.reorderLevel)
    .map(({ stock: it, model: { name } }) => ({
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

/** What is due or soon will be: each thing by its own interval, and by a plan all of its things at once. */
export function listServices({ db, settings, now, book }: TodayContext, rows: readonly ServedRow[]): TodayItem[] {
  const soon = listServiceLines(db, { now, zone: settings.zone, book, rows }).filter(
    (it) => it.daysLeft !== null && it.daysLeft <= settings.serviceNoticeDays,
  )
  const groups = new Map<string, ServiceLine[]>()
  for (const it of soon) {
    const key = it.planId ?? it.unitId
    groups.set(key, [...(groups.get(key) ?? []), it])
  }
  return [...groups].flatMap(([key, lines]): TodayItem[] => {
    const [first] = lines
    if (!first || first.dueOn === null || first.daysLeft === null) return []
    const { planId, plan, tag, name, dueOn, daysLeft, isDue } = first
    return [
      {
        key: `service/${key}`,
        level: isDue ? 'warn' : 'advise',
        section: 'before',
        code: 'service',
        plan: planId === null ? null : plan,
        things: lines.length,
        tag,
        name,
        dueOn,
        daysLeft,
      },
    ]
  })
}
