import { findDate } from '@exemplar/core'
import { eq } from 'drizzle-orm'
import { loadHoldBook } from '../availability/holds.ts'
import { refuseField, refuseMissing } from '../foundation/base/problem.ts'
import { write } from '../foundation/database/app-context.ts'
import { defineRoute } from '../foundation/http/route.ts'
import { stockUses } from '../schema/bench-tables.ts'
import { stock } from '../schema/kit-tables.ts'
import { requirePast } from '../studio/settings/past.ts'
import { loadStudio } from '../studio/settings/settings-routes.ts'
import { DAYS_AHEAD, listSupplies } from './supplies.ts'

export const supplyRoutes = [
  defineRoute('get /supplies', (_, { db, now: clock }) => {
    const now = clock()
    const { zone } = loadStudio(db)
    const book = loadHoldBook(db, { start: now, end: now + DAYS_AHEAD * 86_400_000 }, now)
    return { today: findDate(now, zone), lines: listSupplies(db, book, now, zone) }
  }),
  defineRoute('post /stock/:id/uses', ({ params, body, actor }, app) =>
    write(app, actor, (writer) => {
      requirePast(writer, body.on)
      const { tx, now, newId, log } = writer
      const row = tx
        .select()
        .from(stock)
        .where(eq(stock.id, params.id ?? ''))
        .get()
      if (!row || row.archivedAt !== null) throw refuseMissing('stock')
      if (body.quantity > row.quantity)
        throw refuseField('/quantity', `There are ${row.quantity}. Count it anew, if there are more.`)
      const use = tx
        .insert(stockUses)
        .values({ ...body, id: newId(), stockId: row.id, recordedAt: now })
        .returning()
        .get()
      log('used-up', 'stock', row.id, { after: use })
      return tx
        .update(stock)
        .set({ quantity: row.quantity - body.quantity, version: row.version + 1 })
        .where(eq(stock.id, row.id))
        .returning()
        .get()
    }),
  ),
]
