import {
  type Absence,
  type BookingItem,
  buildPackSheet,
  findAbsence,
  findAbsences,
  findClosure,
  findCollisions,
  findHoldInterval,
  findInstant,
  type Hold,
  type Holdings,
  isKindOf,
  listUnitIds,
  makeStandInSearch,
  type NewBooking,
  nameModel,
  pairEnds,
  type Setup,
  type StudioSettings,
  type SwappedEnds,
  type Wanted,
} from '@exemplar/core'
import { listAbsences, makeCalendar } from '../availability/absences.ts'
import { requireBooking } from '../availability/bookings.ts'
import { isAnyOf, loadHoldings } from '../availability/holdings.ts'
import {
  type BookingRow,
  type HoldBook,
  listItems,
  loadHoldBook,
  loadSetups,
  makeDraftHold,
  toBooking,
} from '../availability/holds.ts'
import { loadBlockingFaults, loadKin, loadModels, loadPeople, loadPlaces } from '../availability/reference.ts'
import { refuseField } from '../foundation/base/problem.ts'
import type { AppContext, Transaction } from '../foundation/database/app-context.ts'
import type { Database } from '../foundation/database/database.ts'
import { units } from '../schema/kit-tables.ts'
import { type AssessmentContext, makeBookingContext } from '../setups/assessment-context.ts'
import { type AssessmentRequest, loadAssessment } from '../setups/assessment-store.ts'
import { listFree, loadUnitShelf } from '../setups/free-store.ts'
import { listStandingThere } from '../setups/rig-store.ts'
import { loadStudio } from '../studio/settings/settings-routes.ts'

export function requireParts(tx: Database | Transaction, body: NewBooking): Setup | null {
  const setup = body.setupId ? loadSetups(tx, [body.setupId]).get(body.setupId) : null
  if (body.setupId && !setup) throw refuseField('/setupId', 'There is no such setup.')
  if (body.placeId && !loadPlaces(tx).has(body.placeId)) {
    throw refuseField('/placeId', 'There is no such room.')
  }
  const everybody = loadPeople(tx)
  for (const [at, id] of body.personIds.entries()) {
    if (!everybody.has(id)) throw refuseField(`/personIds/${at}`, 'There is no such person.')
  }
  if (body.unitIds.length === 0) return setup ?? null
  const rows = tx.select({ id: units.id }).from(units).where(isAnyOf(units.id, body.unitIds)).all()
  const known = new Set(rows.map((it) => it.id))
  for (const [at, id] of body.unitIds.entries()) {
    if (!known.has(id)) throw refuseField(`/unitIds/${at}`, 'There is no such thing.')
  }
  return setup ?? null
}

/**
 * Nothing is confirmed for a room that is closed by then; pencilled it may be, until that is settled. What was confirmed before the
 * room closed stays, as long as it is not put off or moved there.
 */
export function requireOpenRoom(tx: Transaction, body: NewBooking, before: BookingRow | null): void {
  const place = loadPlaces(tx).get(body.placeId ?? '')
  if (!place || body.state !== 'confirmed') return
  const { zone } = loadStudio(tx)
  const hold = findHoldInterval(body, zone)
  if (!findClosure(place, hold, zone)) return
  const isAsItWas = before?.state === 'confirmed' && before.placeId === body.placeId && before.holdEnd >= hold.end
  if (isAsItWas) return
  throw refuseField(
    '/placeId',
    `${place.name} is not to be had any more on that day. Choose another room or an earlier day, or pencil it in until that is settled.`,
  )
}

export interface Trouble {
  unitId: string
  tag: string
  name: string
  absence: Absence
  standIns: { unitId: string; tag: string; name: string; ends: SwappedEnds }[]
}

/** What stands in the way of a booking: things, rooms and people that are not free, and what is free instead. */
export function checkBooking(app: AppContext, draft: NewBooking, exceptBookingId: string | null) {
  const { db, now } = app
  const settings = loadStudio(db)
  const setup = requireParts(db, draft)
  const interval = findHoldInterval(draft, settings.zone)
  const context: AssessmentContext = {
    now: now(),
    interval,
    exceptBookingId,
    countsBookings: true,
    bookedIds: draft.personIds,
    placeId: draft.placeId,
    filming: {
      start: interval.start + draft.rigMinutes * 60_000,
      end: interval.end - draft.strikeMinutes * 60_000,
      sky: draft.sky,
    },
  }
  const book = loadHoldBook(db, interval, context.now)
  const others = book.within(interval, exceptBookingId)
  const own = makeDraftHold(draft, setup, loadKin(db), settings.zone, exceptBookingId ?? 'draft')
  loadModels(db)
  const holdings = loadHoldings(db, own.unitIds, [...own.stock.keys()])
  const blocking = loadBlockingFaults(db)
  const absences = listAbsences([...holdings.units.values()], context, settings.zone, blocking, book)
  const standInsOf = setup
    ? findStandInsOf(db, { setup, context }, [...absences.keys()], settings, { book, holdings })
    : null
  const troubles = [...absences].map(([unitId, absence]): Trouble => {
    const unit = holdings.units.get(unitId)
    const model = holdings.models.get(unit?.modelId ?? '')
    const name = model ? nameModel(model) : ''
    return { unitId, tag: unit?.tag ?? unitId, name, absence, standIns: standInsOf?.get(unitId) ?? [] }
  })
  const calendar = makeCalendar(context, settings.zone, blocking, book)
  return {
    interval,
    movedMinutes: {
      start: findInstant(draft.startsAt, settings.zone).movedMinutes,
      end: findInstant(draft.endsAt, settings.zone).movedMinutes,
    },
    /** Who of the team is taken at that time, and by what. */
    busy: others.flatMap((hold) => hold.personIds.map((personId) => ({ personId, title: hold.title }))),
    troubles: troubles.sort((a, b) => (a.tag < b.tag ? -1 : 1)),
    standing: draft.needsFloor && draft.placeId ? listStandingThere(app, draft.placeId, draft.setupId) : [],
    clashes: listWanted(db, own, holdings).flatMap(({ label, subjectId, wanted }) => {
      const absence = findAbsence(wanted, interval, calendar)
      return absence && wanted.subject !== 'unit' ? [{ subject: wanted.subject, subjectId, label, absence }] : []
    }),
  }
}

/** Counted things, the room and the people of a booking, as they are asked after. */
function listWanted(
  db: Database,
  own: Hold,
  { stock, models }: Pick<Holdings, 'stock' | 'models'>,
): { label: string; subjectId: string; wanted: Wanted }[] {
  const place = loadPlaces(db).get(own.placeId ?? '')
  const everybody = loadPeople(db)
  return [
    ...(place ? [{ label: place.name, subjectId: place.id, wanted: { subject: 'place' as const, place } }] : []),
    ...own.personIds.map((id) => {
      const person = everybody.get(id)
      const hasLeft = person !== undefined && person.archivedAt !== null
      return { label: person?.name ?? id, subjectId: id, wanted: { subject: 'person' as const, id, hasLeft } }
    }),
    ...[...own.stock].flatMap(([id, wanted]) => {
      const counted = stock.get(id)
      const model = models.get(counted?.modelId ?? '')
      const label = counted && model ? `${counted.tag} ${nameModel(model)}` : id
      return counted
        ? [{ label, subjectId: id, wanted: { subject: 'stock' as const, id, have: counted.quantity, wanted } }]
        : []
    }),
  ]
}

/** At most so many things are offered for one that is not free. */
const MOST_OFFERED = 3

/** What is free instead of things of the setup that are not, read for all of them at once. */
function findStandInsOf(
  db: Database,
  request: AssessmentRequest,
  absentIds: readonly string[],
  settings: StudioSettings,
  { book, holdings }: { book: HoldBook; holdings: Holdings },
): Map<string, Trouble['standIns']> {
  const wanted = listUnitIds(request.setup).filter((id) => absentIds.includes(id))
  if (wanted.length === 0) return new Map()
  const loaded = loadAssessment(db, request, settings, { book, holdings })
  const { units: held, models } = loaded.input.holdings
  const kinds = wanted.flatMap((id) => models.get(held.get(id)?.modelId ?? '')?.category ?? [])
  const shelf = loadUnitShelf(db, (model) => kinds.some((kind) => isKindOf(model.category, kind)))
  const store = listFree(shelf, loaded)
  // Each thing is asked about by itself: that the others are taken too is said beside them, and would hide what fits here.
  const alone = { ...loaded.input, absences: new Map() }
  const search = makeStandInSearch(alone, store)
  return new Map(
    wanted.map((id) => {
      const found = search.find(id, MOST_OFFERED)
      const before = models.get(held.get(id)?.modelId ?? '')?.ports ?? []
      const standIns = found.map(({ unit, model }) => ({
        unitId: unit.id,
        tag: unit.tag,
        name: nameModel(model),
        ends: pairEnds(before, model.ports),
      }))
      return [id, standIns]
    }),
  )
}

/** What of a booking that has not left will not be there to be packed. */
function findAway(
  { db, now }: AppContext,
  row: BookingRow,
  items: readonly BookingItem[],
  { units: own, stock }: Pick<ReturnType<typeof loadHoldings>, 'units' | 'stock'>,
): Map<string, Absence> {
  if (row.state !== 'pencilled' && row.state !== 'confirmed') return new Map()
  const context = makeBookingContext(now(), row)
  const { zone } = loadStudio(db)
  const calendar = makeCalendar(context, zone, loadBlockingFaults(db), loadHoldBook(db, context.interval, context.now))
  const away = findAbsences(own.values(), context.interval, calendar)
  for (const { id, quantity: have } of stock.values()) {
    const wanted = items.reduce((sum, it) => sum + (it.stockId === id ? it.quantity : 0), 0)
    const short = findAbsence({ subject: 'stock', id, have, wanted }, context.interval, calendar)
    if (short) away.set(id, short)
  }
  return away
}

type NamedSubject = { subject: 'unit' | 'place' | 'person'; subjectId: string }

/** What things, rooms and people are called, by their ids. */
export function loadSubjectNames(db: Database, subjects: readonly NamedSubject[]): Map<string, string> {
  const { units: found, models } = loadHoldings(
    db,
    subjects.flatMap((it) => (it.subject === 'unit' ? [it.subjectId] : [])),
    [],
  )
  return new Map(
    subjects.flatMap(({ subject, subjectId: id }) => {
      const unit = found.get(id)
      const model = models.get(unit?.modelId ?? '')
      const own = unit && (model ? `${unit.tag} ${nameModel(model)}` : unit.tag)
      const name = { unit: own, place: loadPlaces(db).get(id)?.name, person: loadPeople(db).get(id)?.name }[subject]
      return name ? [[id, name] as const] : []
    }),
  )
}

export function describeCollisions(db: Database, holds: readonly Hold[]) {
  const titles = new Map(holds.map((hold) => [hold.bookingId, hold.title]))
  const found = findCollisions(holds)
  const names = loadSubjectNames(db, found)
  return found.map((it) => ({
    ...it,
    label: names.get(it.subjectId) ?? it.subjectId,
    bookings: it.bookingIds.map((id) => ({ id, title: titles.get(id) ?? id })),
  }))
}

export function loadBookingPage(app: AppContext, id: string) {
  const { db } = app
  const row = requireBooking(db, id)
  const setupOf = loadSetups(db, row.setupId ? [row.setupId] : [])
  const setup = setupOf.get(row.setupId ?? '') ?? null
  const items = listItems(row, setupOf, loadKin(db))
  const holdings = loadHoldings(
    db,
    items.flatMap((it) => it.unitId ?? []),
    items.flatMap((it) => it.stockId ?? []),
  )
  const placeOf = loadPlaces(db)
  const names = loadSubjectNames(
    db,
    row.personIds.map((subjectId) => ({ subject: 'person', subjectId })),
  )
  const roleNames = new Map((setup?.roles ?? []).map((role) => [role.id, role.name]))
  return {
    ...toBooking(row),
    setup: setup && { id: setup.id, code: setup.code, name: setup.name, tape: setup.tape },
    place: placeOf.get(row.placeId ?? '')?.name ?? null,
    people: row.personIds.map((personId) => names.get(personId) ?? personId),
    sheet: buildPackSheet(items, holdings, placeOf, roleNames, findAway(app, row, items, holdings)),
  }
}
