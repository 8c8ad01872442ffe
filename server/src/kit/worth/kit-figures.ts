import {
  type Category,
  countAvailable,
  type EntryKind,
  estimateResale,
  findBudgetEffect,
  findDate,
  type Interval,
  isRisk,
  LIFE_STATES,
  lifeStateSchema,
  listUnusableSpans,
  type Model,
  measureUse,
  nameModel,
  type Sharing,
  sumCapacities,
  valueSetups,
} from '@exemplar/core'
import { and, eq, isNull } from 'drizzle-orm'
import { z } from 'zod'
import type { AppContext } from '../../foundation/database/app-context.ts'
import { faults } from '../../schema/bench-tables.ts'
import { entries } from '../../schema/ledger-tables.ts'
import { setups } from '../../schema/setups-tables.ts'
import { events } from '../../schema/studio-tables.ts'
import { eventStands } from '../../studio/history/undo.ts'
import { loadStudio } from '../../studio/settings/settings-routes.ts'
import { loadLive } from '../exchange/kit-file-store.ts'
import { listSessions } from './session-log.ts'

function groupBy<T, V>(
  rows: readonly T[],
  keyOf: (row: T) => string | null,
  readValue: (row: T) => V,
): Map<string, V[]> {
  const groups = new Map<string, V[]>()
  for (const row of rows) {
    const key = keyOf(row)
    if (key === null) continue
    const known = groups.get(key)
    if (known) known.push(readValue(row))
    else groups.set(key, [readValue(row)])
  }
  return groups
}

type Live = ReturnType<typeof loadLive>

/** How many usable things there are of each kind. */
function countUsable(units: Live['units'], modelOf: ReadonlyMap<string, Model>): Map<Category | undefined, number> {
  const counts = new Map<Category | undefined, number>()
  for (const { modelId, state } of units) {
    if (!LIFE_STATES[state].usable) continue
    const category = modelOf.get(modelId)?.category
    counts.set(category, (counts.get(category) ?? 0) + 1)
  }
  return counts
}

const stateChange = z.object({
  before: z.object({ state: lifeStateSchema }),
  after: z.object({ state: lifeStateSchema }),
})

/** When each thing was not to be had: out of use by a fault, or in a state that cannot be used. */
function listOutages({ db }: AppContext, units: Live['units']): Map<string, Interval[]> {
  const changed = groupBy(
    db
      .select({ unitId: events.subjectId, at: events.at, data: events.data })
      .from(events)
      .where(and(eq(events.subjectType, 'unit'), eq(events.kind, 'state-changed'), eventStands))
      .orderBy(events.id)
      .all(),
    (it) => it.unitId,
    ({ at, data }) => ({ at, read: stateChange.safeParse(data) }),
  )
  const broken = groupBy(
    db.select().from(faults).where(eq(faults.severity, 'unusable')).all(),
    (it) => it.unitId,
    (it): Interval => ({ start: it.reportedAt, end: it.mendedAt ?? Number.POSITIVE_INFINITY }),
  )
  return new Map(
    units.map(({ id, state }) => {
      const changes = (changed.get(id) ?? []).flatMap(({ at, read }) =>
        read.success ? [{ at, before: read.data.before.state, after: read.data.after.state }] : [],
      )
      return [id, [...listUnusableSpans(changes, state), ...(broken.get(id) ?? [])]]
    }),
  )
}

/** What a thing cost so far: its price, from the ledger or from its own record, and what was spent on it since; unknown without a price. */
function sumCost(spent: readonly { kind: EntryKind; minor: number }[], priceMinor: number | null): number | null {
  const sum = spent.reduce((total, it) => total + it.minor, 0)
  if (spent.some((it) => it.kind === 'purchase')) return sum
  return priceMinor === null ? null : priceMinor + sum
}

/** In how many sessions each thing served, and what that cost. */
function listUse(app: AppContext, { units, models }: Live, today: string, zone: string) {
  const { db } = app
  const sessions = listSessions(db, app.now(), zone)
  const outages = listOutages(app, units)
  const used = groupBy(
    sessions.flatMap(({ on, unitIds }) => [...unitIds].map((unitId) => ({ on, unitId }))),
    (it) => it.unitId,
    (it) => it.on,
  )
  const spent = groupBy(
    db.select().from(entries).all(),
    (it) => it.unitId,
    (it) => ({ kind: it.kind, minor: findBudgetEffect(it) }),
  )
  const failed = groupBy(
    db.select().from(faults).where(eq(faults.severity, 'unusable')).all(),
    (it) => it.unitId,
    (it) => findDate(it.reportedAt, zone),
  )
  const losses = groupBy(
    db.select().from(faults).where(isNull(faults.mendedAt)).all(),
    (it) => it.unitId,
    (it) => it.valueLossMinor ?? 0,
  )
  const modelOf = new Map(models.map((it) => [it.id, it]))
  const usable = countUsable(units, modelOf)
  return units.map((unit) => {
    const model = modelOf.get(unit.modelId)
    const figures = measureUse(
      {
        acquiredOn: unit.acquiredOn,
        costMinor: sumCost(spent.get(unit.id) ?? [], unit.priceMinor),
        usedOn: used.get(unit.id) ?? [],
        availableSessions: countAvailable(sessions, unit, outages.get(unit.id) ?? []),
        lastFailedOn: failed.get(unit.id)?.sort().at(-1) ?? null,
      },
      today,
    )
    const alike = (usable.get(model?.category) ?? 0) - (LIFE_STATES[unit.state].usable ? 1 : 0)
    return {
      id: unit.id,
      tag: unit.tag,
      name: model ? nameModel(model) : '',
      reason: unit.provenance.reason,
      ...figures,
      resaleMinor:
        unit.priceMinor === null || figures.ageDays === null
          ? null
          : Math.max(
              0,
              estimateResale(unit.priceMinor, figures.ageDays) -
                (losses.get(unit.id) ?? []).reduce((sum, it) => sum + it, 0),
            ),
      isRisk: isRisk(figures.share, alike),
    }
  })
}

/** What stands in each setup cost, and is worth. */
function listSetupValues({ db }: AppContext, { units }: Live, sharing: Sharing) {
  const rows = db.select().from(setups).where(isNull(setups.archivedAt)).orderBy(setups.code).all()
  const used = rows.map(({ id, roles }) => ({
    id,
    things: roles.flatMap((role) => role.things.flatMap((it) => it.unitId ?? it.stockId ?? [])),
  }))
  const unitOf = new Map(units.map((it) => [it.id, it]))
  // What nobody valued is not worth what was paid, and nobody knows what anything costs anew by its old price.
  const paid = valueSetups(used, (id) => unitOf.get(id)?.priceMinor ?? null, sharing)
  const anew = valueSetups(used, (id) => unitOf.get(id)?.provenance.replacementMinor ?? null, sharing)
  const worth = valueSetups(used, (id) => unitOf.get(id)?.provenance.valueMinor ?? null, sharing)
  return rows.map(({ id, code, tape, name }) => ({
    id,
    code,
    tape,
    name,
    paidMinor: paid.get(id)?.minor ?? 0,
    worthMinor: worth.get(id)?.minor ?? 0,
    replacementMinor: anew.get(id)?.minor ?? 0,
    unknown: {
      paid: paid.get(id)?.unknown ?? 0,
      worth: worth.get(id)?.unknown ?? 0,
      anew: anew.get(id)?.unknown ?? 0,
    },
    shared: worth.get(id)?.shared ?? 0,
  }))
}

/** What the cards, drives and packs that are in use hold together, counted ones among them. */
function listCapacities({ units, stock, models }: Live) {
  const modelOf = new Map(models.map((it) => [it.id, it]))
  const place = (modelId: string, quantity: number, healthPercent: number | null) => {
    const model = modelOf.get(modelId)
    return model ? [{ model, quantity, healthPercent }] : []
  }
  return sumCapacities([
    ...units.filter((it) => LIFE_STATES[it.state].usable).flatMap((it) => place(it.modelId, 1, it.healthPercent)),
    ...stock.flatMap((it) => place(it.modelId, it.quantity, null)),
  ])
}

/** Every figure over all things at once, but what setups want of what is counted. */
export function computeFigures(app: AppContext, { sharing }: { sharing: Sharing }) {
  const { zone } = loadStudio(app.db)
  const live = loadLive(app.db)
  return {
    use: listUse(app, live, findDate(app.now(), zone), zone),
    setups: listSetupValues(app, live, sharing),
    capacities: listCapacities(live),
  }
}
