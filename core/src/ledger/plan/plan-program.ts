import { addVariableMutably, type IntegerProgram, makeProgram, type ProgramRow } from '../../units/integer-program.ts'
import { type PlanAnswer, type PlanQuestion, weighPlan } from './upgrade-plan.ts'

/** A question as an integer program, and which of its variables is what. */
export interface PlanProgram {
  program: IntegerProgram
  /** 1 where an option is there by the end of a quarter. */
  there: number[][]
  /** What each variable is worth, for the row of all points. */
  points: ProgramRow['terms']
  costs: ProgramRow['terms']
}

/**
 * What to buy in which quarter so that it is worth most. What is there in a quarter stays; nothing is there before what it needs;
 * of options that stand for each other one; what was spent until a quarter, sales taken off, is no more than the budgets until
 * then. A setup runs in a quarter by one of its cures, of which every wish is there; what is promised runs in the last. A gain
 * counts while its wish is there and its setup runs. Only what is there has to be whole: what runs by it is whole by itself
 * where it is worth most. Told by what is there and not by what is bought, most plans are proven many times as fast.
 */
export function buildPlanProgram({ budgets, options, setups }: PlanQuestion): PlanProgram {
  const program = makeProgram()
  const quarters = [...budgets.keys()]
  const last = quarters.length - 1
  const known = new Map(options.map((it, at) => [it.id, at]))
  const points = new Map<number, number>()
  const addPoints = (variable: number, worth: number) => points.set(variable, (points.get(variable) ?? 0) + worth)
  const there = options.map(() => quarters.map(() => addVariableMutably(program, 0)))
  const at = (option: number | undefined, quarter: number): [number, number][] => {
    const variable = option === undefined ? undefined : there[option]?.[quarter]
    return variable === undefined ? [] : [[variable, 1]]
  }
  const atMost = (terms: ProgramRow['terms'], most: number) => program.rows.push({ terms, least: null, most })
  for (const [own, { id, needsIds, insteadIds }] of options.entries()) {
    for (const quarter of quarters.slice(1)) {
      atMost([...at(own, quarter - 1), ...minus(at(own, quarter))], 0)
    }
    for (const need of needsIds) {
      for (const quarter of quarters) atMost([...at(own, quarter), ...minus(at(known.get(need), quarter))], 0)
    }
    for (const rival of insteadIds) {
      const other = known.get(rival)
      if (other !== undefined && rival !== id) atMost([...at(own, last), ...at(other, last)], 1)
    }
  }
  const pay = (quarter: number) =>
    options.flatMap(({ costMinor, saleMinor }, own) =>
      at(own, quarter).map(([variable]): [number, number] => [variable, costMinor - saleMinor]),
    )
  if (options.length > 0) {
    for (const quarter of quarters) {
      const most = budgets.slice(0, quarter + 1).reduce((sum, it) => sum + it, 0)
      atMost(pay(quarter), most)
    }
  }
  /** Runs in a quarter: the sum of these is 1, and 0 where it does not. */
  const running = new Map<string, [number, number][][]>()
  for (const setup of setups) {
    if (setup.runs) continue
    const each = quarters.map((quarter) => {
      const ways = setup.cures.flatMap(({ wishIds, points: worth }) => {
        const parts = wishIds.map((id) => known.get(id))
        if (parts.some((it) => it === undefined)) return []
        const variable = addVariableMutably(program, 0, false)
        addPoints(variable, worth[quarter] ?? 0)
        for (const part of parts) atMost([[variable, 1], ...minus(at(part, quarter))], 0)
        return [[variable, 1] as [number, number]]
      })
      if (ways.length > 0) atMost(ways, 1)
      return ways
    })
    running.set(setup.id, each)
    if (setup.isPromised) program.rows.push({ terms: each.at(-1) ?? [], least: 1, most: null })
  }
  for (const [own, { gains }] of options.entries()) {
    for (const { setupId, points: worth } of gains) {
      const each = running.get(setupId)
      for (const quarter of quarters) {
        const gain = worth[quarter] ?? 0
        if (gain === 0) continue
        // A setup that runs by itself needs nothing else for it.
        if (!each) {
          for (const [variable] of at(own, quarter)) addPoints(variable, gain)
          continue
        }
        const variable = addVariableMutably(program, 0, false)
        addPoints(variable, gain)
        atMost([[variable, 1], ...minus(at(own, quarter))], 0)
        atMost([[variable, 1], ...minus(each[quarter] ?? [])], 0)
      }
    }
  }
  return { program, there, points: [...points], costs: pay(last) }
}

const minus = (terms: ProgramRow['terms']) => terms.map(([variable, factor]): [number, number] => [variable, -factor])

/** The program with another aim: the least of these terms. */
export const aimAt = (program: IntegerProgram, terms: ProgramRow['terms'], rows: readonly ProgramRow[] = []) => {
  const costs = program.costs.map(() => 0)
  for (const [variable, factor] of terms) costs[variable] = (costs[variable] ?? 0) + factor
  return { ...program, costs, rows: [...program.rows, ...rows] }
}

/** What a solved program buys, and what that is worth: reckoned anew from what is bought. */
export function readPlan(question: PlanQuestion, { there }: PlanProgram, values: readonly number[]): PlanAnswer {
  const isThere = (option: number, quarter: number) => (values[there[option]?.[quarter] ?? -1] ?? 0) > 0.5
  const bought = question.budgets.map((_, quarter) =>
    question.options.flatMap(({ id }, at) => (isThere(at, quarter) && !isThere(at, quarter - 1) ? [id] : [])),
  )
  return { bought, ...weighPlan(question, bought) }
}
