import {
  CATEGORIES,
  CATEGORY_CODES,
  EMPTY_UNIT,
  idSchema,
  kitFilterSchema,
  makeModelFromTemplate,
  makeNextTag,
  moreSpecsSchema,
  nameModel,
  nameSchema,
  newUnitSchema,
  type TemplateFacts,
  tagSchema,
  unitSchema,
} from '@exemplar/core'
import { and, desc, eq, isNull, sql } from 'drizzle-orm'
import { z } from 'zod'
import { faults } from '../bench/tables.ts'
import { type House, requireVersion, type Transaction, type Writer, write } from '../foundation/house.ts'
import { ProblemError, refuseField, refuseMissing } from '../foundation/problem.ts'
import { defineRoute } from '../foundation/route.ts'
import { entries } from '../ledger/tables.ts'
import { setupUnits } from '../setups/tables.ts'
import { parties, people, places } from '../studio/tables.ts'
import { interfaces, models, stock, units } from './tables.ts'
import { countUnits, listTagsLike, listUnits, loadServes, unitListQuery } from './unit-list.ts'

const room = 'kit'

const codeOrNull = idSchema.nullable().optional()
const wholeOrNull = z.number().int().min(0).max(1e12).nullable().optional()

const factsSchema = z.object({
  mount: codeOrNull,
  frontMount: codeOrNull,
  battery: codeOrNull,
  batteryCount: z.number().int().min(1).max(8).nullable().optional(),
  inlet: codeOrNull,
  milliwatts: wholeOrNull,
  massGrams: wholeOrNull,
  loadGrams: wholeOrNull,
  energyMilliwattHours: wholeOrNull,
  capacityMegabytes: wholeOrNull,
  cardMegabytesPerSecond: wholeOrNull,
  kilobitsPerSecond: z.number().int().min(1).max(1e9).nullable().optional(),
  endA: codeOrNull,
  endB: codeOrNull,
  outlets: z.number().int().min(1).max(64).nullable().optional(),
  widthMinMm: wholeOrNull,
  widthMaxMm: wholeOrNull,
  depthMm: wholeOrNull,
  heightMm: wholeOrNull,
})

/** Quick entry: three fields make a thing and, where it is the first of its kind, its model. */
const quickEntrySchema = z.object({
  category: z.enum(CATEGORY_CODES),
  maker: z.string().trim().max(120).default(''),
  name: nameSchema,
  placeId: idSchema.nullable().default(null),
  tag: tagSchema.nullable().default(null),
  facts: factsSchema.default({}),
  specs: moreSpecsSchema.default({}),
  nickname: z.string().trim().max(80).default(''),
})

/** Finds the model of that kind and name, or makes it from the template. */
export function findOrMakeModel(
  { tx, newId, log }: Writer,
  { category, maker, name, facts, specs }: z.infer<typeof quickEntrySchema>,
): string {
  const known = tx
    .select({ id: models.id })
    .from(models)
    .where(
      and(
        eq(models.category, category),
        sql`lower(${models.maker}) = ${maker.toLowerCase()}`,
        sql`lower(${models.name}) = ${name.toLowerCase()}`,
      ),
    )
    .get()
  if (known) return known.id
  requireInterfaces(tx, facts)
  const model = tx
    .insert(models)
    .values({ ...makeModelFromTemplate(category, maker, name, facts, { more: specs }), id: newId() })
    .returning()
    .get()
  log('created', 'model', model.id, { after: model })
  return model.id
}

function requireInterfaces(tx: Transaction, facts: Partial<TemplateFacts>): void {
  for (const field of ['mount', 'frontMount', 'battery', 'inlet', 'endA', 'endB'] as const) {
    const code = facts[field]
    if (!code || tx.select().from(interfaces).where(eq(interfaces.code, code)).get()) continue
    throw refuseField(`/facts/${field}`, `There is no interface "${code}".`)
  }
}

function loadUnitPage(house: House, id: string) {
  const { db } = house
  const row = db
    .select({ unit: units, model: models, place: places.name, party: parties.name, owner: people.name })
    .from(units)
    .innerJoin(models, eq(models.id, units.modelId))
    .leftJoin(places, eq(places.id, units.placeId))
    .leftJoin(parties, eq(parties.id, units.partyId))
    .leftJoin(people, eq(people.id, units.ownerId))
    .where(eq(units.id, id))
    .get()
  if (!row) throw refuseMissing('thing')
  return {
    ...row,
    version: row.unit.version,
    name: nameModel(row.model),
    serves: loadServes(db, [id]).get(id) ?? [],
    faults: db.select().from(faults).where(eq(faults.unitId, id)).orderBy(desc(faults.reportedAt)).all(),
    entries: db.select().from(entries).where(eq(entries.unitId, id)).orderBy(desc(entries.date)).all(),
  }
}

export const unitRoutes = [
  defineRoute({
    method: 'get',
    path: '/units',
    permission: 'see-studio',
    room,
    summary: 'One page of things by tag, filtered',
    query: unitListQuery,
    handle: ({ query }, house) => listUnits(house, query),
  }),
  defineRoute({
    method: 'get',
    path: '/units/count',
    permission: 'see-studio',
    room,
    summary: 'How many things of how many models',
    query: kitFilterSchema,
    handle: ({ query }, house) => countUnits(house, query),
  }),
  defineRoute({
    method: 'post',
    path: '/units',
    permission: 'change-kit',
    room,
    summary: 'Add a thing by quick entry',
    body: quickEntrySchema,
    reply: unitSchema,
    status: 201,
    handle: ({ body, actor }, house) =>
      write(house, actor, (writer) => {
        const modelId = findOrMakeModel(writer, body)
        const { prefix } = CATEGORIES[body.category]
        const tag = body.tag ?? makeNextTag(prefix, listTagsLike(writer.tx, prefix))
        const unit = writer.tx
          .insert(units)
          .values({ ...EMPTY_UNIT, id: writer.newId(), tag, modelId, placeId: body.placeId })
          .returning()
          .get()
        writer.log('created', 'unit', unit.id, { after: unit })
        return unit
      }),
  }),
  defineRoute({
    method: 'get',
    path: '/units/:id',
    permission: 'see-studio',
    room,
    summary: 'A thing with its model, where it serves, its faults and its money',
    handle: ({ params }, house) => loadUnitPage(house, params.id ?? ''),
  }),
  defineRoute({
    method: 'patch',
    path: '/units/:id',
    permission: 'change-kit',
    room,
    summary: 'Change a thing',
    body: newUnitSchema.partial(),
    reply: unitSchema,
    isChange: true,
    handle: ({ params, body, version, actor }, house) =>
      write(house, actor, ({ tx, log }) => {
        const id = params.id ?? ''
        const before = requireVersion(tx.select().from(units).where(eq(units.id, id)).get(), version, 'thing')
        const after = tx
          .update(units)
          .set({ ...body, version: before.version + 1 })
          .where(eq(units.id, id))
          .returning()
          .get()
        const kind =
          before.state !== after.state ? 'state-changed' : before.placeId !== after.placeId ? 'moved' : 'changed'
        log(kind, 'unit', id, { before, after })
        return after
      }),
  }),
  defineRoute({
    method: 'delete',
    path: '/units/:id',
    permission: 'change-kit',
    room,
    summary: 'Archive a thing; its history stays',
    isChange: true,
    handle: ({ params, version, actor }, house) =>
      write(house, actor, ({ tx, now, log }) => {
        const id = params.id ?? ''
        const before = requireVersion(tx.select().from(units).where(eq(units.id, id)).get(), version, 'thing')
        if (tx.select().from(setupUnits).where(eq(setupUnits.unitId, id)).get()) {
          const detail = `${before.tag} stands in a setup. Take it out of the setup first.`
          throw new ProblemError(409, 'Still in use', detail)
        }
        tx.update(units)
          .set({ archivedAt: now, version: before.version + 1 })
          .where(eq(units.id, id))
          .run()
        log('archived', 'unit', id)
        return { id, version: before.version + 1 }
      }),
  }),
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
    path: '/stock/:id/count',
    permission: 'count-stock',
    room,
    summary: 'Count a stock anew',
    body: z.object({ quantity: z.number().int().min(0).max(100_000) }),
    isChange: true,
    handle: ({ params, body, version, actor }, house) =>
      write(house, actor, ({ tx, log }) => {
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
  defineRoute({
    method: 'get',
    path: '/interfaces',
    permission: 'see-studio',
    room,
    summary: 'Where two things can meet',
    handle: (_, { db }) => db.select().from(interfaces).orderBy(interfaces.kind, interfaces.label).all(),
  }),
]
