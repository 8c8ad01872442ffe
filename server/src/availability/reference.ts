import type {
  BlockingFault,
  Fault,
  Interface,
  Model,
  OpenFault,
  Parent,
  Person,
  Place,
  Setup,
  Unit,
} from '@exemplar/core'
import { findBlockingFault } from '@exemplar/core'
import { and, eq, isNotNull, isNull, or, sql } from 'drizzle-orm'
import { alias } from 'drizzle-orm/sqlite-core'
import type { Transaction } from '../foundation/database/app-context.ts'
import { remember } from '../foundation/database/cache.ts'
import type { Database } from '../foundation/database/database.ts'
import { faults } from '../schema/bench-tables.ts'
import { controls, interfaces, models, stock, units } from '../schema/kit-tables.ts'
import { setups } from '../schema/setups-tables.ts'
import { people, places } from '../schema/studio-tables.ts'

/**
 * What nearly every page looks up and what a studio has few of. Read whole, in one statement each, and kept until the next
 * change. Inside a transaction it is read anew, as what is kept may be older than what was just written.
 */
export type Reader = Database | Transaction

function once<T>(db: Reader, key: string, make: () => T): T {
  return 'cache' in db ? remember(db, key, make) : make()
}

const byId = <T extends { id: string }>(rows: readonly T[]) => new Map(rows.map((it) => [it.id, it]))

export function loadPlaces(db: Reader): Map<string, Place> {
  return once(db, 'places', () => byId(db.select().from(places).all()))
}

/** Everybody there was, those who left included, by name. */
export function loadPeople(db: Reader): Map<string, Person & { archivedAt: number | null }> {
  return once(db, 'people', () => byId(db.select().from(people).orderBy(people.name).all()))
}

/** Who is in the team now, by name. */
export function loadTeam(db: Reader): Person[] {
  return once(db, 'team', () => [...loadPeople(db).values()].filter((it) => it.archivedAt === null))
}

export function loadInterfaces(db: Reader): Map<string, Interface> {
  return once(db, 'interfaces', () => {
    const rows = db.select().from(interfaces).all()
    return new Map(rows.map((it) => [it.code, it]))
  })
}

/** Every model there is. */
export function loadModels(db: Reader): Map<string, Model> {
  return once(db, 'models', () => byId(db.select().from(models).all()))
}

/** Every setup, archived ones too: what was booked stays booked. */
export function loadEverySetup(db: Reader): Map<string, Setup & { archivedAt: number | null }> {
  return once(db, 'setups', () => byId(db.select().from(setups).orderBy(setups.code).all()))
}

export type Kin = Pick<Unit, 'id' | 'parentId'>

/** Things that go with another one, and what controls it; one controller may go with several. */
export function loadKin(db: Reader): Kin[] {
  return once(db, 'kin', () => {
    const rows = db
      .select({ id: units.id, parentId: units.parentId, controlledId: controls.controlledId })
      .from(units)
      .leftJoin(controls, eq(controls.controllerId, units.id))
      .where(and(or(isNotNull(units.parentId), isNotNull(controls.controlledId)), isNull(units.archivedAt)))
      .orderBy(units.tag)
      .all()
    const parts = new Map(rows.flatMap((it) => (it.parentId === null ? [] : [[it.id, it.parentId] as const])))
    return [
      ...[...parts].map(([id, parentId]) => ({ id, parentId })),
      ...rows.flatMap(({ id, controlledId }) => (controlledId === null ? [] : [{ id, parentId: controlledId }])),
    ]
  })
}

/** By a thing's id what it goes with. */
export function loadParents(db: Reader): Map<string, Parent> {
  return once(db, 'parents', () => {
    const parents = alias(units, 'parents')
    const { id, tag, state, dueOn, acquisition } = parents
    const rows = db
      .select({ child: units.id, parent: { id, tag, state, dueOn, acquisition } })
      .from(units)
      .innerJoin(parents, eq(parents.id, units.parentId))
      .where(isNull(units.archivedAt))
      .all()
    return new Map(rows.map(({ child, parent }) => [child, parent]))
  })
}

/** Every counted thing with what it is and where it lies, by tag. */
export function loadStockRows(db: Reader) {
  return once(db, 'stock-rows', () =>
    db
      .select({ stock, model: models, place: places.name })
      .from(stock)
      .innerJoin(models, eq(models.id, stock.modelId))
      .leftJoin(places, eq(places.id, stock.placeId))
      .where(isNull(stock.archivedAt))
      .orderBy(stock.tag)
      .all(),
  )
}

const YEAR_MS = 365 * 86_400_000

/** The how manyeth of its thing within a year each fault is; what only looks bad is none. */
export const timesInYear = sql<number>`(select count(*) from faults as other where other.unit_id = faults.unit_id
  and other.severity <> 'cosmetic' and other.reported_at > faults.reported_at - ${YEAR_MS} and other.reported_at <= faults.reported_at)`

/** Every open fault, by the thing. */
function loadFaultsByUnit(db: Reader) {
  return once(db, 'open-faults', () => {
    const open = db
      .select({ fault: faults, timesInYear })
      .from(faults)
      .where(isNull(faults.mendedAt))
      .orderBy(faults.reportedAt)
      .all()
    const byUnit = new Map<string, (Fault & { timesInYear: number })[]>()
    for (const { fault, timesInYear } of open) {
      const known = byUnit.get(fault.unitId)
      if (known) known.push({ ...fault, timesInYear })
      else byUnit.set(fault.unitId, [{ ...fault, timesInYear }])
    }
    return byUnit
  })
}

/** Every open fault of what works on, by the thing. */
export function loadOpenFaults(db: Reader): ReadonlyMap<string, readonly OpenFault[]> {
  return loadFaultsByUnit(db)
}

/** Every open fault that takes a thing out of use, by the thing. */
export function loadBlockingFaults(db: Reader): Map<string, BlockingFault> {
  return once(
    db,
    'blocking-faults',
    () =>
      new Map(
        [...loadFaultsByUnit(db)].flatMap(([unitId, own]) => {
          const fault = findBlockingFault(own)
          return fault ? [[unitId, fault] as const] : []
        }),
      ),
  )
}

/** How many setups count on each thing. */
export function countUsage(db: Reader): Map<string, number> {
  return once(db, 'usage', () => {
    const counts = new Map<string, number>()
    for (const { archivedAt, roles } of loadEverySetup(db).values()) {
      if (archivedAt !== null) continue
      const own = new Set(roles.flatMap((role) => role.things.flatMap((it) => it.unitId ?? [])))
      for (const id of own) counts.set(id, (counts.get(id) ?? 0) + 1)
    }
    return counts
  })
}
