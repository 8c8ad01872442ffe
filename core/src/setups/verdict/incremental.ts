import { joinScene } from '../checks/scene.ts'
import { makeEndsMemory } from '../joining/ends-memory.ts'
import type { AssessmentInput } from '../placed/assessment-input.ts'
import type { PlacedItem } from '../placed/placed-item.ts'
import { listSceneItems } from '../placed/venue.ts'
import { assessScene, type Readiness } from './readiness.ts'

/** Judges one setup over and over while it is changed. */
export interface Judge {
  assess(input: AssessmentInput): Readiness
}

/**
 * Judges as `assessSetup` does, and joins anew only the ends that a change touches: ends of one interface are known again
 * when all of their things, and all that is stated of them, are as they were. Sums run over all things each time, as they take next to nothing.
 */
export function makeJudge(): Judge {
  const known = new Map<string, PlacedItem>()
  const memory = makeEndsMemory()
  return {
    assess(input) {
      const things = listSceneItems(input.setup, input.holdings, input).map((thing) => keepReference(known, thing))
      return assessScene(joinScene(input, things, memory))
    },
  }
}

function isSameList<T>(a: readonly T[], b: readonly T[]): boolean {
  return a.length === b.length && a.every((it, at) => it === b[at])
}

/** The thing as it was before, where nothing about it changed, so that `===` is enough from there on. */
function keepReference(known: Map<string, PlacedItem>, thing: PlacedItem): PlacedItem {
  const before = known.get(thing.key)
  if (before && isSameThing(before, thing)) return before
  known.set(thing.key, thing)
  return thing
}

function isSameThing(a: PlacedItem, b: PlacedItem): boolean {
  return (Object.keys(b) as (keyof PlacedItem)[]).every((field) => {
    const [before, after] = [a[field], b[field]]
    if (before === after) return true
    return Array.isArray(before) && Array.isArray(after) && isSameList<unknown>(before, after)
  })
}
