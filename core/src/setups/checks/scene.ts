import { type Completeness, type CompletenessMemory, checkCompleteness } from '../joining/completeness.ts'
import type { AssessmentInput } from '../placed/assessment-input.ts'
import type { PlacedItem } from '../placed/placed-item.ts'
import { listSceneItems } from '../placed/venue.ts'

/** A setup as it stands at one time: every piece in its place, and what joins what. All that a check sees. */
export interface Scene extends Omit<AssessmentInput, 'holdings'>, Completeness {
  items: readonly PlacedItem[]
  itemOf: ReadonlyMap<string, PlacedItem>
}

/** Puts everything in its place and joins it. */
export function makeScene(input: AssessmentInput): Scene {
  return joinScene(input, listSceneItems(input.setup, input.holdings, input))
}

/** The same of pieces that were placed already; `memory` knows ends that are as they were. */
export function joinScene(
  { holdings: _, ...input }: AssessmentInput,
  items: readonly PlacedItem[],
  memory?: CompletenessMemory,
): Scene {
  const completeness = checkCompleteness(items, input.interfaces, input.setup.links, memory)
  return { ...input, ...completeness, items, itemOf: new Map(items.map((it) => [it.key, it])) }
}

type Fact<T> = (scene: Scene) => T

const known = new WeakMap<Scene, Map<Fact<unknown>, unknown>>()

/** A fact of a scene, worked out once however many checks ask for it. */
export function factOf<T>(scene: Scene, compute: Fact<T>): T {
  let facts = known.get(scene)
  if (!facts) {
    facts = new Map()
    known.set(scene, facts)
  }
  if (!facts.has(compute)) facts.set(compute, compute(scene))
  return facts.get(compute) as T
}
