import {
  type Absence,
  assessSetup,
  buildPackSheet,
  findCollisions,
  findHoldInterval,
  findInstant,
  findStandIns,
  type Hold,
  listUnitIds,
  type NewBooking,
  nameModel,
  type Setup,
  type StudioSettings,
} from '@exemplar/core'
import { eq } from 'drizzle-orm'
import { loadHoldings } from '../availability/holdings.ts'
import {
  type BookingRow,
  listItems,
  loadHolds,
  loadKin,
  loadSetups,
  makeDraftHold,
  toBooking,
} from '../availability/holds.ts'
import { refuseField, refuseMissing } from '../foundation/base/problem.ts'
import type { AppContext, Transaction } from '../foundation/database/app-context.ts'
import type { Database } from '../foundation/database/database.ts'
import { bookings } from '../schema/diary-tables.ts'
import { units } from '../schema/kit-tables.ts'
import { people, places } from '../schema/studio-tables.ts'
import { type AssessmentContext, loadAbsences, loadAssessmentInput, loadStore } from '../setups/assessing.ts'
import { loadStudio } from '../studio/settings/settings-routes.ts'

export function requireBooking(db: Database | Transaction, id: string): BookingRow {
  const row = db.select().from(bookings).where(eq(bookings.id, id)).get()
  if (!row) throw refuseMissing('booking')
  return row
}

export function requireParts(tx: Database | Transaction, body: NewBooking): Setup | null {
  const setup = body.setupId ? loadSetups(tx, [body.setupId]).get(body.setupId) : null
  if (body.setupId && !setup) throw refuseField('/setupId', 'There is no such setup.')
  if (body.placeId && !tx.select().from(places).where(eq(places.id, body.placeId)).get()) {
    throw refuseField('/placeId', 'There is no such room.')
  }
  for (const [at, id] of body.personIds.entries()) {
    if (!tx.select().from(people).where(eq(people.id, id)).get())
      throw refuseField(`/personIds/${at}`, 'There is no such person.')
  }
  for (const [at, id] of body.unitIds.entries()) {
    if (!tx.select().from(units).where(eq(units.id, id)).get())
      throw refuseField(`/unitIds/${at}`, 'There is no such thing.')
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
  const others = loadHolds(db, interval, exceptBookingId)
  const own = makeDraftHold(draft, setup, loadKin(db), settings.zone, exceptBookingId ?? 'draft')
  const holdings = loadHoldings(db, own.unitIds, [])
  const occasion: AssessmentContext = {
    now: now(),
    interval,
    exceptBookingId,
    countsBookings: true,
    bookedIds: draft.personIds,
    placeId: draft.placeId,
  }
  const absences = loadAbsences(db, [...holdings.units.values()], occasion, settings.zone, others)
  const troubles = [...absences].map(([unitId, absence]): Trouble => {
    const unit = holdings.units.get(unitId)
    const model = holdings.models.get(unit?.modelId ?? '')
    const inSetup = setup !== null && listUnitIds(setup).includes(unitId)
    return {
      unitId,
      tag: unit?.tag ?? unitId,
      name: model ? nameModel(model) : '',
      absence,
      standIns: inSetup ? listStandIns(db, setup, unitId, occasion, settings) : [],
    }
  })
  const clashes = findCollisions([own, ...others]).filter(
    (it) => it.subject !== 'unit' && it.bookingIds.includes(own.bookingId),
  )
  const titles = new Map(others.map((hold) => [hold.bookingId, hold.title]))
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
      label: nameSubject(db, it.subject, it.subjectId),
      interval: it.interval,
      title: titles.get(it.bookingIds.find((id) => id !== own.bookingId) ?? '') ?? '',
    })),
  }
}

function listStandIns(
  db: Database,
  setup: Setup,
  unitId: string,
  occasion: AssessmentContext,
  settings: StudioSettings,
) {
  const { input, holds } = loadAssessmentInput(db, setup, occasion, settings)
  const store = loadStore(db, input, assessSetup(input), occasion, holds)
  return findStandIns(input, unitId, store)
    .slice(0, 3)
    .map((it) => ({ unitId: it.unit.id, tag: it.unit.tag, name: nameModel(it.model) }))
}

export function nameSubject(db: Database, subject: 'unit' | 'place' | 'person', id: string): string {
  if (subject === 'place') return db.select().from(places).where(eq(places.id, id)).get()?.name ?? id
  if (subject === 'person') return db.select().from(people).where(eq(people.id, id)).get()?.name ?? id
  const holdings = loadHoldings(db, [id], [])
  const unit = holdings.units.get(id)
  const model = holdings.models.get(unit?.modelId ?? '')
  return unit && model ? `${unit.tag} ${nameModel(model)}` : id
}

export function describeCollisions(db: Database, holds: readonly Hold[]) {
  const titles = new Map(holds.map((hold) => [hold.bookingId, hold.title]))
  return findCollisions(holds).map((it) => ({
    ...it,
    label: nameSubject(db, it.subject, it.subjectId),
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
  const roleNames = new Map((setup?.roles ?? []).map((role) => [role.id, role.name]))
  return {
    ...toBooking(row),
    setup: setup && { id: setup.id, code: setup.code, name: setup.name, tape: setup.tape },
    place: placeOf.get(row.placeId ?? '')?.name ?? null,
    people: row.personIds.map((personId) => nameSubject(db, 'person', personId)),
    sheet: buildPackSheet(items, holdings, placeOf, roleNames),
  }
}
