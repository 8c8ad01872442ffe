import type { SolveProgram } from '../../units/integer-program.ts'
import { aimAt, buildPlanProgram, type PlanProgram, readPlan } from './plan-program.ts'
import type { PlanAnswer, PlanQuestion } from './upgrade-plan.ts'

export type PlanResult =
  | { status: 'best'; answer: PlanAnswer }
  /** What is promised cannot be kept with this money; the least with which it can, in the first quarter, where it can at all. */
  | { status: 'infeasible'; cheapestMinor: number | null }
  | { status: 'unproven' }

/** The plan that is worth most, and of those the one that costs least; both are proven. */
export function solvePlan(question: PlanQuestion, solve: SolveProgram): PlanResult {
  const built = buildPlanProgram(question)
  return solveBuilt(question, built, solve)
}

function solveBuilt(question: PlanQuestion, built: PlanProgram, solve: SolveProgram): PlanResult {
  const best = solve(aimAt(built.program, negate(built.points)))
  if (best.status === 'unproven') return { status: 'unproven' }
  if (best.status === 'infeasible') return { status: 'infeasible', cheapestMinor: findCheapest(question, solve) }
  const { points } = readPlan(question, built, best.values)
  const cheapest = solve(aimAt(built.program, built.costs, [{ terms: built.points, least: points, most: null }]))
  if (cheapest.status !== 'optimal') return { status: 'unproven' }
  return { status: 'best', answer: readPlan(question, built, cheapest.values) }
}

const negate = (terms: PlanProgram['points']) =>
  terms.map(([variable, factor]): [number, number] => [variable, -factor])

/** The least money, all of it in one quarter, with which everything that is promised runs. */
function findCheapest(question: PlanQuestion, solve: SolveProgram): number | null {
  const all = question.options.reduce((sum, it) => sum + it.costMinor, 0)
  const rich = asOneQuarter(question, all)
  const built = buildPlanProgram(rich)
  const cheapest = solve(aimAt(built.program, built.costs))
  return cheapest.status === 'optimal' ? readPlan(rich, built, cheapest.values).costMinor : null
}

/** The same question with all its money at once: what counts in each quarter counts in all of it. */
function asOneQuarter({ options, setups }: PlanQuestion, budgetMinor: number): PlanQuestion {
  const add = (points: readonly number[]) => [points.reduce((sum, it) => sum + it, 0)]
  return {
    budgets: [budgetMinor],
    options: options.map((it) => ({ ...it, gains: it.gains.map((one) => ({ ...one, points: add(one.points) })) })),
    setups: setups.map((it) => ({ ...it, cures: it.cures.map((one) => ({ ...one, points: add(one.points) })) })),
  }
}

/** One step of value against money: with so much, and no less, it is worth so many points. */
export interface PlanStep {
  costMinor: number
  points: number
  answer: PlanAnswer
}

/** So many steps are looked for. */
const MOST_STEPS = 24

/**
 * Value against money, all of it spent at once: the steps at which more money buys more, the dearest first found and the cheapest first
 * told. `isWhole` where none was left out. What is promised is left out: it shows what each sum would do.
 */
export function listSteps(question: PlanQuestion, solve: SolveProgram): { steps: PlanStep[]; isWhole: boolean } {
  const free = { ...question, setups: question.setups.map((it) => ({ ...it, isPromised: false })) }
  const steps: PlanStep[] = []
  let budget = question.options.reduce((sum, it) => sum + it.costMinor, 0)
  while (steps.length < MOST_STEPS) {
    const result = solvePlan(asOneQuarter(free, budget), solve)
    if (result.status !== 'best') return { steps: steps.reverse(), isWhole: false }
    const { answer } = result
    if (answer.points === 0) return { steps: steps.reverse(), isWhole: true }
    steps.push({ costMinor: answer.costMinor, points: answer.points, answer })
    budget = answer.costMinor - 1
    if (budget < 0) return { steps: steps.reverse(), isWhole: true }
  }
  return { steps: steps.reverse(), isWhole: false }
}

/** The best plan that buys something else than each of some others. */
export function solveOtherwise(
  question: PlanQuestion,
  others: readonly (readonly string[])[],
  solve: SolveProgram,
): PlanResult {
  const built = buildPlanProgram(question)
  for (const ids of others) {
    const chosen = new Set(ids)
    const terms = question.options.flatMap(({ id }, at) =>
      (built.buy[at] ?? []).map((variable): [number, number] => [variable, chosen.has(id) ? -1 : 1]),
    )
    // At least one more or one less of what it bought.
    built.program.rows.push({ terms, least: 1 - chosen.size, most: null })
  }
  return solveBuilt(question, built, solve)
}
