import { flattenHeading, type ImportPlan, NO_DETAILS } from '@exemplar/core'
import { eq, sql } from 'drizzle-orm'
import type { Writer } from '../../foundation/database/app-context.ts'
import { columnMaps, interfaces, models, stock, units } from '../../schema/kit-tables.ts'
import { events, places } from '../../schema/studio-tables.ts'

/**
 * Carries a clean plan out. What comes by the thousand goes in through statements made ready once: building one anew for
 * each row costs more than the row.
 */
export function carryOut(plan: ImportPlan, writer: Writer): void {
  const ids = new Map<string, string>()
  const resolve = (key: string): string => ids.get(key) ?? key
  const resolvePlace = (key: string | null) => (key === null ? null : resolve(key))
  addPlaces(plan, writer, ids)
  addInterfaces(plan, writer)
  const note = makeNote(writer)
  const { tx, newId } = writer
  for (const { key, model } of plan.models) {
    const id = newId()
    ids.set(key, id)
    tx.insert(models)
      .values({ ...model, id })
      .run()
    note('model', id, { name: model.name })
  }
  for (const { id, specs } of plan.modelUpdates) {
    const before = tx.select().from(models).where(eq(models.id, id)).get()
    if (!before) continue
    tx.update(models)
      .set({ specs: { ...before.specs, ...specs }, version: before.version + 1 })
      .where(eq(models.id, id))
      .run()
    note('model', id, { after: specs })
  }
  const insertUnit = makeUnitInsert(writer)
  for (const { modelKey, placeKey, ...unit } of plan.units) {
    const id = newId()
    insertUnit({ ...unit, id, modelId: resolve(modelKey), placeId: resolvePlace(placeKey) })
    note('unit', id, { tag: unit.tag })
  }
  for (const { id, set, placeKey } of plan.unitUpdates) {
    tx.update(units)
      .set({ ...set, placeId: resolvePlace(placeKey), archivedAt: null, version: sql`${units.version} + 1` })
      .where(eq(units.id, id))
      .run()
    note('unit', id, { after: set })
  }
  for (const { modelKey, placeKey, ...counted } of plan.stock) {
    const id = newId()
    tx.insert(stock)
      .values({ ...counted, id, modelId: resolve(modelKey), placeId: resolvePlace(placeKey) })
      .run()
    note('stock', id, { tag: counted.tag })
  }
  for (const { id, quantity, placeKey } of plan.stockUpdates) {
    tx.update(stock)
      .set({ quantity, placeId: resolvePlace(placeKey), version: sql`${stock.version} + 1` })
      .where(eq(stock.id, id))
      .run()
    note('stock', id, { quantity })
  }
}

/** Keeps how the headings were read, where that is not what would be guessed anyway. */
export function rememberColumns(plan: ImportPlan, { tx }: Writer): void {
  const headings = plan.headings.map(flattenHeading)
  const mapping = Object.fromEntries(headings.map((heading, at) => [heading, plan.columns[at] ?? '']))
  const id = headings.join('|').slice(0, 400)
  tx.insert(columnMaps)
    .values({ id, mapping })
    .onConflictDoUpdate({ target: columnMaps.id, set: { mapping, version: sql`${columnMaps.version} + 1` } })
    .run()
}

function addPlaces(plan: ImportPlan, { tx, newId, log }: Writer, ids: Map<string, string>): void {
  for (const { key, name } of plan.places) {
    const id = newId()
    ids.set(key, id)
    tx.insert(places).values({ id, name, kind: 'store', parentId: null, circuits: [], details: NO_DETAILS }).run()
    log('imported', 'place', id, { name })
  }
}

function addInterfaces(plan: ImportPlan, { tx, log }: Writer): void {
  for (const { code, label, kind } of plan.interfaces) {
    const [hostName, guestName] = kind === 'mount' ? ['body', 'lens'] : ['bay', 'pack']
    tx.insert(interfaces).values({ code, label, kind, hostName, guestName, standard: null, viaCableOnly: false }).run()
    log('imported', 'interface', code, { label })
  }
}

type UnitRow = typeof units.$inferSelect
type NewRow = Omit<UnitRow, 'version' | 'archivedAt'>

function makeUnitInsert({ tx }: Writer): (row: NewRow) => void {
  const place = (name: keyof NewRow) => sql.placeholder(name)
  const names = Object.keys(UNIT_FIELDS) as (keyof NewRow)[]
  const statement = tx
    .insert(units)
    // Drizzle takes a placeholder wherever it takes a value, though its types of a whole row do not say so.
    .values(Object.fromEntries(names.map((name) => [name, place(name)])) as unknown as NewRow)
    .prepare()
  return (row) => void statement.run(row)
}

/** Every column that an import fills: a new one that is forgotten here does not compile. */
const UNIT_FIELDS: Readonly<Record<keyof NewRow, true>> = {
  id: true,
  tag: true,
  modelId: true,
  serial: true,
  state: true,
  placeId: true,
  acquisition: true,
  acquiredOn: true,
  priceMinor: true,
  partyId: true,
  dueOn: true,
  healthPercent: true,
  serviceEveryDays: true,
  lastServicedOn: true,
  note: true,
  ownerId: true,
  ownerAgreed: true,
  software: true,
  nickname: true,
  nowPlaceId: true,
  parentId: true,
  bond: true,
  standsInFor: true,
  remarks: true,
  provenance: true,
  fills: true,
  banks: true,
  season: true,
  charge: true,
}

/** One event for each row, as `log` writes it. */
function makeNote({ tx, now, changeId, personId }: Writer) {
  const statement = tx
    .insert(events)
    .values({
      at: now,
      personId,
      kind: 'imported',
      subjectType: sql.placeholder('subjectType') as never,
      subjectId: sql.placeholder('subjectId') as never,
      data: sql.placeholder('data') as never,
      changeId,
    })
    .prepare()
  return (subjectType: 'model' | 'unit' | 'stock', subjectId: string, data: Record<string, unknown>) =>
    void statement.run({ subjectType, subjectId, data })
}
