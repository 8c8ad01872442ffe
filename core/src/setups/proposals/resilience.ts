import { z } from 'zod'
import type { Category } from '../../kit/model/category.ts'
import { nameModel } from '../../kit/model/model.ts'
import type { AssessmentInput } from '../placed/assessment-input.ts'
import type { Holdings } from '../placed/placed-item.ts'
import type { Store } from '../placed/store.ts'
import { type Assignment, listInUse, type NewSetup } from '../setup/setup.ts'
import { makeJudge } from '../verdict/incremental.ts'
import { finish, makeStandInSearch } from './remedies.ts'
/** One thing without which a setup would stop, and what is free to take its place. */
export const singlePointOfFailureSchema = z.object({
  unitId: z.string(),
  tag: z.string(),
  name: z.string(),
  role: z.string(),
  /** Nobody sells another: it was made by hand. */
  isHandMade: z.boolean(),
  standIns: z.array(
    z.object({
      unitId: z.string(),
      tag: z.string(),
      name: z.string(),
    }),
  ),
})
export type SinglePointOfFailure = z.infer<typeof singlePointOfFailureSchema>

export const singlePointSchema = z.object({
  unitId: z.string(),
  tag: z.string(),
  name: z.string(),
  isHandMade: z.boolean(),
  /** Setups that stop without it, where nothing free could stand in. */
  setups: z.array(
    z.object({
      id: z.string(),
      role: z.string(),
    }),
  ),
})
export type SinglePoint = z.infer<typeof singlePointSchema>

/** So many that could take its place are named. */
const MOST_NAMED = 3

/** How far a search for what a setup would stop without has come. */
export interface LossesSoFar {
  /** Things that were looked at, of `countThings`. */
  done: number
  losses: readonly SinglePointOfFailure[]
}

/** How many things are taken out, one after the other. */
export const countThings = ({ setup, holdings }: Pick<AssessmentInput, 'setup' | 'holdings'>) =>
  listThings(setup, holdings).length

/**
 * What a setup would stop without, in the order of its roles: each thing is taken out and the setup judged anew, so that a
 * second lamp in the same role, or a lead that another one replaces, counts for what it is. Stand-ins were tried too.
 */
export function findSinglePointsOfFailure(input: AssessmentInput, store: Store): SinglePointOfFailure[] {
  return finish(seekSinglePoints(input, store))
}

/** The same a verdict at a time, as there are hundreds of them: yields after each how far it has come. */
export function* seekSinglePoints(
  input: AssessmentInput,
  store: Store,
): Generator<LossesSoFar, SinglePointOfFailure[]> {
  const judge = makeJudge()
  const before = judge.assess(input).counts.stop
  const search = makeStandInSearch(input, store)
  const losses: SinglePointOfFailure[] = []
  for (const [done, { role, unit, model }] of listThings(input.setup, input.holdings).entries()) {
    yield { done, losses: [...losses] }
    const left = takeOut(input, unit.id)
    if (judge.assess({ ...input, setup: left }).counts.stop <= before) continue
    // What is there in case takes its place.
    const mends = (setup: NewSetup) => judge.assess({ ...input, setup }).counts.stop <= before
    if (listWithSpare(left, input.holdings, role.id, model.category).some(mends)) continue
    const steps = search.seek(unit.id, MOST_NAMED)
    let step = steps.next()
    for (; !step.done; step = steps.next()) yield { done, losses: [...losses] }
    const standIns = step.value.map((it) => ({ unitId: it.unit.id, tag: it.unit.tag, name: nameModel(it.model) }))
    const { id, tag, acquisition } = unit
    const isHandMade = acquisition === 'hand-made'
    losses.push({ unitId: id, tag, name: nameModel(model), role: role.name, isHandMade, standIns })
  }
  return losses
}

/** Every single thing in every role. */
function listThings(setup: NewSetup, holdings: Holdings) {
  return setup.roles.flatMap((role) =>
    role.things.flatMap(({ unitId }) => {
      const unit = holdings.units.get(unitId ?? '')
      const model = holdings.models.get(unit?.modelId ?? '')
      return unit && model ? [{ role, unit, model }] : []
    }),
  )
}

/** The setup with each spare of a kind in the role that has lost its thing. */
function listWithSpare(setup: NewSetup, holdings: Holdings, roleId: string, kind: Category): NewSetup[] {
  const spares = setup.roles.flatMap((role) => role.things.filter((it) => it.isSpare))
  const kindOf = ({ unitId, stockId }: Assignment) => {
    const holder = holdings.units.get(unitId ?? '') ?? holdings.stock.get(stockId ?? '')
    return holdings.models.get(holder?.modelId ?? '')?.category
  }
  return spares
    .filter((it) => kindOf(it) === kind)
    .map((spare) => ({
      ...setup,
      roles: setup.roles.map((role) => {
        const things = role.things.filter((it) => it !== spare)
        return role.id === roleId ? { ...role, things: [{ ...spare, isSpare: false }, ...things] } : { ...role, things }
      }),
    }))
}

/**
 * The setup without one of its things. A role that says not what it wants is taken to want what stands in it first, so that it
 * is missed.
 */
export function takeOut({ setup, holdings }: Pick<AssessmentInput, 'setup' | 'holdings'>, unitId: string): NewSetup {
  const unit = holdings.units.get(unitId)
  const category = holdings.models.get(unit?.modelId ?? '')?.category ?? null
  return {
    ...setup,
    roles: setup.roles.map((role) => {
      const isMain = listInUse(role)[0]?.unitId === unitId && role.wants === null
      const things = role.things.filter((it) => it.unitId !== unitId)
      return { ...role, things, ...(isMain ? { wants: category } : {}) }
    }),
  }
}

/** Over all setups: what has nothing to stand in for it, what stops the most setups first. */
export function listSinglePoints(
  setups: readonly { id: string; losses: readonly SinglePointOfFailure[] }[],
): SinglePoint[] {
  const points = new Map<string, SinglePoint>()
  for (const { id, losses } of setups) {
    for (const { unitId, tag, name, role, isHandMade, standIns } of losses) {
      if (standIns.length > 0) continue
      const known = points.get(unitId) ?? { unitId, tag, name, isHandMade, setups: [] }
      points.set(unitId, { ...known, setups: [...known.setups, { id, role }] })
    }
  }
  return [...points.values()].sort((a, b) => b.setups.length - a.setups.length || (a.tag < b.tag ? -1 : 1))
}
