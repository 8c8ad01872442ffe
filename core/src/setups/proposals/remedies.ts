import { z } from 'zod'
import { absenceSchema } from '../../kit/unit/absence.ts'
import { sayAbsence, sayCount, type TimeWords } from '../checks/finding-words.ts'
import { listReplacements, makeReplacement } from '../checks/ideas.ts'
import { countFitting, fitsNeed } from '../checks/joints/unmet-needs.ts'
import { findPlaced, makeScene, type Scene } from '../checks/scene.ts'
import type { AssessmentInput } from '../placed/assessment-input.ts'
import type { FreeItem, Store } from '../placed/store.ts'
import { applyRemedy, type Remedy, remedySchema } from '../setup/remedy.ts'
import type { NewSetup } from '../setup/setup.ts'
import { type Finding, type FindingOf, recordOf } from '../verdict/finding.ts'
import { makeJudge } from '../verdict/incremental.ts'
import { assessScene, type Readiness } from '../verdict/readiness.ts'

/** How many remedies are offered for one finding. */
const MOST_OFFERED = 3
/** What could be done about one finding, and what the store says to it. */
export const findingHelpSchema = z.object({
  key: z.string(),
  remedies: z.array(remedySchema),
  /** Free things and pieces of stock in the store that would fit; null where that is not the question. */
  inStore: z.number().nullable(),
  /** Things that would fit and are not to be had. */
  away: z.array(
    z.object({
      tag: z.string(),
      absence: absenceSchema,
    }),
  ),
})
export type FindingHelp = z.infer<typeof findingHelpSchema>

/**
 * Looks for remedies of one finding among what is free. Every one was tried on the setup: the finding it stands under goes
 * away, or gets smaller, and no stop is added. Null where the setup has no such finding.
 */
export function findRemedies(input: AssessmentInput, store: Store, key: string): FindingHelp | null {
  return findHelp(input, store, (finding) => finding.key === key)[0] ?? null
}

/** The same for every finding of a setup, in the order of its findings. */
export function findAllRemedies(input: AssessmentInput, store: Store): FindingHelp[] {
  return findHelp(input, store, () => true)
}

function findHelp(input: AssessmentInput, store: Store, isAsked: (finding: Finding) => boolean): FindingHelp[] {
  const scene = makeScene(input)
  const before = assessScene(scene)
  const tryOut = makeTrial(input, before, store)
  return before.findings.filter(isAsked).map((finding) => {
    const remedies = listTried(finding, { scene, store }, before, tryOut)
    if (finding.code !== 'need-unmet') return { key: finding.key, remedies, inStore: null, away: [] }
    const inStore = countFitting(finding, store)
    return {
      key: finding.key,
      inStore,
      away: listAway(finding, inStore, store),
      // What lies in the store and cannot be joined is not mended by buying one more of it.
      remedies: remedies.filter((it) => it.kind !== 'shop' || inStore < finding.missing),
    }
  })
}

/** Looks for what could stand in for one thing of a setup after another: what they have in common is judged once. */
export interface StandInSearch {
  /** Free things that could stand in for a unit of the setup without adding a stop, best first, so many at most. */
  find(unitId: string, most?: number): FreeItem[]
  /** The same a trial at a time, as each of them is a whole verdict: yields after each. */
  seek(unitId: string, most?: number): Generator<void, FreeItem[]>
}

export function makeStandInSearch(input: AssessmentInput, store: Store): StandInSearch {
  const scene = makeScene(input)
  const before = assessScene(scene)
  const tryOut = makeTrial(input, before, store)
  function* seek(unitId: string, most = Number.POSITIVE_INFINITY): Generator<void, FreeItem[]> {
    const item = findPlaced(scene, unitId)
    const role = input.setup.roles.find((it) => it.things.some((thing) => thing.unitId === unitId))
    if (!role || !item) return []
    const found: FreeItem[] = []
    for (const it of listReplacements(role, item, store)) {
      // Each is tried in the whole setup: none more than are asked for.
      if (found.length >= most) break
      if (isNoWorse(tryOut(makeReplacement(role, unitId, it, item.model)), before)) found.push(it)
      yield
    }
    return found
  }
  return { seek, find: (unitId, most) => finish(seek(unitId, most)) }
}

/** Goes all the steps at once. */
export function finish<T>(steps: Generator<unknown, T>): T {
  for (;;) {
    const step = steps.next()
    if (step.done) return step.value
  }
}

/** It adds no stop, and no question that could become one. */
const isNoWorse = (after: Readiness, before: Readiness) =>
  after.counts.stop <= before.counts.stop && after.counts['unknown-stop'] <= before.counts['unknown-stop']

type Trial = (remedy: Remedy) => Readiness

function makeTrial(input: AssessmentInput, before: Readiness, store: Store): Trial {
  const models = new Map(input.holdings.models)
  const units = new Map(input.holdings.units)
  const stock = new Map(input.holdings.stock)
  for (const { unit, model } of store.units) {
    units.set(unit.id, unit)
    models.set(model.id, model)
  }
  for (const it of store.stock) {
    stock.set(it.stock.id, it.stock)
    models.set(it.model.id, it.model)
  }
  const freeStock = new Map([...store.stock.map((it) => [it.stock.id, it.free] as const), ...input.freeStock])
  // One after the other differ by a thing or two: what they have in common is joined once.
  const judge = makeJudge()
  judge.assess(input)
  return (remedy) => {
    const setup: NewSetup = applyRemedy(input.setup, remedy)
    if (setup === input.setup) return before
    const circuit = store.circuits.find((it) => it.id === setup.circuitId) ?? input.circuit
    return judge.assess({ ...input, setup, circuit, freeStock, holdings: { models, units, stock } })
  }
}

function listTried(
  finding: Finding,
  context: { scene: Scene; store: Store },
  before: Readiness,
  tryOut: Trial,
): Remedy[] {
  const ideas = recordOf(finding).ideas?.(finding, context) ?? []
  return ideas
    .flatMap((remedy, order) => {
      const worth = remedy.kind === 'shop' ? 2 : weigh(finding, before, tryOut(remedy))
      return worth === null ? [] : [{ remedy, worth, order }]
    })
    .sort((a, b) => a.worth - b.worth || a.order - b.order)
    .slice(0, MOST_OFFERED)
    .map((offer) => offer.remedy)
}

/** 0 where the finding goes away, 1 where it gets smaller, null where a remedy does not help or adds a stop. */
function weigh(finding: Finding, before: Readiness, after: Readiness): 0 | 1 | null {
  const same = after.findings.find((it) => it.key === finding.key)
  // A body put into an empty role wants a lens next: that is the way forward, not a new fault.
  // One of which nobody knows enough comes after those of which one does.
  const asks = after.counts['unknown-stop'] > before.counts['unknown-stop']
  if (finding.code === 'role-empty') return same ? null : asks ? 1 : 0
  if (after.counts.stop > before.counts.stop || asks) return null
  if (same) return recordOf<Finding>(finding).isSmaller?.(same, finding) ? 1 : null
  // The same fault on the thing that stands in would carry another key, so the count of its level has to fall too.
  return after.counts[finding.level] < before.counts[finding.level] ? 0 : null
}

/** What would fit and is out, booked or in repair: worth knowing only where too little is free. */
function listAway(finding: FindingOf<'need-unmet'>, inStore: number, store: Store): FindingHelp['away'] {
  if (inStore >= finding.missing) return []
  const fitting = (store.away ?? []).filter((it) => fitsNeed(finding, it.model))
  return fitting.slice(0, MOST_OFFERED).map(({ unit, absence }) => ({ tag: unit.tag, absence }))
}

/** What the store says to a finding, in a sentence or two; empty where it has nothing to say. */
export function sayStore({ inStore, remedies, away }: FindingHelp, words: TimeWords): string {
  if (inStore === null) return ''
  const canTake = remedies.some((it) => it.kind === 'assign' || it.kind === 'assign-stock')
  const free =
    inStore === 0
      ? 'The store has none free.'
      : canTake
        ? `The store has ${sayCount(inStore)} free.`
        : `The store has ${sayCount(inStore)} free, which would want something themselves that is missing here.`
  const out = away.map(({ tag, absence }) => ` ${tag} would fit and is ${sayAbsence(absence, words)}.`)
  return free + out.join('')
}
