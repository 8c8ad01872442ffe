import { addSlack, type Category, type Conduit, countCables, findCables, type Port } from '@exemplar/core'
import { and, asc, eq, inArray, isNull } from 'drizzle-orm'
import { listAbsences, type Stay } from '../availability/absences.ts'
import { loadHoldBook } from '../availability/holds.ts'
import { countUsage, loadBlockingFaults, loadInterfaces } from '../availability/reference.ts'
import { refuseField } from '../foundation/base/problem.ts'
import type { AppContext } from '../foundation/database/app-context.ts'
import type { Database } from '../foundation/database/database.ts'
import { defineRoute } from '../foundation/http/route.ts'
import { models, units } from '../schema/kit-tables.ts'
import { loadStudio } from '../studio/settings/settings-routes.ts'

const CONDUIT_KINDS: Category[] = ['cable', 'cable-adapter', 'lead', 'strip', 'reel', 'coupler']
const MOST = 2_000
const DAY_MS = 86_400_000

const makeToday = (now: number): Stay => ({
  interval: { start: now, end: now + DAY_MS },
  exceptBookingId: null,
  countsBookings: false,
})

function loadPort(db: Database, unitId: string, portId: string, field: string): Port {
  const row = db
    .select({ ports: models.ports })
    .from(units)
    .innerJoin(models, eq(models.id, units.modelId))
    .where(eq(units.id, unitId))
    .get()
  const port = row?.ports.find((it) => it.id === portId)
  if (!port) throw refuseField(`?${field}`, 'This thing has no such end.')
  return port
}

/** Cables, leads and adapters that are free through a stay; today where none is said. */
export function loadConduits(app: AppContext, stay: Stay = makeToday(app.now())): Conduit[] {
  const { db } = app
  const rows = db
    .select({ unit: units, model: models })
    .from(units)
    .innerJoin(models, eq(models.id, units.modelId))
    .where(and(inArray(models.category, CONDUIT_KINDS), isNull(units.archivedAt)))
    .orderBy(asc(units.tag))
    .limit(MOST)
    .all()
  const absent = listAbsences(
    rows.map((it) => it.unit),
    stay,
    loadStudio(db).zone,
    loadBlockingFaults(db),
    loadHoldBook(db, stay.interval, app.now()),
  )
  const usesOf = countUsage(db)
  return rows
    .filter(({ unit }) => !absent.has(unit.id))
    .map(({ unit, model }) => ({ unitId: unit.id, tag: unit.tag, model, usedBySetups: usesOf.get(unit.id) ?? 0 }))
}

export const cableRoutes = [
  defineRoute('get /cable-stock', (_, app) => countCables(loadConduits(app), loadInterfaces(app.db))),
  defineRoute('get /cable-ways', ({ query }, app) => {
    if (query.fromUnitId === query.toUnitId) throw refuseField('?toUnitId', 'Choose two different things.')
    const from = loadPort(app.db, query.fromUnitId, query.fromPortId, 'fromPortId')
    const to = loadPort(app.db, query.toUnitId, query.toPortId, 'toPortId')
    const interfaces = loadInterfaces(app.db)
    const conduits = loadConduits(app)
    const { leadSlackPercent: slackPercent } = loadStudio(app.db)
    const way = [query.upMm, query.alongMm, query.downMm].filter((it) => it !== undefined)
    const wayMm = way.reduce((all, it) => all + it, 0)
    const neededMm = query.neededMm ?? (way.length === 0 ? null : addSlack(wayMm, slackPercent))
    return { ...findCables({ from, to, neededMm, conduits, interfaces }), neededMm, slackPercent }
  }),
]
