import type { Holdings, Interface, Model, Stock, Unit } from '@exemplar/core'
import { type SQL, sql } from 'drizzle-orm'
import type { SQLiteColumn } from 'drizzle-orm/sqlite-core'
import type { Transaction } from '../foundation/database/app-context.ts'
import type { Database } from '../foundation/database/database.ts'
import { interfaces, models, stock, units } from '../schema/kit-tables.ts'

export type Reader = Database | Transaction

/** Whether a column holds one of these ids, however many: they are one parameter, so one statement is enough. */
export function isAnyOf(column: SQLiteColumn, ids: Iterable<string>): SQL {
  return sql`${column} in (select value from json_each(${JSON.stringify([...new Set(ids)])}))`
}

export function loadInterfaces(db: Reader): Map<string, Interface> {
  return new Map(
    db
      .select()
      .from(interfaces)
      .all()
      .map((it) => [it.code, it]),
  )
}

/** The named units and stock with their models, in at most three statements; ids that are not there are left out. */
export function loadHoldings(db: Reader, unitIds: readonly string[], stockIds: readonly string[]): Holdings {
  const foundUnits = unitIds.length > 0 ? db.select().from(units).where(isAnyOf(units.id, unitIds)).all() : []
  const foundStock = stockIds.length > 0 ? db.select().from(stock).where(isAnyOf(stock.id, stockIds)).all() : []
  const modelIds = [...foundUnits, ...foundStock].map((it) => it.modelId)
  const foundModels = modelIds.length > 0 ? db.select().from(models).where(isAnyOf(models.id, modelIds)).all() : []
  return {
    units: new Map(foundUnits.map((it): [string, Unit] => [it.id, it])),
    stock: new Map(foundStock.map((it): [string, Stock] => [it.id, it])),
    models: new Map(foundModels.map((it): [string, Model] => [it.id, it])),
  }
}
