import {
  compareReadiness,
  listKindsOf,
  listMissed,
  type Readiness,
  type Remedy,
  type Setup,
  type Verdict,
} from '@exemplar/core'
import { and, eq, inArray, isNull, sql } from 'drizzle-orm'
import { loadHoldings } from '../availability/holdings.ts'
import { toBooking } from '../availability/holds.ts'
import { listPhotos } from '../availability/photos.ts'
import { makePattern } from '../foundation/base/pattern.ts'
import { refuseField } from '../foundation/base/problem.ts'
import { type AppContext, requireVersion, write } from '../foundation/database/app-context.ts'
import { defineRoute } from '../foundation/http/route.ts'
import { models, stock, units } from '../schema/kit-tables.ts'
import { setups } from '../schema/setups-tables.ts'
import { places } from '../schema/studio-tables.ts'
import { loadStudio } from '../studio/settings/settings-routes.ts'
import { signAcceptances } from './acceptances.ts'
import { assessAll, assessOne, findHelp } from './assessing.ts'
import { loadContext, makeBookingContext, makeNowContext, makePresentContext } from './assessment-context.ts'
import { loadCircuits } from './assessment-store.ts'
import {
  listOtherUses,
  listSetupNames,
  loadAllSetups,
  loadNextBookings,
  loadSetup,
  nameListed,
  saveSetup,
} from './setup-store.ts'

/** The verdict as it is after a change, kept with the change: so that one sees which of them made it worse. */
function sumUp(app: AppContext, setup: Setup): Pick<Readiness, 'level' | 'counts'> {
  const context = makePresentContext(app.now(), setup)
  const { level, counts } = assessOne(app.db, setup, context, loadStudio(app.db))
  return { level, counts }
}

/** Things that a way out would bring into the setup. */
const listBrought = (remedy: Remedy): readonly string[] =>
  'byUnitId' in remedy ? [remedy.byUnitId] : 'unitIds' in remedy ? remedy.unitIds : []

export const setupRoutes = [
  defineRoute('get /setup-names', (_, { db }) => listSetupNames(db)),
  defineRoute('get /setups', (_, app) => {
    const all = loadAllSetups(app.db, 'name')
    const nextOf = loadNextBookings(
      app,
      all.map((it) => it.id),
    )
    const requests = all.map((setup) => {
      const next = nextOf.get(setup.id)
      return {
        setup,
        context: next ? makeBookingContext(app.now(), next) : makeNowContext(app.now(), setup),
      }
    })
    const verdicts = assessAll(app.db, requests, loadStudio(app.db))
    return all.map((setup, at) => {
      const next = nextOf.get(setup.id)
      const things = setup.roles.reduce((sum, role) => sum + role.things.length, 0)
      const { level, counts, taken } = verdicts[at] as Verdict
      return { ...setup, level, counts, ...(taken ? { taken } : {}), things, next: next ? toBooking(next) : null }
    })
  }),
  defineRoute('post /setups', ({ body: sent, actor }, app) =>
    write(app, actor, (writer) => {
      const id = writer.newId()
      const body = signAcceptances(writer, actor, sent, [])
      saveSetup(writer, id, body, 1)
      writer.log('created', 'setup', id, { after: body, verdict: sumUp(app, { ...body, id, version: 1 }) })
      return { ...body, id, version: 1 }
    }),
  ),
  defineRoute('get /setups/:id', ({ params }, app) => {
    const setup = loadSetup(app, params.id ?? '')
    const next = loadNextBookings(app, [setup.id]).get(setup.id)
    const assignments = setup.roles.flatMap((role) => role.things)
    const holdings = loadHoldings(
      app.db,
      assignments.flatMap((it) => it.unitId ?? []),
      assignments.flatMap((it) => it.stockId ?? []),
    )
    return {
      ...setup,
      next: next ? toBooking(next) : null,
      circuits: loadCircuits(app.db, setup.placeId),
      listed: nameListed(app, setup),
      photos: listPhotos(app.db, holdings.units),
      usedIn: listOtherUses(app, setup.id, [...holdings.units.keys()]),
      units: [...holdings.units.values()],
      stock: [...holdings.stock.values()],
      models: [...holdings.models.values()],
    }
  }),
  defineRoute('put /setups/:id', ({ params, body: sent, version, actor }, app) =>
    write(app, actor, (writer) => {
      const id = params.id ?? ''
      const row = writer.tx.select().from(setups).where(eq(setups.id, id)).get()
      const before = requireVersion(row, version, 'setup')
      const body = signAcceptances(writer, actor, sent, before.accepted)
      saveSetup(writer, id, body, before.version + 1)
      const verdict = sumUp(app, { ...body, id, version: before.version + 1 })
      writer.log('changed', 'setup', id, { before, after: body, verdict })
      return { ...body, id, version: before.version + 1 }
    }),
  ),
  defineRoute('delete /setups/:id', ({ params, version, actor }, app) =>
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
  ),
  defineRoute('get /setups/:id/readiness', ({ params, query }, app) => {
    const setup = loadSetup(app, params.id ?? '')
    return assessOne(app.db, setup, loadContext(app, setup, query.bookingId), loadStudio(app.db))
  }),
  defineRoute('get /setups/:id/remedies', ({ params, query }, app) => {
    const setup = loadSetup(app, params.id ?? '')
    const request = { setup, context: loadContext(app, setup, query.bookingId) }
    const help = findHelp(app.db, request, loadStudio(app.db), query.key)
    if (!help) throw refuseField('?key', 'This is no longer found: look at the setup again.')
    return { ...help, photos: listPhotos(app.db, new Map(help.remedies.flatMap(listBrought).map((id) => [id, id]))) }
  }),
  defineRoute('get /setups/:id/move-check', ({ params, query }, app) => {
    const { db } = app
    const setup = loadSetup(app, params.id ?? '')
    const place = db.select().from(places).where(eq(places.id, query.placeId)).get()
    if (!place) throw refuseField('?placeId', 'There is no such room.')
    const settings = loadStudio(db)
    const moved = { ...setup, placeId: place.id, circuitId: place.circuits[0]?.id ?? null }
    const context = makePresentContext(app.now(), setup)
    const before = assessOne(db, setup, context, settings)
    const after = assessOne(db, moved, context, settings)
    const old = setup.placeId ? db.select().from(places).where(eq(places.id, setup.placeId)).get() : undefined
    return {
      placeId: place.id,
      circuitId: moved.circuitId,
      counts: after.counts,
      change: compareReadiness(before, after),
      missed: old && old.id !== place.id ? listMissed(old, place) : [],
    }
  }),
  defineRoute('get /things', ({ query }, { db }) => {
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
  }),
]
