import {
  type Assignment,
  assessSetup,
  type Category,
  type ConnectPlan,
  chooseForRoles,
  compareReadiness,
  compareSetups,
  compareWorkings,
  isKindOf,
  listInUse,
  listOrphans,
  listSceneItems,
  nameModel,
  PURPOSES,
  type Purpose,
  pairEnds,
  type SetupDifference,
  SHOTS,
  type Shot,
  swapThing,
  takeOut,
} from '@exemplar/core'
import { and, inArray, isNull } from 'drizzle-orm'
import { loadHoldings } from '../availability/holdings.ts'
import { refuseField } from '../foundation/base/problem.ts'
import type { AppContext } from '../foundation/database/app-context.ts'
import { defineRoute } from '../foundation/http/route.ts'
import { faults } from '../schema/bench-tables.ts'
import { places } from '../schema/studio-tables.ts'
import { loadCase } from './assessment-case.ts'
import { loadFreeStore } from './free-store.ts'
import { loadSetup } from './setup-store.ts'

/** So many things of the store are looked at for one proposal. */
const MOST_CANDIDATES = 5_000

/** Things that work though something is wrong with them. */
function loadFaulty({ db }: AppContext, unitIds: readonly string[]): Set<string> {
  if (unitIds.length === 0) return new Set()
  const rows = db
    .select({ unitId: faults.unitId })
    .from(faults)
    .where(and(isNull(faults.mendedAt), inArray(faults.unitId, unitIds.slice(0, MOST_CANDIDATES))))
    .all()
  return new Set(rows.map((it) => it.unitId))
}

interface Names {
  /** With how many of a stock, and in which way it is powered or records where that was chosen. */
  thing(it: Assignment): string
  /** What a fact is called, where it is stored under an id. */
  fact(field: string, value: string): string
}

/** A difference in the words that people know: things by tag, rooms, circuits and purposes by name. */
function nameDifference(difference: SetupDifference, names: Names) {
  switch (difference.kind) {
    case 'role-added':
    case 'role-gone':
      return { ...difference, things: difference.things.map(names.thing) }
    case 'things':
      return { ...difference, gone: difference.gone.map(names.thing), added: difference.added.map(names.thing) }
    case 'fact': {
      const { field, before, after } = difference
      return { ...difference, before: names.fact(field, before), after: names.fact(field, after) }
    }
    default:
      return difference
  }
}

/** Names of rooms, circuits and purposes by their ids; what nobody knows, and what is no id, stays as it is. */
function makeFactNames({ db }: AppContext): Names['fact'] {
  const rooms = db.select().from(places).all()
  const circuits = rooms.flatMap((it) => it.circuits)
  const nameIn = (list: readonly { id: string; name: string }[], id: string) =>
    list.find((it) => it.id === id)?.name ?? id
  return (field, value) => {
    if (field === 'placeId') return nameIn(rooms, value)
    if (field === 'circuitId') return nameIn(circuits, value)
    if (field === 'purposeKind') return PURPOSES[value as Purpose] ?? value
    if (field === 'shot') return SHOTS[value as Shot] ?? value
    if (field === 'isMirrored') return value === 'true' ? 'yes' : 'no'
    return value
  }
}

export const helpingRoutes = [
  defineRoute('get /setups/:id/connect', ({ params, query, connection }, app) => {
    const { id } = loadSetup(app, params.id ?? '')
    return app.jobs.run<ConnectPlan>('connections', { id, bookingId: query.bookingId }, connection.signal)
  }),
  defineRoute('get /setups/:id/choose', ({ params, query }, app) => {
    const loaded = loadCase(app, params.id ?? '', query.bookingId)
    const { setup, input } = loaded
    const open = setup.roles.filter((role) => listInUse(role).length === 0)
    const wanted = new Set<Category>(open.flatMap((role) => role.wants ?? []))
    const listed = loadHoldings(
      app.db,
      open.flatMap((role) => role.anyOfUnitIds ?? []),
      [],
    ).models
    const suits = (model: { id: string; category: Category }) =>
      listed.has(model.id) || [...wanted].some((kind) => isKindOf(model.category, kind))
    const store = loadFreeStore(app.db, loaded, suits, MOST_CANDIDATES)
    const faulty = loadFaulty(
      app,
      store.units.map((it) => it.unit.id),
    )
    return chooseForRoles(input, store, faulty)
  }),
  defineRoute('get /setups/:id/without', ({ params, query }, app) => {
    const { input } = loadCase(app, params.id ?? '', query.bookingId)
    const before = assessSetup(input)
    const after = assessSetup({ ...input, setup: takeOut(input, query.unitId) })
    return {
      counts: after.counts,
      change: compareReadiness(before, after),
      empties: input.setup.roles
        .filter((role) => {
          const used = listInUse(role)
          return used.length > 0 && used.every((it) => it.unitId === query.unitId)
        })
        .map((role) => role.name),
      figures: compareWorkings(before.workings, after.workings),
    }
  }),
  defineRoute('get /setups/:id/swap', ({ params, query }, app) => {
    const { input } = loadCase(app, params.id ?? '', query.bookingId)
    const fresh = loadHoldings(app.db, [query.byUnitId], [])
    if (fresh.units.size === 0) throw refuseField('?byUnitId', 'There is no such thing.')
    if (!input.holdings.units.has(query.unitId)) throw refuseField('?unitId', 'This thing is not in the setup.')
    if (input.holdings.units.has(query.byUnitId)) throw refuseField('?byUnitId', 'This thing is in the setup already.')
    const holdings = {
      units: new Map([...input.holdings.units, ...fresh.units]),
      models: new Map([...input.holdings.models, ...fresh.models]),
      stock: input.holdings.stock,
    }
    const portsOf = (unitId: string) => holdings.models.get(holdings.units.get(unitId)?.modelId ?? '')?.ports ?? []
    const ends = pairEnds(portsOf(query.unitId), portsOf(query.byUnitId))
    const setup = swapThing(input.setup, { unitId: query.unitId, byUnitId: query.byUnitId, ends })
    const swapped = { ...input, holdings, setup }
    const [before, after] = [assessSetup(input), assessSetup(swapped)]
    const things = listSceneItems(swapped.setup, holdings, input)
    return {
      ends,
      counts: after.counts,
      change: compareReadiness(before, after),
      figures: compareWorkings(before.workings, after.workings),
      orphans: listOrphans(things, before, after),
    }
  }),
  defineRoute('get /setups/:id/difference', ({ params, query }, app) => {
    const before = loadSetup(app, params.id ?? '')
    if (query.otherId === before.id) throw refuseField('?otherId', 'Choose another setup to compare with.')
    const after = loadSetup(app, query.otherId)
    const things = [...before.roles, ...after.roles].flatMap((role) => role.things)
    const { units, stock, models } = loadHoldings(
      app.db,
      things.flatMap((it) => it.unitId ?? []),
      things.flatMap((it) => it.stockId ?? []),
    )
    const fact = makeFactNames(app)
    const thing: Names['thing'] = ({ unitId, stockId, quantity, powerModeId, recordingModeId }) => {
      const it = units.get(unitId ?? '') ?? stock.get(stockId ?? '')
      const model = models.get(it?.modelId ?? '')
      if (!it || !model) return ''
      const modes = [...model.powerModes, ...model.recordingModes]
      const chosen = modes.filter(({ id }) => id === powerModeId || id === recordingModeId).map(({ label }) => label)
      const count = stockId ? `${quantity} × ` : ''
      return `${count}${it.tag} ${nameModel(model)}${chosen.length > 0 ? ` (${chosen.join(', ')})` : ''}`
    }
    return { differences: compareSetups(before, after).map((it) => nameDifference(it, { thing, fact })) }
  }),
]
