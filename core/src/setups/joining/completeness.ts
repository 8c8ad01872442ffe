import { z } from 'zod'
import type { Interface } from '../../kit/model/interface.ts'
import type { FindingLevel } from '../../studio/finding.ts'
import type { PlacedItem } from '../placed/placed-item.ts'
import type { CableRun } from '../setup/cable-run.ts'
import { splitEnds, splitIntoComponents } from './components.ts'
import { hasCycle, listPairs, matchWithoutCycles, pickTied, type RinglessMatching, type TiedPairs } from './cycles.ts'
import { settleLoads, sumOverload } from './load-settling.ts'
import { findGuestHallSet, findHallSet, type HallSet } from './matching.ts'
import {
  buildNodeGraph,
  buildPortGraph,
  findUnknownAtJoint,
  type JoiningRule,
  listNodes,
  makePairFinder,
  type PairFinder,
  type PortGraph,
} from './port-graph.ts'
import type { PortNode } from './port-node.ts'
import { makeRunRule } from './run-rule.ts'
/** One end of a thing and what it joined. */
export const jointSchema = z.object({
  host: z.object({
    key: z.string(),
    tag: z.string(),
    portId: z.string(),
  }),
  guest: z.object({
    key: z.string(),
    tag: z.string(),
    portId: z.string(),
  }),
  interfaceCode: z.string(),
  /** Somebody said so; otherwise it is what is most likely meant. */
  isStated: z.boolean(),
})
export type Joint = z.infer<typeof jointSchema>

/** An end that nothing is left for. `rivals` and `supply` are the Hall set that proves it. */
export interface UnmetNeed {
  thing: PlacedItem
  portId: string
  /** Any of these would do. */
  interfaces: string[]
  side: 'host' | 'guest'
  wanted: number
  missing: number
  level: FindingLevel
  /** Other things that want the same. */
  rivals: string[]
  /** What there is for all of them together. */
  supply: string[]
  /** No other way of joining would meet it; otherwise none was found, and there may be one. */
  isProven: boolean
}

export interface UnknownJoint {
  thing: PlacedItem
  other: PlacedItem
  fact: 'card-speed' | 'mass' | 'load-limit'
}

export interface Completeness {
  joints: Joint[]
  unmet: UnmetNeed[]
  unknown: UnknownJoint[]
}

const LEVEL_OF_RANK: readonly FindingLevel[] = ['stop', 'warn', 'advise']

/** What was found of some ends of a set, which nothing else could join. */
export interface JudgedEnds extends Completeness, TiedPairs {
  ends: readonly PortNode[]
}

/** What was found of ends, to be used again where they, their things and what is stated of them are as they were. */
export interface CompletenessMemory {
  recall(ends: readonly PortNode[], rule: JoiningRule | undefined): JudgedEnds | undefined
  keep(found: JudgedEnds, rule: JoiningRule | undefined): void
  /** What two ends are to each other, known again where it was looked at before. */
  pairsOf(interfaces: ReadonlyMap<string, Interface>): PairFinder
  /** What is stated, known again where the same is. */
  ruleOf(links: readonly CableRun[]): JoiningRule
}

/** What a set is joined by. */
interface Way {
  interfaces: ReadonlyMap<string, Interface>
  rule: JoiningRule | undefined
  findPair: PairFinder
}

/**
 * Judges whether every end that must be met is met by an offer that nothing else uses. Exact for a set in fixed ways of
 * powering: what is reported as unmet cannot be met by any other way of joining the same things, and nothing is carried by
 * what it carries itself. Of all such ways it is the one of least cost. Links that somebody made are kept as they are, and what
 * they name and is not among the things leaves its end open.
 *
 * Ends of different interfaces are matched by themselves, each without rings and loops of its own. Only where they make one
 * between them, or an overload, do they have to give way to each other: then each part of the set that can join nothing of
 * another is looked at, and matched as a whole where it has to be.
 */
export function checkCompleteness(
  things: readonly PlacedItem[],
  interfaces: ReadonlyMap<string, Interface>,
  links: readonly CableRun[] = [],
  memory: CompletenessMemory = NO_MEMORY,
): Completeness {
  const rule = links.length > 0 ? memory.ruleOf(links) : undefined
  const way: Way = { interfaces, rule, findPair: memory.pairsOf(interfaces) }
  const bits = splitEnds(things.flatMap(listNodes)).map((ends) => judgeEnds(ends, way, memory))
  if (!isTangled(bits)) return merge(bits)
  return merge(
    splitIntoComponents(things).map((part) => {
      const own = new Set(part)
      return judgePart(
        part,
        bits.filter(({ ends }) => ends[0] && own.has(ends[0].thing)),
        way,
      )
    }),
  )
}

const NO_MEMORY: CompletenessMemory = {
  recall: () => undefined,
  keep: () => undefined,
  pairsOf: makePairFinder,
  ruleOf: makeRunRule,
}

function judgeEnds(ends: readonly PortNode[], way: Way, memory: CompletenessMemory): JudgedEnds {
  const known = memory.recall(ends, way.rule)
  if (known) return known
  const built = buildNodeGraph(ends, way.interfaces, way.rule, way.findPair)
  const found = { ends, ...describeMatching(built, matchWithoutCycles(built, way.interfaces), way) }
  memory.keep(found, way.rule)
  return found
}

/** Whether some of them make a ring, a loop or an overload between them. */
function isTangled(bits: readonly JudgedEnds[]): boolean {
  const carrying = bits.flatMap((it) => it.carrying)
  return hasCycle({ once: bits.flatMap((it) => it.once), carrying }) || sumOverload(carrying) > 0
}

function judgePart(part: readonly PlacedItem[], bits: readonly JudgedEnds[], way: Way): Completeness {
  if (!isTangled(bits)) return merge(bits)
  const built = buildPortGraph(part, way.interfaces, way.rule, way.findPair)
  const found = matchWithoutCycles(built, way.interfaces)
  return describeMatching(built, { ...found, matching: settleLoads(built, found.matching, way.interfaces) }, way)
}

function merge(parts: readonly Completeness[]): Completeness {
  return {
    joints: parts.flatMap((it) => it.joints),
    unmet: parts.flatMap((it) => it.unmet),
    unknown: parts.flatMap((it) => it.unknown),
  }
}

function describeMatching(
  built: PortGraph,
  found: RinglessMatching,
  { interfaces, rule }: Way,
): Completeness & TiedPairs {
  const { graph, matching, isProven } = found
  const pairs = listPairs(built, matching)
  const unmet = new Map<string, UnmetNeed>()
  for (const [at, node] of built.hosts.entries()) {
    if (node.priority === null || matching.guestOfHost[at] !== -1) continue
    addUnmet(unmet, node, findHallSet(graph, matching, at), built.hosts, built.guests, isProven)
  }
  for (const [at, node] of built.guests.entries()) {
    if (node.priority === null || matching.hostOfGuest[at] !== -1) continue
    addUnmet(unmet, node, findGuestHallSet(graph, matching, at), built.guests, built.hosts, isProven)
  }
  return {
    ...pickTied(pairs, interfaces),
    joints: pairs.map(([host, guest]) => ({
      ...describeJoint(host, guest),
      isStated: rule?.isStated(host, guest) ?? false,
    })),
    unmet: [...unmet.values()],
    unknown: pairs.flatMap(([host, guest]): UnknownJoint[] => {
      const fact = findUnknownAtJoint(host, guest)
      return fact ? [{ thing: guest.thing, other: host.thing, fact }] : []
    }),
  }
}

function describeJoint(host: PortNode, guest: PortNode): Omit<Joint, 'isStated'> {
  for (const h of host.ports) {
    for (const g of guest.ports) {
      const code = h.interfaces.find((it) => g.interfaces.includes(it))
      if (!code) continue
      return {
        host: { key: host.thing.key, tag: host.thing.tag, portId: h.id },
        guest: { key: guest.thing.key, tag: guest.thing.tag, portId: g.id },
        interfaceCode: code,
      }
    }
  }
  throw new Error(`${host.thing.tag} and ${guest.thing.tag} were joined without an interface in common.`)
}

function addUnmet(
  unmet: Map<string, UnmetNeed>,
  node: PortNode,
  hall: HallSet,
  own: PortNode[],
  others: PortNode[],
  isProven: boolean,
): void {
  const port = node.ports[0]
  if (!port || node.priority === null) return
  const key = `${node.thing.key}/${port.id}`
  const known = unmet.get(key)
  if (known) {
    known.missing++
    return
  }
  unmet.set(key, {
    thing: node.thing,
    portId: port.id,
    interfaces: [...new Set(node.ports.flatMap((it) => it.interfaces))],
    side: port.side,
    wanted: port.count,
    missing: 1,
    level: LEVEL_OF_RANK[node.priority] ?? 'advise',
    rivals: listTags(hall.wanting, own).filter((tag) => tag !== node.thing.tag),
    supply: listTags(hall.wanted, others),
    isProven,
  })
}

function listTags(indices: number[], nodes: PortNode[]): string[] {
  return [...new Set(indices.flatMap((index) => nodes[index]?.thing.tag ?? []))]
}
