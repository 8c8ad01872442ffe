import type { Holdings, Interface, Model, Stock, Unit } from '@exemplar/core'
import { inArray } from 'drizzle-orm'
import type { Transaction } from '../foundation/database/app-context.ts'
import type { Database } from '../foundation/database/database.ts'
import { interfaces, models, stock, units } from '../schema/kit-tables.ts'

type Reader = Database | Transaction

export function loadInterfaces(db: Reader): Map<string, Interface> {
  return new Map(
    db
      .select()
      .from(interfaces)
      .all()
      .map((it) => [it.code, it]),
  )
}

/** The named units and stock with their models; ids that are not there are left out. */
export function loadHoldings(db: Reader, unitIds: readonly string[], stockIds: readonly string[]): Holdings {
  const foundUnits = selectMany(unitIds, (ids) => db.select().from(units).where(inArray(units.id, ids)).all())
  const foundStock = selectMany(stockIds, (ids) => db.select().from(stock).where(inArray(stock.id, ids)).all())
  const modelIds = [...new Set([...foundUnits, ...foundStock].map((it) => it.modelId))]
  const foundModels = selectMany(modelIds, (ids) => db.select().from(models).where(inArray(models.id, ids)).all())
  return {
    units: new Map(foundUnits.map((it): [string, Unit] => [it.id, it])),
    stock: new Map(foundStock.map((it): [string, Stock] => [it.id, it])),
    models: new Map(foundModels.map((it): [string, Model] => [it.id, it])),
  }
}

/** SQLite takes a limited number of parameters at once. */
const CHUNK = 500

export function selectMany<T>(ids: readonly string[], select: (ids: string[]) => T[]): T[] {
  const distinct = [...new Set(ids)]
  const found: T[] = []
  for (let at = 0; at < distinct.length; at += CHUNK) found.push(...select(distinct.slice(at, at + CHUNK)))
  return found
}
