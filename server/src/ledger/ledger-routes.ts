import {
  type AbleThing,
  CATEGORIES,
  findDate,
  type Group,
  INCOME_KINDS,
  listInWords,
  rankShopping,
  resolvePolicies,
  summariseSpending,
} from '@exemplar/core'
import { and, eq, gte, inArray, isNull, lt, sql } from 'drizzle-orm'
import { refuseField } from '../foundation/base/problem.ts'
import { requireVersion, type Transaction, write } from '../foundation/database/app-context.ts'
import type { Database } from '../foundation/database/database.ts'
import { defineRoute } from '../foundation/http/route.ts'
import { requireCountable } from '../kit/unit/adding.ts'
import { models, stock } from '../schema/kit-tables.ts'
import { budgets, entries, shoppingLines } from '../schema/ledger-tables.ts'
import { listAble } from '../setups/thing/able.ts'
import { loadStudio } from '../studio/settings/settings-routes.ts'
import { loadForecast } from './forecast.ts'

/** What is here and could do it comes before what is bought; gone things are not here, and of what nobody knows nothing is said. */
function refuseAble(able: readonly AbleThing[]): void {
  const tags = able.map((it) => it.tag)
  if (tags.length === 0) return
  const named = tags.length > 4 ? [...tags.slice(0, 3), `${tags.length - 3} more`] : tags
  throw refuseField(
    '/noneBecause',
    `${listInWords(named)} could do it. Take it from there, or say why none of it will do.`,
  )
}

/** What was spent in a year, against its budget. */
export function loadYear(db: Database, year: number) {
  const rows = db
    .select()
    .from(entries)
    .where(and(gte(entries.date, `${year}-01-01`), lt(entries.date, `${year + 1}-01-01`)))
    .all()
  const budget = db.select().from(budgets).where(eq(budgets.year, year)).get()
  return { ...summariseSpending(rows, year, budget?.totalMinor ?? null), budgetVersion: budget?.version ?? 0 }
}

/** The same, and what was spent in all since the first entry. */
function loadSpending(db: Database, year: number) {
  const inAll = db
    .select({
      minor: sql<
        number | null
      >`sum(case when ${inArray(entries.kind, INCOME_KINDS)} then -1 else 1 end * (${entries.netMinor} + ${entries.taxMinor}))`,
      since: sql<string | null>`min(${entries.date})`,
    })
    .from(entries)
    .get()
  return { ...loadYear(db, year), everMinor: inAll?.minor ?? 0, since: inAll?.since ?? null }
}

function groupOfStock(tx: Transaction, stockId: string | null): Group | null {
  const row = stockId
    ? tx
        .select({ category: models.category })
        .from(stock)
        .innerJoin(models, eq(models.id, stock.modelId))
        .where(eq(stock.id, stockId))
        .get()
    : undefined
  return row ? CATEGORIES[row.category].group : null
}

export const ledgerRoutes = [
  defineRoute('get /ledger/spending', ({ query }, app) => {
    const { zone } = loadStudio(app.db)
    const thisYear = Number(findDate(app.now(), zone).slice(0, 4))
    const year = query.year ?? thisYear
    const forecast = year === thisYear ? loadForecast(app.db, app.now(), zone) : null
    return { ...loadSpending(app.db, year), forecast }
  }),
  defineRoute('put /ledger/budget', ({ body: { version, ...budget }, actor }, app) =>
    write(app, actor, ({ tx, log }) => {
      const before = tx.select().from(budgets).where(eq(budgets.year, budget.year)).get()
      if (before) requireVersion(before, version, 'budget')
      const values = { ...budget, version: version + 1 }
      tx.insert(budgets).values(values).onConflictDoUpdate({ target: budgets.year, set: values }).run()
      log('changed', 'budget', String(budget.year), { before, after: budget })
      return values
    }),
  ),
  defineRoute('get /shopping', (_, { db }) => {
    const lines = db.select().from(shoppingLines).where(isNull(shoppingLines.boughtAt)).all()
    return rankShopping(lines, resolvePolicies(loadStudio(db), null).school('buy-first').way)
  }),
  defineRoute('post /shopping', ({ body, actor }, app) =>
    write(app, actor, ({ tx, now, newId, log }) => {
      if (body.wants.length > 0 && body.noneBecause === '') refuseAble(listAble(app.db, now, body.wants).able)
      const line = tx
        .insert(shoppingLines)
        .values({ ...body, group: body.group ?? groupOfStock(tx, body.stockId), id: newId() })
        .returning()
        .get()
      log('created', 'shopping-line', line.id, { after: line })
      return line
    }),
  ),
  defineRoute('put /shopping/:id/price', ({ params, body, version, actor }, app) =>
    write(app, actor, ({ tx, log }) => {
      const id = params.id ?? ''
      const row = tx.select().from(shoppingLines).where(eq(shoppingLines.id, id)).get()
      const before = requireVersion(row, version, 'shopping line')
      log('changed', 'shopping-line', id, { before: before.price, after: body.price })
      return tx
        .update(shoppingLines)
        .set({ price: body.price, version: before.version + 1 })
        .where(eq(shoppingLines.id, id))
        .returning()
        .get()
    }),
  ),
  defineRoute('post /shopping/:id/bought', ({ params, version, actor }, app) =>
    write(app, actor, ({ tx, now, log }) => {
      const id = params.id ?? ''
      const before = requireVersion(
        tx.select().from(shoppingLines).where(eq(shoppingLines.id, id)).get(),
        version,
        'shopping line',
      )
      const counted = before.stockId ? tx.select().from(stock).where(eq(stock.id, before.stockId)).get() : null
      if (counted && before.boughtAt === null) {
        const quantity = counted.quantity + before.quantity
        requireCountable(quantity)
        tx.update(stock)
          .set({ quantity, version: counted.version + 1 })
          .where(eq(stock.id, counted.id))
          .run()
        log('counted', 'stock', counted.id, { before: counted.quantity, after: quantity })
      }
      log('changed', 'shopping-line', id, { after: { boughtAt: now } })
      return tx
        .update(shoppingLines)
        .set({ boughtAt: now, version: before.version + 1 })
        .where(eq(shoppingLines.id, id))
        .returning()
        .get()
    }),
  ),
]
