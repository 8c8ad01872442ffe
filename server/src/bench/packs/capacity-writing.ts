import { type CapacitySource, MOST_SHARE, type NewCapacityRun } from '@exemplar/core'
import { desc, eq } from 'drizzle-orm'
import { refuseField, refuseMissing } from '../../foundation/base/problem.ts'
import type { Transaction, Writer } from '../../foundation/database/app-context.ts'
import { capacityRuns } from '../../schema/bench-tables.ts'
import { models, units } from '../../schema/kit-tables.ts'

/** What was measured of one pack, the last first. */
export const loadCapacityRuns = (db: Pick<Transaction, 'select'>, unitId: string) =>
  db
    .select()
    .from(capacityRuns)
    .where(eq(capacityRuns.unitId, unitId))
    .orderBy(desc(capacityRuns.on), desc(capacityRuns.recordedAt))
    .limit(500)
    .all()

/** Writes down what a pack gave; its health follows from the latest of them, whenever that was written down. */
export function recordCapacity(
  { tx, now, newId, log }: Writer,
  unitId: string,
  run: NewCapacityRun,
  source: CapacitySource,
) {
  const row = tx
    .select({ unit: units, model: models })
    .from(units)
    .innerJoin(models, eq(models.id, units.modelId))
    .where(eq(units.id, unitId))
    .get()
  if (!row) throw refuseMissing('thing')
  const rated = row.model.specs.energyMilliwattHours
  if (row.model.category !== 'pack')
    throw refuseField('/milliwattHours', 'Only of packs it is measured what they give.')
  if (rated !== null && run.milliwattHours > rated * MOST_SHARE)
    throw refuseField(
      '/milliwattHours',
      `It is rated for ${rated / 1000} Wh: it cannot have given ${run.milliwattHours / 1000}. Was it one charge?`,
    )
  const known = loadCapacityRuns(tx, unitId)
  requireCycles(known, run)
  const made = tx
    .insert(capacityRuns)
    .values({ ...run, id: newId(), unitId, source, recordedAt: now })
    .returning()
    .get()
  log('measured', 'unit', unitId, { after: made })
  const isLatest = known.every((it) => it.on <= run.on)
  if (rated && isLatest) {
    const healthPercent = Math.max(1, Math.min(100, Math.round((run.milliwattHours / rated) * 100)))
    tx.update(units)
      .set({ healthPercent, version: row.unit.version + 1 })
      .where(eq(units.id, unitId))
      .run()
  }
  return made
}

/** Charges only add up: not fewer on a later day, nor more on an earlier one. */
function requireCycles(known: readonly { on: string; cycles: number | null }[], { on, cycles }: NewCapacityRun): void {
  if (cycles === null) return
  const wrong = known.find(
    (it) => it.cycles !== null && ((it.on < on && it.cycles > cycles) || (it.on > on && it.cycles < cycles)),
  )
  if (wrong) throw refuseField('/cycles', `On ${wrong.on} it had ${wrong.cycles}.`)
}
