import { z } from 'zod'
import type { Category } from '../../kit/model/category.ts'
import { lifeStateSchema } from '../../kit/unit/unit.ts'
import { amount } from '../../studio/people/secrecy.ts'
import type { SolveProgram } from '../../units/integer-program.ts'
import type { SetupCures } from '../wish/cures.ts'
import { listNeeds } from '../wish/cures.ts'
import { makeOtherWeightings, OTHER_WEIGHTINGS, POINTS_OF_RUNNING, WEIGHTINGS, type Weighting } from '../wish/points.ts'
import type { ShootCount } from '../wish/shoots.ts'
import type { Wish } from '../wish/wish.ts'
import { costWish, isWaiting } from '../wish/wish-price.ts'
import { listSteps, solveOtherwise, solvePlan } from './solve-plan.ts'
import type { PlanAnswer, PlanOption, PlanQuestion, PlanSetup } from './upgrade-plan.ts'

/** Why a wish is in no plan. */
export const LEFT_OUT = {
  'no-price': 'no price is known',
  waiting: 'it waits for something',
  'needs-left-out': 'what it needs cannot be planned',
  'no-gain': 'it cures nothing that is found, and no shoot is named that it makes better',
} as const
export type LeftOut = keyof typeof LEFT_OUT

const boughtSchema = z.object({
  wishId: z.string(),
  totalMinor: amount(z.number()),
  saleMinor: amount(z.number()),
  /** Setups that run by it, with what else; setups that are better by it; wishes that it is brought along by. */
  runs: z.array(z.string()),
  betters: z.array(z.string()),
  forIds: z.array(z.string()),
})

const sketchSchema = z.object({
  wishIds: z.array(z.string()),
  costMinor: amount(z.number()),
  points: z.number(),
  /** Shoots that nothing stops. */
  shoots: z.number(),
})
export type PlanSketch = z.infer<typeof sketchSchema>

/** What to buy, why, how sure that is, and what other sums would do. */
export const upgradePlanSchema = z.object({
  status: z.enum(['best', 'near', 'infeasible', 'unproven']),
  /** Of the best: nothing that is worth as much costs less. */
  isCheapest: z.boolean(),
  /** Of one that is near the best: no plan is worth more than so many points. */
  mostPoints: z.number().nullable(),
  /** So many choices there were, all of them compared. */
  choices: z.number(),
  basis: z.enum(['ahead', 'behind', 'none']),
  periods: z.array(
    z.object({
      budgetMinor: amount(z.number()),
      /** Sales taken off. */
      spentMinor: amount(z.number()),
      bought: z.array(boughtSchema),
    }),
  ),
  /** What is left of all budgets. */
  leftMinor: amount(z.number()),
  points: z.number(),
  /** All, those that nothing stops now and with what is bought, and of the latter those of which questions are open. */
  shoots: z.object({ all: z.number(), now: z.number(), planned: z.number(), asked: z.number() }),
  setups: z.array(
    z.object({
      /** Of the setup at that time: what is away for some of its shoots makes two of it. */
      id: z.string(),
      setupId: z.string(),
      shoots: z.number(),
      state: z.enum(['runs', 'cured', 'stopped']),
      stops: z.number(),
      /** Questions that are open then, of which the answer could be that it does not run. */
      questions: z.number(),
      wishIds: z.array(z.string()),
      /** Any wishes would cure it at all. */
      canBeCured: z.boolean(),
      isCutShort: z.boolean(),
    }),
  ),
  steps: z.array(sketchSchema),
  areStepsWhole: z.boolean(),
  others: z.array(sketchSchema),
  /** With how many of some other weightings the same is bought; null where that was not found out in time. */
  sure: z.object({ same: z.number(), of: z.number() }).nullable(),
  leftOut: z.array(z.object({ wishId: z.string(), why: z.enum(['no-price', 'waiting', 'needs-left-out', 'no-gain']) })),
  /** Bought because something is away that comes back: what, and when that is hoped for. */
  hopes: z.array(
    z.object({ wishId: z.string(), tag: z.string(), state: lifeStateSchema, backOn: z.string().nullable() }),
  ),
  /** Where what is promised cannot be kept: with how much it could; null where no wishes would do it. */
  cheapestMinor: amount(z.number().nullable()),
  /** That is proven; else the time was up before it was found. */
  isCheapestProven: z.boolean(),
})
export type UpgradePlan = z.infer<typeof upgradePlanSchema>

/** What a plan is made from. */
export interface UpgradeCase {
  today: string
  budgets: readonly number[]
  /** By which school, see `WEIGHTINGS`. */
  weighting: string
  promisedIds: readonly string[]
  wishes: readonly (Wish & { category: Category; saleMinor: number })[]
  cures: readonly SetupCures[]
  shoots: ShootCount
}

/** Wishes that are planned with, and why the others are not. */
function sortOut({ wishes, cures, today }: UpgradeCase) {
  const open = wishes.filter((it) => it.state === 'open')
  const needs = new Map(open.map((it) => [it.id, it.needsIds]))
  const gone = new Map(wishes.filter((it) => ['here', 'ordered'].includes(it.state)).map((it) => [it.id, it]))
  const why = new Map<string, LeftOut>()
  for (const it of open) {
    if (costWish(it, today) === null) why.set(it.id, 'no-price')
    else if (isWaiting(it, today)) why.set(it.id, 'waiting')
  }
  for (const it of open) {
    const lacks = listNeeds(it.id, needs).some((id) => !gone.has(id) && (why.has(id) || !needs.has(id)))
    if (!why.has(it.id) && lacks) why.set(it.id, 'needs-left-out')
  }
  const helps = new Set(cures.flatMap((it) => it.sets.flatMap((set) => set.wishIds)))
  for (const it of open) if (it.defect !== 'missing' && listBettered(it, cures).length > 0) helps.add(it.id)
  for (const it of [...open]) if (helps.has(it.id)) for (const id of listNeeds(it.id, needs)) helps.add(id)
  for (const it of open) if (!why.has(it.id) && !helps.has(it.id)) why.set(it.id, 'no-gain')
  return { options: open.filter((it) => !why.has(it.id)), why, isHere: (id: string) => gone.has(id) }
}

/** Points of a group are whole, and so fine that a weighting tells. */
const FINE = 10

function makeQuestion(own: UpgradeCase, weigh: Weighting): PlanQuestion {
  const { options, isHere } = sortOut(own)
  const categoryOf = new Map(own.wishes.map((it) => [it.id, it.category]))
  const weightOf = (id: string) => weigh(categoryOf.get(id) ?? 'other')
  const mean = (ids: readonly string[]) => ids.reduce((sum, id) => sum + weightOf(id), 0) / Math.max(1, ids.length)
  const worth = (id: string, each: number) => own.shoots.of(id).map((it) => Math.round(it * each * FINE))
  return {
    budgets: own.budgets,
    setups: own.cures.map(
      (it): PlanSetup => ({
        id: it.id,
        runs: it.stops === 0,
        isPromised: it.stops > 0 && own.promisedIds.includes(it.setupId),
        cures: it.sets.map(({ wishIds }) => ({
          wishIds,
          points: worth(it.id, POINTS_OF_RUNNING * mean(wishIds)),
        })),
      }),
    ),
    options: options.map(
      (it): PlanOption => ({
        id: it.id,
        costMinor: costWish(it, own.today)?.totalMinor ?? 0,
        saleMinor: it.saleMinor,
        needsIds: it.needsIds.filter((id) => !isHere(id)),
        insteadIds: it.insteadIds,
        // What is missing is cured or not; what is there and could be better is as severe as somebody said.
        gains:
          it.defect === 'missing'
            ? []
            : listBettered(it, own.cures).map((setupId) => ({
                setupId,
                points: worth(setupId, it.severity * weightOf(it.id)),
              })),
      }),
    ),
  }
}

/** Setups in which it was tried, with what it needs, and stops nothing that it did not before. */
function listBettered(wish: Pick<Wish, 'id'>, cures: readonly SetupCures[]): string[] {
  return cures.flatMap((it) => {
    const trial = it.alone.get(wish.id)
    return trial && trial.stops <= it.stops ? [it.id] : []
  })
}

/** The best plan with everything that makes it plain: reasons, other plans, other sums, other weightings. */
export function planUpgrade(own: UpgradeCase, solve: SolveProgram): UpgradePlan {
  const weigh = (WEIGHTINGS[own.weighting] ?? WEIGHTINGS.even)?.weigh ?? (() => 1)
  const question = makeQuestion(own, weigh)
  const { why } = sortOut(own)
  const result = solvePlan(question, solve)
  const empty: PlanAnswer = { bought: own.budgets.map(() => []), points: 0, costMinor: 0, cured: [] }
  const answer = result.status === 'best' || result.status === 'near' ? result.answer : empty
  const sum = (list: readonly number[]) => list.reduce((all, it) => all + it, 0)
  const all = sum(own.cures.map((it) => sum(own.shoots.of(it.id))))
  const now = sum(own.cures.filter((it) => it.stops === 0).map((it) => sum(own.shoots.of(it.id))))
  const more = (it: PlanAnswer) => sum(it.cured.map((one) => sum(own.shoots.of(one.setupId).slice(one.quarter))))
  // All at once there is one quarter, in which every shoot counts.
  const moreAtOnce = (it: PlanAnswer) => sum(it.cured.map((one) => sum(own.shoots.of(one.setupId))))
  const sketch = (it: PlanAnswer, then: number): PlanSketch => ({
    wishIds: it.bought.flat(),
    costMinor: it.costMinor,
    points: it.points,
    shoots: then,
  })
  const bought = answer.bought.flat()
  const others: PlanSketch[] = []
  const chosen = [bought]
  while (result.status === 'best' && others.length < 2) {
    const next = solveOtherwise(question, chosen, solve)
    if (next.status !== 'best' || next.answer.bought.flat().length === 0) break
    others.push(sketch(next.answer, now + more(next.answer)))
    chosen.push(next.answer.bought.flat())
  }
  const { steps, isWhole } = listSteps(question, solve)
  const priceOf = new Map(question.options.map((it) => [it.id, it]))
  const setups = own.cures.map((it) => tellSetup(it, own, answer))
  const quarterOf = new Map(answer.cured.map((it) => [it.setupId, it.quarter]))
  const asked = setups.filter((it) => it.state !== 'stopped' && it.questions > 0)
  return {
    status: result.status,
    isCheapest: result.status === 'best' && result.isCheapest,
    mostPoints: result.status === 'near' ? result.mostPoints : null,
    choices: (own.budgets.length + 1) ** question.options.length,
    basis: own.shoots.basis,
    periods: own.budgets.map((budgetMinor, quarter) => {
      const ids = answer.bought[quarter] ?? []
      return {
        budgetMinor,
        spentMinor: sum(ids.map((id) => (priceOf.get(id)?.costMinor ?? 0) - (priceOf.get(id)?.saleMinor ?? 0))),
        bought: ids.map((id) => ({
          wishId: id,
          totalMinor: priceOf.get(id)?.costMinor ?? 0,
          saleMinor: priceOf.get(id)?.saleMinor ?? 0,
          ...findReasons(id, question, answer),
        })),
      }
    }),
    leftMinor: sum(own.budgets) - answer.costMinor,
    points: answer.points,
    shoots: {
      all,
      now,
      planned: now + more(answer),
      asked: sum(asked.map((it) => sum(own.shoots.of(it.id).slice(quarterOf.get(it.id) ?? 0)))),
    },
    setups,
    steps: steps.map((it) => sketch(it.answer, now + moreAtOnce(it.answer))),
    areStepsWhole: isWhole,
    others,
    sure: result.status === 'best' ? findSure(own, bought, solve) : null,
    leftOut: [...why].map(([wishId, reason]) => ({ wishId, why: reason })),
    hopes: bought.flatMap((id) => listHopes(id, own.cures)),
    cheapestMinor: result.status === 'infeasible' ? result.cheapestMinor : null,
    isCheapestProven: result.status !== 'infeasible' || result.isProven,
  }
}

/** Things that are at the mender's, lent or ordered, and in whose stead a wish would be bought. */
function listHopes(wishId: string, cures: readonly SetupCures[]): UpgradePlan['hopes'] {
  const hopes = new Map<string, UpgradePlan['hopes'][number]>()
  for (const it of cures.flatMap(({ alone }) => alone.get(wishId)?.cured ?? [])) {
    if (it.code !== 'thing-absent' || it.absence.reason !== 'state') continue
    const { state, backOn } = it.absence
    if (!RETURNING.some((one) => one === state)) continue
    hopes.set(it.tag, { wishId, tag: it.tag, state, backOn })
  }
  return [...hopes.values()]
}
const RETURNING = ['in-repair', 'lent', 'ordered'] as const

function findReasons(id: string, { options, setups }: PlanQuestion, { bought, cured }: PlanAnswer) {
  const all = new Set(bought.flat())
  const option = options.find((it) => it.id === id)
  const running = new Set([...setups.flatMap((it) => (it.runs ? [it.id] : [])), ...cured.map((it) => it.setupId)])
  return {
    runs: cured.filter((it) => it.wishIds.includes(id)).map((it) => it.setupId),
    betters: option?.gains.flatMap((it) => (running.has(it.setupId) ? [it.setupId] : [])) ?? [],
    forIds: options.flatMap((it) => (all.has(it.id) && it.needsIds.includes(id) ? [it.id] : [])),
  }
}

function tellSetup(it: SetupCures, { shoots }: UpgradeCase, { cured }: PlanAnswer): UpgradePlan['setups'][number] {
  const by = cured.find((one) => one.setupId === it.id)
  const set = it.sets.find((one) => one.wishIds.join() === by?.wishIds.join())
  return {
    id: it.id,
    setupId: it.setupId,
    shoots: shoots.of(it.id).reduce((sum, one) => sum + one, 0),
    state: it.stops === 0 ? 'runs' : by ? 'cured' : 'stopped',
    stops: it.stops,
    questions: set?.questions ?? it.questions,
    wishIds: by?.wishIds ?? [],
    canBeCured: it.sets.length > 0,
    isCutShort: it.isCutShort,
  }
}

function findSure(own: UpgradeCase, bought: readonly string[], solve: SolveProgram): UpgradePlan['sure'] {
  const wanted = [...bought].sort().join()
  let same = 0
  for (const weigh of makeOtherWeightings()) {
    const result = solvePlan(makeQuestion(own, weigh), solve)
    if (result.status !== 'best') return null
    if ([...result.answer.bought.flat()].sort().join() === wanted) same++
  }
  return { same, of: OTHER_WEIGHTINGS }
}
