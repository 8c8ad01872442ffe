import { listFits, nameModel } from '@exemplar/core'
import { and, count, eq, isNull, sql } from 'drizzle-orm'
import { loadInterfaces } from '../../availability/reference.ts'
import { refuseField, refuseMissing } from '../../foundation/base/problem.ts'
import { requireVersion, write } from '../../foundation/database/app-context.ts'
import { defineRoute } from '../../foundation/http/route.ts'
import { models, units } from '../../schema/kit-tables.ts'
import { mergeModels } from '../unit/merging.ts'

export const modelRoutes = [
  defineRoute('get /models', (_, { db }) =>
    db
      .select({
        id: models.id,
        maker: models.maker,
        name: models.name,
        category: models.category,
        aliases: models.aliases,
        version: models.version,
        things: count(units.id),
      })
      .from(models)
      .leftJoin(units, and(eq(units.modelId, models.id), isNull(units.archivedAt)))
      .where(isNull(models.archivedAt))
      .groupBy(models.id)
      .orderBy(models.maker, models.name)
      .all(),
  ),
  defineRoute('get /models/:id/fits', ({ params }, { db }) => {
    const all = db.select().from(models).where(isNull(models.archivedAt)).all()
    const model = all.find((it) => it.id === params.id)
    if (!model) throw refuseMissing('model')
    const owned = new Set(
      db
        .selectDistinct({ id: units.modelId })
        .from(units)
        .where(isNull(units.archivedAt))
        .all()
        .map((it) => it.id),
    )
    return listFits(model, all).map(({ port, fits }) => ({
      port,
      fits: fits.map((it) => ({ ...it, isOwned: owned.has(it.modelId) })),
    }))
  }),
  defineRoute('put /models/:id', ({ params, body, version, actor }, app) =>
    write(app, actor, ({ tx, log }) => {
      const id = params.id ?? ''
      const before = requireVersion(tx.select().from(models).where(eq(models.id, id)).get(), version, 'model')
      const known = loadInterfaces(tx)
      for (const [at, port] of body.ports.entries()) {
        const stray = port.interfaces.find((code) => !known.has(code))
        if (stray) throw refuseField(`/ports/${at}/interfaces`, `There is no interface "${stray}".`)
      }
      const twin = tx
        .select({ id: models.id })
        .from(models)
        .where(
          and(
            eq(models.category, body.category),
            sql`lower(${models.maker} || ' ' || ${models.name}) = ${`${body.maker} ${body.name}`.toLowerCase()}`,
            sql`${models.id} <> ${id}`,
            isNull(models.archivedAt),
          ),
        )
        .get()
      if (twin) throw refuseField('/name', `${nameModel(body)} is a model here already. Merge the two instead.`, 409)
      log('changed', 'model', id, { before, after: body })
      return tx
        .update(models)
        .set({ ...body, version: before.version + 1 })
        .where(eq(models.id, id))
        .returning()
        .get()
    }),
  ),
  defineRoute('post /models/:id/merge', ({ params, body, version, actor }, app) =>
    write(app, actor, (writer) => mergeModels(writer, params.id ?? '', body.intoId, version)),
  ),
]
