import {
  addDays,
  asksOutcome,
  checkSeason,
  countDays,
  findDate,
  findStartOfDay,
  LIFE_STATES,
  nameModel,
  readWarranty,
  saySeason,
  type TodayItem,
} from '@exemplar/core'
import { and, desc, eq, gt, inArray, isNotNull, isNull, lte, max, ne, sql } from 'drizzle-orm'
import { isAnyOf } from '../availability/holdings.ts'
import { listItems, loadSetups } from '../availability/holds.ts'
import { loadKin } from '../availability/reference.ts'
import { listOpenFaults } from '../bench/open-faults.ts'
import type { ServedRow } from '../bench/service-lines.ts'
import type { Database } from '../foundation/database/database.ts'
import { loadUsedIn } from '../kit/unit/unit-list.ts'
import { loadYear } from '../ledger/ledger-routes.ts'
import { bookings } from '../schema/diary-tables.ts'
import { models, units } from '../schema/kit-tables.ts'
import { wishes } from '../schema/ledger-tables.ts'
import { setupUnits } from '../schema/setups-tables.ts'
import { events } from '../schema/studio-tables.ts'
import { eventStands } from '../studio/history/undo.ts'

import type { TodayContext } from './today-context.ts'

/** A thing that nobody wanted for so long is worth a question. */
const IDLE_DAYS = 180
/** So many of the dearest are looked at. */
const MOST_DEAR = 20

export function listDecisions(
  { db, settings, today }: TodayContext,
  seesMoney: boolean,
  things: readonly ServedRow[],
): TodayItem[] {
  const open = listOpenFaults(db)
  const items: TodayItem[] = open
    .filter((fault) => fault.severity === 'unusable')
    .map((fault) => ({
      key: `fault/${fault.id}`,
      level: fault.usedIn.length ? 'warn' : 'advise',
      section: 'decide',
      code: 'fault',
      unitId: fault.unitId,
      tag: fault.tag,
      name: fault.name,
      note: fault.note,
      days: countDays(findDate(fault.reportedAt, settings.zone), today),
    }))
  items.push(...listAgain(open))
  const year = Number(today.slice(0, 4))
  const { totalMinor, budgetMinor, isOver } = loadYear(db, year)
  if (seesMoney && isOver && budgetMinor !== null) {
    items.push({ key: 'budget', level: 'warn', section: 'decide', code: 'budget', totalMinor, budgetMinor, year })
  }
  return [
    ...items,
    ...listWarranties(today, things, new Set(open.map((it) => it.unitId))),
    ...listIdle(db, today, settings.zone),
    ...(seesMoney ? listWishesToDecide(db, today) : []),
  ]
}

/** Wishes of which it can be said whether they cured anything, and those that waited long enough. */
function listWishesToDecide(db: Database, today: string): TodayItem[] {
  const rows = db
    .select({ wish: wishes, model: models })
    .from(wishes)
    .innerJoin(models, eq(models.id, wishes.modelId))
    .where(inArray(wishes.state, ['open', 'here']))
    .orderBy(wishes.id)
    .all()
  return rows.flatMap(({ wish, model }): TodayItem[] => {
    const { id, state, waitsFor, waitsUntil, arrivedOn } = wish
    const own = { key: `wish/${id}`, level: 'advise', section: 'decide', code: 'wish', wishId: id } as const
    const told = { ...own, name: nameModel(model), waitsFor }
    if (asksOutcome(wish, today) && arrivedOn) return [{ ...told, why: 'outcome', on: arrivedOn }]
    const isOver = state === 'open' && waitsFor !== '' && waitsUntil !== null && waitsUntil < today
    return isOver ? [{ ...told, why: 'waited', on: waitsUntil }] : []
  })
}

/** Twice within a year is a question, three times an answer. Common practice. */
const OFTEN = 3

/** What works on and fails again and again. */
function listAgain(open: ReturnType<typeof listOpenFaults>): TodayItem[] {
  return open
    .filter((fault) => fault.severity !== 'unusable' && fault.severity !== 'cosmetic' && fault.timesInYear > 1)
    .map(({ id, unitId, tag, name, note, timesInYear }) => ({
      key: `fault-again/${id}`,
      level: timesInYear >= OFTEN ? 'warn' : 'advise',
      section: 'decide',
      code: 'fault-again',
      unitId,
      tag,
      name,
      note,
      times: timesInYear,
    }))
}

/** Props and backdrops whose season begins or is over. */
export function listSeasons({ db, today }: TodayContext, things: readonly ServedRow[]): TodayItem[] {
  const rows = things.filter(({ unit }) => unit.season !== null && LIFE_STATES[unit.state].usable)
  if (rows.length === 0) return []
  const usedIn = loadUsedIn(
    db,
    rows.map((it) => it.unit.id),
  )
  return rows.flatMap(({ unit, model }): TodayItem[] => {
    const setups = [...new Set((usedIn.get(unit.id) ?? []).map((it) => it.code))]
    const deed = unit.season && checkSeason(unit.season, today, setups.length > 0)
    if (!unit.season || !deed) return []
    return [
      {
        key: `season/${unit.id}`,
        level: 'advise',
        section: 'before',
        code: 'season',
        unitId: unit.id,
        tag: unit.tag,
        name: nameModel(model),
        season: saySeason(unit.season),
        deed,
        setups,
      },
    ]
  })
}

/** The dearest things that stand in no setup and have not gone out for half a year. */
function listIdle(db: Database, today: string, zone: string): TodayItem[] {
  const dearest = db
    .select({ unit: units, maker: models.maker, name: models.name })
    .from(units)
    .innerJoin(models, eq(models.id, units.modelId))
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
    .limit(MOST_DEAR)
    .all()
  const ids = dearest.map((it) => it.unit.id)
  const lastOut = db
    .select({ unitId: events.subjectId, at: max(events.at) })
    .from(events)
    .where(
      and(eq(events.subjectType, 'unit'), isAnyOf(events.subjectId, ids), eq(events.kind, 'checked-out'), eventStands),
    )
    .groupBy(events.subjectId)
    .all()
  const outOf = new Map(lastOut.map((it) => [it.unitId, it.at]))
  const bookedUntil = findBookedUntil(db, findStartOfDay(addDays(today, -IDLE_DAYS), zone))
  return dearest
    .map((it) => ({ ...it, at: latest(outOf.get(it.unit.id), bookedUntil.get(it.unit.id)) }))
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

const latest = (...instants: (number | null | undefined)[]): number | null =>
  instants.reduce<number | null>((last, at) => (at != null && (last === null || at > last) ? at : last), null)

/** When the last booking ends that wants a thing, of those that end after an instant: taken out or not, past or to come. */
function findBookedUntil(db: Database, since: number): Map<string, number> {
  const rows = db
    .select()
    .from(bookings)
    .where(and(gt(bookings.holdEnd, since), ne(bookings.state, 'cancelled')))
    .all()
  const setupOf = loadSetups(
    db,
    rows.flatMap((row) => row.setupId ?? []),
  )
  const kin = loadKin(db)
  const until = new Map<string, number>()
  for (const row of rows) {
    for (const { unitId } of listItems(row, setupOf, kin)) {
      if (unitId) until.set(unitId, Math.max(until.get(unitId) ?? 0, row.holdEnd))
    }
  }
  return until
}

/** Warranties that end soon: what is wrong is claimed before. */
function listWarranties(today: string, rows: readonly ServedRow[], faulty: ReadonlySet<string>): TodayItem[] {
  return rows.flatMap(({ unit, model }): TodayItem[] => {
    const { warrantyUntil, warrantyTerms } = unit.provenance
    if (warrantyUntil === null || !readWarranty(warrantyUntil, today).isEnding) return []
    return [
      {
        key: `warranty/${unit.id}`,
        level: faulty.has(unit.id) ? 'warn' : 'advise',
        section: 'decide',
        code: 'warranty',
        unitId: unit.id,
        tag: unit.tag,
        name: nameModel(model),
        until: warrantyUntil,
        terms: warrantyTerms,
        isFaulty: faulty.has(unit.id),
      },
    ]
  })
}
