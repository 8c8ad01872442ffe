import type { CompletenessMemory, JudgedEnds } from './completeness.ts'
import type { PortNode } from './port-node.ts'

/** So many groups of ends are kept; the oldest go first. */
const MOST_KEPT = 400

export interface EndsMemory extends CompletenessMemory {
  forget(): void
}

/**
 * Keeps what was found of groups of ends, to be used again where all of their things are as they were. Whoever changes the
 * interfaces or what is stated has to make it forget.
 */
export function makeEndsMemory(): EndsMemory {
  const kept = new Map<string, { ends: readonly PortNode[]; found: JudgedEnds }>()
  return {
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
    forget: () => kept.clear(),
  }
}

/** By what a group of ends is looked up; whether it is the same is seen from the ends themselves. */
const nameOf = (ends: readonly PortNode[]) => `${ends.length} ${ends[0]?.ports[0]?.interfaces.join()}`

/** A thing that is as it was has the same ends. */
const isSameEnds = (a: readonly PortNode[], b: readonly PortNode[]) =>
  a.length === b.length && a.every((it, at) => it === b[at])
