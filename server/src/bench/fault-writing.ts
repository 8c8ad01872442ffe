import type { NewFault } from '@exemplar/core'
import { eq } from 'drizzle-orm'
import { refuseMissing } from '../foundation/base/problem.ts'
import type { Writer } from '../foundation/database/app-context.ts'
import { faults } from '../schema/bench-tables.ts'
import { units } from '../schema/kit-tables.ts'

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
