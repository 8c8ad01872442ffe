import {
  CATEGORY_CODES,
  compareReadiness,
  idSchema,
  listKindsOf,
  listMissed,
  type NewSetup,
  newSetupSchema,
  type Readiness,
  type Setup,
  setupSchema,
} from '@exemplar/core'
import { and, eq, gt, inArray, isNull, sql } from 'drizzle-orm'
import { z } from 'zod'
import { loadHoldings } from '../availability/holdings.ts'
import { toBooking } from '../availability/holds.ts'
import { makePattern } from '../foundation/base/pattern.ts'
import { refuseField, refuseMissing } from '../foundation/base/problem.ts'
import { type AppContext, requireVersion, type Writer, write } from '../foundation/database/app-context.ts'
import { defineRoute } from '../foundation/http/route.ts'
import { loadServes } from '../kit/unit/unit-list.ts'
import { bookings } from '../schema/diary-tables.ts'
import { models, stock, units } from '../schema/kit-tables.ts'
import { setupStock, setups, setupUnits } from '../schema/setups-tables.ts'
import { places } from '../schema/studio-tables.ts'
import { loadStudio } from '../studio/settings/settings-routes.ts'
import { type AssessmentContext, assessSetupOnce, loadCircuits } from './assessing.ts'

const room = 'setups'

/** Inserts or replaces a setup with its index of things. Throws a field problem where it names what is not there. */
export function saveSetup({ tx }: Writer, id: string, body: NewSetup, version: number): void {
  requireThings(tx, body)
  const values = { ...body, id, version }
  tx.insert(setups).values(values).onConflictDoUpdate({ target: setups.id, set: values }).run()
  tx.delete(setupUnits).where(eq(setupUnits.setupId, id)).run()
  tx.delete(setupStock).where(eq(setupStock.setupId, id)).run()
  const quantities = new Map<string, number>()
  /** A thing that does several jobs is named with all of them. */
  const jobs = new Map<string, string[]>()
  for (const role of body.roles) {
    for (const { unitId, stockId, quantity } of role.things) {
      if (unitId) jobs.set(unitId, [...(jobs.get(unitId) ?? []), role.name])
      if (stockId) quantities.set(stockId, (quantities.get(stockId) ?? 0) + quantity)
    }
  }
  for (const [unitId, names] of jobs) {
    tx.insert(setupUnits)
      .values({ setupId: id, unitId, roleName: names.join(', ') })
      .run()
  }
  for (const [stockId, quantity] of quantities) tx.insert(setupStock).values({ setupId: id, stockId, quantity }).run()
}

function requireThings(tx: Writer['tx'], body: NewSetup): void {
  for (const [r, role] of body.roles.entries()) {
    for (const [t, { unitId, stockId }] of role.things.entries()) {
      const path = `/roles/${r}/things/${t}`
      if (unitId && !tx.select({ id: units.id }).from(units).where(eq(units.id, unitId)).get()) {
        throw refuseField(`${path}/unitId`, `The thing put into ${role.name} does not exist.`)
      }
      if (stockId && !tx.select({ id: stock.id }).from(stock).where(eq(stock.id, stockId)).get()) {
        throw refuseField(`${path}/stockId`, `The stock put into ${role.name} does not exist.`)
      }
    }
  }
  const place = body.placeId ? tx.select().from(places).where(eq(places.id, body.placeId)).get() : null
  if (body.placeId && !place) throw refuseField('/placeId', 'There is no such room.')
  if (body.circuitId && !place?.circuits.some((it) => it.id === body.circuitId)) {
    throw refuseField('/circuitId', 'This circuit is not in that room.')
  }
}

export function loadSetup(app: AppContext, id: string) {
  const row = app.db.select().from(setups).where(eq(setups.id, id)).get()
  if (!row || row.archivedAt !== null) throw refuseMissing('setup')
  const { archivedAt: _, ...setup } = row
  return setup
}

function findNextBooking(app: AppContext, setupId: string) {
  const row = app.db
    .select()
    .from(bookings)
    .where(
      and(
        eq(bookings.setupId, setupId),
        gt(bookings.holdEnd, app.now()),
        inArray(bookings.state, ['pencilled', 'confirmed', 'out']),
      ),
    )
    .orderBy(bookings.holdStart)
    .get()
  return row ? toBooking(row) : null
}

/** As it stands now: only what the things themselves are counts, not who else wants them. */
export function makePresentContext(app: AppContext, setup: NewSetup): AssessmentContext {
  const start = app.now()
  const interval = { start, end: start + setup.plannedMinutes * 60_000 }
  return { now: start, interval, exceptBookingId: null, countsBookings: false, bookedIds: null, placeId: null }
}

export function makeBookingContext(app: AppContext, bookingId: string): AssessmentContext {
  const row = app.db.select().from(bookings).where(eq(bookings.id, bookingId)).get()
  if (!row) throw refuseMissing('booking')
  return {
    now: app.now(),
    interval: { start: row.holdStart, end: row.holdEnd },
    exceptBookingId: bookingId,
    countsBookings: true,
    bookedIds: row.personIds,
    placeId: row.placeId,
  }
}

/** The verdict as it is after a change, kept with the change: so that one sees which of them made it worse. */
function sumUp(app: AppContext, setup: Setup): Pick<Readiness, 'level' | 'counts'> {
  const { level, counts } = assessSetupOnce(app.db, setup, makePresentContext(app, setup), loadStudio(app.db))
  return { level, counts }
}

/** Where else each of these things serves: code and role in other setups. */
function listOtherServes({ db }: AppContext, setupId: string, unitIds: string[]) {
  return Object.fromEntries(
    [...loadServes(db, unitIds)].map(([id, serves]) => [
      id,
      serves.filter((it) => it.id !== setupId).map(({ code, role }) => ({ code, role })),
    ]),
  )
}

/** Tags of the things that roles list as taking turns, by id. */
function nameListed({ db }: AppContext, { roles }: NewSetup): Record<string, string> {
  const { units: found } = loadHoldings(
    db,
    roles.flatMap((role) => role.anyOfUnitIds ?? []),
    [],
  )
  return Object.fromEntries([...found].map(([id, it]) => [id, it.tag]))
}

export const setupRoutes = [
  defineRoute({
    method: 'get',
    path: '/setups',
    permission: 'see-studio',
    room,
    summary: 'Every setup with its verdict and its next booking',
    handle: (_, app) => {
      const settings = loadStudio(app.db)
      return app.db
        .select()
        .from(setups)
        .where(isNull(setups.archivedAt))
        .orderBy(setups.name)
        .all()
        .map(({ archivedAt: _, ...setup }) => {
          const next = findNextBooking(app, setup.id)
          const occasion = next ? makeBookingContext(app, next.id) : makePresentContext(app, setup)
          const { level, counts } = assessSetupOnce(app.db, setup, occasion, settings)
          const things = setup.roles.reduce((sum, role) => sum + role.things.length, 0)
          return { ...setup, level, counts, things, next }
        })
    },
  }),
  defineRoute({
    method: 'post',
    path: '/setups',
    permission: 'change-setups',
    room,
    summary: 'Make a setup',
    body: newSetupSchema,
    reply: setupSchema,
    status: 201,
    handle: ({ body, actor }, app) =>
      write(app, actor, (writer) => {
        const id = writer.newId()
        saveSetup(writer, id, body, 1)
        writer.log('created', 'setup', id, { after: body, verdict: sumUp(app, { ...body, id, version: 1 }) })
        return { ...body, id, version: 1 }
      }),
  }),
  defineRoute({
    method: 'get',
    path: '/setups/:id',
    permission: 'see-studio',
    room,
    summary: 'A setup with the things in its roles, by name',
    handle: ({ params }, app) => {
      const setup = loadSetup(app, params.id ?? '')
      const assignments = setup.roles.flatMap((role) => role.things)
      const holdings = loadHoldings(
        app.db,
        assignments.flatMap((it) => it.unitId ?? []),
        assignments.flatMap((it) => it.stockId ?? []),
      )
      return {
        ...setup,
        next: findNextBooking(app, setup.id),
        circuits: loadCircuits(app.db, setup.placeId),
        listed: nameListed(app, setup),
        serves: listOtherServes(app, setup.id, [...holdings.units.keys()]),
        units: [...holdings.units.values()],
        stock: [...holdings.stock.values()],
        models: [...holdings.models.values()],
      }
    },
  }),
  defineRoute({
    method: 'put',
    path: '/setups/:id',
    permission: 'change-setups',
    room,
    summary: 'Change a setup as a whole',
    body: newSetupSchema,
    reply: setupSchema,
    isChange: true,
    handle: ({ params, body, version, actor }, app) =>
      write(app, actor, (writer) => {
        const id = params.id ?? ''
        const row = writer.tx.select().from(setups).where(eq(setups.id, id)).get()
        const before = requireVersion(row, version, 'setup')
        saveSetup(writer, id, body, before.version + 1)
        const verdict = sumUp(app, { ...body, id, version: before.version + 1 })
        writer.log('changed', 'setup', id, { before, after: body, verdict })
        return { ...body, id, version: before.version + 1 }
      }),
  }),
  defineRoute({
    method: 'delete',
    path: '/setups/:id',
    permission: 'change-setups',
    room,
    summary: 'Archive a setup; its bookings stay',
    isChange: true,
    handle: ({ params, version, actor }, app) =>
      write(app, actor, ({ tx, now, log }) => {
        const id = params.id ?? ''
        const before = requireVersion(tx.select().from(setups).where(eq(setups.id, id)).get(), version, 'setup')
        tx.update(setups)
          .set({ archivedAt: now, version: before.version + 1 })
          .where(eq(setups.id, id))
          .run()
        log('archived', 'setup', id)
        return { id, version: before.version + 1 }
      }),
  }),
  defineRoute({
    method: 'get',
    path: '/setups/:id/readiness',
    permission: 'see-studio',
    room,
    summary: 'Judge a setup for one of its bookings, or as it stands',
    query: z.object({ bookingId: z.string().max(64).optional() }),
    handle: ({ params, query }, app) => {
      const setup = loadSetup(app, params.id ?? '')
      const occasion = query.bookingId ? makeBookingContext(app, query.bookingId) : makePresentContext(app, setup)
      return assessSetupOnce(app.db, setup, occasion, loadStudio(app.db))
    },
  }),
  defineRoute({
    method: 'get',
    path: '/setups/:id/move-check',
    permission: 'see-studio',
    room,
    summary: 'What would be different in another room, and what that room would lack',
    query: z.object({ placeId: idSchema }),
    handle: ({ params, query }, app) => {
      const { db } = app
      const setup = loadSetup(app, params.id ?? '')
      const place = db.select().from(places).where(eq(places.id, query.placeId)).get()
      if (!place) throw refuseField('?placeId', 'There is no such room.')
      const settings = loadStudio(db)
      const moved = { ...setup, placeId: place.id, circuitId: place.circuits[0]?.id ?? null }
      const before = assessSetupOnce(db, setup, makePresentContext(app, setup), settings)
      const after = assessSetupOnce(db, moved, makePresentContext(app, moved), settings)
      const old = setup.placeId ? db.select().from(places).where(eq(places.id, setup.placeId)).get() : undefined
      return {
        placeId: place.id,
        circuitId: moved.circuitId,
        counts: after.counts,
        change: compareReadiness(before, after),
        missed: old && old.id !== place.id ? listMissed(old, place) : [],
      }
    },
  }),
  defineRoute({
    method: 'get',
    path: '/things',
    permission: 'see-studio',
    room,
    summary: 'Things and stock to choose from for a role',
    query: z.object({ find: z.string().max(80).default(''), category: z.enum(CATEGORY_CODES).optional() }),
    handle: ({ query }, { db }) => {
      const columns = { maker: models.maker, name: models.name, category: models.category }
      const matches = (tag: typeof units.tag | typeof stock.tag) =>
        query.find
          .split(/\s+/)
          .filter(Boolean)
          .map(
            (word) =>
              sql`(${tag} || ' ' || ${models.maker} || ' ' || ${models.name}) like ${makePattern(word)} escape '\\'`,
          )
      const ofKind = query.category ? inArray(models.category, listKindsOf(query.category)) : undefined
      return {
        units: db
          .select({ id: units.id, tag: units.tag, state: units.state, ...columns })
          .from(units)
          .innerJoin(models, eq(models.id, units.modelId))
          .where(and(isNull(units.archivedAt), ofKind, ...matches(units.tag)))
          .orderBy(units.tag)
          .limit(60)
          .all(),
        stock: db
          .select({ id: stock.id, tag: stock.tag, quantity: stock.quantity, ...columns })
          .from(stock)
          .innerJoin(models, eq(models.id, stock.modelId))
          .where(and(isNull(stock.archivedAt), ofKind, ...matches(stock.tag)))
          .orderBy(stock.tag)
          .limit(30)
          .all(),
      }
    },
  }),
]
