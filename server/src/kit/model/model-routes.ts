import {
  ANSWERED_BY,
  answerFact,
  type BodyOf,
  CATEGORIES,
  type FactAnswer,
  listAnswers,
  listFits,
  listLackingFacts,
  makeOwnInterface,
  type NeededFact,
  type NewModel,
  nameModel,
} from '@exemplar/core'
import { and, eq, isNull, sql } from 'drizzle-orm'
import { loadInterfaces } from '../../availability/reference.ts'
import { refuseField, refuseMissing } from '../../foundation/base/problem.ts'
import { requireVersion, type Writer, write } from '../../foundation/database/app-context.ts'
import { defineRoute } from '../../foundation/http/route.ts'
import { models, stock, units } from '../../schema/kit-tables.ts'
import { shoppingLines } from '../../schema/ledger-tables.ts'
import { mergeModels } from '../unit/merging.ts'
import { addInterface } from './connector-routes.ts'

/** The answer with the connector that it names, or that it makes. */
function readAnswer(writer: Writer, fact: NeededFact, answer: BodyOf<'post /models/:id/facts'>['answer']): FactAnswer {
  const [kind] = ANSWERED_BY[fact] ?? []
  if (answer.kind === 'new-interface') {
    if (!kind) throw refuseField('/answer', 'This is answered by a figure.')
    return { kind: 'interface', code: addInterface(writer, makeOwnInterface(kind, answer.label)).code }
  }
  if (answer.kind !== 'interface') return answer
  const fitting = listAnswers(fact, loadInterfaces(writer.tx).values())
  if (!fitting.some((it) => it.code === answer.code)) {
    throw refuseField('/answer/code', 'This is no connector that answers it.')
  }
  return answer
}

/** What one has to buy beside a model goes on the shopping list, once, when it is written down. */
function wishForWhatIsMissing({ tx, newId, log }: Writer, model: NewModel, before: readonly string[]): void {
  for (const item of model.notInBox.filter((it) => !before.includes(it))) {
    const reason = `Not in the box of ${nameModel(model)}.`.slice(0, 200)
    const line = { id: newId(), item, quantity: 1, reason, stockId: null, setupId: null }
    tx.insert(shoppingLines)
      .values({ ...line, group: CATEGORIES[model.category].group })
      .run()
    log('created', 'shopping-line', line.id, { item })
  }
}

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
        // Single things, and what is counted of it.
        things: sql<number>`count(${units.id}) + coalesce((select sum(${stock.quantity}) from ${stock} where ${stock.modelId} = ${models.id} and ${stock.archivedAt} is null), 0)`,
      })
      .from(models)
      .leftJoin(units, and(eq(units.modelId, models.id), isNull(units.archivedAt)))
      .where(isNull(models.archivedAt))
      .groupBy(models.id)
      .orderBy(models.maker, models.name)
      .all(),
  ),
  defineRoute('get /models/questions', (_, { db }) => {
    const interfaces = loadInterfaces(db)
    const inUse = new Map<string, number>()
    const note = ({ modelId }: { modelId: string }) => inUse.set(modelId, (inUse.get(modelId) ?? 0) + 1)
    for (const row of db.select({ modelId: units.modelId }).from(units).where(isNull(units.archivedAt)).all()) note(row)
    for (const row of db.select({ modelId: stock.modelId }).from(stock).where(isNull(stock.archivedAt)).all()) note(row)
    const all = db.select().from(models).where(isNull(models.archivedAt)).orderBy(models.maker, models.name).all()
    return all.flatMap((model) => {
      const things = inUse.get(model.id) ?? 0
      if (things === 0) return []
      const { id, version, category } = model
      return listLackingFacts(model, interfaces).map((fact) => {
        return { id, version, name: nameModel(model), category, fact, things }
      })
    })
  }),
  defineRoute('get /models/:id', ({ params }, { db }) => {
    const model = db
      .select()
      .from(models)
      .where(eq(models.id, params.id ?? ''))
      .get()
    if (!model) throw refuseMissing('model')
    return model
  }),
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
    write(app, actor, (writer) => {
      const { tx, log } = writer
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
      wishForWhatIsMissing(writer, body, before.notInBox)
      return tx
        .update(models)
        .set({ ...body, version: before.version + 1 })
        .where(eq(models.id, id))
        .returning()
        .get()
    }),
  ),
  defineRoute('post /models/:id/facts', ({ params, body: { fact, answer }, version, actor }, app) =>
    write(app, actor, (writer) => {
      const { tx, log } = writer
      const id = params.id ?? ''
      const before = requireVersion(tx.select().from(models).where(eq(models.id, id)).get(), version, 'model')
      const after = answerFact(before, fact, readAnswer(writer, fact, answer))
      if (after === before) throw refuseField('/answer', 'This does not answer it.')
      log('changed', 'model', id, { before, after })
      return tx
        .update(models)
        .set({ ...after, version: before.version + 1 })
        .where(eq(models.id, id))
        .returning()
        .get()
    }),
  ),
  defineRoute('post /models/:id/merge', ({ params, body, version, actor }, app) =>
    write(app, actor, (writer) => mergeModels(writer, params.id ?? '', body.intoId, version)),
  ),
]
