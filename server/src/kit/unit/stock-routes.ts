import { CATEGORIES, CATEGORY_CODES, idSchema, makeNextTag, nameSchema, newStockSchema } from '@exemplar/core'
import { eq, isNull } from 'drizzle-orm'
import { z } from 'zod'
import { requireVersion, write } from '../../foundation/database/app-context.ts'
import { defineRoute } from '../../foundation/http/route.ts'
import { models, stock } from '../../schema/kit-tables.ts'
import { places } from '../../schema/studio-tables.ts'
import { listTagsLike } from './unit-list.ts'
import { findOrMakeModel } from './unit-routes.ts'

const room = 'kit'
const settingsSchema = newStockSchema.pick({ reorderLevel: true, placeId: true })

export const stockRoutes = [
  defineRoute({
    method: 'get',
    path: '/stock',
    permission: 'see-studio',
    room,
    summary: 'Counted things',
    handle: (_, { db }) =>
      db
        .select({ stock, name: models.name, category: models.category, place: places.name })
        .from(stock)
        .innerJoin(models, eq(models.id, stock.modelId))
        .leftJoin(places, eq(places.id, stock.placeId))
        .where(isNull(stock.archivedAt))
        .orderBy(stock.tag)
        .all()
        .map(({ stock: it, ...rest }) => ({ ...it, ...rest })),
  }),
  defineRoute({
    method: 'post',
    path: '/stock',
    permission: 'change-kit',
    room,
    summary: 'Begin to count a kind of thing',
    body: z.object({
      category: z.enum(CATEGORY_CODES),
      maker: z.string().trim().max(120).default(''),
      name: nameSchema,
      quantity: newStockSchema.shape.quantity,
      reorderLevel: newStockSchema.shape.reorderLevel.default(0),
      placeId: idSchema.nullable().default(null),
    }),
    status: 201,
    handle: ({ body, actor }, app) =>
      write(app, actor, (writer) => {
        const { category, maker, name, ...counted } = body
        const modelId = findOrMakeModel(writer, {
          ...body,
          category,
          maker,
          name,
          facts: {},
          specs: {},
          tag: null,
          nickname: '',
        })
        const { prefix } = CATEGORIES[category]
        const tag = makeNextTag(prefix, listTagsLike(writer.tx, prefix))
        const row = writer.tx
          .insert(stock)
          .values({ ...counted, id: writer.newId(), tag, modelId })
          .returning()
          .get()
        writer.log('created', 'stock', row.id, { after: row })
        return row
      }),
  }),
  defineRoute({
    method: 'patch',
    path: '/stock/:id',
    permission: 'change-kit',
    room,
    summary: 'Say where a stock lies and when more is to be bought',
    body: settingsSchema,
    isChange: true,
    handle: ({ params, body, version, actor }, app) =>
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
  }),
  defineRoute({
    method: 'post',
    path: '/stock/:id/count',
    permission: 'count-stock',
    room,
    summary: 'Count a stock anew',
    body: z.object({ quantity: z.number().int().min(0).max(100_000) }),
    isChange: true,
    handle: ({ params, body, version, actor }, app) =>
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
  }),
]
