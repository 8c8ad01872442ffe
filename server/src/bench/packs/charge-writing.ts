import { type Charge, findDate, holdsCharge, type NewCharges } from '@exemplar/core'
import { eq } from 'drizzle-orm'
import { isAnyOf } from '../../availability/holdings.ts'
import { refuseField, refuseMissing } from '../../foundation/base/problem.ts'
import type { Writer } from '../../foundation/database/app-context.ts'
import { models, units } from '../../schema/kit-tables.ts'
import { loadStudio } from '../../studio/settings/settings-routes.ts'

/** Writes down what came off its charger or was worked from. Throws at the field of what holds no charge, and of a day to come. */
export function sayCharges(writer: Writer, { unitIds, state, on }: NewCharges) {
  const { tx, now } = writer
  if (on > findDate(now, loadStudio(tx).zone)) throw refuseField('/on', 'This day is still to come.')
  const found = new Map(loadHolders(writer, unitIds).map((it) => [it.unit.id, it]))
  for (const [at, id] of unitIds.entries()) {
    const it = found.get(id)
    if (!it || it.unit.archivedAt !== null) throw refuseMissing('thing')
    if (!holdsCharge(it.model)) throw refuseField(`/unitIds/${at}`, `${it.unit.tag} is nothing that is charged.`)
  }
  const known = [...found.values()]
  for (const it of known) keep(writer, it, { state, on })
  return { tags: known.map((it) => it.unit.tag).sort() }
}

/** What comes back was worked from, as far as it works from a charge: nobody knows how much of it is left. */
export function sayUsed(writer: Writer, unitIds: readonly string[]): void {
  const on = findDate(writer.now, loadStudio(writer.tx).zone)
  for (const it of loadHolders(writer, unitIds)) if (holdsCharge(it.model)) keep(writer, it, { state: 'used', on })
}

const loadHolders = ({ tx }: Writer, unitIds: readonly string[]) =>
  tx
    .select({ unit: units, model: models })
    .from(units)
    .innerJoin(models, eq(models.id, units.modelId))
    .where(isAnyOf(units.id, unitIds))
    .all()

function keep({ tx, log }: Writer, { unit }: ReturnType<typeof loadHolders>[number], charge: Charge): void {
  tx.update(units)
    .set({ charge, version: unit.version + 1 })
    .where(eq(units.id, unit.id))
    .run()
  log('charged', 'unit', unit.id, charge)
}
