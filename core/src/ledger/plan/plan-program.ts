import { addVariableMutably, type IntegerProgram, makeProgram, type ProgramRow } from '../../units/integer-program.ts'
import { type PlanAnswer, type PlanQuestion, weighPlan } from './upgrade-plan.ts'

/** A question as an integer program, and which of its variables is what. */
export interface PlanProgram {
  program: IntegerProgram
  /** 1 where an option is bought in a quarter. */
  buy: number[][]
  /** What each variable is worth, for the row of all points. */
  points: ProgramRow['terms']
  costs: ProgramRow['terms']
}

/**
 * What to buy in which quarter so that it is worth most. Each option is bought once at most, not before what it needs; of options that
 * stand for each other one; what was spent until a quarter, sales taken off, is no more than the budgets until then. A setup runs in
 * a quarter by one of its cures, of which every wish is there; what is promised runs in the last. A gain counts while its wish is there
 * and its setup runs. Only what is bought has to be whole: what runs by it is whole by itself where it is worth most.
 */
export function buildPlanProgram({ budgets, options, setups }: PlanQuestion): PlanProgram {
  const program = makeProgram()
  const quarters = budgets.map((_, quarter) => quarter)
  const known = new Map(options.map((it, at) => [it.id, at]))
  const points: [number, number][] = []
  const costs: [number, number][] = []
  const buy = options.map(({ costMinor, saleMinor }) =>
    quarters.map(() => {
      const variable = addVariableMutably(program, 0)
      costs.push([variable, costMinor - saleMinor])
      return variable
    }),
  )
  /** Bought until the end of a quarter: 0 or 1, as each is bought once. */
  const until = (at: number, quarter: number): [number, number][] =>
    (buy[at] ?? []).slice(0, quarter + 1).map((variable) => [variable, 1])
  const minus = (terms: readonly (readonly [number, number])[]) =>
    terms.map(([variable, factor]): [number, number] => [variable, -factor])
  for (const [at, { id, needsIds, insteadIds }] of options.entries()) {
    program.rows.push({ terms: until(at, quarters.length), least: null, most: 1 })
    for (const need of needsIds) {
      const other = known.get(need)
      for (const quarter of quarters) {
        const terms = [...until(at, quarter), ...(other === undefined ? [] : minus(until(other, quarter)))]
        program.rows.push({ terms, least: null, most: 0 })
      }
    }
    for (const rival of insteadIds) {
      const other = known.get(rival)
      if (other === undefined || rival === id) continue
      program.rows.push({
        terms: [...until(at, quarters.length), ...until(other, quarters.length)],
        least: null,
        most: 1,
      })
    }
  }
  for (const quarter of quarters) {
    const terms = options.flatMap(({ costMinor, saleMinor }, at) =>
      until(at, quarter).map(([variable]): [number, number] => [variable, costMinor - saleMinor]),
    )
    const most = budgets.slice(0, quarter + 1).reduce((sum, it) => sum + it, 0)
    if (terms.length > 0) program.rows.push({ terms, least: null, most })
  }
  /** Runs in a quarter: the sum of these is 1, and 0 where it does not. */
  const running = new Map<string, [number, number][][]>()
  for (const setup of setups) {
    if (setup.runs) continue
    const each = quarters.map((quarter) => {
      const ways = setup.cures.flatMap(({ wishIds, points: worth }) => {
        const at = wishIds.map((id) => known.get(id))
        if (at.some((it) => it === undefined)) return []
        const variable = addVariableMutably(program, 0, false)
        points.push([variable, worth[quarter] ?? 0])
        for (const own of at) {
          program.rows.push({ terms: [[variable, 1], ...minus(until(own ?? -1, quarter))], least: null, most: 0 })
        }
        return [[variable, 1] as [number, number]]
      })
      if (ways.length > 0) program.rows.push({ terms: ways, least: null, most: 1 })
      return ways
    })
    running.set(setup.id, each)
    if (setup.isPromised) program.rows.push({ terms: each.at(-1) ?? [], least: 1, most: null })
  }
  for (const [at, { gains }] of options.entries()) {
    for (const { setupId, points: worth } of gains) {
      for (const quarter of quarters) {
        const variable = addVariableMutably(program, 0, false)
        points.push([variable, worth[quarter] ?? 0])
        program.rows.push({ terms: [[variable, 1], ...minus(until(at, quarter))], least: null, most: 0 })
        const ways = running.get(setupId)?.[quarter]
        if (ways) program.rows.push({ terms: [[variable, 1], ...minus(ways)], least: null, most: 0 })
      }
    }
  }
  return { program, buy, points, costs }
}

/** The program with another aim: the least of these terms. */
export const aimAt = (program: IntegerProgram, terms: ProgramRow['terms'], rows: readonly ProgramRow[] = []) => {
  const costs = program.costs.map(() => 0)
  for (const [variable, factor] of terms) costs[variable] = (costs[variable] ?? 0) + factor
  return { ...program, costs, rows: [...program.rows, ...rows] }
}

/** What a solved program buys, and what that is worth: reckoned anew from what is bought. */
export function readPlan(question: PlanQuestion, { buy }: PlanProgram, values: readonly number[]): PlanAnswer {
  const bought = question.budgets.map((_, quarter) =>
    question.options.flatMap(({ id }, at) => ((values[buy[at]?.[quarter] ?? -1] ?? 0) > 0.5 ? [id] : [])),
  )
  return { bought, ...weighPlan(question, bought) }
}
