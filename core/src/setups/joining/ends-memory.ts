import type { Interface } from '../../kit/model/interface.ts'
import type { CableRun } from '../setup/cable-run.ts'
import type { CompletenessMemory, JudgedEnds } from './completeness.ts'
import type { Crowd } from './joint-costs.ts'
import { type EndPair, type JoiningRule, makePairFinder, type PairFinder } from './port-graph.ts'
import type { PortNode } from './port-node.ts'
import { makeRunRule } from './run-rule.ts'

/** So many groups of ends are kept; the oldest go first. */
const MOST_KEPT = 400

/**
 * Keeps what was found of groups of ends, to be used again where all of their things and all that is stated of them are as they
 * were. Other interfaces make it forget everything.
 */
export function makeEndsMemory(): CompletenessMemory {
  const kept = new Map<string, { said: string; found: JudgedEnds }>()
  let pairs: { of: ReadonlyMap<string, Interface>; find: PairFinder } | null = null
  let stated: { links: readonly CableRun[]; rule: JoiningRule } | null = null
  return {
    recall(ends, rule) {
      const before = kept.get(nameOf(ends))
      return before && isSameList(before.found.ends, ends) && before.said === describe(ends, rule)
        ? before.found
        : undefined
    },
    keep(found, rule) {
      const name = nameOf(found.ends)
      kept.delete(name)
      kept.set(name, { said: describe(found.ends, rule), found })
      for (const oldest of kept.keys()) {
        if (kept.size <= MOST_KEPT) break
        kept.delete(oldest)
      }
    },
    pairsOf(interfaces) {
      if (pairs?.of !== interfaces) {
        kept.clear()
        pairs = { of: interfaces, find: rememberPairs(makePairFinder(interfaces)) }
      }
      return pairs.find
    },
    ruleOf(links) {
      if (!stated || !isSameList(stated.links, links)) stated = { links, rule: makeRunRule(links) }
      return stated.rule
    },
  }
}

/** By what a group of ends is looked up; whether it is the same is seen from the ends themselves. */
const nameOf = ({ length, 0: first }: readonly PortNode[]) => `${length} ${first?.thing.key} ${first?.ports[0]?.id}`

/** A thing that is as it was has the same ends. */
const isSameList = <T>(a: readonly T[], b: readonly T[]) => a.length === b.length && a.every((it, at) => it === b[at])

const describe = (ends: readonly PortNode[], rule: JoiningRule | undefined) =>
  rule ? ends.map((end) => rule.describe(end)).join('\n') : '\n'.repeat(ends.length - 1)

/** Pairs go with their things: nothing is kept of what is no longer there. */
function rememberPairs(find: PairFinder): PairFinder {
  const byCrowd = new Map<Crowd, WeakMap<PortNode, WeakMap<PortNode, EndPair>>>()
  return (host, guest, crowd) => {
    const byHost = getOrMake(byCrowd, crowd, () => new WeakMap<PortNode, WeakMap<PortNode, EndPair>>())
    const byGuest = getOrMake(byHost, host, () => new WeakMap<PortNode, EndPair>())
    return getOrMake(byGuest, guest, () => find(host, guest, crowd))
  }
}

function getOrMake<K, V>(
  map: { get(key: K): V | undefined; set(key: K, value: V): unknown },
  key: K,
  make: () => V,
): V {
  const known = map.get(key)
  if (known !== undefined) return known
  const made = make()
  map.set(key, made)
  return made
}
