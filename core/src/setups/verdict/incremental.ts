import { joinScene } from '../checks/scene.ts'
import type { CompletenessMemory, JudgedEnds } from '../joining/completeness.ts'
import type { PortNode } from '../joining/port-node.ts'
import type { AssessmentInput } from '../placed/assessment-input.ts'
import type { PlacedItem } from '../placed/placed-item.ts'
import { listSceneItems } from '../placed/venue.ts'
import { type CableRun, listWholeRuns } from '../setup/cable-run.ts'
import { assessScene, type Readiness } from './readiness.ts'

/** Judges one setup over and over while it is changed. */
export interface Judge {
  assess(input: AssessmentInput): Readiness
}

/** So many groups of ends are kept; the oldest go first. */
const MOST_KEPT = 400

/**
 * Judges as `assessSetup` does, and joins anew only the ends that a change touches: ends of one interface are known again
 * when all of their things are as they were. Sums run over all things each time, as they take next to nothing.
 */
export function makeJudge(): Judge {
  const known = new Map<string, PlacedItem>()
  const kept = new Map<string, { ends: readonly PortNode[]; found: JudgedEnds }>()
  let interfaces: AssessmentInput['interfaces'] | null = null
  let links: readonly CableRun[] = []
  const memory: CompletenessMemory = {
    recall(ends) {
      const before = kept.get(nameOf(ends))
      return before && isSameEnds(before.ends, ends) ? before.found : undefined
    },
    keep(ends, found) {
      kept.delete(nameOf(ends))
      kept.set(nameOf(ends), { ends, found })
      for (const oldest of kept.keys()) {
        if (kept.size <= MOST_KEPT) break
        kept.delete(oldest)
      }
    },
  }
  return {
    assess(input) {
      const things = listSceneItems(input.setup, input.holdings, input).map((thing) => keepReference(known, thing))
      const whole = listWholeRuns(input.setup.links, things)
      if (input.interfaces !== interfaces || !isSameLinks(whole, links)) kept.clear()
      interfaces = input.interfaces
      links = whole
      return assessScene(joinScene(input, things, memory))
    },
  }
}

/** By what a group of ends is looked up; whether it is the same is seen from the things themselves. */
const nameOf = (ends: readonly PortNode[]) => `${ends.length} ${ends[0]?.ports[0]?.interfaces.join()}`

/** A thing that is as it was has its ends as they were, in their order. */
function isSameEnds(a: readonly PortNode[], b: readonly PortNode[]): boolean {
  return (
    a.length === b.length &&
    a.every(
      (it, at) =>
        it.thing === b[at]?.thing && it.ports[0] === b[at]?.ports[0] && it.ports.length === b[at]?.ports.length,
    )
  )
}

function isSameList<T>(a: readonly T[], b: readonly T[]): boolean {
  return a.length === b.length && a.every((it, at) => it === b[at])
}

function isSameLinks(a: readonly CableRun[], b: readonly CableRun[]): boolean {
  return a === b || JSON.stringify(a) === JSON.stringify(b)
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
