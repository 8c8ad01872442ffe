import { eq, isNull } from 'drizzle-orm'
import { requireVersion, write } from '../../foundation/database/app-context.ts'
import { defineRoute } from '../../foundation/http/route.ts'
import { savedViews } from '../../schema/kit-tables.ts'

export const viewRoutes = [
  defineRoute('get /kit-views', (_, { db }) =>
    db
      .select()
      .from(savedViews)
      .where(isNull(savedViews.archivedAt))
      .orderBy(savedViews.name)
      .all()
      .map(({ archivedAt: _, ...it }) => it),
  ),
  defineRoute('post /kit-views', ({ body, actor }, app) =>
    write(app, actor, ({ tx, newId, log }) => {
      const { archivedAt: _, ...view } = tx
        .insert(savedViews)
        .values({ ...body, id: newId() })
        .returning()
        .get()
      log('created', 'saved-view', view.id, { name: view.name })
      return view
    }),
  ),
  defineRoute('delete /kit-views/:id', ({ params, version, actor }, app) =>
    write(app, actor, ({ tx, now, log }) => {
      const id = params.id ?? ''
      const before = requireVersion(tx.select().from(savedViews).where(eq(savedViews.id, id)).get(), version, 'view')
      tx.update(savedViews)
        .set({ archivedAt: now, version: before.version + 1 })
        .where(eq(savedViews.id, id))
        .run()
      log('archived', 'saved-view', id, { name: before.name })
      return { id, version: before.version + 1 }
    }),
  ),
]
