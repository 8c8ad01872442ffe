import type { ProgramRow, SolveProgram } from '../../units/integer-program.ts'
import { aimAt } from '../plan/plan-program.ts'
import {
  buildKitProgram,
  type KitPick,
  type KitProgram,
  type KitQuestion,
  leaveOut,
  readKit,
  weighKit,
} from './kit-program.ts'

/** `points`: worth most, then the cheapest of those. `money`: the cheapest. */
export type KitAim = 'points' | 'money'

export interface KitAnswer {
  picks: KitPick[]
  points: number
  costMinor: number
}

export type KitResult =
  /** `bound` is what no complete kit can better: proven where the answer reaches it. */
  | { status: 'found'; answer: KitAnswer; isProven: boolean; bound: { points: number; costMinor: number } }
  /** Proven that there is none. */
  | { status: 'none' }
  | { status: 'unproven' }

/** Names of what is wrong with a choice, the same each time for the same wrong; nothing where it is complete. */
export type JudgeKit = (picks: readonly KitPick[]) => readonly string[]

/** So many choices are judged with nothing but themselves left out after, and so many with what they have in common with others. */
const EXACT_TRIES = 12
const QUICK_TRIES = 40

/**
 * The best kit that the judge calls complete and that costs no more than the budget. The program knows what fits what; what only the judge
 * knows, sums of watts and loads and minutes, it learns by being told that a choice will not do. First only that very choice is left out
 * each time: what is found so is proven. Then, where that takes too long, everything that shares what was wrong with it: what is found so
 * is complete, and how much better another could be is told by the bound.
 */
export function solveKit(
  question: KitQuestion,
  budgetMinor: number | null,
  aim: KitAim,
  solve: SolveProgram,
  judge: JudgeKit,
): KitResult {
  const built = buildKitProgram(question)
  if (budgetMinor !== null) built.program.rows.push({ terms: built.costs, least: null, most: budgetMinor })
  let bound: { points: number; costMinor: number } | null = null
  for (let tried = 0; tried < EXACT_TRIES + QUICK_TRIES; tried++) {
    const isExact = tried < EXACT_TRIES
    const next = solveOnce(question, built, aim, solve)
    if (next.status !== 'optimal')
      return next.status === 'infeasible' && isExact ? { status: 'none' } : { status: 'unproven' }
    const { values } = next
    const picks = readKit(question, built, values)
    const answer = { picks, ...weighKit(question, picks) }
    if (isExact) bound = { points: answer.points, costMinor: answer.costMinor }
    // The solver reckons with fractions: what is over by less than it can see is over.
    const isOver = budgetMinor !== null && answer.costMinor > budgetMinor
    const wrong = isOver ? ['over'] : judge(picks)
    if (wrong.length === 0) {
      const reached = bound ?? answer
      const isProven = answer.costMinor === reached.costMinor && (aim === 'money' || answer.points === reached.points)
      return { status: 'found', answer, isProven, bound: reached }
    }
    leaveOut(built, isExact || isOver ? built.choosing : listCore(question, built, values, picks, wrong, judge), values)
  }
  return { status: 'unproven' }
}

/** The best, of those the cheapest, and of those the one with the fewest pieces: what is free and of no use stays out. */
function solveOnce(question: KitQuestion, built: KitProgram, aim: KitAim, solve: SolveProgram) {
  const weigh = (values: readonly number[]) => weighKit(question, readKit(question, built, values))
  const rows: ProgramRow[] = []
  if (aim === 'points') {
    const best = solve(
      aimAt(
        built.program,
        built.points.map(([variable, factor]): [number, number] => [variable, -factor]),
      ),
    )
    if (best.status !== 'optimal') return best
    rows.push({ terms: built.points, least: weigh(best.values).points, most: null })
  }
  const cheapest = solve(aimAt(built.program, built.costs, rows))
  if (cheapest.status !== 'optimal') return cheapest
  rows.push({ terms: built.costs, least: null, most: weigh(cheapest.values).costMinor })
  const pieces = built.counts.flat(2).map((variable): [number, number] => [variable, 1])
  const fewest = solve(aimAt(built.program, pieces, rows))
  return fewest.status === 'optimal' ? fewest : cheapest
}

/**
 * What of a choice one wrong of it comes from: whatever can be taken out with the wrong still there has no part in it. A guess, as
 * something else beside might mend it: good for finding a kit, not for proving one.
 */
function listCore(
  { options }: KitQuestion,
  built: KitProgram,
  values: readonly number[],
  picks: readonly KitPick[],
  [wrong = '']: readonly string[],
  judge: JudgeKit,
): number[] {
  let core = [...picks]
  for (const it of picks) {
    const without = core.filter((other) => other !== it)
    if (without.length > 0 && judge(without).includes(wrong)) core = without
  }
  return core.flatMap(({ id, roleIds }) => {
    const at = options.findIndex((it) => it.id === id)
    const filled = (built.fills[at] ?? []).flatMap((it) => (roleIds.includes(it.roleId) ? [it.variable] : []))
    // One piece more of it may be what lacks.
    const counted = (built.counts[at] ?? []).flatMap((steps) => {
      const count = steps.filter((it) => Math.round(values[it] ?? 0) === 1).length
      return steps.slice(Math.max(0, count - 1), count + 1)
    })
    return [...filled, ...counted]
  })
}
