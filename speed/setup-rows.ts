import {
  addVariableMutably,
  assignAtLeastCost,
  type Category,
  EMPTY_UNIT,
  makeModelFromTemplate,
  makeProgram,
  planConnections,
  type SolveProgram,
  type Store,
  type TemplateFacts,
} from '@exemplar/core'
import { loadSolver } from '../server/src/foundation/base/solver.ts'
import { makeLargeInput } from './assess-row.ts'
import { type Measured, measure, type Row } from './measure.ts'

const ROLES = 40
/** The solver takes its time: fewer rounds than elsewhere. */
const ROUNDS = 5

/** Costs as choosing makes them: a third of the units suit a role, those by claims, faults and tags. */
function makeCosts(units: number): (number | null)[][] {
  let seed = 7
  const next = () => {
    seed = (Math.imul(seed, 1_103_515_245) + 12_345) & 0x7fffffff
    return seed / 0x7fffffff
  }
  return Array.from({ length: ROLES }, () =>
    Array.from({ length: units }, () => (next() < 0.66 ? null : Math.floor(next() * 400))),
  )
}

function assignWithSolver(costs: (number | null)[][], penalty: number, solve: SolveProgram): number {
  const program = makeProgram()
  const ofColumn = new Map<number, [number, number][]>()
  for (const row of costs) {
    const terms: [number, number][] = [[addVariableMutably(program, penalty, false), 1]]
    for (const [column, cost] of row.entries()) {
      if (cost === null) continue
      // Continuous is enough: the matrix of an assignment is totally unimodular, and the solver is quicker so.
      const variable = addVariableMutably(program, cost, false)
      terms.push([variable, 1])
      const known = ofColumn.get(column)
      if (known) known.push([variable, 1])
      else ofColumn.set(column, [[variable, 1]])
    }
    program.rows.push({ terms, least: 1, most: 1 })
  }
  for (const terms of ofColumn.values()) program.rows.push({ terms, least: null, most: 1 })
  const result = solve(program)
  return result.status === 'optimal' ? Math.round(result.cost) : Number.NaN
}

function costOf(costs: (number | null)[][], penalty: number, columns: readonly number[]): number {
  return columns.reduce((sum, column, row) => sum + (column < 0 ? penalty : (costs[row]?.[column] ?? Number.NaN)), 0)
}

/** Choosing for 40 roles out of so many units, against HiGHS for the same optimum. Throws where the optima differ. */
function assignRow(units: number, solve: SolveProgram): Row {
  const costs = makeCosts(units)
  const penalties = costs.map(() => 100_000)
  const ours = costOf(costs, 100_000, assignAtLeastCost(costs, penalties))
  const theirs = assignWithSolver(costs, 100_000, solve)
  if (ours !== theirs) throw new Error(`With ${units} units we found ${ours} and the solver ${theirs}.`)
  return {
    name: `choosing for ${ROLES} roles out of ${units.toLocaleString('en')} units`,
    reference: 'HiGHS for the same optimum',
    target: 1,
    ours: () => void assignAtLeastCost(costs, penalties),
    theirs: () => void assignWithSolver(costs, 100_000, solve),
  }
}

/** Twice as many units against half of them: how the time grows. */
function growthRow(units: number): Row {
  const few = makeCosts(units)
  const many = makeCosts(2 * units)
  const penalties = few.map(() => 100_000)
  return {
    name: `choosing out of ${(2 * units).toLocaleString('en')} units`,
    reference: `choosing out of ${units.toLocaleString('en')}`,
    target: 2.3,
    ours: () => void assignAtLeastCost(many, penalties),
    theirs: () => void assignAtLeastCost(few, penalties),
  }
}

const STORE_KINDS: readonly [Category, Partial<TemplateFacts>][] = [
  ['lead', { inlet: 'iec-c7' }],
  ['lead', { inlet: 'iec-c13' }],
  ['strip', { outlets: 6 }],
  ['stand', { loadGrams: 5_000 }],
  ['tripod', { loadGrams: 5_000 }],
  ['mic-stand', {}],
  ['card', { cardMegabytesPerSecond: 30 }],
  ['cell', { battery: 'cell-aa' }],
  ['cable', { endA: 'xlr-3', endB: 'xlr-3' }],
  ['cable', { endA: 'hdmi-a', endB: 'hdmi-a' }],
  ['cable-adapter', { endA: 'xlr-3', endB: 'trs-35' }],
  ['lens-adapter', { mount: 'bnc', frontMount: 'rj45' }],
]

/** 300 free pieces of the kinds that join things, of 24 models. */
function makeLargeStore(): Store {
  const models = STORE_KINDS.flatMap(([category, facts], at) =>
    [0, 1].map((copy) => ({
      ...makeModelFromTemplate(category, '', `${category} ${at}${copy}`, facts),
      id: `s${at}-${copy}`,
      version: 1,
    })),
  )
  const units = Array.from({ length: 300 }, (_, at) => {
    const model = models[at % models.length]
    if (!model) throw new Error('No model.')
    const tag = `S-${String(at).padStart(3, '0')}`
    const unit = { ...EMPTY_UNIT, id: tag, tag, modelId: model.id, version: 1 }
    return { unit, model, usedBySetups: at % 3 }
  })
  return { units, stock: [], circuits: [] }
}

/** Connect for me on 60 things with 300 in store: all of it, against what the solver alone takes of that. */
function connectRow(solve: SolveProgram): Row {
  const input = makeLargeInput()
  // Half of what joins them is taken away, so that there is something to connect.
  const roles = input.setup.roles.map((role, at) => ({
    ...role,
    things:
      at % 2 === 0 ? role.things : role.things.filter((it) => !/^(lead|stand|tripod|cable)/.test(it.unitId ?? '')),
  }))
  const missing = { ...input, setup: { ...input.setup, roles } }
  const store = makeLargeStore()
  const programs: Parameters<SolveProgram>[0][] = []
  const plan = planConnections(missing, store, (program) => {
    programs.push(program)
    return solve(program)
  })
  console.error(`Connect for me: ${plan.status}, ${plan.taken.length} taken, ${programs[0]?.costs.length} variables.`)
  return {
    name: 'connect for me: 60 things, 300 in store',
    reference: 'the solver alone on the same programs',
    target: 1.5,
    ours: () => void planConnections(missing, store, solve),
    theirs: () => {
      for (const program of programs) solve(program)
    },
  }
}

export async function measureSetups(): Promise<Measured[]> {
  const solve = await loadSolver(Number.POSITIVE_INFINITY)
  const rows = [
    assignRow(200, solve),
    assignRow(2_000, solve),
    assignRow(4_000, solve),
    growthRow(2_000),
    connectRow(solve),
  ]
  const measured: Measured[] = []
  for (const row of rows) measured.push(await measure(row, ROUNDS))
  return measured
}
