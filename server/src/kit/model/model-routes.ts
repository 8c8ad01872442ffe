import { idSchema, listFits, nameModel, newModelSchema } from '@exemplar/core'
import { and, count, eq, isNull, sql } from 'drizzle-orm'
import { z } from 'zod'
import { loadInterfaces } from '../../availability/reference.ts'
import { refuseField, refuseMissing } from '../../foundation/base/problem.ts'
import { requireVersion, write } from '../../foundation/database/app-context.ts'
import { defineRoute } from '../../foundation/http/route.ts'
import { models, units } from '../../schema/kit-tables.ts'
import { mergeModels } from '../unit/merging.ts'

const room = 'kit'

export const modelRoutes = [
  defineRoute({
    method: 'get',
    path: '/models',
    permission: 'see-studio',
    room,
    summary: 'Models by name, with how many things are of each',
    handle: (_, { db }) =>
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
  }),
  defineRoute({
    method: 'get',
    path: '/models/:id/fits',
    permission: 'see-studio',
    room,
    summary: 'What of the kit meets each port of a model',
    handle: ({ params }, { db }) => {
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
    },
  }),
  defineRoute({
    method: 'put',
    path: '/models/:id',
    permission: 'change-kit',
    room,
    summary: 'Change what a model is: its name, figures, ports and ways to power it',
    body: newModelSchema,
    isChange: true,
    handle: ({ params, body, version, actor }, app) =>
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
  }),
  defineRoute({
    method: 'post',
    path: '/models/:id/merge',
    permission: 'change-kit',
    room,
    summary: 'Two names of one model become one: this one goes into another',
    body: z.object({ intoId: idSchema }),
    isChange: true,
    handle: ({ params, body, version, actor }, app) =>
      write(app, actor, (writer) => mergeModels(writer, params.id ?? '', body.intoId, version)),
  }),
]
