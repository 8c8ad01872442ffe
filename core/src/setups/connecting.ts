import { type Category, isKindOf } from '../kit/category.ts'
import type { Model } from '../kit/model.ts'
import { nameModel } from '../kit/model.ts'
import type { IntegerProgram, SolveProgram } from '../units/integer-program.ts'
import { judgeCompleteness, type UnmetNeed } from './completeness.ts'
import { buildConnectProgram, type Choice, type ConnectProgram, foldAlike, type ProgramEnd } from './connect-program.ts'
import { listWholeLinks, makeLinkRule } from './link.ts'
import type { PortNode } from './port-graph.ts'
import { assessSetup, type ReadinessInput } from './readiness.ts'
import { applyRemedy, type Remedy } from './remedy.ts'
import type { Assignment, NewSetup, Role } from './setup.ts'
import { listThings, makeCircuitThing, makePiece, type SetThing } from './thing.ts'
import type { Store } from './ways-out.ts'

/** What is taken to join others: never a further camera, lamp or microphone, which somebody has to want first. */
const HELPER_KINDS: readonly Category[] = [
  'lens-adapter',
  'tripod',
  'head',
  'stand',
  'mic-stand',
  'arm',
  'plate',
  'clamp',
  'backdrop-support',
  'pack',
  'cell',
  'coupler',
  'supply',
  'lead',
  'strip',
  'cable',
  'cable-adapter',
  'card',
  'card-sleeve',
]

export const isHelperKind = (category: Category) => HELPER_KINDS.some((kind) => isKindOf(category, kind))

/** A thing that is taken, and what it joins. */
export interface Taken {
  tag: string
  name: string
  roleId: string
  joins: string[]
}

/** An end that stays open. */
export interface OpenEnd {
  tag: string
  name: string
  interfaces: string[]
  /** Free things that would go there, were it not that they want something themselves that is missing. */
  fitting: string[]
  /** Mains, while no circuit is chosen: there is nowhere to plug anything in. */
  lacksCircuit: boolean
  proof: string[]
}

export interface ConnectPlan {
  /** `unproven`: a plan was not proven the best in the time there is, so none is given. */
  status: 'nothing-open' | 'complete' | 'partly' | 'cannot' | 'unproven'
  taken: Taken[]
  /** Carried out in this order they make the plan. */
  remedies: Remedy[]
  /** Ends that nothing of the store meets, by tag and what would fit. */
  open: OpenEnd[]
}

/** The ways in which it is solved: first as few open ends as can be, then the fewest and least wanted things. */
const COST = { thing: 20_000, use: 1_000, mostUses: 10, toMains: 5_000, toPacks: 12_000, againstSchool: 6_000 }
const WEIGHTS = [1_000, 1, 0]
const OVERLOAD_WEIGHT = 500

const NOTHING: Omit<ConnectPlan, 'status'> = { taken: [], remedies: [], open: [] }

/**
 * Chooses what of the store to add and how to power things so that as few essential ends as possible stay open, then as few
 * wanted ones, then with the fewest things, those that the fewest setups count on first. Proven best by the solver, over at
 * most so many pieces of one model as could be of use. Where nothing is open, the matching alone says so.
 */
export function planConnections(input: ReadinessInput, store: Store, solve: SolveProgram): ConnectPlan {
  const things = listThings(input.setup, input.holdings, input.circuit)
  const { links } = input.setup
  const { unmet } = judgeCompleteness(things, input.interfaces, links)
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
  const built = buildConnectProgram(choices, input.interfaces, rated, makeLinkRule(listWholeLinks(links, things)))
  const values = solveInOrder(built, choices, solve)
  if (values === null) return { status: 'unproven', ...NOTHING }
  return describePlan({ input, store, own, helpers: folded, built, values, missing, solve })
}

interface OwnChoice {
  role: Role | null
  unitId: string | null
  choice: Choice
}

interface HelperChoice {
  source: { unitId: string } | { stockId: string }
  model: Model
  tag: string
  /** Pieces are alike where this is: of one model, and counted on by as many setups. */
  alike: string
  choice: Choice
}

/** Alike pieces of the store under one choice, in the order in which they are taken. */
interface FoldedHelper {
  pieces: readonly HelperChoice[]
  choice: Choice
}

function foldHelpers(
  own: readonly OwnChoice[],
  helpers: readonly HelperChoice[],
  { interfaces }: ReadinessInput,
): FoldedHelper[] {
  const classes = new Map<string, HelperChoice[]>()
  for (const helper of helpers) {
    const known = classes.get(helper.alike)
    if (known) known.push(helper)
    else classes.set(helper.alike, [helper])
  }
  const groups = [...classes.values()]
  const folded = foldAlike(
    own.map((it) => it.choice),
    groups.map((pieces) => pieces.map((it) => it.choice)),
    interfaces,
  )
  return groups.flatMap((pieces, at) => {
    const choices = folded[at] ?? []
    if (choices.length === 1 && choices[0]) return [{ pieces, choice: choices[0] }]
    return choices.flatMap((choice, index) => (pieces[index] ? [{ pieces: [pieces[index]], choice }] : []))
  })
}

function listOwnChoices(input: ReadinessInput): OwnChoice[] {
  const { setup, holdings, circuit, policies } = input
  const school = policies.school('power').way
  const own = setup.roles.flatMap((role) =>
    role.things.flatMap((assignment): OwnChoice[] => {
      const pieces = listThings({ roles: [{ ...role, things: [assignment] }] }, holdings, null)
      return pieces.map((now): OwnChoice => {
        const others = assignment.powerModeId ? [] : listOtherWays(now, role, assignment, input)
        const costs = others.map((it) => costWay(it, school))
        return {
          role,
          unitId: assignment.unitId,
          choice: { ways: [now, ...others], costs: [0, ...costs], isHelper: false, count: 1 },
        }
      })
    }),
  )
  if (!circuit) return own
  const room = { ways: [makeCircuitThing(circuit)], costs: [0], isHelper: false, count: 1 }
  return [...own, { role: null, unitId: null, choice: room }]
}

function listOtherWays(now: SetThing, role: Role, assignment: Assignment, { holdings }: ReadinessInput): SetThing[] {
  const unit = holdings.units.get(assignment.unitId ?? '')
  const model = holdings.models.get(unit?.modelId ?? '')
  if (!unit || !model) return []
  return model.powerModes
    .filter((mode) => mode.id !== now.powerMode?.id)
    .map((mode) =>
      makePiece({
        key: unit.id,
        tag: unit.tag,
        model,
        role,
        assignment: { ...assignment, powerModeId: mode.id },
        healthPercent: unit.healthPercent,
      }),
    )
}

/** Packs run out and mains do not, unless the studio's school has it the other way. */
function costWay({ powerMode }: SetThing, school: string): number {
  const isMains = powerMode?.source === 'mains'
  const usual = isMains ? COST.toMains : COST.toPacks
  const isAgainst = (school === 'mains' && !isMains) || (school === 'packs' && isMains)
  return usual + (isAgainst ? COST.againstSchool : 0)
}

const listCodes = (thing: SetThing) => thing.ports.flatMap((port) => port.interfaces)

/** How often what a helper asks for itself is followed further: cable, adapter, and what the adapter wants. */
const MOST_STEPS = 3

/** Free pieces that could help, directly or through each other; of one model no more than could be of use. */
function listHelpers(
  input: ReadinessInput,
  store: Store,
  wanted: ReadonlySet<string>,
  missing: number,
): HelperChoice[] {
  const pieces = listFreePieces(input, store).filter((it) => isHelperKind(it.model.category))
  const codes = new Set(wanted)
  for (let step = 0; step < MOST_STEPS; step++) {
    for (const { choice } of pieces) {
      const thing = choice.ways[0]
      if (!thing || !listCodes(thing).some((code) => codes.has(code))) continue
      for (const port of thing.ports)
        if (port.importance === 'essential') for (const it of port.interfaces) codes.add(it)
    }
  }
  const most = 2 + 2 * missing
  const taken = new Map<string, number>()
  return pieces.filter(({ choice, model }) => {
    if (!choice.ways.some((way) => listCodes(way).some((code) => codes.has(code)))) return false
    const count = (taken.get(model.id) ?? 0) + 1
    taken.set(model.id, count)
    return count <= most
  })
}

/** Free units and pieces of stock, what the fewest setups count on first, then by tag: so that ties fall alike each time. */
function listFreePieces({ setup }: ReadinessInput, store: Store): HelperChoice[] {
  const units = store.units
    .map(({ unit, model, usedBySetups }) => ({
      source: { unitId: unit.id },
      model,
      tag: unit.tag,
      used: Math.min(COST.mostUses, usedBySetups),
      healthPercent: unit.healthPercent,
      key: unit.id,
    }))
    .sort((a, b) => a.used - b.used || (a.tag < b.tag ? -1 : 1))
  const stock = store.stock.flatMap(({ stock: it, model, free }) => {
    const own = countOfStock(setup, it.id)
    return Array.from({ length: Math.max(0, Math.min(free - own, 99)) }, (_, n) => ({
      source: { stockId: it.id },
      model,
      tag: it.tag,
      used: 0,
      healthPercent: null,
      key: `stock:${it.id}:${own + n}`,
    }))
  })
  return [...stock, ...units].map(({ source, model, tag, used, healthPercent, key }, rank): HelperChoice => {
    // What is taken stands in a role in its first way of powering, as anything else that is put there.
    const piece = makePiece({ key, tag, model, role: null, assignment: null, healthPercent })
    const ways = [{ ...piece, roleImportance: 'essential' as const }]
    const cost = COST.thing + COST.use * used + Math.min(rank, COST.use - 1)
    return {
      source,
      model,
      tag,
      alike: `${model.id}/${used}/${healthPercent}`,
      choice: { ways, costs: [cost], isHelper: true, count: 1 },
    }
  })
}

function countOfStock({ roles }: NewSetup, stockId: string): number {
  return roles.reduce(
    (sum, role) => sum + role.things.reduce((all, it) => all + (it.stockId === stockId ? it.quantity : 0), 0),
    0,
  )
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
  input: ReadinessInput
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
  const things = [...listThings(after, input.holdings, input.circuit), ...chosen.map((it) => it.thing)]
  const { joints, unmet } = judgeCompleteness(things, input.interfaces, setup.links)
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

/** The role of the nearest thing it joins, through other new things where need be. */
function findHome(
  start: string,
  things: readonly SetThing[],
  partnersOf: (key: string) => { key: string }[],
): string | null {
  const roleOf = new Map(things.map((it) => [it.key, it.roleId]))
  const seen = new Set([start])
  const queue = [start]
  for (let key = queue.shift(); key !== undefined; key = queue.shift()) {
    const roleId = key === start ? null : roleOf.get(key)
    if (roleId) return roleId
    for (const partner of partnersOf(key)) {
      if (seen.has(partner.key)) continue
      seen.add(partner.key)
      queue.push(partner.key)
    }
  }
  return null
}

/** Whether the plan, carried out, is judged as it was reckoned: no more stops than before. */
function worksOut(input: ReadinessInput, store: Store, remedies: readonly Remedy[]): boolean {
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

/** More ends than this and the proof would be longer than anybody reads, or waits for. */
const MOST_PROVEN = 60

/** An end and how many of its pieces may stay open. */
export interface Asked {
  end: ProgramEnd
  open: number
}

/**
 * Why the first of some ends stays open though the others are met as asked: those of them that cannot all be met, whatever
 * of the store is added and however things are powered, while without any one of them the rest can. An irreducible
 * infeasible subset, found by leaving one out after the other (deletion filter; Chinneck and Dravnieks, ORSA Journal on
 * Computing 3, 1991). The others can be met together; blank where all can, or where there are too many to tell.
 */
export function findBlocking({ program }: ConnectProgram, asked: readonly Asked[], solve: SolveProgram): PortNode[] {
  if (asked.length > MOST_PROVEN || canMeet(program, asked, solve)) return []
  let needed = asked
  for (const candidate of asked.slice(1)) {
    const fewer = needed.filter((it) => it !== candidate)
    if (!canMeet(program, fewer, solve)) needed = fewer
  }
  return needed.map((it) => it.end.node)
}

/** Whether these ends can all be met at once. What is not proven counts as possible: it proves nothing. */
function canMeet(program: IntegerProgram, asked: readonly Asked[], solve: SolveProgram): boolean {
  const most = [...program.most]
  for (const { end, open } of asked) most[end.variable] = Math.min(most[end.variable] ?? 0, open)
  return solve({ ...program, costs: program.costs.map(() => 0), most }).status !== 'infeasible'
}
