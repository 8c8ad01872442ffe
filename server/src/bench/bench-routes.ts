import { findDate, nameModel } from '@exemplar/core'
import { and, asc, eq, isNull } from 'drizzle-orm'
import { requireVersion, write } from '../foundation/database/app-context.ts'
import type { Database } from '../foundation/database/database.ts'
import { defineRoute } from '../foundation/http/route.ts'
import { loadUsedIn } from '../kit/unit/unit-list.ts'
import { faults } from '../schema/bench-tables.ts'
import { models, units } from '../schema/kit-tables.ts'
import { loadStudio } from '../studio/settings/settings-routes.ts'
import { sayCharges } from './charge-writing.ts'
import { makeFaultStanding } from './fault-standing.ts'
import { reportFault } from './fault-writing.ts'
import { listServiceLines } from './service-lines.ts'

const named = { tag: units.tag, maker: models.maker, name: models.name, unitVersion: units.version }

export function listOpenFaults(db: Database) {
  const rows = db
    .select({ fault: faults, ...named })
    .from(faults)
    .innerJoin(units, eq(units.id, faults.unitId))
    .innerJoin(models, eq(models.id, units.modelId))
    .where(isNull(faults.mendedAt))
    .orderBy(asc(faults.reportedAt))
    .all()
  const usedIn = loadUsedIn(db, [...new Set(rows.map((row) => row.fault.unitId))])
  return rows.map(({ fault, tag, maker, name }) => ({
    ...fault,
    tag,
    name: nameModel({ maker, name }),
    usedIn: usedIn.get(fault.unitId) ?? [],
  }))
}

function listFaults(db: Database, now: number, zone: string) {
  const open = listOpenFaults(db)
  const standing = makeFaultStanding(db, open, now, zone)
  return open.map((it) => ({ ...it, ...standing(it) }))
}

function listInRepair(db: Database) {
  const rows = db
    .select({ unitId: units.id, dueOn: units.dueOn, note: units.note, ...named })
    .from(units)
    .innerJoin(models, eq(models.id, units.modelId))
    .where(and(eq(units.state, 'in-repair'), isNull(units.archivedAt)))
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
    return {
      today,
      serviceNoticeDays,
      services: listServiceLines(app.db, { now: app.now(), zone })
        .filter((it) => it.daysLeft !== null && it.daysLeft <= Math.max(serviceNoticeDays, 31))
        .slice(0, MOST_SERVICES),
      faults: listFaults(app.db, app.now(), zone),
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
      log('fault-mended', 'unit', before.unitId, { faultId: id, note: body.note })
      return tx
        .update(faults)
        .set({ mendedAt: now, mendNote: body.note, version: before.version + 1 })
        .where(eq(faults.id, id))
        .returning()
        .get()
    }),
  ),
  defineRoute('post /charges', ({ body, actor }, app) => write(app, actor, (writer) => sayCharges(writer, body))),
]
