import {
  addDays,
  countDays,
  findCollisions,
  findStartOfDay,
  findStockShortages,
  isOnLoan,
  nameModel,
  type TodayItem,
} from '@exemplar/core'
import { and, eq, inArray, isNotNull, isNull, lte } from 'drizzle-orm'
import { loadSubjectNames } from '../diary/booking-check.ts'
import { bookings } from '../schema/diary-tables.ts'
import { models, stock, units } from '../schema/kit-tables.ts'
import { parties } from '../schema/studio-tables.ts'

import { DAYS_AHEAD, LOAN_DAYS_AHEAD, type TodayContext } from './today-context.ts'

export function listOut({ db, now }: TodayContext): TodayItem[] {
  const rows = db.select().from(bookings).where(eq(bookings.state, 'out')).orderBy(bookings.holdEnd).all()
  const people = rows.flatMap((row) => row.personIds.map((subjectId) => ({ subject: 'person' as const, subjectId })))
  const names = loadSubjectNames(db, people)
  return rows.map((row) => {
    const isLate = row.holdEnd < now
    return {
      key: `out/${row.id}`,
      level: isLate ? 'warn' : 'advise',
      section: 'out',
      code: 'out',
      bookingId: row.id,
      title: row.title,
      pieces: (row.items ?? []).reduce((sum, it) => sum + (it.state === 'out' ? it.quantity : 0), 0),
      people: row.personIds.map((id) => names.get(id) ?? id),
      endsAt: row.endsAt,
      isLate,
    }
  })
}

export function listLoans({ db, settings, today, now, book }: TodayContext): TodayItem[] {
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
  const holds = book.within({ start: now, end: findStartOfDay(addDays(today, LOAN_DAYS_AHEAD), settings.zone) })
  return borrowed.map(({ unit, maker, name, owner }): TodayItem => {
    const dueOn = unit.dueOn ?? today
    const gone = findStartOfDay(addDays(dueOn, 1), settings.zone)
    const wanting = holds.find((hold) => hold.unitIds.includes(unit.id) && hold.interval.end > gone)
    const row = wanting ? (book.rowOf(wanting.bookingId) ?? null) : null
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

const SUBJECT_ORDER = ['unit', 'place', 'person']

export function listCollisions({ db, settings, now, today, book }: TodayContext): TodayItem[] {
  const interval = { start: now, end: findStartOfDay(addDays(today, DAYS_AHEAD), settings.zone) }
  const holds = book.within(interval)
  const titles = new Map(holds.map((hold) => [hold.bookingId, hold.title]))
  const found = findCollisions(holds)
  const labels = loadSubjectNames(db, found)
  const pairs = new Map<string, typeof found>()
  for (const it of found) {
    const pair = [...it.bookingIds].sort().join('/')
    pairs.set(pair, [...(pairs.get(pair) ?? []), it])
  }
  // Two bookings that want twelve things at once are one matter to settle.
  const collisions = [...pairs].map(([pair, own]): TodayItem => {
    const { bookingIds } = own[0] as (typeof found)[number]
    return {
      key: `collision/${pair}`,
      level: own.some((it) => it.subject === 'unit') ? 'stop' : 'warn',
      section: 'collides',
      code: 'collision',
      wanted: own
        .map(({ subject, subjectId }) => ({ subject, label: labels.get(subjectId) ?? subjectId }))
        .sort((x, y) => SUBJECT_ORDER.indexOf(x.subject) - SUBJECT_ORDER.indexOf(y.subject)),
      from: Math.min(...own.map((it) => it.interval.start)),
      until: Math.max(...own.map((it) => it.interval.end)),
      bookings: bookingIds.map((id) => ({ id, title: titles.get(id) ?? '' })),
    }
  })
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
