import { desc, eq } from 'drizzle-orm'
import { requireVersion, write } from '../foundation/database/app-context.ts'
import { defineRoute } from '../foundation/http/route.ts'
import { decisions } from '../schema/ledger-tables.ts'

export const decisionRoutes = [
  defineRoute('get /decisions', (_, { db }) =>
    db.select().from(decisions).orderBy(desc(decisions.on), desc(decisions.id)).all(),
  ),
  defineRoute('post /decisions', ({ body, actor }, app) =>
    write(app, actor, ({ tx, newId, log }) => {
      const decision = tx
        .insert(decisions)
        .values({ ...body, id: newId() })
        .returning()
        .get()
      log('created', 'decision', decision.id, { after: decision })
      return decision
    }),
  ),
  defineRoute('put /decisions/:id', ({ params, body, version, actor }, app) =>
    write(app, actor, ({ tx, log }) => {
      const id = params.id ?? ''
      const before = requireVersion(tx.select().from(decisions).where(eq(decisions.id, id)).get(), version, 'decision')
      log('changed', 'decision', id, { before, after: body })
      return tx
        .update(decisions)
        .set({ ...body, version: before.version + 1 })
        .where(eq(decisions.id, id))
        .returning()
        .get()
    }),
  ),
]
