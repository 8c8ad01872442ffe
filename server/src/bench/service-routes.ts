import { type Category, findDate, listUsualPlans, type NewServicePlan } from '@exemplar/core'
import { desc, eq, inArray } from 'drizzle-orm'
import { ProblemError, refuseField, refuseMissing } from '../foundation/base/problem.ts'
import { requireVersion, type Transaction, write } from '../foundation/database/app-context.ts'
import { defineRoute } from '../foundation/http/route.ts'
import { servicePlans, services, unitUses } from '../schema/bench-tables.ts'
import { models, units } from '../schema/kit-tables.ts'
import { people } from '../schema/studio-tables.ts'
import { requirePast } from '../studio/settings/past.ts'
import { loadStudio } from '../studio/settings/settings-routes.ts'
import { loadLife } from './life.ts'
import { loadCapacityRuns } from './packs/capacity-writing.ts'
import { loadRecord } from './reliability.ts'
import { listServiceLines, loadPlans, loadServiced, NO_SERVICE, tellPlan } from './service-lines.ts'

export const serviceRoutes = [
  defineRoute('get /services', (_, { db, now }) => {
    const { zone, serviceNoticeDays } = loadStudio(db)
    const [rows, plans] = [loadServiced(db), loadPlans(db)]
    const kinds = [...new Set(rows.map((it): Category => it.model.category))]
    return {
      today: findDate(now(), zone),
      serviceNoticeDays,
      lines: listServiceLines(db, { now: now(), zone, rows, plans }),
      plans: plans.map((plan) => ({ ...plan, ...tellPlan(plan, rows) })),
      usual: listUsualPlans(kinds, plans),
    }
  }),
  defineRoute('get /units/:id/upkeep', ({ params }, { db, now }) => {
    const id = params.id ?? ''
    const row = db
      .select({ unit: units, model: models })
      .from(units)
      .innerJoin(models, eq(models.id, units.modelId))
      .where(eq(units.id, id))
      .get()
    if (!row) throw refuseMissing('thing')
    const done = db
      .select({ id: services.id, on: services.on, plan: servicePlans.name, note: services.note, person: people.name })
      .from(services)
      .leftJoin(servicePlans, eq(servicePlans.id, services.planId))
      .leftJoin(people, eq(people.id, services.personId))
      .where(eq(services.unitId, id))
      .orderBy(desc(services.on), desc(services.recordedAt))
      .limit(200)
      .all()
    const isServed = row.unit.archivedAt === null && !NO_SERVICE.includes(row.unit.state)
    return {
      lines: isServed ? listServiceLines(db, { now: now(), zone: loadStudio(db).zone, rows: [row] }) : [],
      done: done.map((it) => ({ ...it, plan: it.plan ?? 'Service' })),
      life: loadLife(db, row.unit, now(), loadStudio(db).zone),
      record: loadRecord(db, id, now(), loadStudio(db).zone),
      runs: loadCapacityRuns(db, id).map(({ unitId: _, recordedAt: __, ...run }) => run),
      uses: db
        .select({ id: unitUses.id, on: unitUses.on, uses: unitUses.uses, hours: unitUses.hours, note: unitUses.note })
        .from(unitUses)
        .where(eq(unitUses.unitId, id))
        .orderBy(desc(unitUses.on))
        .limit(200)
        .all(),
    }
  }),
  defineRoute('post /service-plans', ({ body, actor }, app) =>
    write(app, actor, ({ tx, newId, log }) => {
      requireSubject(tx, body)
      const row = tx
        .insert(servicePlans)
        .values({ ...body, id: newId() })
        .returning()
        .get()
      log('created', 'service-plan', row.id, { after: row })
      return row
    }),
  ),
  defineRoute('put /service-plans/:id', ({ params, body, version, actor }, app) =>
    write(app, actor, ({ tx, log }) => {
      const id = params.id ?? ''
      const before = requireVersion(
        tx.select().from(servicePlans).where(eq(servicePlans.id, id)).get(),
        version,
        'plan',
      )
      requireSubject(tx, body)
      log('changed', 'service-plan', id, { before, after: body })
      return tx
        .update(servicePlans)
        .set({ ...body, version: before.version + 1 })
        .where(eq(servicePlans.id, id))
        .returning()
        .get()
    }),
  ),
  defineRoute('post /service-plans/:id/end', ({ params, version, actor }, app) =>
    write(app, actor, ({ tx, now, log }) => {
      const id = params.id ?? ''
      const before = requireVersion(
        tx.select().from(servicePlans).where(eq(servicePlans.id, id)).get(),
        version,
        'plan',
      )
      log('archived', 'service-plan', id, {})
      const next = before.version + 1
      tx.update(servicePlans).set({ archivedAt: now, version: next }).where(eq(servicePlans.id, id)).run()
      return { id, version: next }
    }),
  ),
  defineRoute('post /services', ({ body, actor }, app) =>
    write(app, actor, (writer) => {
      requirePast(writer, body.on)
      const { tx, now, newId, log } = writer
      for (const [at, { unitId, planId }] of body.items.entries()) {
        const unit = tx.select().from(units).where(eq(units.id, unitId)).get()
        if (!unit) throw refuseField(`/items/${at}/unitId`, 'This thing is not here.')
        const plan = planId ? tx.select().from(servicePlans).where(eq(servicePlans.id, planId)).get() : null
        if (planId && !plan) throw refuseField(`/items/${at}/planId`, 'There is no such plan.')
        tx.insert(services)
          .values({
            id: newId(),
            unitId,
            planId,
            on: body.on,
            note: body.note,
            recordedAt: now,
            personId: actor.personId,
          })
          .run()
        // An older service that is written down later never makes the next one earlier.
        if (planId === null && (unit.lastServicedOn ?? '') < body.on) {
          tx.update(units)
            .set({ lastServicedOn: body.on, version: unit.version + 1 })
            .where(eq(units.id, unitId))
            .run()
        }
        log('serviced', 'unit', unitId, { on: body.on, note: body.note, plan: plan?.name ?? null })
      }
      return { done: body.items.length }
    }),
  ),
  defineRoute('post /units/:id/uses', ({ params, body, actor }, app) =>
    write(app, actor, (writer) => {
      requirePast(writer, body.on)
      const { tx, now, newId, log } = writer
      const unitId = params.id ?? ''
      if (!tx.select({ id: units.id }).from(units).where(eq(units.id, unitId)).get()) throw refuseMissing('thing')
      const id = newId()
      tx.insert(unitUses)
        .values({ ...body, id, unitId, recordedAt: now })
        .run()
      log('used', 'unit', unitId, body)
      return { id }
    }),
  ),
]

/** What a plan is for has to be here. */
function requireSubject(tx: Transaction, { subject }: NewServicePlan): void {
  if (subject.kind === 'category') return
  const there =
    subject.kind === 'model'
      ? tx
          .select({ id: models.id })
          .from(models)
          .where(inArray(models.id, [subject.modelId]))
          .get()
      : tx
          .select({ id: units.id })
          .from(units)
          .where(inArray(units.id, [subject.unitId]))
          .get()
  if (!there) throw new ProblemError(422, 'Please look at one field', 'What the plan is for is not here.')
}
