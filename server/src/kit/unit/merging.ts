import {
  changeFacts,
  type Model,
  nameModel,
  type PlugSystemCode,
  readFacts,
  readUsual,
  type Software,
} from '@exemplar/core'
import { and, eq, sql } from 'drizzle-orm'
import { ProblemError, refuseField, refuseMissing } from '../../foundation/base/problem.ts'
import { requireVersion, type Writer } from '../../foundation/database/app-context.ts'
import {
  capacityRuns,
  faults,
  incidentUnits,
  readings,
  repairs,
  servicePlans,
  services,
  unitUses,
} from '../../schema/bench-tables.ts'
import { bookings } from '../../schema/diary-tables.ts'
import { models, stock, units } from '../../schema/kit-tables.ts'
import { entries, shoppingLines, wishes } from '../../schema/ledger-tables.ts'
import { setups, setupUnits } from '../../schema/setups-tables.ts'
import { attachments, films } from '../../schema/studio-tables.ts'
import { loadStudio } from '../../studio/settings/settings-routes.ts'
import { moveControls } from './controllers.ts'

/** One record of a thing goes into another. Its history stays under its own id; whatever counts on it counts on the other. */
export function mergeUnits({ tx, now, log }: Writer, id: string, intoId: string, version: number) {
  const before = requireVersion(tx.select().from(units).where(eq(units.id, id)).get(), version, 'thing')
  const into = tx.select().from(units).where(eq(units.id, intoId)).get()
  if (!into || into.archivedAt !== null || into.id === id)
    throw refuseField('/intoId', 'Choose another thing that is there.')
  requireApart(tx, id, intoId)
  const quoted = (it: string) => JSON.stringify(it)
  const swap = (column: unknown) => sql`replace(${column}, ${quoted(id)}, ${quoted(intoId)})`
  const names = (column: unknown) => sql`instr(${column}, ${quoted(id)}) > 0`
  tx.update(setups)
    .set({ roles: swap(setups.roles), links: swap(setups.links), version: sql`${setups.version} + 1` })
    .where(sql`${names(setups.roles)} or ${names(setups.links)}`)
    .run()
  tx.update(setupUnits).set({ unitId: intoId }).where(eq(setupUnits.unitId, id)).run()
  for (const booking of tx
    .select()
    .from(bookings)
    .where(sql`${names(bookings.unitIds)} or ${names(bookings.items)}`)
    .all()) {
    // Booked under both records it is booked once.
    const unitIds = [...new Set(booking.unitIds.map((it) => (it === id ? intoId : it)))]
    tx.update(bookings)
      .set({ unitIds, items: swap(bookings.items), version: booking.version + 1 })
      .where(eq(bookings.id, booking.id))
      .run()
  }
  tx.update(films)
    .set({ copies: swap(films.copies), version: sql`${films.version} + 1` })
    .where(names(films.copies))
    .run()
  moveControls(tx, id, intoId)
  tx.update(wishes)
    .set({
      uses: swap(wishes.uses),
      sells: swap(wishes.sells),
      unitIds: swap(wishes.unitIds),
      version: sql`${wishes.version} + 1`,
    })
    .where(sql`${names(wishes.uses)} or ${names(wishes.sells)} or ${names(wishes.unitIds)}`)
    .run()
  tx.update(faults).set({ unitId: intoId }).where(eq(faults.unitId, id)).run()
  tx.update(servicePlans)
    .set({ subject: { kind: 'unit', unitId: intoId }, version: sql`${servicePlans.version} + 1` })
    .where(sql`${servicePlans.subject} ->> '$.unitId' = ${id}`)
    .run()
  tx.run(sql`UPDATE OR IGNORE ${incidentUnits} SET unit_id = ${intoId} WHERE unit_id = ${id}`)
  tx.delete(incidentUnits).where(eq(incidentUnits.unitId, id)).run()
  tx.update(services).set({ unitId: intoId }).where(eq(services.unitId, id)).run()
  tx.update(repairs).set({ unitId: intoId }).where(eq(repairs.unitId, id)).run()
  tx.update(capacityRuns).set({ unitId: intoId }).where(eq(capacityRuns.unitId, id)).run()
  tx.run(sql`UPDATE OR IGNORE ${readings} SET unit_id = ${intoId} WHERE unit_id = ${id}`)
  tx.delete(readings).where(eq(readings.unitId, id)).run()
  tx.update(unitUses).set({ unitId: intoId }).where(eq(unitUses.unitId, id)).run()
  tx.update(entries).set({ unitId: intoId }).where(eq(entries.unitId, id)).run()
  tx.update(attachments)
    .set({ subjectId: intoId })
    .where(and(eq(attachments.subjectType, 'unit'), eq(attachments.subjectId, id)))
    .run()
  tx.update(units)
    .set({ parentId: sql`case when ${units.id} = ${intoId} then null else ${intoId} end` })
    .where(eq(units.parentId, id))
    .run()
  // What one record knew and the other did not is kept.
  const filled = {
    serial: into.serial ?? before.serial,
    placeId: into.placeId ?? before.placeId,
    acquiredOn: into.acquiredOn ?? before.acquiredOn,
    priceMinor: into.priceMinor ?? before.priceMinor,
    partyId: into.partyId ?? before.partyId,
    note: [into.note, before.note].filter(Boolean).join('\n').slice(0, 2000),
    remarks: [...into.remarks, ...before.remarks].slice(0, 40),
    software: joinSoftware(into.software, before.software),
    version: into.version + 1,
  }
  tx.update(units).set(filled).where(eq(units.id, intoId)).run()
  tx.update(units)
    .set({ archivedAt: now, version: before.version + 1 })
    .where(eq(units.id, id))
    .run()
  log('archived', 'unit', id, { mergedInto: into.tag })
  log('changed', 'unit', intoId, { merged: before.tag })
  return { id: intoId, version: filled.version }
}

/** What both records have under one name is one; the newer word is that of the record that stays. */
function joinSoftware(own: readonly Software[], other: readonly Software[]): Software[] {
  const known = new Set(own.map((it) => `${it.kind} ${it.name.toLowerCase()}`))
  return [...own, ...other.filter((it) => !known.has(`${it.kind} ${it.name.toLowerCase()}`))].slice(0, 20)
}

/** Two records that serve side by side are two things. */
function requireApart(tx: Writer['tx'], id: string, intoId: string): void {
  const both = tx
    .select({ name: setups.name })
    .from(setupUnits)
    .innerJoin(setups, eq(setups.id, setupUnits.setupId))
    .where(
      sql`${setupUnits.unitId} = ${id} and exists (select 1 from setup_units o where o.setup_id = ${setupUnits.setupId} and o.unit_id = ${intoId})`,
    )
    .get()
  if (!both) return
  throw new ProblemError(
    409,
    'Two things',
    `Both stand in “${both.name}”, so they are two. Take one of them out first.`,
  )
}

/** What was recorded under the one name and is open under the other; what both say, the one that stays says. */
function fillFrom(into: Model, before: Model, plugs: PlugSystemCode): Model {
  const [own, other] = [readFacts(into), readFacts(before)]
  const isUsual = (model: Model, key: string) => readUsual(model).some((it) => it === key)
  // What somebody looked up under the one name goes before what is only usual under the other.
  const isOpen = (key: string) => own[key as keyof typeof own] === null || (isUsual(into, key) && !isUsual(before, key))
  const fresh = Object.fromEntries(Object.entries(other).filter(([key, value]) => value !== null && isOpen(key)))
  const filled = Object.keys(fresh).length > 0 ? changeFacts(into, fresh, { plugs, usual: readUsual(before) }) : into
  return { ...filled, specs: { ...filled.specs, more: { ...before.specs.more, ...into.specs.more } } }
}

/** One model goes into another of its kind: its things and stock become that, its name an alias, and what only it knew is kept. */
export function mergeModels({ tx, now, log }: Writer, id: string, intoId: string, version: number) {
  const before = requireVersion(tx.select().from(models).where(eq(models.id, id)).get(), version, 'model')
  const into = tx.select().from(models).where(eq(models.id, intoId)).get()
  if (!into || into.id === id) throw refuseMissing('model')
  if (into.category !== before.category) throw refuseField('/intoId', 'The two models are different kinds of things.')
  const alias = nameModel(before)
  const aliases = [...new Set([...into.aliases, alias, ...before.aliases])]
    .filter((it) => it !== nameModel(into))
    .slice(0, 20)
  for (const table of [units, stock, wishes]) {
    tx.update(table)
      .set({ modelId: intoId, version: sql`${table.version} + 1` })
      .where(eq(table.modelId, id))
      .run()
  }
  // What is done again and again to all of it is done to all of the other.
  tx.update(servicePlans)
    .set({ subject: { kind: 'model', modelId: intoId }, version: sql`${servicePlans.version} + 1` })
    .where(sql`${servicePlans.subject} ->> '$.modelId' = ${id}`)
    .run()
  tx.update(shoppingLines)
    .set({ partOfId: intoId, version: sql`${shoppingLines.version} + 1` })
    .where(eq(shoppingLines.partOfId, id))
    .run()
  tx.update(models)
    .set({ ...fillFrom(into, before, loadStudio(tx).plugSystem), aliases, version: into.version + 1 })
    .where(eq(models.id, intoId))
    .run()
  tx.update(models)
    .set({ archivedAt: now, version: before.version + 1 })
    .where(eq(models.id, id))
    .run()
  log('archived', 'model', id, { mergedInto: nameModel(into) })
  log('changed', 'model', intoId, { merged: alias })
  return { id: intoId, version: into.version + 1 }
}
