import {
  type BodyOf,
  copySetup,
  countFilmsToGo,
  findDate,
  hasOwnLens,
  type KitOption,
  type KitPlan,
  type Kits,
  listInUse,
  makeAssignment,
  makeFirstSetup,
  type Role,
  type Setup,
  suggestIdentity,
  wishBodySchema,
} from '@exemplar/core'
import { asc, eq, isNull } from 'drizzle-orm'
import { refuseField } from '../foundation/base/problem.ts'
import { requireVersion, type Transaction, type Writer, write } from '../foundation/database/app-context.ts'
import { defineRoute } from '../foundation/http/route.ts'
import { findOrMakeModel } from '../kit/unit/entered-model.ts'
import { models } from '../schema/kit-tables.ts'
import { kitPlans, wishes } from '../schema/ledger-tables.ts'
import { setups } from '../schema/setups-tables.ts'
import { saveSetup } from '../setups/setup-store.ts'
import { loadStudio } from '../studio/settings/settings-routes.ts'
import { countPublished, loadKitPlanPage } from './kit-plan-store.ts'

type Taken = BodyOf<'post /kit-plans/:id/taken'>

function requirePlan(tx: Transaction, id: string, version: number): KitPlan {
  return requireVersion(tx.select().from(kitPlans).where(eq(kitPlans.id, id)).get(), version, 'kit')
}

function requireSetup(tx: Transaction, id: string, field: string): Setup {
  const row = tx.select().from(setups).where(eq(setups.id, id)).get()
  if (!row || row.archivedAt !== null) throw refuseField(field, 'There is no such setup.')
  const { archivedAt: _, ...setup } = row
  return setup
}

function change({ tx, log }: Writer, before: KitPlan, part: Partial<KitPlan>): KitPlan {
  const after = tx
    .update(kitPlans)
    .set({ ...part, version: before.version + 1 })
    .where(eq(kitPlans.id, before.id))
    .returning()
    .get()
  log('changed', 'kit-plan', before.id, { before, after })
  return after
}

/** Roles of the setup, models that there are; and each id once, as what is chosen is told by it. */
function requireNamed(writer: Writer, before: KitPlan, body: Pick<KitPlan, 'musts' | 'tiers' | 'options'>): void {
  const { tx, now } = writer
  const setup = requireSetup(tx, before.setupId, '/setupId')
  for (const [at, { roleId }] of body.musts.entries()) {
    if (!setup.roles.some((it) => it.id === roleId) && !before.musts.some((it) => it.roleId === roleId))
      throw refuseField(`/musts/${at}/roleId`, `${setup.code} has no such role.`)
  }
  for (const field of ['tiers', 'options'] as const) {
    const ids = body[field].map((it) => it.id)
    const twice = ids.findIndex((id, at) => ids.indexOf(id) !== at)
    if (twice >= 0) throw refuseField(`/${field}/${twice}/id`, 'There are two of these.')
  }
  const today = findDate(now, loadStudio(tx).zone)
  for (const [at, option] of body.options.entries()) {
    const known = before.options.find((it) => it.id === option.id)
    if (known?.modelId !== option.modelId && !tx.select().from(models).where(eq(models.id, option.modelId)).get())
      throw refuseField(`/options/${at}/modelId`, 'There is no such model.')
    requirePast(option, known, today, `/options/${at}/price/on`)
  }
}

/** A price of tomorrow would count for what a kit costs today. */
function requirePast(
  { price }: Pick<KitOption, 'price'>,
  known: KitOption | undefined,
  today: string,
  field: string,
): void {
  if (price && price.on > today && known?.price?.on !== price.on)
    throw refuseField(field, 'A price is of a day that has been.')
}

/** The setup of a purpose, with its roles and nothing in them. */
function makeSetup(
  { tx, newId, ...writer }: Writer,
  purpose: NonNullable<BodyOf<'post /kit-plans'>['purpose']>,
): string {
  const used = tx.select({ code: setups.code, tape: setups.tape }).from(setups).all()
  const id = newId()
  const setup = makeFirstSetup(purpose, { placeId: null, circuitId: null, used, owned: [] }, newId)
  saveSetup({ tx, newId, ...writer }, id, setup, 1)
  writer.log('created', 'setup', id, { after: setup })
  return id
}

/** Wishes of what a kit buys, in the roles that it takes there. */
function wishFor({ tx, newId, log }: Writer, plan: KitPlan, setup: Setup, bought: Taken['bought']): string[] {
  return bought.map(({ optionId, count, roleIds, besideRoleIds, powerModeIds = [] }, at) => {
    const option = plan.options.find((it) => it.id === optionId)
    if (!option) throw refuseField(`/bought/${at}/optionId`, 'The kit has no such thing to choose from.')
    if (option.price === null) throw refuseField(`/bought/${at}/optionId`, 'Its price is not known.')
    if (count > option.most) throw refuseField(`/bought/${at}/count`, `At most ${option.most} of these.`)
    const roleOf = (id: string): Role => {
      const role = setup.roles.find((it) => it.id === id)
      if (!role) throw refuseField(`/bought/${at}/roleIds`, `${setup.code} has no such role any more.`)
      return role
    }
    const tier = plan.name.slice(0, 80)
    const use = (roleId: string, nth: number, beside: boolean) => {
      const { id } = roleOf(roleId)
      const powerModeId = powerModeIds[nth] ?? null
      return { setupId: setup.id, roleId: id, insteadOfId: null, beside, powerModeId }
    }
    // What was filled meanwhile is not pulled out: it stands beside.
    const fills = roleIds.map((id, nth) => use(id, nth, listInUse(roleOf(id)).length > 0))
    const lies = besideRoleIds.map((id, nth) => use(id, roleIds.length + nth, true))
    const wish = tx
      .insert(wishes)
      .values({
        ...wishBodySchema.parse({
          quantity: count,
          defect: 'missing',
          reason: `For the kit “${tier}”.`,
          uses: [...fills, ...lies],
          prices: [option.price],
        }),
        id: newId(),
        modelId: option.modelId,
      })
      .returning()
      .get()
    log('created', 'wish', wish.id, { after: wish })
    return wish.id
  })
}

/**
 * The setup of which a kit fills the roles. Where everything is bought and it has its things already, those stay where they are, and an
 * empty copy of it is filled: nobody who buys a second set pulls the first one apart.
 */
function findGround(writer: Writer, { setupId, base, name }: KitPlan): Setup {
  const { tx, newId, log } = writer
  const setup = requireSetup(tx, setupId, '/tierId')
  if (base === 'house' || setup.roles.every((it) => it.things.length === 0)) return setup
  const { id: _, version: __, ...body } = setup
  const used = tx.select({ code: setups.code, tape: setups.tape }).from(setups).all()
  const { code, tape } = suggestIdentity(name, used)
  const copy = { ...copySetup(body, name, code, false, null), tape, id: newId(), version: 1 }
  saveSetup(writer, copy.id, copy, 1)
  log('created', 'setup', copy.id, { after: copy })
  return copy
}

/** Roles that the kit fills with a camera whose lens is built in. */
function listWithOwnLens(tx: Transaction, plan: KitPlan, bought: Taken['bought']): string[] {
  return bought.flatMap(({ optionId, roleIds }) => {
    const modelId = plan.options.find((it) => it.id === optionId)?.modelId ?? ''
    const model = tx.select().from(models).where(eq(models.id, modelId)).get()
    return model && hasOwnLens(model.category) ? roleIds : []
  })
}

/**
 * What is here goes into the roles that the kit has it in; a lens is not missed where the camera of the kit has its own, nor sound where
 * the kit is for stills.
 */
function settleRoles(
  writer: Writer,
  before: Setup,
  { here }: Taken,
  { withOwnLens, isStills }: { withOwnLens: readonly string[]; isStills: boolean },
): void {
  const isThere = (unitId: string | null) =>
    before.roles.some((it) => it.things.some((thing) => unitId !== null && thing.unitId === unitId))
  const roles = before.roles.map((role): Role => {
    const hasNoUse =
      (role.wants === 'lens' && withOwnLens.includes(role.goesWith ?? '')) || (isStills && role.group === 'sound')
    if (hasNoUse && role.things.length === 0) return { ...role, intentionallyEmpty: true }
    const things = here.flatMap(({ unitId, stockId, count, roleId, powerModeId = null }) => {
      if (roleId !== role.id || isThere(unitId)) return []
      if (unitId) return [{ ...makeAssignment({ unitId }), powerModeId }]
      return stockId ? [{ ...makeAssignment({ stockId, quantity: count }), powerModeId }] : []
    })
    return things.length > 0 ? { ...role, intentionallyEmpty: false, things: [...role.things, ...things] } : role
  })
  if (!isStills && roles.every((it, at) => it === before.roles[at])) return
  const after = { ...before, roles, ...(isStills ? { speakers: 0 } : {}) }
  saveSetup(writer, before.id, after, before.version + 1)
  writer.log('changed', 'setup', before.id, { before, after })
}

export const kitPlanRoutes = [
  defineRoute('get /kit-plans', (_, { db }) =>
    db
      .select({ plan: kitPlans, setup: { id: setups.id, code: setups.code, tape: setups.tape, name: setups.name } })
      .from(kitPlans)
      .innerJoin(setups, eq(setups.id, kitPlans.setupId))
      .where(isNull(setups.archivedAt))
      .orderBy(asc(kitPlans.name), asc(kitPlans.id))
      .all()
      .map(({ plan: { id, name, tiers, options, taken }, setup }) => ({
        ...{ id, name, setup },
        ...{ tiers: tiers.length, options: options.length, isTaken: taken !== null },
      })),
  ),
  defineRoute('post /kit-plans', ({ body: { name, setupId, purpose }, actor }, app) =>
    write(app, actor, (writer) => {
      const { tx, newId, log } = writer
      const ownId = setupId
        ? requireSetup(tx, setupId, '/setupId').id
        : makeSetup(writer, purpose as NonNullable<typeof purpose>)
      const plan = tx
        .insert(kitPlans)
        .values({ id: newId(), name, setupId: ownId, musts: [], tiers: [], options: [], taken: null })
        .returning()
        .get()
      log('created', 'kit-plan', plan.id, { after: plan })
      return plan
    }),
  ),
  defineRoute('get /kit-plans/:id', ({ params }, app) => loadKitPlanPage(app, params.id ?? '')),
  defineRoute('put /kit-plans/:id', ({ params, body, version, actor }, app) =>
    write(app, actor, (writer) => {
      const before = requirePlan(writer.tx, params.id ?? '', version)
      requireNamed(writer, before, body)
      return change(writer, before, body)
    }),
  ),
  defineRoute('delete /kit-plans/:id', ({ params, version, actor }, app) =>
    write(app, actor, ({ tx, log }) => {
      const before = requirePlan(tx, params.id ?? '', version)
      tx.delete(kitPlans).where(eq(kitPlans.id, before.id)).run()
      log('archived', 'kit-plan', before.id, { before })
      return { id: before.id, version: before.version + 1 }
    }),
  ),
  defineRoute('post /kit-plans/:id/options', ({ params, body: { it, ...body }, version, actor }, app) =>
    write(app, actor, (writer) => {
      const { tx, newId, now } = writer
      const before = requirePlan(tx, params.id ?? '', version)
      requirePast(body, undefined, findDate(now, loadStudio(tx).zone), '/price/on')
      if (before.options.length >= 80) throw refuseField('/it/name', 'At most 80 things to choose from.')
      const modelId = findOrMakeModel(writer, it, '/it')
      if (before.options.some((one) => one.modelId === modelId))
        throw refuseField('/it/name', 'It is among them already: change its price or its number there.')
      return change(writer, before, { options: [...before.options, { ...body, id: newId(), modelId }] })
    }),
  ),
  defineRoute('get /kit-plans/:id/kits', ({ params, connection }, app) =>
    app.jobs.run<Kits>('kits', { id: params.id ?? '' }, connection.signal),
  ),
  defineRoute('post /kit-plans/:id/taken', ({ params, body, version, actor }, app) =>
    write(app, actor, (writer) => {
      const { tx, now } = writer
      const before = requirePlan(tx, params.id ?? '', version)
      if (before.taken)
        throw refuseField('/tierId', 'A kit of it was taken on already. Undo that first, or plan another.')
      const tier = before.tiers.find((it) => it.id === body.tierId)
      if (!tier) throw refuseField('/tierId', 'There is no such tier.')
      const today = findDate(now, loadStudio(tx).zone)
      const toGo = countFilmsToGo(tier, countPublished(tx, today))
      if (toGo > 0) {
        const films = toGo === 1 ? 'one film more' : `${toGo} films more`
        throw refuseField(
          '/tierId',
          `It opens once ${films} are published. Whoever thinks otherwise takes that off the tier.`,
        )
      }
      const setup = findGround(writer, before)
      const wishIds = wishFor(writer, before, setup, body.bought)
      settleRoles(writer, setup, body, {
        withOwnLens: listWithOwnLens(tx, before, body.bought),
        isStills: before.isStills,
      })
      return change(writer, before, { setupId: setup.id, taken: { tierId: tier.id, on: today, wishIds } })
    }),
  ),
]
