import { z } from 'zod'
import type { Category } from '../../kit/model/category.ts'
import { nameModel } from '../../kit/model/model.ts'
import type { AssessmentInput } from '../placed/assessment-input.ts'
import type { Holdings } from '../placed/placed-item.ts'
import type { Store } from '../placed/store.ts'
import { listInUse, type NewSetup } from '../setup/setup.ts'
import { makeJudge } from '../verdict/incremental.ts'
import type { Readiness } from '../verdict/readiness.ts'
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
  /** Things that it would stop without, were it not for what stands by in it: what stands by is named as its stand-ins. */
  covered: readonly SinglePointOfFailure[]
  /** Stops that it has as it stands. */
  stops: number
}

/** How many things are taken out, one after the other. */
export const countThings = ({ setup, holdings }: Pick<AssessmentInput, 'setup' | 'holdings'>) =>
  listThings(setup, holdings).length

/**
 * What a setup would stop without, in the order of its roles: each thing is taken out and the setup judged anew, so that a
 * second lamp in the same role, or a lead that another one replaces, counts for what it is. Stand-ins were tried too.
 */
export function findSinglePointsOfFailure(input: AssessmentInput, store: Store): readonly SinglePointOfFailure[] {
  return finish(seekSinglePoints(input, store)).losses
}

/** The same a verdict at a time, as there are hundreds of them: yields after each how far it has come. */
export function* seekSinglePoints(input: AssessmentInput, store: Store): Generator<LossesSoFar, LossesSoFar> {
  const judge = makeJudge()
  const asItStands = judge.assess(input)
  const before = countStops(asItStands)
  const search = makeStandInSearch(input, store)
  const losses: SinglePointOfFailure[] = []
  const covered: SinglePointOfFailure[] = []
  const things = listThings(input.setup, input.holdings)
  const tell = (done: number): LossesSoFar => ({
    done,
    losses: [...losses],
    covered: [...covered],
    stops: asItStands.counts.stop,
  })
  for (const [done, { role, unit, model }] of things.entries()) {
    yield tell(done)
    const left = takeOut(input, unit.id)
    if (!hasNewStop(before, judge.assess({ ...input, setup: left }))) continue
    const { id, tag, acquisition } = unit
    const loss = { unitId: id, tag, name: nameModel(model), role: role.name, isHandMade: acquisition === 'hand-made' }
    // What is there in case takes its place.
    const mends = (setup: NewSetup) => !hasNewStop(before, judge.assess({ ...input, setup }))
    const spares = listWithSpare(left, input.holdings, role.id, model.category).filter((it) => mends(it.setup))
    if (spares.length > 0) {
      covered.push({ ...loss, standIns: spares.map((it) => it.spare) })
      continue
    }
    const steps = search.seek(unit.id, MOST_NAMED)
    let step = steps.next()
    for (; !step.done; step = steps.next()) yield tell(done)
    const standIns = step.value.map((it) => ({ unitId: it.unit.id, tag: it.unit.tag, name: nameModel(it.model) }))
    losses.push({ ...loss, standIns })
  }
  return tell(things.length)
}

/** How often each kind of stop is found at each role; one that somebody accepted is none. */
function countStops({ findings }: Readiness): Map<string, number> {
  const counts = new Map<string, number>()
  for (const { level, accepted, code, roleId } of findings) {
    if (level !== 'stop' || accepted) continue
    const key = `${code} ${roleId}`
    counts.set(key, (counts.get(key) ?? 0) + 1)
  }
  return counts
}

/**
 * Whether something stops now that did not before. The number of stops would not tell: a camera that stands on nothing and is
 * gone stops no more for its stand, and anew for being gone.
 */
function hasNewStop(before: ReadonlyMap<string, number>, after: Readiness): boolean {
  return [...countStops(after)].some(([key, count]) => count > (before.get(key) ?? 0))
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

/** The setup with each spare of a kind in the role that has lost its thing, and which that is. */
function listWithSpare(setup: NewSetup, holdings: Holdings, roleId: string, kind: Category) {
  const spares = setup.roles.flatMap((role) => role.things.filter((it) => it.isSpare))
  return spares.flatMap((spare) => {
    const unit = holdings.units.get(spare.unitId ?? '')
    const holder = unit ?? holdings.stock.get(spare.stockId ?? '')
    const model = holdings.models.get(holder?.modelId ?? '')
    if (!holder || model?.category !== kind) return []
    const roles = setup.roles.map((role) => {
      const things = role.things.filter((it) => it !== spare)
      return role.id === roleId ? { ...role, things: [{ ...spare, isSpare: false }, ...things] } : { ...role, things }
    })
    return [
      {
        spare: { unitId: holder.id, tag: unit?.tag ?? '', name: nameModel(model) },
        setup: { ...setup, roles },
      },
    ]
  })
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
