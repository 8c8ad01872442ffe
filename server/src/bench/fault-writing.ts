import type { NewFault } from '@exemplar/core'
import { eq } from 'drizzle-orm'
import { refuseField, refuseMissing } from '../foundation/base/problem.ts'
import type { Transaction, Writer } from '../foundation/database/app-context.ts'
import { faults } from '../schema/bench-tables.ts'
import { models, units } from '../schema/kit-tables.ts'

/** Records a fault on a thing. An unusable one takes it out of every setup's reckoning until it is mended. */
export function reportFault(
  { tx, now, newId, log }: Writer,
  unitId: string,
  fault: Pick<NewFault, 'note' | 'severity' | 'bookingId'> & Partial<NewFault>,
) {
  if (!tx.select({ id: units.id }).from(units).where(eq(units.id, unitId)).get()) throw refuseMissing('thing')
  const row = tx
    .insert(faults)
    .values({ ...fault, id: newId(), unitId, reportedAt: now, mendedAt: null })
    .returning()
    .get()
  log('fault-reported', 'unit', unitId, { fault: row })
  return row
}

/**
 * What can hurt somebody is not simply called mended: a pack that was swollen, hot or leaking never is, and of anything else it is
 * said who tested it and how.
 */
export function requireSafe(tx: Transaction, fault: { unitId: string; isHazard: boolean }, note: string): void {
  if (!fault.isHazard) return
  const kind = tx
    .select({ category: models.category })
    .from(units)
    .innerJoin(models, eq(models.id, units.modelId))
    .where(eq(units.id, fault.unitId))
    .get()?.category
  if (kind === 'pack' || kind === 'cell')
    throw refuseField(
      '/note',
      'A pack that was swollen, hot or leaking is not mended. Hand it in where used cells are taken, and write it off. Was it reported by mistake, take that back in its history.',
    )
  if (note.trim() === '') throw refuseField('/note', 'Say who tested it and how, before anybody uses it again.')
}
