import {
  type Absence,
  addDays,
  assessSetup,
  type BookingItem,
  buildPackSheet,
  dateSchema,
  findCollisions,
  findHoldInterval,
  findInstant,
  findStandIns,
  findStartOfDay,
  type Hold,
  idSchema,
  isHolding,
  listUnitIds,
  may,
  type NewBooking,
  nameModel,
  newBookingSchema,
  noteSchema,
  type Setup,
  type StudioSettings,
} from '@exemplar/core'
import { eq } from 'drizzle-orm'
import { z } from 'zod'
import { reportFault } from '../bench/fault-writing.ts'
import type { Database } from '../foundation/database.ts'
import { type Actor, type House, requireVersion, type Transaction, write } from '../foundation/house.ts'
import { ProblemError, refuseField, refuseMissing } from '../foundation/problem.ts'
import { defineRoute } from '../foundation/route.ts'
import { loadHoldings } from '../kit/facts.ts'
import { units } from '../kit/tables.ts'
import { loadAbsences, loadReadinessInput, loadStore, type Occasion } from '../setups/judging.ts'
import { loadStudio } from '../studio/studio-routes.ts'
import { people, places } from '../studio/tables.ts'
import {
  type BookingRow,
  listItems,
  loadBookings,
  loadHolds,
  loadKin,
  loadSetups,
  makeDraftHold,
  toBooking,
} from './holds.ts'
import { bookings } from './tables.ts'

const room = 'diary'

function requireBooking(db: Database | Transaction, id: string): BookingRow {
  const row = db.select().from(bookings).where(eq(bookings.id, id)).get()
  if (!row) throw refuseMissing('booking')
  return row
}

function requireParts(tx: Database | Transaction, body: NewBooking): Setup | null {
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

/** Who may only pencil leaves alone what is confirmed, and confirms nothing. */
function requireRank(actor: Actor, before: BookingRow | null, after: NewBooking): void {
  if (may(actor.role, 'change-bookings')) return
  const isPencilled = (before === null || before.state === 'pencilled') && after.state !== 'confirmed'
  if (isPencilled) return
  const detail =
    before && before.state !== 'pencilled'
      ? 'This booking is no longer pencilled; a manager changes it.'
      : 'You can pencil it; a manager confirms.'
  throw new ProblemError(403, 'Not allowed', detail)
}

function withHold(body: NewBooking, zone: string) {
  const { start, end } = findHoldInterval(body, zone)
  return { ...body, holdStart: start, holdEnd: end }
}

export interface Trouble {
  unitId: string
  tag: string
  name: string
  absence: Absence
  standIns: { unitId: string; tag: string; name: string }[]
}

/** What stands in the way of a booking: things, rooms and people that are not free, and what is free instead. */
export function checkBooking({ db, now }: House, draft: NewBooking, exceptBookingId: string | null) {
  const settings = loadStudio(db)
  const setup = requireParts(db, draft)
  const interval = findHoldInterval(draft, settings.zone)
  const others = loadHolds(db, interval, exceptBookingId)
  const own = makeDraftHold(draft, setup, loadKin(db), settings.zone, exceptBookingId ?? 'draft')
  const holdings = loadHoldings(db, own.unitIds, [])
  const occasion: Occasion = {
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

function listStandIns(db: Database, setup: Setup, unitId: string, occasion: Occasion, settings: StudioSettings) {
  const { input, holds } = loadReadinessInput(db, setup, occasion, settings)
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

function describeCollisions(db: Database, holds: readonly Hold[]) {
  const titles = new Map(holds.map((hold) => [hold.bookingId, hold.title]))
  return findCollisions(holds).map((it) => ({
    ...it,
    label: nameSubject(db, it.subject, it.subjectId),
    bookings: it.bookingIds.map((id) => ({ id, title: titles.get(id) ?? id })),
  }))
}

function loadBookingPage(house: House, id: string) {
  const { db } = house
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

const pickSchema = z.object({ unitId: idSchema.nullable(), stockId: idSchema.nullable() })

const takeOutSchema = z.object({
  /** What truly leaves; the rest of the list stays. */
  items: z.array(pickSchema).min(1, 'Tick at least one thing.').max(600),
})

const bringBackSchema = z.object({
  items: z
    .array(
      pickSchema.extend({
        note: noteSchema.default(''),
        /** Null where nothing is wrong. */
        fault: z
          .object({
            note: noteSchema.trim().min(1, 'Say in a few words what is wrong.'),
            severity: z.enum(['usable', 'unusable']),
          })
          .nullable()
          .default(null),
      }),
    )
    .max(600),
  /** All that comes back has come: whatever is still out is missing. */
  isFinished: z.boolean(),
})

const isSame = (a: { unitId: string | null; stockId: string | null }, b: typeof a) =>
  a.unitId === b.unitId && a.stockId === b.stockId

export const bookingRoutes = [
  defineRoute({
    method: 'get',
    path: '/bookings',
    permission: 'see-studio',
    room,
    summary: 'Bookings of some days, with what collides among them',
    query: z.object({ from: dateSchema, days: z.coerce.number().int().min(1).max(92).default(14) }),
    handle: ({ query }, { db }) => {
      const { zone } = loadStudio(db)
      const interval = {
        start: findStartOfDay(query.from, zone),
        end: findStartOfDay(addDays(query.from, query.days), zone),
      }
      const rows = loadBookings(db, interval)
      return {
        ...interval,
        bookings: rows.map((row) => ({ ...toBooking(row), holdStart: row.holdStart, holdEnd: row.holdEnd })),
        collisions: describeCollisions(db, loadHolds(db, interval)),
      }
    },
  }),
  defineRoute({
    method: 'post',
    path: '/bookings/check',
    permission: 'book-pencilled',
    room,
    summary: 'What would stand in the way of a booking, and what is free instead; writes nothing',
    body: newBookingSchema,
    query: z.object({ except: z.string().max(64).optional() }),
    handle: ({ body, query }, house) => checkBooking(house, body, query.except ?? null),
  }),
  defineRoute({
    method: 'post',
    path: '/bookings',
    permission: 'book-pencilled',
    room,
    summary: 'Book a setup, things or a room',
    body: newBookingSchema,
    status: 201,
    handle: ({ body, actor }, house) =>
      write(house, actor, ({ tx, newId, log }) => {
        requireRank(actor, null, body)
        requireParts(tx, body)
        const values = { ...withHold(body, loadStudio(tx).zone), id: newId(), items: null }
        const row = tx.insert(bookings).values(values).returning().get()
        log('booked', 'booking', row.id, { after: toBooking(row) })
        return toBooking(row)
      }),
  }),
  defineRoute({
    method: 'get',
    path: '/bookings/:id',
    permission: 'see-studio',
    room,
    summary: 'A booking with its pack sheet',
    handle: ({ params }, house) => loadBookingPage(house, params.id ?? ''),
  }),
  defineRoute({
    method: 'get',
    path: '/bookings/:id/check',
    permission: 'see-studio',
    room,
    summary: 'What stands in the way of a booking as it is',
    handle: ({ params }, house) => {
      const row = requireBooking(house.db, params.id ?? '')
      const { items: _items, holdStart: _start, holdEnd: _end, id, version: _version, ...draft } = row
      const state = draft.state === 'cancelled' ? 'cancelled' : 'confirmed'
      return checkBooking(house, { ...draft, state }, id)
    },
  }),
  defineRoute({
    method: 'put',
    path: '/bookings/:id',
    permission: 'book-pencilled',
    room,
    summary: 'Change a booking that is not out yet',
    body: newBookingSchema,
    isChange: true,
    handle: ({ params, body, version, actor }, house) =>
      write(house, actor, ({ tx, log }) => {
        const id = params.id ?? ''
        const before = requireVersion(tx.select().from(bookings).where(eq(bookings.id, id)).get(), version, 'booking')
        if (before.state === 'out' || before.state === 'back') {
          throw new ProblemError(409, 'Already out', 'Its things have left. Bring them back first.')
        }
        requireRank(actor, before, body)
        requireParts(tx, body)
        // Whoever sees no fee sends none; it stays as it was.
        const fee = may(actor.role, 'see-money') ? {} : { feeMinor: before.feeMinor }
        const row = tx
          .update(bookings)
          .set({ ...withHold(body, loadStudio(tx).zone), ...fee, version: before.version + 1 })
          .where(eq(bookings.id, id))
          .returning()
          .get()
        log('changed', 'booking', id, { before: toBooking(before), after: toBooking(row) })
        return toBooking(row)
      }),
  }),
  defineRoute({
    method: 'post',
    path: '/bookings/:id/take-out',
    permission: 'take-out',
    room,
    summary: 'Record what truly leaves',
    body: takeOutSchema,
    isChange: true,
    handle: ({ params, body, version, actor }, house) =>
      write(house, actor, ({ tx, log }) => {
        const before = requireVersion(
          tx
            .select()
            .from(bookings)
            .where(eq(bookings.id, params.id ?? ''))
            .get(),
          version,
          'booking',
        )
        if (!isHolding(before.state)) {
          throw new ProblemError(409, 'Not to be taken', `This booking is ${before.state}; nothing goes out on it.`)
        }
        const planned = listItems(before, loadSetups(tx, before.setupId ? [before.setupId] : []), loadKin(tx))
        const stranger = body.items.findIndex((it) => !planned.some((item) => isSame(item, it)))
        if (stranger >= 0) throw refuseField(`/items/${stranger}`, 'This is not on the sheet of the booking.')
        const items = planned.map((item): BookingItem => {
          const isTaken = item.state === 'out' || body.items.some((it) => isSame(item, it))
          return { ...item, state: isTaken ? 'out' : 'left' }
        })
        const row = tx
          .update(bookings)
          .set({ items, state: 'out', version: before.version + 1 })
          .where(eq(bookings.id, before.id))
          .returning()
          .get()
        log('checked-out', 'booking', row.id, { items: body.items })
        for (const { unitId } of body.items) {
          if (unitId) log('checked-out', 'unit', unitId, { bookingId: row.id, title: row.title })
        }
        return toBooking(row)
      }),
  }),
  defineRoute({
    method: 'post',
    path: '/bookings/:id/bring-back',
    permission: 'bring-back',
    room,
    summary: 'Record what came back and what broke',
    body: bringBackSchema,
    isChange: true,
    handle: ({ params, body, version, actor }, house) =>
      write(house, actor, (writer) => {
        const { tx, log } = writer
        const before = requireVersion(
          tx
            .select()
            .from(bookings)
            .where(eq(bookings.id, params.id ?? ''))
            .get(),
          version,
          'booking',
        )
        if (before.state !== 'out' || !before.items) {
          throw new ProblemError(409, 'Not out', 'Nothing of this booking is out, so nothing can come back.')
        }
        const known = before.items
        const stranger = body.items.findIndex((it) => !known.some((item) => isSame(item, it) && item.state !== 'left'))
        if (stranger >= 0) throw refuseField(`/items/${stranger}`, 'This did not go out with the booking.')
        const items = known.map((item): BookingItem => {
          const back = body.items.find((it) => isSame(item, it))
          if (back) return { ...item, state: 'back', note: back.fault?.note ?? back.note }
          return body.isFinished && item.state === 'out' ? { ...item, state: 'missing' } : item
        })
        for (const { unitId, fault } of body.items) {
          if (!unitId) continue
          log('returned', 'unit', unitId, { bookingId: before.id, title: before.title })
          if (fault) reportFault(writer, unitId, { ...fault, bookingId: before.id })
        }
        const row = tx
          .update(bookings)
          .set({ items, state: body.isFinished ? 'back' : 'out', version: before.version + 1 })
          .where(eq(bookings.id, before.id))
          .returning()
          .get()
        for (const item of items) {
          if (item.state !== 'missing' || !item.unitId) continue
          // As a fault it leaves every reckoning at once, stands on the bench, and is closed when the thing turns up.
          const note = `Did not come back from ${before.title}`
          reportFault(writer, item.unitId, { note, severity: 'unusable', bookingId: before.id })
        }
        log('returned', 'booking', row.id, { items: body.items, isFinished: body.isFinished })
        return toBooking(row)
      }),
  }),
]
