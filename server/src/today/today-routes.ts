import {
  addDays,
  arrangeToday,
  countDays,
  findCollisions,
  findDate,
  findStartOfDay,
  findStockShortages,
  isOnLoan,
  nameModel,
  type Readiness,
  type ReadinessFinding,
  type StudioSettings,
  type TodayItem,
} from '@exemplar/core'
import { and, desc, eq, inArray, isNotNull, isNull, lte, max, sql } from 'drizzle-orm'
import { listOpenFaults, listServicesDue } from '../bench/bench-routes.ts'
import { nameSubject } from '../diary/booking-routes.ts'
import { type BookingRow, listItems, loadBookings, loadHolds, loadSetups } from '../diary/holds.ts'
import { bookings } from '../diary/tables.ts'
import type { Database } from '../foundation/database.ts'
import type { House } from '../foundation/house.ts'
import { defineRoute } from '../foundation/route.ts'
import { loadHoldings } from '../kit/facts.ts'
import { models, stock, units } from '../kit/tables.ts'
import { loadSpending } from '../ledger/ledger-routes.ts'
import { shoppingLines } from '../ledger/tables.ts'
import { judgeSetup, loadAbsences } from '../setups/judging.ts'
import { setupUnits } from '../setups/tables.ts'
import { loadStudio } from '../studio/studio-routes.ts'
import { events, parties } from '../studio/tables.ts'

const DAYS_AHEAD = 14
const IDLE_DAYS = 180

interface Moment {
  db: Database
  settings: StudioSettings
  now: number
  today: string
}

/** One booking ahead with what is found about its setup. */
interface Ahead {
  row: BookingRow
  readiness: Readiness | null
  /** Loose things beside the setup that will not be there. */
  looseAbsent: number
}

function gatherToday(house: House): TodayItem[] {
  const settings = loadStudio(house.db)
  const now = house.now()
  const moment: Moment = { db: house.db, settings, now, today: findDate(now, settings.zone) }
  const ahead = judgeAhead(moment)
  return [
    ...listShoots(moment, ahead),
    ...listPreparation(moment, ahead),
    ...listServices(moment),
    ...listOut(moment),
    ...listLoans(moment),
    ...listCollisions(moment),
    ...listDecisions(moment),
  ]
}

function judgeAhead({ db, settings, now, today }: Moment): Ahead[] {
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
    const occasion = { now, interval, exceptBookingId: row.id, countsBookings: true }
    const loose = [...loadHoldings(db, row.unitIds, []).units.values()]
    const looseAbsent = loose.length
      ? loadAbsences(db, loose, occasion, settings.zone, loadHolds(db, interval, row.id)).size
      : 0
    return { row, readiness: setup ? judgeSetup(db, setup, occasion, settings) : null, looseAbsent }
  })
}

function listShoots({ db }: Moment, ahead: readonly Ahead[]): TodayItem[] {
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

function listPreparation(moment: Moment, ahead: readonly Ahead[]): TodayItem[] {
  const { db, today } = moment
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
  const items = listItems(row, loadSetups(db, row.setupId ? [row.setupId] : []))
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

function listServices({ db, settings, today }: Moment): TodayItem[] {
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

function listOut({ db, now }: Moment): TodayItem[] {
  return db
    .select()
    .from(bookings)
    .where(eq(bookings.state, 'out'))
    .orderBy(bookings.holdEnd)
    .all()
    .map((row) => {
      const isLate = row.holdEnd < now
      return {
        key: `out/${row.id}`,
        level: isLate ? 'warn' : 'advise',
        section: 'out',
        code: 'out',
        bookingId: row.id,
        title: row.title,
        pieces: (row.items ?? []).reduce((sum, it) => sum + (it.state === 'out' ? it.quantity : 0), 0),
        people: row.personIds.map((id) => nameSubject(db, 'person', id)),
        endsAt: row.endsAt,
        isLate,
      }
    })
}

function listLoans({ db, settings, today, now }: Moment): TodayItem[] {
  const borrowed = db
    .select({ unit: units, maker: models.maker, name: models.name, owner: parties.name })
    .from(units)
    .innerJoin(models, eq(models.id, units.modelId))
    .leftJoin(parties, eq(parties.id, units.partyId))
    .where(
      and(
        isNull(units.archivedAt),
        isNotNull(units.dueOn),
        inArray(units.acquisition, ['loan-in', 'rented']),
        lte(units.dueOn, addDays(today, 7)),
        inArray(units.state, ['in-service', 'standby']),
      ),
    )
    .all()
    .filter((row) => isOnLoan(row.unit))
  if (borrowed.length === 0) return []
  const holds = loadHolds(db, { start: now, end: findStartOfDay(addDays(today, 60), settings.zone) })
  return borrowed.map(({ unit, maker, name, owner }): TodayItem => {
    const dueOn = unit.dueOn ?? today
    const gone = findStartOfDay(addDays(dueOn, 1), settings.zone)
    const wanting = holds.find((hold) => hold.unitIds.includes(unit.id) && hold.interval.end > gone)
    const row = wanting ? db.select().from(bookings).where(eq(bookings.id, wanting.bookingId)).get() : null
    const daysLeft = countDays(today, dueOn)
    return {
      key: `loan/${unit.id}`,
      level: row ? 'stop' : daysLeft < 0 ? 'warn' : 'advise',
      section: 'out',
      code: 'loan',
      unitId: unit.id,
      tag: unit.tag,
      name: nameModel({ maker, name }),
      owner: owner ?? 'somebody',
      dueOn,
      daysLeft,
      bookedFor: row ? { bookingId: row.id, title: row.title, startsAt: row.startsAt } : null,
    }
  })
}

function listCollisions({ db, settings, now, today }: Moment): TodayItem[] {
  const interval = { start: now, end: findStartOfDay(addDays(today, DAYS_AHEAD), settings.zone) }
  const holds = loadHolds(db, interval)
  const titles = new Map(holds.map((hold) => [hold.bookingId, hold.title]))
  const collisions = findCollisions(holds).map(
    (it): TodayItem => ({
      key: `collision/${it.subjectId}/${it.bookingIds.join('/')}`,
      level: it.subject === 'unit' ? 'stop' : 'warn',
      section: 'collides',
      code: 'collision',
      subject: it.subject,
      label: nameSubject(db, it.subject, it.subjectId),
      from: it.interval.start,
      until: it.interval.end,
      bookings: it.bookingIds.map((id) => ({ id, title: titles.get(id) ?? '' })),
    }),
  )
  const counted = db
    .select({ stock, name: models.name })
    .from(stock)
    .innerJoin(models, eq(models.id, stock.modelId))
    .all()
  const quantities = new Map(counted.map((row) => [row.stock.id, row.stock.quantity]))
  const names = new Map(counted.map((row) => [row.stock.id, row.name]))
  const shortages = findStockShortages(holds, quantities).map(
    (it): TodayItem => ({
      key: `stock/${it.stockId}`,
      level: 'stop',
      section: 'collides',
      code: 'stock',
      label: names.get(it.stockId) ?? it.stockId,
      wanted: it.wanted,
      have: it.have,
      at: it.at,
    }),
  )
  return [...collisions, ...shortages]
}

function listDecisions({ db, settings, today }: Moment): TodayItem[] {
  const items: TodayItem[] = listOpenFaults(db)
    .filter((fault) => fault.severity === 'unusable')
    .map((fault) => ({
      key: `fault/${fault.id}`,
      level: fault.serves.length ? 'warn' : 'advise',
      section: 'decide',
      code: 'fault',
      unitId: fault.unitId,
      tag: fault.tag,
      name: fault.name,
      note: fault.note,
      days: countDays(findDate(fault.reportedAt, settings.zone), today),
    }))
  const year = Number(today.slice(0, 4))
  const { totalMinor, budgetMinor, isOver } = loadSpending(db, year)
  if (isOver && budgetMinor !== null) {
    items.push({ key: 'budget', level: 'warn', section: 'decide', code: 'budget', totalMinor, budgetMinor, year })
  }
  return [...items, ...listIdle(db, today, settings.zone)]
}

/** The dearest things that stand in no setup and have not gone out for half a year. */
function listIdle(db: Database, today: string, zone: string): TodayItem[] {
  const lastOut = db
    .select({ unitId: events.subjectId, at: max(events.at).as('at') })
    .from(events)
    .where(and(eq(events.subjectType, 'unit'), eq(events.kind, 'checked-out')))
    .groupBy(events.subjectId)
    .as('last_out')
  return db
    .select({ unit: units, maker: models.maker, name: models.name, at: lastOut.at })
    .from(units)
    .innerJoin(models, eq(models.id, units.modelId))
    .leftJoin(lastOut, eq(lastOut.unitId, units.id))
    .where(
      and(
        isNull(units.archivedAt),
        eq(units.state, 'in-service'),
        isNotNull(units.priceMinor),
        lte(units.acquiredOn, addDays(today, -IDLE_DAYS)),
        sql`not exists (select 1 from ${setupUnits} where ${setupUnits.unitId} = ${units.id})`,
      ),
    )
    .orderBy(desc(units.priceMinor))
    .limit(20)
    .all()
    .flatMap(({ unit, maker, name, at }): TodayItem[] => {
      const since = at === null ? (unit.acquiredOn ?? today) : findDate(at, zone)
      const days = countDays(since, today)
      if (days < IDLE_DAYS) return []
      const { id, tag, priceMinor } = unit
      return [
        {
          key: `idle/${id}`,
          level: 'advise',
          section: 'decide',
          code: 'idle',
          unitId: id,
          tag,
          name: nameModel({ maker, name }),
          days,
          priceMinor,
        },
      ]
    })
    .slice(0, 3)
}

export const todayRoutes = [
  defineRoute({
    method: 'get',
    path: '/today',
    room: 'today',
    summary: 'What matters now: next shoots, preparation, what is out, collisions, decisions',
    handle: (_, house) => {
      const { zone } = loadStudio(house.db)
      return { date: findDate(house.now(), zone), sections: arrangeToday(gatherToday(house)) }
    },
  }),
]
