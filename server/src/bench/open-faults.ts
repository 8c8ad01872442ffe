import { nameModel } from '@exemplar/core'
import { asc, eq, isNull } from 'drizzle-orm'
import { timesInYear } from '../availability/reference.ts'
import type { Database } from '../foundation/database/database.ts'
import { loadUsedIn } from '../kit/unit/unit-list.ts'
import { faults } from '../schema/bench-tables.ts'
import { models, units } from '../schema/kit-tables.ts'
import { makeFaultStanding } from './fault-standing.ts'

/** How a thing is named beside what is wrong with it. */
export const named = { tag: units.tag, maker: models.maker, name: models.name, unitVersion: units.version }

/** Every open fault, the oldest first, with what its thing serves. */
export function listOpenFaults(db: Database) {
  const rows = db
    .select({ fault: faults, timesInYear, ...named })
    .from(faults)
    .innerJoin(units, eq(units.id, faults.unitId))
    .innerJoin(models, eq(models.id, units.modelId))
    .where(isNull(faults.mendedAt))
    .orderBy(asc(faults.reportedAt))
    .all()
  const usedIn = loadUsedIn(db, [...new Set(rows.map((row) => row.fault.unitId))])
  return rows.map(({ fault, timesInYear, tag, maker, name }) => ({
    ...fault,
    timesInYear,
    tag,
    name: nameModel({ maker, name }),
    usedIn: usedIn.get(fault.unitId) ?? [],
  }))
}

/** The same with how long each stands open, what it took, and whether to mend or replace. */
export function listFaults(db: Database, now: number, zone: string) {
  const open = listOpenFaults(db)
  const standing = makeFaultStanding(db, open, now, zone)
  return open.map((it) => ({ ...it, ...standing(it) }))
}
