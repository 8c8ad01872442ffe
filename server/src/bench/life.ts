import { findBudgetEffect, findDate, type LifeMonth, tellLife } from '@exemplar/core'
import { eq } from 'drizzle-orm'
import type { Database } from '../foundation/database/database.ts'
import { faults, services } from '../schema/bench-tables.ts'
import { entries } from '../schema/ledger-tables.ts'
import { loadUseLog } from './wear.ts'

/** What is known of a thing, month by month. */
export function loadLife(
  db: Database,
  unit: { id: string; acquiredOn: string | null },
  now: number,
  zone: string,
): LifeMonth[] {
  const own = db.select().from(faults).where(eq(faults.unitId, unit.id)).all()
  const done = db.select({ on: services.on }).from(services).where(eq(services.unitId, unit.id)).all()
  const spent = db.select().from(entries).where(eq(entries.unitId, unit.id)).all()
  return tellLife({
    from: unit.acquiredOn,
    until: findDate(now, zone),
    uses: loadUseLog(db, [unit.id], now, zone).used.get(unit.id) ?? [],
    faults: own.map((it) => ({ day: findDate(it.reportedAt, zone), isFailure: it.severity === 'unusable' })),
    services: done.map((it) => it.on),
    costs: spent.map((it) => ({
      day: it.date,
      minor: findBudgetEffect(it),
    })),
  })
}
