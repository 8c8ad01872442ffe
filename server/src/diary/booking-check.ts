import {
  type Absence,
  buildPackSheet,
  findCollisions,
  findHoldInterval,
  findInstant,
  findStandIns,
  type Hold,
  isKindOf,
  listUnitIds,
  type NewBooking,
  nameModel,
  type Setup,
  type StudioSettings,
} from '@exemplar/core'
import { eq } from 'drizzle-orm'
import { listAbsences, loadBlockingFaults } from '../availability/absences.ts'
import { requireBooking } from '../availability/bookings.ts'
import { isAnyOf, loadHoldings } from '../availability/holdings.ts'
import { listItems, loadHoldBook, loadKin, loadSetups, makeDraftHold, toBooking } from '../availability/holds.ts'
import { refuseField } from '../foundation/base/problem.ts'
import type { AppContext, Transaction } from '../foundation/database/app-context.ts'
import type { Database } from '../foundation/database/database.ts'
import { units } from '../schema/kit-tables.ts'
import { people, places } from '../schema/studio-tables.ts'
import type { AssessmentContext } from '../setups/assessment-context.ts'
import { type AssessmentRequest, loadAssessment } from '../setups/assessment-store.ts'
import { loadFreeStore } from '../setups/free-store.ts'
import { loadStudio } from '../studio/settings/settings-routes.ts'

export function requireParts(tx: Database | Transaction, body: NewBooking): Setup | null {
  const setup = body.setupId ? loadSetups(tx, [body.setupId]).get(body.setupId) : null
  if (body.setupId && !setup) throw refuseField('/setupId', 'There is no such setup.')
  if (body.placeId && !tx.select().from(places).where(eq(places.id, body.placeId)).get()) {
    throw refuseField('/placeId', 'There is no such room.')
  }
  const known = new Set(
    [
      ...tx.select({ id: people.id }).from(people).where(isAnyOf(people.id, body.personIds)).all(),
      ...tx.select({ id: units.id }).from(units).where(isAnyOf(units.id, body.unitIds)).all(),
    ].map((it) => it.id),
  )
  for (const [at, id] of body.personIds.entries()) {
    if (!known.has(id)) throw refuseField(`/personIds/${at}`, 'There is no such person.')
  }
  for (const [at, id] of body.unitIds.entries()) {
    if (!known.has(id)) throw refuseField(`/unitIds/${at}`, 'There is no such thing.')
  }
  return setup ?? null
}

export interface Trouble {
  unitId: string
  tag: string
  name: string
  absence: Absence
  standIns: { unitId: string; tag: string; name: string }[]
}

/** What stands in the way of a booking: things, rooms and people that are not free, and what is free instead. */
export function checkBooking({ db, now }: AppContext, draft: NewBooking, exceptBookingId: string | null) {
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
  }
  const book = loadHoldBook(db, interval, context.now)
  const others = book.within(interval, exceptBookingId)
  const own = makeDraftHold(draft, setup, loadKin(db), settings.zone, exceptBookingId ?? 'draft')
  const holdings = loadHoldings(db, own.unitIds, [])
  const blocking = loadBlockingFaults(db, own.unitIds)
  const absences = listAbsences([...holdings.units.values()], context, settings.zone, blocking, book)
  const standInsOf = setup ? findStandInsOf(db, { setup, context }, [...absences.keys()], settings) : null
  const troubles = [...absences].map(([unitId, absence]): Trouble => {
    const unit = holdings.units.get(unitId)
    const model = holdings.models.get(unit?.modelId ?? '')
    const name = model ? nameModel(model) : ''
    return { unitId, tag: unit?.tag ?? unitId, name, absence, standIns: standInsOf?.get(unitId) ?? [] }
  })
  const clashes = findCollisions([own, ...others]).filter(
    (it) => it.subject !== 'unit' && it.bookingIds.includes(own.bookingId),
  )
  const titles = new Map(others.map((hold) => [hold.bookingId, hold.title]))
  const names = loadSubjectNames(db, clashes)
  return {
    interval,
    movedMinutes: {
      start: findInstant(draft.startsAt, settings.zone).movedMinutes,
      end: findInstant(draft.endsAt, settings.zone).movedMinutes,
    },
    /** Who of the team is taken at that time, and by what. */
    busy: others.flatMap((hold) => hold.personIds.map((personId) => ({ personId, title: hold.title }))),
    troubles: troubles.sort((a, b) => (a.tag < b.tag ? -1 : 1)),
    clashes: clashes.map((it) => ({
      subject: it.subject,
      label: names.get(it.subjectId) ?? it.subjectId,
      interval: it.interval,
      title: titles.get(it.bookingIds.find((id) => id !== own.bookingId) ?? '') ?? '',
    })),
  }
}

/** At most so many things are offered for one that is not free. */
const MOST_OFFERED = 3

/** What is free instead of things of the setup that are not, read for all of them at once. */
function findStandInsOf(
  db: Database,
  request: AssessmentRequest,
  absentIds: readonly string[],
  settings: StudioSettings,
): Map<string, Trouble['standIns']> {
  const wanted = listUnitIds(request.setup).filter((id) => absentIds.includes(id))
  if (wanted.length === 0) return new Map()
  const loaded = loadAssessment(db, request, settings)
  const { units: held, models } = loaded.input.holdings
  const kinds = wanted.flatMap((id) => models.get(held.get(id)?.modelId ?? '')?.category ?? [])
  const store = loadFreeStore(db, loaded, (model) => kinds.some((kind) => isKindOf(model.category, kind)))
  return new Map(
    wanted.map((id) => {
      const found = findStandIns(loaded.input, id, store).slice(0, MOST_OFFERED)
      return [id, found.map(({ unit, model }) => ({ unitId: unit.id, tag: unit.tag, name: nameModel(model) }))]
    }),
  )
}

type NamedSubject = { subject: 'unit' | 'place' | 'person'; subjectId: string }

/** What things, rooms and people are called, by their ids: at most four statements. */
export function loadSubjectNames(db: Database, subjects: readonly NamedSubject[]): Map<string, string> {
  const idsOf = (subject: NamedSubject['subject']) =>
    subjects.flatMap((it) => (it.subject === subject ? [it.subjectId] : []))
  const names = new Map<string, string>()
  const unitIds = idsOf('unit')
  const { units: found, models } = loadHoldings(db, unitIds, [])
  for (const unit of found.values()) {
    const model = models.get(unit.modelId)
    names.set(unit.id, model ? `${unit.tag} ${nameModel(model)}` : unit.tag)
  }
  for (const [subject, table] of [['place', places] as const, ['person', people] as const]) {
    const ids = idsOf(subject)
    if (ids.length === 0) continue
    const rows = db.select({ id: table.id, name: table.name }).from(table).where(isAnyOf(table.id, ids)).all()
    for (const { id, name } of rows) names.set(id, name)
  }
  return names
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
  const placeOf = new Map(
    db
      .select()
      .from(places)
      .all()
      .map((place) => [place.id, place]),
  )
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
    sheet: buildPackSheet(items, holdings, placeOf, roleNames),
  }
}
