import { type Countable, compareStocktake, LIFE_STATES, nameModel } from '@exemplar/core'
import { desc, eq, inArray, isNull } from 'drizzle-orm'
import { ProblemError, refuseMissing } from '../../foundation/base/problem.ts'
import { requireVersion, type Transaction, type Writer, write } from '../../foundation/database/app-context.ts'
import type { Database } from '../../foundation/database/database.ts'
import { defineRoute } from '../../foundation/http/route.ts'
import { bookings } from '../../schema/diary-tables.ts'
import { models, stock, stocktakes, units } from '../../schema/kit-tables.ts'
import { places } from '../../schema/studio-tables.ts'

type Reader = Database | Transaction

/** Everything that can be counted, with where it is said to be, and whether anybody expects it there. */
function loadCountables(db: Reader): Countable[] {
  const out = new Set(
    db
      .select({ items: bookings.items })
      .from(bookings)
      .where(eq(bookings.state, 'out'))
      .all()
      .flatMap(({ items }) => (items ?? []).flatMap((it) => (it.state === 'out' && it.unitId ? [it.unitId] : []))),
  )
  const unitRows = db
    .select({ unit: units, model: models })
    .from(units)
    .innerJoin(models, eq(models.id, units.modelId))
    .where(isNull(units.archivedAt))
    .all()
  const stockRows = db
    .select({ stock, model: models })
    .from(stock)
    .innerJoin(models, eq(models.id, stock.modelId))
    .where(isNull(stock.archivedAt))
    .all()
  return [
    ...unitRows.map(({ unit, model }) => ({
      id: unit.id,
      tag: unit.tag,
      name: nameModel(model),
      placeId: unit.nowPlaceId ?? unit.placeId,
      quantity: null,
      isAway: out.has(unit.id) || !LIFE_STATES[unit.state].usable,
    })),
    ...stockRows.map(({ stock: it, model }) => ({
      id: it.id,
      tag: it.tag,
      name: nameModel(model),
      placeId: it.placeId,
      quantity: it.quantity,
      isAway: false,
    })),
  ]
}

/** A place with everything inside it; null for everywhere. */
function loadPlaceIds(db: Reader, placeId: string | null): Set<string> | null {
  if (placeId === null) return null
  const rows = db.select({ id: places.id, parentId: places.parentId }).from(places).all()
  const found = new Set([placeId])
  for (const id of found) for (const it of rows) if (it.parentId === id) found.add(it.id)
  return found
}

function loadStocktake(db: Reader, id: string) {
  const row = db.select().from(stocktakes).where(eq(stocktakes.id, id)).get()
  if (!row) throw refuseMissing('count')
  return row
}

function compare(db: Reader, row: typeof stocktakes.$inferSelect) {
  return compareStocktake(loadCountables(db), row.seen, loadPlaceIds(db, row.placeId))
}

function requireOpen(row: typeof stocktakes.$inferSelect): void {
  if (row.closedAt !== null) throw new ProblemError(409, 'Settled', 'This count is settled. Begin a new one.')
}

/** What was seen here and lives elsewhere is here now; what was seen is not lost; what is nowhere is. */
function settle({ tx, log }: Writer, row: typeof stocktakes.$inferSelect, lost: ReadonlySet<string>): number {
  let settled = 0
  for (const line of compare(tx, row)) {
    if (line.id === null) continue
    const id = line.id
    if (line.outcome === 'count-differs') {
      const before = tx.select().from(stock).where(eq(stock.id, id)).get()
      if (!before || line.seen === null) continue
      tx.update(stock)
        .set({ quantity: line.seen, version: before.version + 1 })
        .where(eq(stock.id, id))
        .run()
      log('counted', 'stock', id, { before: before.quantity, after: line.seen })
      settled++
      continue
    }
    const before = tx.select().from(units).where(eq(units.id, id)).get()
    if (!before) continue
    const bump = { version: before.version + 1 }
    if (line.outcome === 'moved-here' && row.placeId !== null) {
      const nowPlaceId = before.placeId === row.placeId ? null : row.placeId
      tx.update(units)
        .set({ nowPlaceId, ...bump })
        .where(eq(units.id, id))
        .run()
      log('moved', 'unit', id, { before: { nowPlaceId: before.nowPlaceId }, after: { nowPlaceId } })
      settled++
    } else if (line.outcome === 'missing' && lost.has(line.tag)) {
      tx.update(units)
        .set({ state: 'lost', ...bump })
        .where(eq(units.id, id))
        .run()
      log('state-changed', 'unit', id, { before: { state: before.state }, after: { state: 'lost' } })
      settled++
    } else if (line.outcome === 'back-early' && before.state === 'lost') {
      tx.update(units)
        .set({ state: 'in-service', ...bump })
        .where(eq(units.id, id))
        .run()
      log('state-changed', 'unit', id, { before: { state: 'lost' }, after: { state: 'in-service' } })
      settled++
    }
  }
  return settled
}

export const stocktakeRoutes = [
  defineRoute('get /stocktakes', (_, { db }) =>
    db
      .select({ stocktake: stocktakes, place: places.name })
      .from(stocktakes)
      .leftJoin(places, eq(places.id, stocktakes.placeId))
      .orderBy(desc(stocktakes.startedAt))
      .limit(50)
      .all()
      .map(({ stocktake: { seen, ...it }, place }) => ({ ...it, place, seen: seen.length })),
  ),
  defineRoute('post /stocktakes', ({ body, actor }, app) =>
    write(app, actor, ({ tx, now, newId, log }) => {
      const row = tx.insert(stocktakes).values({ id: newId(), placeId: body.placeId, startedAt: now }).returning().get()
      log('created', 'stocktake', row.id, { placeId: body.placeId })
      return row
    }),
  ),
  defineRoute('get /stocktakes/:id', ({ params }, { db }) => {
    const row = loadStocktake(db, params.id ?? '')
    const place = row.placeId ? db.select().from(places).where(eq(places.id, row.placeId)).get() : null
    return { ...row, place: place?.name ?? null, lines: compare(db, row) }
  }),
  defineRoute('post /stocktakes/:id/seen', ({ params, body: { isSeen, ...seen }, actor }, app) =>
    write(app, actor, ({ tx, log }) => {
      const row = loadStocktake(tx, params.id ?? '')
      requireOpen(row)
      const others = row.seen.filter((it) => it.tag !== seen.tag)
      const after = { seen: isSeen ? [...others, seen] : others, version: row.version + 1 }
      tx.update(stocktakes).set(after).where(eq(stocktakes.id, row.id)).run()
      log('counted', 'stocktake', row.id, { ...seen, isSeen })
      return { id: row.id, version: after.version }
    }),
  ),
  defineRoute('post /stocktakes/:id/settle', ({ params, body, version, actor }, app) =>
    write(app, actor, (writer) => {
      const row = requireVersion(loadStocktake(writer.tx, params.id ?? ''), version, 'count')
      requireOpen(row)
      const settled = settle(writer, row, new Set(body.lost))
      const after = { closedAt: writer.now, version: row.version + 1 }
      writer.tx
        .update(stocktakes)
        .set(after)
        .where(inArray(stocktakes.id, [row.id]))
        .run()
      writer.log('changed', 'stocktake', row.id, { settled })
      return { id: row.id, version: after.version, settled }
    }),
  ),
]
