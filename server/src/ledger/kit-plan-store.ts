import {
  type Circuit,
  costWish,
  couldServe,
  findDate,
  findExponent,
  findFit,
  type KitPlan,
  type KitPlanPage,
  type Kits,
  listInUse,
  listKitItems,
  listStartersOf,
  makeKitInput,
  nameModel,
  PLUG_SYSTEMS,
  planKits,
  type StudioSettings,
  WEIGHTINGS,
} from '@exemplar/core'
import { and, eq, isNull, lte, sql } from 'drizzle-orm'
import { isAnyOf } from '../availability/holdings.ts'
import { loadModels } from '../availability/reference.ts'
import { refuseMissing } from '../foundation/base/problem.ts'
import { loadSolver } from '../foundation/base/solver.ts'
import type { AppContext, Transaction } from '../foundation/database/app-context.ts'
import type { Database } from '../foundation/database/database.ts'
import { kitPlans, wishes } from '../schema/ledger-tables.ts'
import { films } from '../schema/studio-tables.ts'
import { makePresentContext } from '../setups/assessment-context.ts'
import { loadAssessment } from '../setups/assessment-store.ts'
import { loadFreeStore } from '../setups/free-store.ts'
import { loadSetup } from '../setups/setup-store.ts'
import { loadStudio } from '../studio/settings/settings-routes.ts'
import { sumPaid } from './wish-store.ts'

/** A kit asks the solver some twenty times for each sum. */
const SECONDS_IN_ALL = 12
/** So many things of the store are looked at. */
const MOST_HERE = 400

export function loadKitPlan(db: Database, id: string): KitPlan {
  const plan = db.select().from(kitPlans).where(eq(kitPlans.id, id)).get()
  if (!plan) throw refuseMissing('kit')
  return plan
}

/** What a wall socket usually gives in the country, where nobody chose a circuit. */
function assumeCircuit({ plugSystem, mainsVolts }: StudioSettings): Circuit {
  const { socket, outletAmps } = PLUG_SYSTEMS[plugSystem]
  return {
    id: 'assumed',
    name: 'a wall socket',
    volts: mainsVolts,
    amps: outletAmps,
    outlets: 4,
    outletInterface: socket,
  }
}

/** Films that were published until a day. */
export function countPublished(db: Database | Transaction, today: string): number {
  const row = db
    .select({ count: sql<number>`count(*)` })
    .from(films)
    .where(and(isNull(films.archivedAt), lte(films.on, today)))
    .get()
  return row?.count ?? 0
}

function loadKitCase(app: AppContext, plan: KitPlan) {
  const { db } = app
  const settings = loadStudio(db)
  const setup = loadSetup(app, plan.setupId)
  const loaded = loadAssessment(db, { setup, context: makePresentContext(app.now(), setup) }, settings)
  const assumed = loaded.input.circuit === null ? assumeCircuit(settings) : null
  const input = makeKitInput(loaded.input, plan, assumed)
  return { settings, setup, loaded, assumed, input, today: findDate(app.now(), settings.zone) }
}

/** Kits for the sums of a plan, as long work: for a thread of its own. */
export async function planKitsFor(app: AppContext, { id }: { id: string }): Promise<Kits> {
  const plan = loadKitPlan(app.db, id)
  const { settings, loaded, input, today } = loadKitCase(app, plan)
  const store =
    plan.base === 'house' ? loadFreeStore(app.db, loaded, (model) => couldServe(input, model), MOST_HERE) : null
  const { musts, tiers, weighting } = plan
  return planKits(
    {
      input,
      items: listKitItems(plan, loadModels(app.db), store),
      musts,
      weigh: WEIGHTINGS[weighting]?.weigh ?? (() => 1),
      tiers,
      published: countPublished(app.db, today),
      exponent: findExponent(settings.currency),
      plugs: settings.plugSystem,
    },
    await loadSolver(SECONDS_IN_ALL),
  )
}

/** A plan with everything that its page names. */
export function loadKitPlanPage(app: AppContext, id: string): KitPlanPage {
  const { db } = app
  const plan = loadKitPlan(db, id)
  const { setup, input, assumed, today } = loadKitCase(app, plan)
  const models = loadModels(db)
  const { code, tape, name } = setup
  return {
    ...plan,
    setup: {
      ...{ id: setup.id, code, tape, name },
      roles: input.setup.roles.map((role) => ({
        ...{ id: role.id, name: role.name, group: role.group, importance: role.importance, wants: role.wants },
        isFilled: listInUse(role).length > 0,
        starters: listStartersOf(role),
      })),
    },
    models: plan.options.flatMap(({ modelId }) => {
      const model = models.get(modelId)
      if (!model) return []
      const fits = (answer: 'yes' | 'unknown') =>
        input.setup.roles.flatMap((role) => (findFit(role, { model }, plan.musts) === answer ? [role.id] : []))
      const { version, category } = model
      return [{ id: modelId, version, name: nameModel(model), category, fills: fits('yes'), perhaps: fits('unknown') }]
    }),
    assumedCircuit: assumed ? { volts: assumed.volts, amps: assumed.amps } : null,
    published: countPublished(db, today),
    wishes: listTaken(db, plan, models, today),
  }
}

/** What became of the wishes of a kit that was taken on. */
function listTaken(
  db: Database,
  { taken }: KitPlan,
  models: ReturnType<typeof loadModels>,
  today: string,
): KitPlanPage['wishes'] {
  if (!taken) return []
  const rows = db.select().from(wishes).where(isAnyOf(wishes.id, taken.wishIds)).all()
  const paidOf = sumPaid(db, rows)
  return rows.map((wish) => {
    const model = models.get(wish.modelId)
    return {
      id: wish.id,
      name: model ? nameModel(model) : '',
      quantity: wish.quantity,
      state: wish.state,
      costMinor: costWish(wish, today)?.totalMinor ?? null,
      paidMinor: paidOf.get(wish.id) ?? 0,
    }
  })
}
