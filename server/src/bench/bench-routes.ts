import { findDate, nameModel } from '@exemplar/core'
import { and, eq, isNull, sql } from 'drizzle-orm'
import { loadStockRows } from '../availability/reference.ts'
import { requireVersion, write } from '../foundation/database/app-context.ts'
import type { Database } from '../foundation/database/database.ts'
import { defineRoute } from '../foundation/http/route.ts'
import { loadUsedIn } from '../kit/unit/unit-list.ts'
import { faults, repairs } from '../schema/bench-tables.ts'
import { models, units } from '../schema/kit-tables.ts'
import { loadStudio } from '../studio/settings/settings-routes.ts'
import { reportFault, requireSafe } from './fault-writing.ts'
import { listFixes } from './fixes.ts'
import { listFaults, named } from './open-faults.ts'
import { sayCharges } from './packs/charge-writing.ts'
import { listReplacements } from './replacements.ts'
import { listServiceLines, loadServiced } from './service-lines.ts'

function listInRepair(db: Database) {
  const rows = db
    .select({ unitId: units.id, dueOn: units.dueOn, note: units.note, ...named })
    .from(units)
    .innerJoin(models, eq(models.id, units.modelId))
    .where(
      and(
        eq(units.state, 'in-repair'),
        isNull(units.archivedAt),
        sql`not exists (select 1 from ${repairs} where ${repairs.unitId} = ${units.id} and ${repairs.endedOn} is null)`,
      ),
    )
    .orderBy(units.tag)
    .all()
  const usedIn = loadUsedIn(
    db,
    rows.map((row) => row.unitId),
  )
  return rows.map(({ maker, name, ...row }) => ({
    ...row,
    name: nameModel({ maker, name }),
    usedIn: usedIn.get(row.unitId) ?? [],
  }))
}

/** So many of what is due are told here; all of it has a page of its own. */
const MOST_SERVICES = 40

export const benchRoutes = [
  defineRoute('get /bench', (_, app) => {
    const { zone, serviceNoticeDays } = loadStudio(app.db)
    const today = findDate(app.now(), zone)
    const faults = listFaults(app.db, app.now(), zone)
    return {
      today,
      serviceNoticeDays,
      services: listServiceLines(app.db, { now: app.now(), zone })
        .filter((it) => it.daysLeft !== null && it.daysLeft <= Math.max(serviceNoticeDays, 31))
        .slice(0, MOST_SERVICES),
      faults,
      fixes: listFixes(loadServiced(app.db), loadStockRows(app.db), today),
      replacements: listReplacements(app.db, faults, app.now(), zone),
      inRepair: listInRepair(app.db),
    }
  }),
  defineRoute('post /units/:id/faults', ({ params, body, actor }, app) =>
    write(app, actor, (writer) => reportFault(writer, params.id ?? '', body)),
  ),
  defineRoute('post /faults/:id/mend', ({ params, body, version, actor }, app) =>
    write(app, actor, ({ tx, now, log }) => {
      const id = params.id ?? ''
      const before = requireVersion(tx.select().from(faults).where(eq(faults.id, id)).get(), version, 'fault')
      requireSafe(tx, before, body.note)
      log('fault-mended', 'unit', before.unitId, { faultId: id, note: body.note })
      return tx
        .update(faults)
        .set({ mendedAt: now, mendNote: body.note, version: before.version + 1 })
        .where(eq(faults.id, id))
        .returning()
        .get()
    }),
  ),
  defineRoute('post /units/:id/keep', ({ params, body, version, actor }, app) =>
    write(app, actor, ({ tx, log }) => {
      const id = params.id ?? ''
      const before = requireVersion(tx.select().from(units).where(eq(units.id, id)).get(), version, 'thing')
      const provenance = { ...before.provenance, keptBecause: body.because, keptUntil: body.until }
      log('changed', 'unit', id, { before: { provenance: before.provenance }, after: { provenance } })
      const next = before.version + 1
      tx.update(units).set({ provenance, version: next }).where(eq(units.id, id)).run()
      return { id, version: next }
    }),
  ),
  defineRoute('post /charges', ({ body, actor }, app) => write(app, actor, (writer) => sayCharges(writer, body))),
]
