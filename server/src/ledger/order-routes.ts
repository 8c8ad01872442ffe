import { CATEGORIES, findDate, nameModel, type OrderRow } from '@exemplar/core'
import { and, eq, isNull, sql } from 'drizzle-orm'
import { refuseField } from '../foundation/base/problem.ts'
import { requireVersion, write } from '../foundation/database/app-context.ts'
import type { Database } from '../foundation/database/database.ts'
import { defineRoute } from '../foundation/http/route.ts'
import { loadUsedIn } from '../kit/unit/unit-list.ts'
import { models, units } from '../schema/kit-tables.ts'
import { shoppingLines, wishes } from '../schema/ledger-tables.ts'
import { parties } from '../schema/studio-tables.ts'
import { loadAllSetups } from '../setups/setup-store.ts'
import { loadStudio } from '../studio/settings/settings-routes.ts'
import { cancelPiece } from './wish-routes.ts'

/** Roles for which a thing was wished that is on order: it stands in them once it is here. */
function listWaiting(db: Database): Map<string, OrderRow['usedIn']> {
  const setups = new Map(loadAllSetups(db, 'code').map((it) => [it.id, it]))
  const rows = db.select().from(wishes).where(eq(wishes.state, 'ordered')).all()
  return new Map(
    rows.flatMap(({ unitIds, uses }) => {
      const serves = uses.flatMap(({ setupId, roleId }) => {
        const setup = setups.get(setupId)
        const role = setup?.roles.find((it) => it.id === roleId)
        return setup && role ? [{ id: setup.id, code: setup.code, tape: setup.tape, role: role.name }] : []
      })
      return unitIds.map((id) => [id, serves] as const)
    }),
  )
}

export const orderRoutes = [
  defineRoute('get /orders', (_, app) => {
    const { db } = app
    const today = findDate(app.now(), loadStudio(db).zone)
    const rows = db
      .select({ unit: units, model: models, party: parties.name })
      .from(units)
      .innerJoin(models, eq(models.id, units.modelId))
      .leftJoin(parties, eq(parties.id, units.partyId))
      .where(and(eq(units.state, 'ordered'), isNull(units.archivedAt)))
      .orderBy(units.dueOn, units.tag)
      .all()
    const usedIn = loadUsedIn(
      db,
      rows.map((it) => it.unit.id),
    )
    const waiting = listWaiting(db)
    return rows.map(({ unit, model, party }) => ({
      id: unit.id,
      version: unit.version,
      tag: unit.tag,
      name: nameModel(model),
      party,
      dueOn: unit.dueOn,
      isLate: unit.dueOn !== null && unit.dueOn < today,
      usedIn: [...(usedIn.get(unit.id) ?? []), ...(waiting.get(unit.id) ?? [])],
    }))
  }),
  defineRoute('post /orders/:id/cancelled', ({ params, version, actor }, app) =>
    write(app, actor, (writer) => {
      const { tx, newId, log } = writer
      const id = params.id ?? ''
      const before = requireVersion(tx.select().from(units).where(eq(units.id, id)).get(), version, 'thing')
      if (before.state !== 'ordered') throw refuseField('/state', 'This is not on order.')
      const wish = tx
        .select()
        .from(wishes)
        .where(and(eq(wishes.state, 'ordered'), sql`instr(${wishes.unitIds}, ${JSON.stringify(id)}) > 0`))
        .get()
      if (wish) {
        cancelPiece(writer, wish, id)
        return { id, version: before.version + 1, lineId: wish.id }
      }
      const model = tx.select().from(models).where(eq(models.id, before.modelId)).get()
      const waiting = loadUsedIn(app.db, [id]).get(id) ?? []
      tx.update(units)
        .set({ state: 'wished', dueOn: null, version: before.version + 1 })
        .where(eq(units.id, id))
        .run()
      log('state-changed', 'unit', id, {
        before: { state: 'ordered' },
        after: { state: 'wished' },
        why: 'cancelled by the seller',
      })
      const line = tx
        .insert(shoppingLines)
        .values({
          id: newId(),
          item: model ? nameModel(model) : before.tag,
          quantity: 1,
          reason: [
            `The order of ${before.tag} was cancelled by the seller.`,
            ...waiting.map((it) => `${it.code} waits for it as ${it.role}.`),
          ].join(' '),
          stockId: null,
          setupId: waiting[0]?.id ?? null,
          group: model ? CATEGORIES[model.category].group : null,
        })
        .returning()
        .get()
      log('created', 'shopping-line', line.id, { after: line })
      return { id, version: before.version + 1, lineId: line.id }
    }),
  ),
]
