import { isLessonFor, nameModel } from '@exemplar/core'
import { desc, eq, isNull } from 'drizzle-orm'
import { loadHoldings } from '../availability/holdings.ts'
import { loadSetups } from '../availability/holds.ts'
import { refuseField } from '../foundation/base/problem.ts'
import { requireVersion, write } from '../foundation/database/app-context.ts'
import type { Database } from '../foundation/database/database.ts'
import { defineRoute } from '../foundation/http/route.ts'
import { faults, incidents, incidentUnits } from '../schema/bench-tables.ts'
import { models, units } from '../schema/kit-tables.ts'
import { setups } from '../schema/setups-tables.ts'
import { people } from '../schema/studio-tables.ts'
import { requirePast } from '../studio/settings/past.ts'
import { reportFault } from './fault-writing.ts'

export const incidentRoutes = [
  defineRoute('get /incidents', (_, { db }) => {
    const rows = db
      .select({ incident: incidents, person: people.name })
      .from(incidents)
      .leftJoin(people, eq(people.id, incidents.personId))
      .orderBy(desc(incidents.on), desc(incidents.id))
      .limit(500)
      .all()
    const hit = loadHit(db)
    const stands = makeStands(db)
    return rows.map(({ incident, person }) => ({
      ...incident,
      person,
      hit: hit.get(incident.id) ?? [],
      stands: incident.lesson === '' ? [] : stands(incident.lessonFor),
    }))
  }),
  defineRoute('post /incidents', ({ body, actor }, app) =>
    write(app, actor, (writer) => {
      const { tx, newId, log } = writer
      requirePast(writer, body.on)
      const { hit, ...said } = body
      const row = tx
        .insert(incidents)
        .values({ ...said, id: newId(), personId: actor.personId })
        .returning()
        .get()
      for (const [at, { unitId, severity }] of hit.entries()) {
        if (!tx.select({ id: units.id }).from(units).where(eq(units.id, unitId)).get())
          throw refuseField(`/hit/${at}/unitId`, 'This thing is not here.')
        if (hit.findIndex((it) => it.unitId === unitId) !== at)
          throw refuseField(`/hit/${at}/unitId`, 'It stands here twice.')
        const fault =
          severity === null ? null : reportFault(writer, unitId, { note: body.what, severity, bookingId: null })
        tx.insert(incidentUnits)
          .values({ incidentId: row.id, unitId, faultId: fault?.id ?? null })
          .run()
        log('hit', 'unit', unitId, { what: body.what, on: body.on })
      }
      log('created', 'incident', row.id, { after: row })
      return row
    }),
  ),
  defineRoute('put /incidents/:id', ({ params, body, version, actor }, app) =>
    write(app, actor, (writer) => {
      const { tx, log } = writer
      const id = params.id ?? ''
      const before = requireVersion(tx.select().from(incidents).where(eq(incidents.id, id)).get(), version, 'accident')
      requirePast(writer, body.on)
      log('changed', 'incident', id, { before, after: body })
      return tx
        .update(incidents)
        .set({ ...body, version: before.version + 1 })
        .where(eq(incidents.id, id))
        .returning()
        .get()
    }),
  ),
]

function loadHit(db: Database) {
  const rows = db
    .select({
      incidentId: incidentUnits.incidentId,
      unitId: units.id,
      tag: units.tag,
      model: models,
      fault: faults.note,
      mendedAt: faults.mendedAt,
    })
    .from(incidentUnits)
    .innerJoin(units, eq(units.id, incidentUnits.unitId))
    .innerJoin(models, eq(models.id, units.modelId))
    .leftJoin(faults, eq(faults.id, incidentUnits.faultId))
    .orderBy(units.tag)
    .all()
  const found = new Map<string, { unitId: string; tag: string; name: string; fault: 'open' | 'mended' | null }[]>()
  for (const { incidentId, unitId, tag, model, fault, mendedAt } of rows) {
    const it = {
      unitId,
      tag,
      name: nameModel(model),
      fault: fault === null ? null : mendedAt === null ? ('open' as const) : ('mended' as const),
    }
    found.set(incidentId, [...(found.get(incidentId) ?? []), it])
  }
  return found
}

/** On the lists of which setups a lesson stands; what they hold is read once. */
function makeStands(db: Database) {
  const ids = db.select({ id: setups.id }).from(setups).where(isNull(setups.archivedAt)).all()
  const all = [
    ...loadSetups(
      db,
      ids.map((it) => it.id),
    ).values(),
  ].sort((a, b) => (a.code < b.code ? -1 : 1))
  const things = all.flatMap((it) => it.roles.flatMap((role) => role.things))
  const holdings = loadHoldings(
    db,
    things.flatMap((it) => it.unitId ?? []),
    things.flatMap((it) => it.stockId ?? []),
  )
  return (about: Parameters<typeof isLessonFor>[0]) =>
    all.filter((it) => isLessonFor(about, it, it.id, holdings)).map(({ id, code, tape }) => ({ id, code, tape }))
}
