import type { Interface } from '../../kit/model/interface.ts'
import type { PlacedItem } from '../placed/placed-item.ts'
import { joinAtLeastCost } from './least-cost.ts'
import { type BipartiteGraph, findMatching, type Matching } from './matching.ts'
import type { PortGraph } from './port-graph.ts'
import type { PortNode } from './port-node.ts'

/** A cable is between two things: with both ends in one it joins nothing. */
const JOINS_ONCE: ReadonlySet<string> = new Set(['cable', 'cable-adapter', 'lead'])

export const isConduit = ({ category }: PlacedItem) => JOINS_ONCE.has(category)

/** What only passes on: a cable, and a booster, which would feed itself with both ends in one thing. */
export const isBetween = (thing: PlacedItem) => isConduit(thing) || thing.category === 'preamp'

/** Whether these two may have one joint only. */
export function joinOnce(a: PlacedItem, b: PlacedItem): boolean {
  return isBetween(a) || isBetween(b)
}

const FLOWS: ReadonlySet<Interface['kind']> = new Set(['signal', 'mains'])

/** Whether one end carries the other, so that a ring of such joints would hang in the air. Signal and mains may go round. */
export function carries(host: PortNode, guest: PortNode, interfaces: ReadonlyMap<string, Interface>): boolean {
  return host.ports.some((h) =>
    guest.ports.some((g) =>
      h.interfaces.some((code) => g.interfaces.includes(code) && !FLOWS.has(interfaces.get(code)?.kind ?? 'carry')),
    ),
  )
}

/** Two ends that are joined, the host first. */
export type JoinedPair = [host: PortNode, guest: PortNode]

export function listPairs({ hosts, guests }: PortGraph, { guestOfHost }: Matching): JoinedPair[] {
  return guestOfHost.flatMap((guest, host): JoinedPair[] => {
    const [a, b] = [hosts[host], guests[guest]]
    return a && b ? [[a, b]] : []
  })
}

/** Those of some pairs that could make a loop or a ring with others. */
export interface TiedPairs {
  /** Of two things that may have one joint only. */
  once: readonly JoinedPair[]
  /** Of which one end carries the other. */
  carrying: readonly JoinedPair[]
}

export function pickTied(pairs: readonly JoinedPair[], interfaces: ReadonlyMap<string, Interface>): TiedPairs {
  return {
    once: pairs.filter(([a, b]) => joinOnce(a.thing, b.thing)),
    carrying: pairs.filter(([below, above]) => carries(below, above, interfaces)),
  }
}

/** Whether something is carried by what it carries itself, or a cable has both ends in one thing. */
export function hasCycle({ once, carrying }: TiedPairs): boolean {
  return findLoop(once) !== null || findCarriedRing(carrying) !== null
}

/** The matching of least cost of a graph, or of what is left of it. */
export function matchBest(graph: BipartiteGraph, { costOf, graph: whole }: PortGraph): Matching {
  if (graph === whole) return joinAtLeastCost(graph, findMatching(graph), costOf)
  const left = graph.edges.map((list) => new Set(list))
  return joinAtLeastCost(graph, findMatching(graph), (host, guest) =>
    left[host]?.has(guest) ? costOf(host, guest) : null,
  )
}

/** How many matchings are looked at to break rings and loops; each takes one joint of one away. */
const MOST_TRIED = 120

export interface RinglessMatching {
  matching: Matching
  /** The graph without the joints that were taken away, in which the matching is best. */
  graph: BipartiteGraph
  /**
   * As few essential ends are open as any way of joining could leave; otherwise it is only the best that was found, and
   * there may be a better one.
   */
  isProven: boolean
}

interface Attempt {
  graph: BipartiteGraph
  matching: Matching
  /** Stated joints that are kept, open ends by importance, then what it costs: a bound for all that is left of its graph. */
  bound: number[]
}

/**
 * The best matching in which nothing is carried by what it carries itself, as what stands, stands on the floor in the end,
 * and no cable has both ends in one thing. Where the plain matching has such a ring or loop, each of its joints is taken away in
 * turn, and what is best of all that remains is looked at first: the first without a ring is the best there is.
 */
export function matchWithoutCycles(
  built: PortGraph,
  interfaces: ReadonlyMap<string, Interface>,
  mostTried = MOST_TRIED,
): RinglessMatching {
  const attempt = (graph: BipartiteGraph): Attempt => {
    const matching = matchBest(graph, built)
    return {
      graph,
      matching,
      bound: [-countStated(matching, built), ...countOpen(graph, matching), sumCost(matching, built)],
    }
  }
  const left = [attempt(built.graph)]
  for (let tried = 0; tried < mostTried; tried++) {
    const best = left.reduce((a, b) => (isFewer(b.bound, a.bound) ? b : a))
    const pairs = listPairs(built, best.matching)
    const ring = findLoop(pairs) ?? findRing(pairs, interfaces)
    if (!ring) return { matching: best.matching, graph: best.graph, isProven: true }
    left.splice(left.indexOf(best), 1)
    left.push(...ring.map((isOf) => attempt(withoutJoints(best.graph, built, isOf))))
  }
  const found = breakEveryRing(built, interfaces)
  const fewest = Math.max(Math.min(...left.map((it) => it.bound[1] ?? 0)), countGroundless(built, interfaces))
  return { ...found, isProven: (countOpen(found.graph, found.matching)[0] ?? 0) <= fewest }
}

/**
 * How many ends are open however all is joined, because what they belong to could only be carried by each other: each group of
 * such things has at least one that stands on nothing.
 */
function countGroundless({ hosts, guests, graph }: PortGraph, interfaces: ReadonlyMap<string, Interface>): number {
  const carriersOf = new Map<PlacedItem, Set<PlacedItem>>()
  for (const guest of guests) if (guest.priority === 0) carriersOf.set(guest.thing, new Set())
  for (const [at, edges] of graph.edges.entries()) {
    const host = hosts[at]
    for (const other of edges) {
      const guest = guests[other]
      if (host && guest?.priority === 0 && carries(host, guest, interfaces)) {
        carriersOf.get(guest.thing)?.add(host.thing)
      }
    }
  }
  const inAir = new Map(carriersOf)
  // What has no such end stands by itself, and what that could carry may stand too.
  for (let before = -1; before !== inAir.size; ) {
    before = inAir.size
    for (const [thing, carriers] of inAir) if ([...carriers].some((it) => !inAir.has(it))) inAir.delete(thing)
  }
  return countGroups(inAir)
}

/** How many groups there are of things that hang together, over whatever carries what. */
function countGroups(carriersOf: ReadonlyMap<PlacedItem, ReadonlySet<PlacedItem>>): number {
  const neighbours = new Map([...carriersOf].map(([thing, carriers]) => [thing, new Set(carriers)]))
  for (const [thing, carriers] of carriersOf) for (const it of carriers) neighbours.get(it)?.add(thing)
  const seen = new Set<PlacedItem>()
  let groups = 0
  for (const start of neighbours.keys()) {
    if (seen.has(start)) continue
    groups++
    for (const queue = [start]; queue.length > 0; ) {
      const thing = queue.pop() as PlacedItem
      if (seen.has(thing)) continue
      seen.add(thing)
      queue.push(...(neighbours.get(thing) ?? []))
    }
  }
  return groups
}

/** Takes joints away until no ring is left: no longer surely the best, but never in the air. */
function breakEveryRing(built: PortGraph, interfaces: ReadonlyMap<string, Interface>): RinglessMatching {
  let graph = built.graph
  for (;;) {
    const matching = matchBest(graph, built)
    const pairs = listPairs(built, matching)
    const [first] = findLoop(pairs) ?? findRing(pairs, interfaces) ?? []
    if (!first) return { matching, graph, isProven: false }
    graph = withoutJoints(graph, built, first)
  }
}

/** Whether a joint is one of those of which not all may be: one of them is given up. */
type Forbidden = (host: PortNode, guest: PortNode) => boolean

function withoutJoints(graph: BipartiteGraph, { hosts, guests }: PortGraph, isForbidden: Forbidden): BipartiteGraph {
  const isKept = (host: number, guest: number) => {
    const below = hosts[host]
    const above = guests[guest]
    return !below || !above || !isForbidden(below, above)
  }
  return {
    ...graph,
    edges: graph.edges.map((list, host) => list.filter((guest) => isKept(host, guest))),
    ...(graph.backEdges
      ? { backEdges: graph.backEdges.map((list, guest) => list.filter((host) => isKept(host, guest))) }
      : {}),
  }
}

/** How many of the joints are as somebody stated them: a ring is broken at what is assumed. */
function countStated({ guestOfHost }: Matching, { costOf }: PortGraph): number {
  return guestOfHost.filter((guest, host) => guest >= 0 && (costOf(host, guest) ?? 0) < 0).length
}

/** What all that is joined costs: where as many ends stay open, the likelier way is taken. A stated joint costs nothing. */
function sumCost({ guestOfHost }: Matching, { costOf }: PortGraph): number {
  return guestOfHost.reduce((sum, guest, host) => sum + (guest < 0 ? 0 : Math.max(0, costOf(host, guest) ?? 0)), 0)
}

/** Open ends by priority, the most important first. */
function countOpen(graph: BipartiteGraph, { guestOfHost, hostOfGuest }: Matching): number[] {
  const counts = [0, 0, 0]
  const add = (priorities: (number | null)[], partners: number[]) => {
    for (const [at, priority] of priorities.entries()) {
      if (priority !== null && (partners[at] ?? -1) < 0) counts[priority] = (counts[priority] ?? 0) + 1
    }
  }
  add(graph.hosts, guestOfHost)
  add(graph.guests, hostOfGuest)
  return counts
}

function isFewer(a: readonly number[], b: readonly number[]): boolean {
  const at = a.findIndex((count, index) => count !== b[index])
  return at >= 0 && (a[at] ?? 0) < (b[at] ?? 0)
}

/** A cable with two ends in one thing: one of those ends has to go elsewhere, into whichever socket. Null without one. */
function findLoop(pairs: readonly JoinedPair[]): Forbidden[] | null {
  const seen = new Map<string, JoinedPair>()
  for (const [a, b] of pairs) {
    if (!joinOnce(a.thing, b.thing)) continue
    const [one, other] = [a.thing.key, b.thing.key]
    const key = one < other ? `${one}\n${other}` : `${other}\n${one}`
    const before = seen.get(key)
    if (!before) {
      seen.set(key, [a, b])
      continue
    }
    return [before, [a, b] as const].map(([x, y]) => {
      const end = isBetween(x.thing) ? x : y
      const other = end === x ? y.thing : x.thing
      return (h, g) => (isEnd(h, end) && g.thing === other) || (isEnd(g, end) && h.thing === other)
    })
  }
  return null
}

const isEnd = (a: PortNode, b: PortNode) => a.thing === b.thing && a.ports[0]?.id === b.ports[0]?.id

interface Carried {
  below: PlacedItem
  above: PlacedItem
}

/** A ring in which each thing is carried by the next: one of them has to stand on something else. Null without one. */
function findRing(pairs: readonly JoinedPair[], interfaces: ReadonlyMap<string, Interface>): Forbidden[] | null {
  const ring = findCarriedRing(pairs.filter(([below, above]) => carries(below, above, interfaces)))
  return (
    ring?.map(
      ({ below, above }): Forbidden =>
        (host, guest) =>
          host.thing === below && guest.thing === above && carries(host, guest, interfaces),
    ) ?? null
  )
}

function findCarriedRing(carrying: readonly JoinedPair[]): Carried[] | null {
  const carriedBy = new Map<string, Carried[]>()
  for (const [below, above] of carrying) {
    const step = { below: below.thing, above: above.thing }
    const known = carriedBy.get(above.thing.key)
    if (known) known.push(step)
    else carriedBy.set(above.thing.key, [step])
  }
  const done = new Set<string>()
  for (const start of carriedBy.keys()) {
    const ring = walk(start, carriedBy, done, [], new Map())
    if (ring) return ring
  }
  return null
}

function walk(
  key: string,
  carriedBy: ReadonlyMap<string, Carried[]>,
  done: Set<string>,
  path: Carried[],
  depthOf: Map<string, number>,
): Carried[] | null {
  if (done.has(key)) return null
  depthOf.set(key, path.length)
  for (const step of carriedBy.get(key) ?? []) {
    const depth = depthOf.get(step.below.key)
    if (depth !== undefined) return [...path.slice(depth), step]
    const ring = walk(step.below.key, carriedBy, done, [...path, step], depthOf)
    if (ring) return ring
  }
  depthOf.delete(key)
  done.add(key)
  return null
}
