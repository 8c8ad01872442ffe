import { relax, type SolveProgram } from '../../units/integer-program.ts'
import { aimAt, buildPlanProgram, type PlanProgram, readPlan } from './plan-program.ts'
import { type PlanAnswer, type PlanQuestion, weighPlan } from './upgrade-plan.ts'

export type PlanResult =
  /** Nothing is worth more; `isCheapest` where nothing that is worth as much costs less, which takes longer to prove. */
  | { status: 'best'; answer: PlanAnswer; isCheapest: boolean }
  /** The best that was found in time; no plan is worth more than so many points. */
  | { status: 'near'; answer: PlanAnswer; mostPoints: number }
  /** What is promised cannot be kept with this money; the least with which it can, in the first quarter, where it can at all. */
  | { status: 'infeasible'; cheapestMinor: number | null; isProven: boolean }
  | { status: 'unproven' }

/** The plan that is worth most, and of those the one that costs least: proven, or with how far it may be off. */
export function solvePlan(question: PlanQuestion, solve: SolveProgram): PlanResult {
  const built = buildPlanProgram(question)
  return solveBuilt(question, built, solve)
}

/** To find the cheapest of the best may take such a share of the time that the best took, and so many seconds at least. */
const CHEAPEST_SHARE = 0.15
const CHEAPEST_SECONDS = 0.25

function solveBuilt(question: PlanQuestion, built: PlanProgram, solve: SolveProgram): PlanResult {
  const aim = aimAt(built.program, negate(built.points))
  const best = solve(aim)
  if (best.status === 'infeasible') return { status: 'infeasible', ...findCheapest(question, solve) }
  if (best.status === 'unproven') return best.values ? tellNear(question, built, best.values, solve) : best
  const answer = readPlan(question, built, best.values)
  const limit = best.seconds === undefined ? undefined : Math.max(CHEAPEST_SECONDS, best.seconds * CHEAPEST_SHARE)
  const same = { terms: built.points, least: answer.points, most: null }
  const cheapest = solve(aimAt(built.program, built.costs, [same]), limit)
  if (cheapest.status === 'optimal') {
    return { status: 'best', answer: readPlan(question, built, cheapest.values), isCheapest: true }
  }
  const found = cheapest.status === 'unproven' && cheapest.values ? readPlan(question, built, cheapest.values) : answer
  const cheaper = found.points >= answer.points && found.costMinor < answer.costMinor ? found : answer
  return { status: 'best', answer: dropIdle(question, cheaper), isCheapest: false }
}

/** What was found in time, and the most that any plan could be worth: that of one that may buy halves. */
function tellNear(
  question: PlanQuestion,
  built: PlanProgram,
  values: readonly number[],
  solve: SolveProgram,
): PlanResult {
  const answer = dropIdle(question, readPlan(question, built, values))
  const bound = solve(relax(aimAt(built.program, negate(built.points))))
  if (bound.status !== 'optimal') return { status: 'unproven' }
  const mostPoints = Math.floor(-bound.cost + 1e-6)
  return answer.points >= mostPoints
    ? { status: 'best', answer, isCheapest: false }
    : { status: 'near', answer, mostPoints }
}

/** The same plan without what is paid for and does nothing in it: nothing is worth less, no promise is broken. */
export function dropIdle(question: PlanQuestion, answer: PlanAnswer): PlanAnswer {
  const kept = new Set(question.setups.flatMap((it) => (it.isPromised && !it.runs ? [it.id] : [])))
  const dear = question.options
    .filter((it) => it.costMinor > it.saleMinor)
    .sort((a, b) => b.costMinor - b.saleMinor - (a.costMinor - a.saleMinor))
  let now = answer
  for (let isSettled = false; !isSettled; ) {
    isSettled = true
    for (const { id } of dear) {
      const all = new Set(now.bought.flat())
      if (!all.has(id) || question.options.some((it) => all.has(it.id) && it.needsIds.includes(id))) continue
      const bought = now.bought.map((ids) => ids.filter((it) => it !== id))
      const next = { bought, ...weighPlan(question, bought) }
      const runs = new Set(next.cured.map((it) => it.setupId))
      if (next.points < now.points || [...kept].some((it) => !runs.has(it))) continue
      now = next
      isSettled = false
    }
  }
  return now
}

const negate = (terms: PlanProgram['points']) =>
  terms.map(([variable, factor]): [number, number] => [variable, -factor])

/** The least money, all of it in one quarter, with which everything that is promised runs; null where no sum is enough, or time was up. */
function findCheapest(
  question: PlanQuestion,
  solve: SolveProgram,
): { cheapestMinor: number | null; isProven: boolean } {
  const all = question.options.reduce((sum, it) => sum + it.costMinor, 0)
  const rich = asOneQuarter(question, all)
  const built = buildPlanProgram(rich)
  const cheapest = solve(aimAt(built.program, built.costs))
  const isSolved = cheapest.status === 'optimal'
  return {
    cheapestMinor: isSolved ? readPlan(rich, built, cheapest.values).costMinor : null,
    isProven: cheapest.status !== 'unproven',
  }
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
      (built.there[at]?.slice(-1) ?? []).map((variable): [number, number] => [variable, chosen.has(id) ? -1 : 1]),
    )
    // At least one more or one less of what it bought.
    built.program.rows.push({ terms, least: 1 - chosen.size, most: null })
  }
  return solveBuilt(question, built, solve)
}
