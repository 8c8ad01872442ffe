import { eq, isNull } from 'drizzle-orm'
import { requireVersion, write } from '../../foundation/database/app-context.ts'
import { defineRoute } from '../../foundation/http/route.ts'
import { models, stock } from '../../schema/kit-tables.ts'
import { places } from '../../schema/studio-tables.ts'
import { takeTag } from './adding.ts'
import { findOrMakeModel } from './entered-model.ts'

export const stockRoutes = [
  defineRoute('get /stock', (_, { db }) =>
    db
      .select({ stock, name: models.name, category: models.category, place: places.name })
      .from(stock)
      .innerJoin(models, eq(models.id, stock.modelId))
      .leftJoin(places, eq(places.id, stock.placeId))
      .where(isNull(stock.archivedAt))
      .orderBy(stock.tag)
      .all()
      .map(({ stock: it, ...rest }) => ({ ...it, ...rest })),
  ),
  defineRoute('post /stock', ({ body, actor }, app) =>
    write(app, actor, (writer) => {
      const { category, maker: _maker, name: _name, facts: _facts, specs: _specs, usual: _usual, ...counted } = body
      const modelId = findOrMakeModel(writer, body)
      const tag = takeTag(writer, category)
      const row = writer.tx
        .insert(stock)
        .values({ ...counted, id: writer.newId(), tag, modelId })
        .returning()
        .get()
      writer.log('created', 'stock', row.id, { after: row })
      return row
    }),
  ),
  defineRoute('patch /stock/:id', ({ params, body, version, actor }, app) =>
    write(app, actor, ({ tx, log }) => {
      const id = params.id ?? ''
      const before = requireVersion(tx.select().from(stock).where(eq(stock.id, id)).get(), version, 'stock')
      log('changed', 'stock', id, { before, after: body })
      return tx
        .update(stock)
        .set({ ...body, version: before.version + 1 })
        .where(eq(stock.id, id))
        .returning()
        .get()
    }),
  ),
  defineRoute('post /stock/:id/count', ({ params, body, version, actor }, app) =>
    write(app, actor, ({ tx, log }) => {
      const id = params.id ?? ''
      const before = requireVersion(tx.select().from(stock).where(eq(stock.id, id)).get(), version, 'stock')
      log('counted', 'stock', id, { before: before.quantity, after: body.quantity })
      return tx
        .update(stock)
        .set({ quantity: body.quantity, version: before.version + 1 })
        .where(eq(stock.id, id))
        .returning()
        .get()
    }),
  ),
]
