import { and, eq, isNull } from 'drizzle-orm'
import { refuseField } from '../../foundation/base/problem.ts'
import { requireVersion, type Transaction, type Writer } from '../../foundation/database/app-context.ts'
import { controls, units } from '../../schema/kit-tables.ts'

/** Sets what controls a thing from elsewhere; what is not named any more does not. */
export function setControllers({ tx, log }: Writer, id: string, controllerIds: readonly string[], version: number) {
  const before = requireVersion(tx.select().from(units).where(eq(units.id, id)).get(), version, 'thing')
  const wanted = [...new Set(controllerIds)]
  for (const [at, controllerId] of wanted.entries()) {
    if (controllerId === id) throw refuseField(`/unitIds/${at}`, 'Nothing controls itself.')
    const found = tx
      .select({ id: units.id })
      .from(units)
      .where(and(eq(units.id, controllerId), isNull(units.archivedAt)))
      .get()
    if (!found) throw refuseField(`/unitIds/${at}`, 'There is no such thing.')
  }
  const known = tx.select().from(controls).where(eq(controls.controlledId, id)).all()
  for (const it of known) {
    if (!wanted.includes(it.controllerId)) removeControl(tx, it.controllerId, id)
  }
  const fresh = wanted.filter((it) => !known.some((row) => row.controllerId === it))
  for (const controllerId of fresh) tx.insert(controls).values({ controllerId, controlledId: id }).run()
  tx.update(units)
    .set({ version: before.version + 1 })
    .where(eq(units.id, id))
    .run()
  log('changed', 'unit', id, { controllers: wanted })
  return { id, version: before.version + 1 }
}

function removeControl(tx: Transaction, controllerId: string, controlledId: string): void {
  tx.delete(controls)
    .where(and(eq(controls.controllerId, controllerId), eq(controls.controlledId, controlledId)))
    .run()
}

/** On a merge what one record controls, and what controls it, goes over to the other; what both had is there once. */
export function moveControls(tx: Transaction, id: string, intoId: string): void {
  for (const [own, rows] of [
    ['controllerId', tx.select().from(controls).where(eq(controls.controllerId, id)).all()],
    ['controlledId', tx.select().from(controls).where(eq(controls.controlledId, id)).all()],
  ] as const) {
    for (const row of rows) {
      removeControl(tx, row.controllerId, row.controlledId)
      const moved = { ...row, [own]: intoId }
      if (moved.controllerId === moved.controlledId) continue
      tx.insert(controls).values(moved).onConflictDoNothing().run()
    }
  }
}
