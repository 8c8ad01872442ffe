import { type Completeness, type CompletenessMemory, judgeCompleteness } from './completeness.ts'
import type { Link } from './link.ts'
import { assessThings, type Readiness, type ReadinessInput } from './readiness.ts'
import { listThings, type SetThing } from './thing.ts'

/** Judges one setup over and over while it is changed. */
export interface Judge {
  assess(input: ReadinessInput): Readiness
}

/** So many parts are kept; the oldest go first. */
const MOST_KEPT = 400

/**
 * Judges as `assessSetup` does, and joins anew only the parts that a change touches: a part of the set is known again when
 * all of its things are as they were. Sums run over all things each time, as they take next to nothing.
 */
export function makeJudge(): Judge {
  const known = new Map<string, SetThing>()
  const parts = new Map<string, { things: readonly SetThing[]; found: Completeness }>()
  let interfaces: ReadinessInput['interfaces'] | null = null
  let links: readonly Link[] = []
  const memory: CompletenessMemory = {
    recall(part) {
      const kept = parts.get(nameOf(part))
      return kept && isSameList(kept.things, part) ? kept.found : undefined
    },
    keep(part, found) {
      parts.delete(nameOf(part))
      parts.set(nameOf(part), { things: part, found })
      for (const oldest of parts.keys()) {
        if (parts.size <= MOST_KEPT) break
        parts.delete(oldest)
      }
    },
  }
  return {
    assess(input) {
      if (input.interfaces !== interfaces || !isSameLinks(input.setup.links, links)) parts.clear()
      interfaces = input.interfaces
      links = input.setup.links
      const things = listThings(input.setup, input.holdings, input.circuit).map((thing) => keepReference(known, thing))
      return assessThings(input, things, judgeCompleteness(things, input.interfaces, input.setup.links, memory))
    },
  }
}

const nameOf = (part: readonly SetThing[]) => part.map(({ key }) => key).join('\n')

function isSameList<T>(a: readonly T[], b: readonly T[]): boolean {
  return a.length === b.length && a.every((it, at) => it === b[at])
}

function isSameLinks(a: readonly Link[], b: readonly Link[]): boolean {
  return a === b || JSON.stringify(a) === JSON.stringify(b)
}

/** The thing as it was before, where nothing about it changed, so that `===` is enough from there on. */
function keepReference(known: Map<string, SetThing>, thing: SetThing): SetThing {
  const before = known.get(thing.key)
  if (before && isSameThing(before, thing)) return before
  known.set(thing.key, thing)
  return thing
}

function isSameThing(a: SetThing, b: SetThing): boolean {
  return (Object.keys(b) as (keyof SetThing)[]).every((field) => {
    const [before, after] = [a[field], b[field]]
    if (before === after) return true
    return Array.isArray(before) && Array.isArray(after) && isSameList<unknown>(before, after)
  })
}
