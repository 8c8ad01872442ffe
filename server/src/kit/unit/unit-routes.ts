import { canGoWith, makeNextTag, type NewUnit, nameModel } from '@exemplar/core'
import { and, eq, isNull, like } from 'drizzle-orm'
import { ProblemError, refuseField, refuseMissing } from '../../foundation/base/problem.ts'
import { requireVersion, type Transaction, write } from '../../foundation/database/app-context.ts'
import { defineRoute } from '../../foundation/http/route.ts'
import { models, units } from '../../schema/kit-tables.ts'
import { setupUnits } from '../../schema/setups-tables.ts'
import { films } from '../../schema/studio-tables.ts'
import { addUnits } from './adding.ts'
import { setControllers } from './controllers.ts'
import { findOrMakeModel } from './entered-model.ts'
import { mergeUnits } from './merging.ts'
import { countUnits, listTagsLike, listUnits } from './unit-list.ts'
import { loadUnitPage } from './unit-page.ts'

const isMoved = (a: { placeId: string | null; nowPlaceId: string | null }, b: typeof a) =>
  a.placeId !== b.placeId || a.nowPlaceId !== b.nowPlaceId

/** A thing never goes with itself, nor with what goes with it. */
function requireFilms(tx: Transaction, { provenance }: Partial<NewUnit>): void {
  for (const [at, { filmId }] of (provenance?.duties ?? []).entries()) {
    if (filmId === null || tx.select().from(films).where(eq(films.id, filmId)).get()) continue
    throw refuseField(`/provenance/duties/${at}/filmId`, 'There is no such film in the archive.')
  }
}

function requireSense(tx: Transaction, unit: { id: string }, change: Partial<NewUnit>): void {
  if (!change.parentId) return
  const kin = tx.select({ id: units.id, parentId: units.parentId }).from(units).all()
  if (!kin.some((it) => it.id === change.parentId)) throw refuseField('/parentId', 'There is no such thing.')
  if (!canGoWith(unit.id, change.parentId, kin)) {
    throw refuseField('/parentId', 'That thing goes with this one already.')
  }
}

export const unitRoutes = [
  defineRoute('get /units', ({ query }, app) => listUnits(app, query)),
  defineRoute('get /units/heard', (_, { db }) =>
    db
      .select({ unit: units, model: models })
      .from(units)
      .innerJoin(models, eq(models.id, units.modelId))
      .where(and(isNull(units.archivedAt), like(units.remarks, '%"heard"%')))
      .orderBy(units.tag)
      .all()
      .filter(({ unit }) => unit.remarks.some((it) => it.source === 'heard'))
      .map(({ unit: { id, tag, version, remarks }, model }) => ({
        unitId: id,
        tag,
        name: nameModel(model),
        version,
        remarks,
      })),
  ),
  defineRoute('get /units/count', ({ query }, app) => countUnits(app, query)),
  defineRoute('post /units', ({ body, actor }, app) =>
    write(app, actor, (writer) => {
      const modelId = findOrMakeModel(writer, body)
      const { category, tag, count, placeId, nickname } = body
      if (tag && count > 1) throw refuseField('/tag', 'Several things cannot have one tag.')
      const [unit] = addUnits(writer, { modelId, category, count, tag, placeId, nickname })
      if (!unit) throw refuseMissing('thing')
      return unit
    }),
  ),
  defineRoute('get /units/:id', ({ params }, app) => loadUnitPage(app, params.id ?? '')),
  defineRoute('patch /units/:id', ({ params, body, version, actor }, app) =>
    write(app, actor, ({ tx, log }) => {
      const id = params.id ?? ''
      const before = requireVersion(tx.select().from(units).where(eq(units.id, id)).get(), version, 'thing')
      requireSense(tx, before, body)
      requireFilms(tx, body)
      const after = tx
        .update(units)
        .set({ ...body, version: before.version + 1 })
        .where(eq(units.id, id))
        .returning()
        .get()
      const kind = before.state !== after.state ? 'state-changed' : isMoved(before, after) ? 'moved' : 'changed'
      log(kind, 'unit', id, { before, after })
      return after
    }),
  ),
  defineRoute('delete /units/:id', ({ params, version, actor }, app) =>
    write(app, actor, ({ tx, now, log }) => {
      const id = params.id ?? ''
      const before = requireVersion(tx.select().from(units).where(eq(units.id, id)).get(), version, 'thing')
      if (tx.select().from(setupUnits).where(eq(setupUnits.unitId, id)).get()) {
        const detail = `${before.tag} stands in a setup. Take it out of the setup first.`
        throw new ProblemError(409, 'Still in use', detail)
      }
      tx.update(units)
        .set({ archivedAt: now, version: before.version + 1 })
        .where(eq(units.id, id))
        .run()
      log('archived', 'unit', id)
      return { id, version: before.version + 1 }
    }),
  ),
  defineRoute('post /units/:id/restore', ({ params, version, actor }, app) =>
    write(app, actor, ({ tx, log }) => {
      const id = params.id ?? ''
      const before = requireVersion(tx.select().from(units).where(eq(units.id, id)).get(), version, 'thing')
      tx.update(units)
        .set({ archivedAt: null, version: before.version + 1 })
        .where(eq(units.id, id))
        .run()
      log('changed', 'unit', id, { restored: true })
      return { id, version: before.version + 1 }
    }),
  ),
  defineRoute('post /units/:id/duplicate', ({ params, body, actor }, app) =>
    write(app, actor, (writer) => {
      const like = writer.tx
        .select()
        .from(units)
        .where(eq(units.id, params.id ?? ''))
        .get()
      if (!like) throw refuseMissing('thing')
      const prefix = /^(.+)-\d+$/.exec(like.tag)?.[1] ?? like.tag
      return Array.from({ length: body.count }, () => {
        const tag = makeNextTag(prefix, listTagsLike(writer.tx, prefix))
        // What was promised was promised for one piece.
        const provenance = { ...like.provenance, duties: [] }
        const own = { serial: null, nickname: '', remarks: [], provenance, version: 1 }
        const row = { ...like, ...own, id: writer.newId(), tag }
        writer.tx
          .insert(units)
          .values({ ...row, archivedAt: null })
          .run()
        writer.log('created', 'unit', row.id, { after: { tag }, like: like.tag })
        return { id: row.id, tag }
      })
    }),
  ),
  defineRoute('put /units/:id/controllers', ({ params, body, version, actor }, app) =>
    write(app, actor, (writer) => setControllers(writer, params.id ?? '', body.unitIds, version)),
  ),
  defineRoute('post /units/:id/merge', ({ params, body, version, actor }, app) =>
    write(app, actor, (writer) => mergeUnits(writer, params.id ?? '', body.intoId, version)),
  ),
]
