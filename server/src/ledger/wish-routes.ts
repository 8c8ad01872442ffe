import {
  addMonths,
  costWish,
  findDate,
  findUntried,
  isCounted,
  isKindOf,
  LONGEST_NAME,
  listInUse,
  listRegrets,
  type Model,
  NO_PROVENANCE,
  nameModel,
  type Pieces,
  type PlanReply,
  placePieces,
  type ReplyOf,
  SET_STATE_CODES,
  type Setup,
  splitAmount,
  type Wish,
  type WishesReply,
} from '@exemplar/core'
import { and, eq, inArray, isNull, sql } from 'drizzle-orm'
import { loadHoldings } from '../availability/holdings.ts'
import { refuseField, refuseMissing } from '../foundation/base/problem.ts'
import { requireVersion, type Transaction, type Writer, write } from '../foundation/database/app-context.ts'
import { defineRoute } from '../foundation/http/route.ts'
import { addToStock, addUnits } from '../kit/unit/adding.ts'
import { findOrMakeModel } from '../kit/unit/entered-model.ts'
import { models, stock, units } from '../schema/kit-tables.ts'
import { entries, wishes } from '../schema/ledger-tables.ts'
import { setups, setupUnits } from '../schema/setups-tables.ts'
import { parties } from '../schema/studio-tables.ts'
import { loadAllSetups, saveSetup } from '../setups/setup-store.ts'
import { loadStudio } from '../studio/settings/settings-routes.ts'
import { isOursToSell, nameSetups } from './wish-store.ts'

type Body = Pick<Wish, 'uses' | 'needsIds' | 'insteadIds' | 'sells'>

/**
 * What a wish names has to be there: roles of setups, other wishes, things of ours. What it named before may have gone meanwhile: nobody
 * has to clear that up to change another word.
 */
function requireNamed(tx: Transaction, body: Body, before: (Body & { id: string }) | null): void {
  const isKept = (list: readonly unknown[] | undefined, it: unknown) =>
    list?.some((known) => JSON.stringify(known) === JSON.stringify(it)) ?? false
  for (const [at, use] of body.uses.entries()) {
    if (isKept(before?.uses, use)) continue
    const { setupId, roleId, insteadOfId, beside } = use
    const setup = tx.select().from(setups).where(eq(setups.id, setupId)).get()
    if (!setup || setup.archivedAt !== null) throw refuseField(`/uses/${at}/setupId`, 'There is no such setup.')
    const role = setup.roles.find((it) => it.id === roleId)
    if (!role) throw refuseField(`/uses/${at}/roleId`, `${setup.code} has no such role.`)
    if (insteadOfId && !role.things.some((it) => it.unitId === insteadOfId)) {
      throw refuseField(`/uses/${at}/insteadOfId`, `This thing is not in ${role.name} of ${setup.code}.`)
    }
    if (!insteadOfId && !beside && listInUse(role).length > 0) {
      throw refuseField(
        `/uses/${at}/insteadOfId`,
        `${role.name} of ${setup.code} has a thing already. Say in whose place it comes, or that it stands beside.`,
      )
    }
  }
  for (const field of ['needsIds', 'insteadIds'] as const) {
    for (const [at, id] of body[field].entries()) {
      if (isKept(before?.[field], id)) continue
      if (id === before?.id) throw refuseField(`/${field}/${at}`, 'A wish cannot name itself.')
      if (!tx.select().from(wishes).where(eq(wishes.id, id)).get()) {
        throw refuseField(`/${field}/${at}`, 'There is no such wish.')
      }
    }
  }
  const both = body.needsIds.findIndex((id) => body.insteadIds.includes(id))
  if (both >= 0)
    throw refuseField(`/insteadIds/${body.insteadIds.indexOf(body.needsIds[both] ?? '')}`, 'It needs that one.')
  for (const [at, { unitId }] of body.sells.entries()) {
    requireSoldOnce(tx, body, before?.id ?? null, unitId, `/sells/${at}/unitId`)
    if (before?.sells.some((it) => it.unitId === unitId)) continue
    if (!tx.select().from(units).where(eq(units.id, unitId)).get()) {
      throw refuseField(`/sells/${at}/unitId`, 'There is no such thing.')
    }
  }
}

/** A price was to be had on a day that has been: one of tomorrow would count for what it costs today. */
function requirePast({ tx, now }: Writer, prices: Wish['prices'], before: Wish['prices']): void {
  const today = findDate(now, loadStudio(tx).zone)
  const at = prices.findIndex((it) => it.on > today && !before.some((known) => known.on === it.on))
  if (at >= 0) throw refuseField(`/prices/${at}/on`, 'A price is of a day that has been.')
}

/** What is sold for two wishes would pay for both: only where one of them is bought at most. */
function requireSoldOnce(tx: Transaction, body: Body, ownId: string | null, unitId: string, field: string): void {
  const other = tx
    .select()
    .from(wishes)
    .where(eq(wishes.state, 'open'))
    .all()
    .find(
      (it) =>
        it.id !== ownId &&
        it.sells.some((sale) => sale.unitId === unitId) &&
        !body.insteadIds.includes(it.id) &&
        !(ownId !== null && it.insteadIds.includes(ownId)),
    )
  if (!other) return
  const name = nameModel(requireModel(tx, other.modelId))
  throw refuseField(
    field,
    `It is sold for ${name} already. Say that only one of the two is bought, or sell it for one alone.`,
  )
}

function loadWish(tx: Transaction, id: string, version: number) {
  return requireVersion(tx.select().from(wishes).where(eq(wishes.id, id)).get(), version, 'wish')
}

function requireModel(tx: Transaction, id: string): Model {
  const model = tx.select().from(models).where(eq(models.id, id)).get()
  if (!model) throw refuseMissing('model')
  return model
}

function change({ tx, log }: Writer, before: Wish, part: Partial<Wish>): Wish {
  const after = tx
    .update(wishes)
    .set({ ...part, version: before.version + 1 })
    .where(eq(wishes.id, before.id))
    .returning()
    .get()
  log('changed', 'wish', before.id, { before, after })
  return after
}

/**
 * One thing that was ordered will not come: it leaves the kit, where it never was, and is wished for again. Of several pieces only that
 * one; the others are on order still.
 */
export function cancelPiece(writer: Writer, before: Wish, unitId: string | null): Wish {
  const { tx, now, newId, log } = writer
  const gone = unitId === null ? before.unitIds : [unitId]
  if (gone.length > 0) {
    tx.update(units)
      .set({ archivedAt: now, version: sql`${units.version} + 1` })
      .where(inArray(units.id, gone))
      .run()
    for (const id of gone) log('archived', 'unit', id, { why: 'cancelled by the seller' })
  }
  const left = before.unitIds.filter((id) => !gone.includes(id))
  if (left.length === 0) return change(writer, before, { state: 'open', unitIds: [] })
  const { id: _, version: __, ...again } = before
  const row = { ...again, id: newId(), state: 'open' as const, quantity: gone.length, unitIds: [] }
  tx.insert(wishes).values(row).run()
  log('created', 'wish', row.id, { after: row })
  return change(writer, before, { quantity: left.length, unitIds: left })
}

/** Puts what came into the roles that it was wished for, where they wait for it still. What serves in several setups does so in turn. */
function putIntoRoles(writer: Writer, { uses }: Wish, model: Model, pieces: Pieces): void {
  const { tx, log } = writer
  const portsOf = (unitId: string) => {
    const { models: known, units: found } = loadHoldings(tx, [unitId], [])
    return known.get(found.get(unitId)?.modelId ?? '')?.ports ?? []
  }
  for (const setupId of new Set(uses.map((it) => it.setupId))) {
    const row = tx.select().from(setups).where(eq(setups.id, setupId)).get()
    if (!row || row.archivedAt !== null) continue
    const { archivedAt: _, ...before } = row
    const own = uses.filter((it) => it.setupId === setupId)
    const after: Setup = placePieces<Setup>(before, own, pieces, model.ports, portsOf)
    if (after === before) continue
    saveSetup(writer, setupId, after, before.version + 1)
    log('changed', 'setup', setupId, { before, after })
  }
}

/** What was to be sold for it is for sale, unless something else needs it by now. */
function offerForSale({ tx, log }: Writer, wish: Wish): void {
  for (const { unitId, askMinor } of wish.sells) {
    const unit = tx.select().from(units).where(eq(units.id, unitId)).get()
    const needed = tx
      .select({ id: setups.id })
      .from(setupUnits)
      .innerJoin(setups, eq(setups.id, setupUnits.setupId))
      .where(and(eq(setupUnits.unitId, unitId), isNull(setups.archivedAt)))
      .get()
    if (!unit || needed || !isOursToSell(unit) || unit.state === 'for-sale') continue
    const provenance = { ...unit.provenance, askMinor }
    const after = { ...unit, provenance, state: 'for-sale' as const, version: unit.version + 1 }
    tx.update(units).set(after).where(eq(units.id, unitId)).run()
    log('state-changed', 'unit', unitId, { before: { state: unit.state }, after: { state: 'for-sale' } })
  }
}

/** One of its kind was bought and regretted: this one is tried before it is ordered, or it is said why it cannot be. */
function requireTried(tx: Transaction, wish: Wish, model: Model): void {
  const rows = tx
    .select({ wish: wishes, model: models })
    .from(wishes)
    .innerJoin(models, eq(models.id, wishes.modelId))
    .all()
  const regrets = listRegrets(
    rows.map((it) => ({ ...it.wish, name: nameModel(it.model), category: it.model.category })),
  )
  const found = findUntried({ ...wish, category: model.category }, regrets)
  if (!found) return
  const note = found.outcome.note === '' ? '' : `: ${found.outcome.note}`
  throw refuseField(
    '/tried',
    `${found.name} is of its kind, and was regretted${note}. Say in the wish how this one was tried, or that it cannot be; then it can be ordered.`,
  )
}

export const wishRoutes = [
  defineRoute('get /wishes', (_, app) => app.jobs.run<WishesReply>('wishes', {})),
  defineRoute('get /wishes/places', ({ query }, { db }) => {
    const setupsNow = loadAllSetups(db, 'code')
    const held = loadHoldings(
      db,
      setupsNow.flatMap((it) => it.roles.flatMap((role) => role.things.flatMap((thing) => thing.unitId ?? []))),
      [],
    )
    const kindOf = (unitId: string | null) => held.models.get(held.units.get(unitId ?? '')?.modelId ?? '')?.category
    const named = new Map(nameSetups(setupsNow).map((it) => [it.id, it]))
    return setupsNow.flatMap((setup) =>
      setup.roles.flatMap((role) => {
        const things = role.things.filter((it) => {
          const kind = kindOf(it.unitId)
          return !it.isSpare && kind !== undefined && isKindOf(kind, query.category)
        })
        const name = named.get(setup.id)
        if (!name) return []
        const suits = things.length > 0 || (role.wants !== null && isKindOf(query.category, role.wants))
        const tagged = things.flatMap(({ unitId }) => {
          const unit = held.units.get(unitId ?? '')
          return unit ? [{ unitId: unit.id, tag: unit.tag }] : []
        })
        const isEmpty = listInUse(role).length === 0
        return [{ ...name, roleId: role.id, role: role.name, suits, isEmpty, things: tagged }]
      }),
    )
  }),
  defineRoute('post /wishes', ({ body: { it, ...body }, actor }, app) =>
    write(app, actor, (writer) => {
      const { tx, newId, log } = writer
      requireNamed(tx, body, null)
      requirePast(writer, body.prices, [])
      const modelId = findOrMakeModel(writer, it, '/it')
      const wish = tx
        .insert(wishes)
        .values({ ...body, id: newId(), modelId })
        .returning()
        .get()
      log('created', 'wish', wish.id, { after: wish })
      return wish
    }),
  ),
  defineRoute('put /wishes/:id', ({ params, body, version, actor }, app) =>
    write(app, actor, (writer) => {
      const { tx } = writer
      const before = loadWish(tx, params.id ?? '', version)
      requirePast(writer, body.prices, before.prices)
      const isOut = before.state === 'ordered' || before.state === 'here'
      // Where it went once it came is told by its setups; what it was for stays as it was.
      if (!isOut) {
        requireNamed(tx, body, before)
        if (!SET_STATE_CODES.some((it) => it === body.state)) {
          throw refuseField('/state', 'It is on order once it is ordered, and here once it arrived.')
        }
      }
      if (body.outcome && before.state !== 'here') {
        throw refuseField('/outcome', 'What became of it can be said once it is here.')
      }
      // So many are on order as were ordered.
      return change(writer, before, isOut ? { ...body, state: before.state, quantity: before.quantity } : body)
    }),
  ),
  defineRoute('post /wishes/:id/ordered', ({ params, body, version, actor }, app) =>
    write(app, actor, (writer) => {
      const { tx } = writer
      const before = loadWish(tx, params.id ?? '', version)
      if (before.state === 'ordered' || before.state === 'here') throw refuseField('/state', 'It was ordered already.')
      if (body.partyId && !tx.select().from(parties).where(eq(parties.id, body.partyId)).get()) {
        throw refuseField('/partyId', 'There is no such vendor.')
      }
      const model = requireModel(tx, before.modelId)
      requireTried(tx, before, model)
      const { zone } = loadStudio(tx)
      const cost = costWish(before, findDate(writer.now, zone))
      // What is counted joins its stock when it comes: nobody counts what is not there.
      const made = isCounted(model.category)
        ? []
        : addUnits(writer, {
            modelId: model.id,
            category: model.category,
            count: before.quantity,
            state: 'ordered',
            acquisition: before.condition === 'used' ? 'bought-used' : 'bought-new',
            partyId: body.partyId,
            dueOn: body.dueOn,
            priceMinor: cost?.netMinor ?? null,
            provenance: { ...NO_PROVENANCE, taxMinor: cost?.taxMinor ?? null, reason: before.reason.slice(0, 300) },
          })
      return change(writer, before, { state: 'ordered', unitIds: made.map((it) => it.id) })
    }),
  ),
  defineRoute('post /wishes/:id/arrived', ({ params, body, version, actor }, app) =>
    write(app, actor, (writer) => {
      const { tx, newId, log } = writer
      const before = loadWish(tx, params.id ?? '', version)
      if (before.state !== 'ordered') throw refuseField('/state', 'It is not on order.')
      const model = requireModel(tx, before.modelId)
      const came = tx
        .select()
        .from(units)
        .where(and(inArray(units.id, before.unitIds), isNull(units.archivedAt)))
        .orderBy(units.tag)
        .all()
      const weights = came.map(() => 1)
      const nets = splitAmount(body.netMinor, weights)
      const taxes = splitAmount(body.taxMinor, weights)
      const pay = (netMinor: number, taxMinor: number, unitId: string | null, partyId: string | null) => {
        if (netMinor + taxMinor === 0) return
        const entry = {
          id: newId(),
          date: body.on,
          kind: 'purchase' as const,
          category: model.category,
          description: nameModel(model).slice(0, LONGEST_NAME),
          netMinor,
          taxMinor,
          partyId,
          unitId,
          wishId: before.id,
        }
        tx.insert(entries).values(entry).run()
        log('spent', 'entry', entry.id, { after: entry })
      }
      for (const [at, unit] of came.entries()) {
        const after = {
          ...unit,
          state: 'in-service' as const,
          dueOn: null,
          acquiredOn: body.on,
          priceMinor: nets[at] ?? 0,
          provenance: {
            ...unit.provenance,
            taxMinor: taxes[at] ?? 0,
            // So long the seller answers for it; that nobody does is said, as no day would be a day that nobody knows.
            warrantyUntil: before.warrantyMonths ? addMonths(body.on, before.warrantyMonths) : null,
            ...(before.warrantyMonths === 0 ? { warrantyTerms: 'Bought without warranty.' } : {}),
          },
          version: unit.version + 1,
        }
        tx.update(units).set(after).where(eq(units.id, unit.id)).run()
        log('state-changed', 'unit', unit.id, { before: unit, after })
        pay(nets[at] ?? 0, taxes[at] ?? 0, unit.id, unit.partyId)
      }
      let pieces: Pieces = { unitIds: came.map((it) => it.id) }
      // What was ordered and is in the kit no more was paid for all the same.
      if (came.length === 0 && !isCounted(model.category)) pay(body.netMinor, body.taxMinor, null, null)
      if (isCounted(model.category)) {
        const { category } = model
        const { quantity } = before
        const tag = addToStock(writer, { modelId: model.id, category, quantity, placeId: null })
        pieces = { stockId: tx.select().from(stock).where(eq(stock.tag, tag)).get()?.id ?? '', quantity }
        pay(body.netMinor, body.taxMinor, null, null)
      }
      putIntoRoles(writer, before, model, pieces)
      offerForSale(writer, before)
      return change(writer, before, { state: 'here', arrivedOn: body.on })
    }),
  ),
  defineRoute('post /wishes/:id/not-delivered', ({ params, version, actor }, app) =>
    write(app, actor, (writer) => {
      const before = loadWish(writer.tx, params.id ?? '', version)
      if (before.state !== 'ordered') throw refuseField('/state', 'It is not on order.')
      return cancelPiece(writer, before, null)
    }),
  ),
  defineRoute('get /ledger/hindrances', (_, app) => app.jobs.run<ReplyOf<'get /ledger/hindrances'>>('hindrances', {})),
  defineRoute('get /ledger/upgrade-plan', ({ query, connection }, app) =>
    app.jobs.run<PlanReply>('upgrade-plan', query, connection.signal),
  ),
]
