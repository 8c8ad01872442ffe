import type { Holdings, Model, Stock, Unit } from '@exemplar/core'
import { type SQL, sql } from 'drizzle-orm'
import type { SQLiteColumn } from 'drizzle-orm/sqlite-core'
import { models, stock, units } from '../schema/kit-tables.ts'
import { loadModels, type Reader } from './reference.ts'

/** Whether a column holds one of these ids, however many: they are one parameter, so one statement is enough. */
export function isAnyOf(column: SQLiteColumn, ids: Iterable<string>): SQL {
  return sql`${column} in (select value from json_each(${JSON.stringify([...new Set(ids)])}))`
}

/** The named units and stock with their models, in at most three statements; ids that are not there are left out. */
export function loadHoldings(db: Reader, unitIds: readonly string[], stockIds: readonly string[]): Holdings {
  const foundUnits = unitIds.length > 0 ? db.select().from(units).where(isAnyOf(units.id, unitIds)).all() : []
  const foundStock = stockIds.length > 0 ? db.select().from(stock).where(isAnyOf(stock.id, stockIds)).all() : []
  const modelIds = [...foundUnits, ...foundStock].map((it) => it.modelId)
  const foundModels = modelIds.length > 0 ? loadModelsOf(db, modelIds) : []
  return {
    units: new Map(foundUnits.map((it): [string, Unit] => [it.id, it])),
    stock: new Map(foundStock.map((it): [string, Stock] => [it.id, it])),
    models: new Map(foundModels.map((it): [string, Model] => [it.id, it])),
  }
}

/** The named models; where all are known already, none is asked for again. */
function loadModelsOf(db: Reader, ids: readonly string[]): Model[] {
  const known = 'cache' in db && db.cache.has('models') ? loadModels(db) : null
  if (known) return [...new Set(ids)].flatMap((id) => known.get(id) ?? [])
  return db.select().from(models).where(isAnyOf(models.id, ids)).all()
}
