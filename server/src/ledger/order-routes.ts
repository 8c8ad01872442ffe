import { CATEGORIES, findDate, nameModel } from '@exemplar/core'
import { and, eq, isNull } from 'drizzle-orm'
import { refuseField } from '../foundation/base/problem.ts'
import { requireVersion, write } from '../foundation/database/app-context.ts'
import { defineRoute } from '../foundation/http/route.ts'
import { loadUsedIn } from '../kit/unit/unit-list.ts'
import { models, units } from '../schema/kit-tables.ts'
import { shoppingLines } from '../schema/ledger-tables.ts'
import { parties } from '../schema/studio-tables.ts'
import { loadStudio } from '../studio/settings/settings-routes.ts'

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
    return rows.map(({ unit, model, party }) => ({
      id: unit.id,
      version: unit.version,
      tag: unit.tag,
      name: nameModel(model),
      party,
      dueOn: unit.dueOn,
      isLate: unit.dueOn !== null && unit.dueOn < today,
      usedIn: usedIn.get(unit.id) ?? [],
    }))
  }),
  defineRoute('post /orders/:id/cancelled', ({ params, version, actor }, app) =>
    write(app, actor, ({ tx, newId, log }) => {
      const id = params.id ?? ''
      const before = requireVersion(tx.select().from(units).where(eq(units.id, id)).get(), version, 'thing')
      if (before.state !== 'ordered') throw refuseField('/state', 'This is not on order.')
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
