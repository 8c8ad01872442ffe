import { z } from 'zod'
import { nameModel } from '../../kit/model/model.ts'
import type { SolveProgram } from '../../units/integer-program.ts'
import { checkCompleteness, type UnmetNeed } from '../joining/completeness.ts'
import { makeRunRule } from '../joining/run-rule.ts'
import type { AssessmentInput } from '../placed/assessment-input.ts'
import type { Store } from '../placed/store.ts'
import { listSceneItems } from '../placed/venue.ts'
import { listWholeRuns } from '../setup/cable-run.ts'
import { applyRemedy, type Remedy, remedySchema } from '../setup/remedy.ts'
import type { NewSetup } from '../setup/setup.ts'
import { assessSetup } from '../verdict/readiness.ts'
import { findBlocking } from './blocking.ts'
import {
  type FoldedHelper,
  foldHelpers,
  type HelperChoice,
  listCodes,
  listHelpers,
  listOwnChoices,
  type OwnChoice,
} from './connect-choices.ts'
import { buildConnectProgram, type Choice, type ConnectProgram, type ProgramEnd } from './connect-program.ts'
import { findHome } from './find-home.ts'

/** A thing that is taken, and what it joins. */
export const takenSchema = z.object({
  tag: z.string(),
  name: z.string(),
  roleId: z.string(),
  joins: z.array(z.string()),
})
export type Taken = z.infer<typeof takenSchema>

/** An end that stays open. */
export const openEndSchema = z.object({
  tag: z.string(),
  name: z.string(),
  interfaces: z.array(z.string()),
  /** Free things that would go there, were it not that they want something themselves that is missing. */
  fitting: z.array(z.string()),
  /** Mains, while no circuit is chosen: there is nowhere to plug anything in. */
  lacksCircuit: z.boolean(),
  proof: z.array(z.string()),
})
export type OpenEnd = z.infer<typeof openEndSchema>

export const connectPlanSchema = z.object({
  /** `unproven`: a plan was not proven the best in the time there is, so none is given. */
  status: z.enum(['nothing-open', 'complete', 'partly', 'cannot', 'unproven']),
  taken: z.array(takenSchema),
  /** Carried out in this order they make the plan. */
  remedies: z.array(remedySchema),
  /** Ends that nothing of the store meets, by tag and what would fit. */
  open: z.array(openEndSchema),
})
export type ConnectPlan = z.infer<typeof connectPlanSchema>
/** An essential end that stays open weighs more than all that are only wanted, an overloaded circuit half as much. */
const WEIGHTS = [1_000, 1, 0]
const OVERLOAD_WEIGHT = 500

const NOTHING: Omit<ConnectPlan, 'status'> = { taken: [], remedies: [], open: [] }

/** How often supports that would be overloaded are left out and the rest is tried. */
const MOST_REPLANNED = 3

/**
 * The plan of the program, unless a support that it takes would bear too much with all that rides on it: the program
 * compares each joint by itself. Then that support is left out and the plan made anew, and taken where it leaves no more
 * ends open.
 */
export function planConnections(input: AssessmentInput, store: Store, solve: SolveProgram): ConnectPlan {
  const first = planByProgram(input, store, solve)
  let left = store
  let plan = first
  for (let tried = 0; tried < MOST_REPLANNED; tried++) {
    const overloaded = listOverloaded(input, left, plan)
    if (overloaded.size === 0) return plan.open.length <= first.open.length ? plan : first
    left = { ...left, units: left.units.filter((it) => !overloaded.has(it.unit.tag)) }
    plan = planByProgram(input, left, solve)
    if (plan.status === 'unproven') return first
  }
  return first
}

/** Tags of supports that a plan takes and overloads. */
function listOverloaded(input: AssessmentInput, store: Store, { remedies, taken }: ConnectPlan): Set<string> {
  const tags = new Set(taken.map((it) => it.tag))
  if (tags.size === 0) return new Set()
  const holdings = {
    units: new Map([...store.units.map((it) => [it.unit.id, it.unit] as const), ...input.holdings.units]),
    stock: new Map([...store.stock.map((it) => [it.stock.id, it.stock] as const), ...input.holdings.stock]),
    models: new Map([
      ...[...store.units, ...store.stock].map((it) => [it.model.id, it.model] as const),
      ...input.holdings.models,
    ]),
  }
  const setup = remedies.reduce<NewSetup>(applyRemedy, input.setup)
  const { workings } = assessSetup({ ...input, setup, holdings })
  return new Set(
    workings.flatMap((it) => (it.formula === 'carried-load' && it.level === 'stop' && tags.has(it.tag) ? it.tag : [])),
  )
}

/**
 * Chooses what of the store to add and how to power things so that as few essential ends as possible stay open, then as few
 * wanted ones, then with the fewest things, those that the fewest setups count on first. Proven best by the solver, over at
 * most so many pieces of one model as could be of use. Where nothing is open, the matching alone says so.
 */
function planByProgram(input: AssessmentInput, store: Store, solve: SolveProgram): ConnectPlan {
  const things = listSceneItems(input.setup, input.holdings, input)
  const links = listWholeRuns(input.setup.links, things)
  const { unmet } = checkCompleteness(things, input.interfaces, links)
  const pressing = unmet.filter((need) => need.level !== 'advise')
  if (pressing.length === 0) return { status: 'nothing-open', ...NOTHING }
  const missing = pressing.reduce((sum, need) => sum + need.missing, 0)
  const own = listOwnChoices(input)
  const codes = new Set(pressing.flatMap((need) => need.interfaces))
  const wayCodes = own.flatMap((it) => (it.choice.ways.length > 1 ? it.choice.ways.flatMap(listCodes) : []))
  const helpers = listHelpers(input, store, new Set([...codes, ...wayCodes]), missing)
  const folded = foldHelpers(own, helpers, input)
  const choices = [...own.map((it) => it.choice), ...folded.map((it) => it.choice)]
  const rated = input.circuit ? input.circuit.volts * input.circuit.amps * 1000 : null
  // What somebody plugged in stays plugged in.
  const built = buildConnectProgram(choices, input.interfaces, rated, makeRunRule(links).mayMeet)
  const values = solveInOrder(built, choices, solve)
  if (values === null) return { status: 'unproven', ...NOTHING }
  return describePlan({ input, store, own, helpers: folded, built, values, missing, solve })
}

/** Solves for the open ends first and, with those fixed, for what it takes. Null where that was not proven. */
function solveInOrder(built: ConnectProgram, choices: readonly Choice[], solve: SolveProgram): number[] | null {
  const open = built.program.costs.map(() => 0)
  for (const { node, variable } of built.opens) open[variable] = WEIGHTS[node.priority ?? 2] ?? 0
  if (built.overload !== null) open[built.overload] = OVERLOAD_WEIGHT
  const first = solve({ ...built.program, costs: open })
  if (first.status !== 'optimal') return null
  const terms = open.flatMap((cost, at): [number, number][] => (cost === 0 ? [] : [[at, cost]]))
  const bound = { terms, least: null, most: Math.round(first.cost) }
  const second = solve({
    ...built.program,
    costs: listCosts(built, choices),
    rows: terms.length > 0 ? [...built.program.rows, bound] : built.program.rows,
  })
  return second.status === 'optimal' ? second.values : null
}

function listCosts({ program, wayOf }: ConnectProgram, choices: readonly Choice[]): number[] {
  const costs = program.costs.map(() => 0)
  for (const [at, ways] of wayOf.entries()) {
    for (const [way, variable] of ways.entries()) costs[variable] = choices[at]?.costs[way] ?? 0
  }
  return costs
}

interface Solved {
  input: AssessmentInput
  store: Store
  own: readonly OwnChoice[]
  helpers: readonly FoldedHelper[]
  built: ConnectProgram
  values: readonly number[]
  missing: number
  solve: SolveProgram
}

const countChosen = (values: readonly number[], variable: number | undefined) => Math.round(values[variable ?? -1] ?? 0)

function describePlan({ input, store, own, helpers, built, values, missing, solve }: Solved): ConnectPlan {
  const { setup } = input
  const modes = own.flatMap((it, at): Remedy[] => {
    const way = built.wayOf[at]?.findIndex((variable) => countChosen(values, variable) > 0) ?? 0
    const mode = it.choice.ways[way]?.powerMode
    if (way < 1 || !mode || !it.role || !it.unitId) return []
    const { tag } = it.choice.ways[0] ?? { tag: '' }
    return [{ kind: 'power-mode', roleId: it.role.id, unitId: it.unitId, tag, powerModeId: mode.id, label: mode.label }]
  })
  const chosen = helpers.flatMap(({ pieces }, at) => {
    const counts = (built.wayOf[own.length + at] ?? []).map((variable) => countChosen(values, variable))
    const ways = counts.flatMap((count, way) => Array.from({ length: count }, () => way))
    return ways.flatMap((way, index) => {
      const helper = pieces[index]
      const thing = helper?.choice.ways[way]
      return helper && thing ? [{ helper, thing }] : []
    })
  })
  // The set as it will be is joined anew: what a thing joins decides the role to which it goes.
  const after = modes.reduce<NewSetup>(applyRemedy, setup)
  const things = [...listSceneItems(after, input.holdings, input), ...chosen.map((it) => it.thing)]
  const { joints, unmet } = checkCompleteness(things, input.interfaces, listWholeRuns(setup.links, things))
  const partnersOf = (key: string) =>
    joints.flatMap(({ host, guest }) => (host.key === key ? [guest] : guest.key === key ? [host] : []))
  const taken = chosen.map(({ helper, thing }) => ({
    helper,
    thing,
    roleId: findHome(thing.key, things, partnersOf) ?? setup.roles[0]?.id ?? '',
    joins: [...new Set(partnersOf(thing.key).map((it) => it.tag))].sort(),
  }))
  const still = unmet.filter((need) => need.level !== 'advise')
  const left = still.reduce((sum, need) => sum + need.missing, 0)
  const remedies = [...modes, ...taken.map(makeTake)]
  return {
    status: left === 0 ? 'complete' : left < missing ? 'partly' : 'cannot',
    taken: taken.map(({ helper, roleId, joins }) => ({
      tag: helper.tag,
      name: nameModel(helper.model),
      roleId,
      joins,
    })),
    remedies: worksOut(input, store, remedies) ? remedies : [],
    open: still.map((need) => ({
      tag: need.thing.tag,
      name: need.thing.name,
      interfaces: need.interfaces,
      fitting: listFitting(
        need,
        helpers.flatMap((it) => it.pieces),
      ),
      lacksCircuit:
        input.circuit === null && need.interfaces.some((code) => input.interfaces.get(code)?.kind === 'mains'),
      proof: proveOpen(built, need, still, solve),
    })),
  }
}

const MOST_NAMED = 3

function listFitting(need: UnmetNeed, helpers: readonly HelperChoice[]): string[] {
  const fits = ({ choice }: HelperChoice) =>
    choice.ways.some((thing) =>
      thing.ports.some((port) => port.side !== need.side && port.interfaces.some((it) => need.interfaces.includes(it))),
    )
  return [...new Set(helpers.filter(fits).map((it) => it.tag))].slice(0, MOST_NAMED)
}

/** Tags of the things that together want more than there is; blank where it would take too long to tell. */
function proveOpen(built: ConnectProgram, need: UnmetNeed, still: readonly UnmetNeed[], solve: SolveProgram): string[] {
  const isOf = ({ node }: ProgramEnd, it: UnmetNeed) =>
    node.thing.key === it.thing.key &&
    node.thing.powerMode?.id === it.thing.powerMode?.id &&
    node.ports.some((port) => port.id === it.portId)
  const target = built.opens.find((end) => isOf(end, need))
  if (!target) return []
  const others = built.opens.filter((end) => end !== target && end.node.priority === 0)
  const ends = [
    { end: target, open: need.missing - 1 },
    ...others.map((end) => ({ end, open: still.find((it) => isOf(end, it))?.missing ?? 0 })),
  ]
  return [...new Set(findBlocking(built, ends, solve).map((it) => it.thing.tag))]
}

function makeTake({ helper, roleId }: { helper: HelperChoice; roleId: string }): Remedy {
  const name = nameModel(helper.model)
  return 'unitId' in helper.source
    ? { kind: 'assign', roleId, unitIds: [helper.source.unitId], tags: [helper.tag], name }
    : { kind: 'assign-stock', roleId, stockId: helper.source.stockId, quantity: 1, name }
}

/** Whether the plan, carried out, is judged as it was reckoned: no more stops than before. */
function worksOut(input: AssessmentInput, store: Store, remedies: readonly Remedy[]): boolean {
  const setup = remedies.reduce<NewSetup>(applyRemedy, input.setup)
  const units = new Map(input.holdings.units)
  const models = new Map(input.holdings.models)
  const stock = new Map(input.holdings.stock)
  for (const it of store.units) units.set(it.unit.id, it.unit)
  for (const it of store.stock) stock.set(it.stock.id, it.stock)
  for (const { model } of [...store.units, ...store.stock]) models.set(model.id, model)
  const freeStock = new Map([...store.stock.map((it) => [it.stock.id, it.free] as const), ...input.freeStock])
  const after = assessSetup({ ...input, setup, freeStock, holdings: { units, models, stock } })
  return after.counts.stop <= assessSetup(input).counts.stop
}
