import {
  addDays,
  countDays,
  type Failure,
  findDate,
  type LifeState,
  nameModel,
  type ReliabilityRecord,
} from '@exemplar/core'
import { and, eq, isNull, max, sql } from 'drizzle-orm'
import { isAnyOf } from '../availability/holdings.ts'
import type { HoldBook } from '../availability/holds.ts'
import type { Database } from '../foundation/database/database.ts'
import { faults, incidentUnits } from '../schema/bench-tables.ts'
import { models, units } from '../schema/kit-tables.ts'
import { events, parties } from '../schema/studio-tables.ts'
import { eventStands } from '../studio/history/undo.ts'
import { loadUseLog } from './wear.ts'

/** What was never here, or never ours to use, has no record. */
const NOT_YET: ReadonlySet<LifeState> = new Set(['wished', 'ordered'])
/** What is no longer here to serve. */
const GONE: ReadonlySet<LifeState> = new Set(['retired', 'sold', 'returned', 'lost', 'written-off'])

const isGone = ({ state, archivedAt }: { state: LifeState; archivedAt: number | null }) =>
  GONE.has(state) || archivedAt !== null

/** Only what is asked of each of thousands of things: reading all of it would take longer than the rest. */
const READ = {
  id: units.id,
  tag: units.tag,
  modelId: units.modelId,
  state: units.state,
  archivedAt: units.archivedAt,
  acquiredOn: units.acquiredOn,
  priceMinor: units.priceMinor,
  replacementMinor: sql<number | null>`json_extract(${units.provenance}, '$.replacementMinor')`,
}

const loadRows = (db: Database) =>
  db
    .select({
      unit: READ,
      model: { maker: models.maker, name: models.name, category: models.category },
      supplier: parties.name,
    })
    .from(units)
    .innerJoin(models, eq(models.id, units.modelId))
    .leftJoin(parties, eq(parties.id, units.partyId))
    .orderBy(units.tag)
    .all()

/** What the log tells of every thing that was ever here, also of those that are gone. */
export function listReliability(db: Database, now: number, zone: string, book: HoldBook): ReliabilityRecord[] {
  const rows = loadRows(db).filter(({ unit }) => !NOT_YET.has(unit.state))
  const log = loadUseLog(
    db,
    rows.map((it) => it.unit.id),
    now,
    zone,
    { book },
  )
  const failed = loadFailures(db)
  const accidents = countAccidents(db)
  const ended = loadEnds(
    db,
    rows.filter(({ unit }) => isGone(unit)).map((it) => it.unit.id),
  )
  const today = findDate(now, zone)
  const yearAgo = addDays(today, -365)
  return rows.flatMap(({ unit, model, supplier }): ReliabilityRecord[] => {
    const own = failed.get(unit.id) ?? []
    const used = (log.used.get(unit.id) ?? []).filter((it) => it.day <= addDays(today, 1))
    const uses = used.reduce((sum, it) => sum + it.uses, 0)
    // What was put away and never did anything was most likely entered by mistake.
    if (unit.archivedAt !== null && uses === 0 && own.length === 0) return []
    const gone = isGone(unit)
    const until = gone ? findDate(ended.get(unit.id) ?? unit.archivedAt ?? now, zone) : today
    const isBroken = own.some((it) => it.mendedAt === null)
    return [
      {
        unitId: unit.id,
        tag: unit.tag,
        name: nameModel(model),
        modelId: unit.modelId,
        category: model.category,
        maker: model.maker,
        supplier,
        priceMinor: unit.priceMinor,
        newMinor: unit.replacementMinor ?? unit.priceMinor,
        lifeDays: unit.acquiredOn === null ? null : Math.max(0, countDays(unit.acquiredOn, until)),
        isGone: gone,
        hasDied: unit.state === 'written-off' || (gone && isBroken && unit.state !== 'lost'),
        uses,
        usesInYear: used.filter((it) => it.day > yearAgo).reduce((sum, it) => sum + it.uses, 0),
        hours: used.reduce((sum, it) => sum + it.hours, 0),
        failures: own.map((it) => tellFailure(it, unit.acquiredOn, zone)),
        accidents: accidents.get(unit.id) ?? 0,
      },
    ]
  })
}

/** How often one thing served and failed of itself. */
export function loadRecord(
  db: Database,
  unitId: string,
  now: number,
  zone: string,
): { uses: number; failures: number } {
  const used = loadUseLog(db, [unitId], now, zone).used.get(unitId) ?? []
  return {
    uses: used.reduce((sum, it) => sum + it.uses, 0),
    failures: loadFailures(db, unitId).get(unitId)?.length ?? 0,
  }
}

interface FailedRow {
  unitId: string
  reportedAt: number
  mendedAt: number | null
}

function tellFailure({ reportedAt, mendedAt }: FailedRow, acquiredOn: string | null, zone: string): Failure {
  const on = findDate(reportedAt, zone)
  return {
    on,
    daysOut: mendedAt === null ? null : Math.max(0, countDays(on, findDate(mendedAt, zone))),
    ageDays: acquiredOn === null ? null : Math.max(0, countDays(acquiredOn, on)),
  }
}

/** Faults that made a thing unusable; what an accident did to it is none of its own failing. */
function loadFailures(db: Database, unitId?: string): Map<string, FailedRow[]> {
  const rows = db
    .select({ unitId: faults.unitId, reportedAt: faults.reportedAt, mendedAt: faults.mendedAt })
    .from(faults)
    .leftJoin(incidentUnits, eq(incidentUnits.faultId, faults.id))
    .where(
      and(
        eq(faults.severity, 'unusable'),
        isNull(incidentUnits.faultId),
        unitId === undefined ? undefined : eq(faults.unitId, unitId),
      ),
    )
    .orderBy(faults.reportedAt)
    .all()
  const found = new Map<string, FailedRow[]>()
  for (const row of rows) {
    const known = found.get(row.unitId)
    if (known) known.push(row)
    else found.set(row.unitId, [row])
  }
  return found
}

function countAccidents(db: Database): Map<string, number> {
  const found = new Map<string, number>()
  for (const { unitId } of db.select({ unitId: incidentUnits.unitId }).from(incidentUnits).all())
    found.set(unitId, (found.get(unitId) ?? 0) + 1)
  return found
}

/** When what is gone came into the state in which it is. */
function loadEnds(db: Database, goneIds: readonly string[]): Map<string, number> {
  if (goneIds.length === 0) return new Map()
  const rows = db
    .select({ unitId: events.subjectId, at: max(events.at) })
    .from(events)
    .where(
      and(
        eq(events.subjectType, 'unit'),
        isAnyOf(events.subjectId, goneIds),
        eq(events.kind, 'state-changed'),
        eventStands,
      ),
    )
    .groupBy(events.subjectId)
    .all()
  return new Map(rows.flatMap(({ unitId, at }) => (unitId !== null && at !== null ? [[unitId, at] as const] : [])))
}
