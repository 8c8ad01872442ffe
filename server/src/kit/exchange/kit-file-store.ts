import { type KitFile, type KitFilePlan, type KitHere, type KitList, kitFileSchema } from '@exemplar/core'
import { eq, isNull } from 'drizzle-orm'
import type { Transaction, Writer } from '../../foundation/database/app-context.ts'
import type { Database } from '../../foundation/database/database.ts'
import { controls, interfaces, models, stock, units } from '../../schema/kit-tables.ts'
import { parties, people, places } from '../../schema/studio-tables.ts'
import { loadStudio } from '../../studio/settings/settings-routes.ts'

type Reader = Database | Transaction

/** The kit as its file has it: what is archived stays out, but for models and places that something still names. */
export function loadKitFile(db: Reader, { withArchived }: { withArchived: boolean }): KitFile {
  const live = <T extends { archivedAt: number | null }>(rows: T[], isNamed: (row: T) => boolean = () => false) =>
    rows.filter((row) => withArchived || row.archivedAt === null || isNamed(row))
  const unitRows = live(db.select().from(units).all())
  const stockRows = live(db.select().from(stock).all())
  const named = (...lists: (string | null)[][]) => new Set(lists.flat().filter((it) => it !== null))
  const modelIds = named([...unitRows, ...stockRows].map((it) => it.modelId))
  const placeIds = named(
    [...unitRows, ...stockRows].map((it) => it.placeId),
    unitRows.map((it) => it.nowPlaceId),
  )
  const placeRows = db.select().from(places).all()
  for (const id of [...placeIds]) {
    for (let it = placeRows.find((row) => row.id === id); it; it = placeRows.find((row) => row.id === it?.parentId)) {
      placeIds.add(it.id)
    }
  }
  const ownerIds = named(unitRows.map((it) => it.ownerId))
  const partyIds = named(unitRows.map((it) => it.partyId))
  const modelRows = live(db.select().from(models).all(), (it) => modelIds.has(it.id))
  const keptModels = new Set(modelRows.map((it) => it.id))
  const keptUnits = new Set(unitRows.map((it) => it.id))
  const controllersOf = groupControllers(db)
  return kitFileSchema.parse({
    format: 'exemplar-kit',
    version: 1,
    currency: loadStudio(db).currency,
    interfaces: db.select().from(interfaces).all().map(strip),
    places: live(placeRows, (it) => placeIds.has(it.id)).map(strip),
    people: db
      .select()
      .from(people)
      .all()
      .filter((it) => withArchived || ownerIds.has(it.id))
      .map(({ id, name }) => ({ id, name })),
    parties: db
      .select()
      .from(parties)
      .all()
      .filter((it) => withArchived || partyIds.has(it.id))
      .map(({ id, name, kind }) => ({ id, name, kind })),
    models: modelRows.map((it) =>
      strip({ ...it, successorId: keptModels.has(it.successorId ?? '') ? it.successorId : null }),
    ),
    units: unitRows.map((it) =>
      strip({
        ...it,
        // Films stay here: elsewhere nobody knows by which one a promise was kept.
        provenance: { ...it.provenance, duties: it.provenance.duties.map((duty) => ({ ...duty, filmId: null })) },
        parentId: keptUnits.has(it.parentId ?? '') ? it.parentId : null,
        controlledBy: (controllersOf.get(it.id) ?? []).filter((id) => keptUnits.has(id)),
      }),
    ),
    stock: stockRows.map(strip),
  })
}

/** By a thing's id what controls it from elsewhere, always in the same order. */
function groupControllers(db: Reader): Map<string, string[]> {
  const groups = new Map<string, string[]>()
  for (const { controllerId, controlledId } of db.select().from(controls).orderBy(controls.controllerId).all()) {
    groups.set(controlledId, [...(groups.get(controlledId) ?? []), controllerId])
  }
  return groups
}

function strip<T extends { version: number }>({ version: _, ...row }: T): Omit<T, 'version'> {
  return row
}

/** What is here for a file to meet: archived rows too, as they keep their ids and tags. */
export function loadKitHere(db: Reader): KitHere {
  const tags = [
    ...db.select({ id: units.id, tag: units.tag }).from(units).all(),
    ...db.select({ id: stock.id, tag: stock.tag }).from(stock).all(),
  ]
  return { kit: loadKitFile(db, { withArchived: true }), takenTags: new Map(tags.map((it) => [it.tag, it.id])) }
}

/** Carries out a plan without problems. Rows that are here are changed in place, and come out of the archive. */
export function bringInKit(file: KitFile, plan: KitFilePlan, writer: Writer): void {
  const { tx, log } = writer
  const map = <T extends string | null>(list: KitList, id: T): T =>
    (plan.sameAs.get(`${list}/${id}`) as T | undefined) ?? id
  const isTouched = (list: KitList, id: string) => isFresh.get(list)?.has(id) || isChanged.get(list)?.has(id)
  const isFresh = toSets(plan.fresh)
  const isChanged = toSets(plan.changed)
  for (const row of file.interfaces) {
    if (!isTouched('interfaces', row.code)) continue
    if (isFresh.get('interfaces')?.has(row.code)) tx.insert(interfaces).values(row).run()
    else
      tx.update(interfaces)
        .set(bump(tx, interfaces, interfaces.code, row.code, row))
        .where(eq(interfaces.code, row.code))
        .run()
    log('imported', 'interface', row.code, { label: row.label })
  }
  const put = (
    list: 'places' | 'people' | 'parties' | 'models' | 'units' | 'stock',
    subject: 'place' | 'person' | 'party' | 'model' | 'unit' | 'stock',
    rows: readonly { id: string }[],
  ) => {
    const table = TABLES[list]
    for (const row of rows) {
      if (!isTouched(list, row.id)) continue
      if (isFresh.get(list)?.has(row.id))
        tx.insert(table)
          .values(row as never)
          .run()
      else {
        const before = tx.select({ version: table.version }).from(table).where(eq(table.id, row.id)).get()
        const set = { ...row, archivedAt: null, version: (before?.version ?? 0) + 1 }
        tx.update(table)
          .set(set as never)
          .where(eq(table.id, row.id))
          .run()
      }
      log('imported', subject, row.id, {})
    }
  }
  put(
    'people',
    'person',
    file.people.map((it) => (isFresh.get('people')?.has(it.id) ? { ...it, skills: [], note: '' } : it)),
  )
  put('parties', 'party', file.parties)
  put(
    'places',
    'place',
    file.places.map((it) => ({ ...it, parentId: map('places', it.parentId) })),
  )
  put(
    'models',
    'model',
    file.models.map((it) => ({ ...it, successorId: map('models', it.successorId) })),
  )
  put(
    'units',
    'unit',
    file.units.map(({ controlledBy: _, ...it }) => ({
      ...it,
      modelId: map('models', it.modelId),
      placeId: map('places', it.placeId),
      nowPlaceId: map('places', it.nowPlaceId),
      ownerId: map('people', it.ownerId),
      partyId: map('parties', it.partyId),
    })),
  )
  for (const { id, controlledBy } of file.units) {
    if (!isTouched('units', id)) continue
    tx.delete(controls).where(eq(controls.controlledId, id)).run()
    for (const controllerId of controlledBy) tx.insert(controls).values({ controllerId, controlledId: id }).run()
  }
  put(
    'stock',
    'stock',
    file.stock.map((it) => ({ ...it, modelId: map('models', it.modelId), placeId: map('places', it.placeId) })),
  )
}

const TABLES = { places, people, parties, models, units, stock } as const

function bump(tx: Transaction, table: typeof interfaces, column: typeof interfaces.code, code: string, row: object) {
  const before = tx.select({ version: table.version }).from(table).where(eq(column, code)).get()
  return { ...row, version: (before?.version ?? 0) + 1 }
}

function toSets(lists: Record<KitList, string[]>): Map<KitList, Set<string>> {
  return new Map(Object.entries(lists).map(([list, ids]) => [list as KitList, new Set(ids)]))
}

/** Units and stock that a list for print or spreadsheet takes: what is not archived. */
export function loadLive(db: Reader) {
  return {
    units: db.select().from(units).where(isNull(units.archivedAt)).orderBy(units.tag).all(),
    stock: db.select().from(stock).where(isNull(stock.archivedAt)).orderBy(stock.tag).all(),
    models: db.select().from(models).all(),
    places: db.select({ id: places.id, name: places.name }).from(places).all(),
  }
}
