import type { Interface } from '../kit/interface.ts'
import { type BipartiteGraph, findMatching, type Matching } from './matching.ts'
import type { PortGraph, PortNode } from './port-graph.ts'

const FLOWS: ReadonlySet<Interface['kind']> = new Set(['signal', 'mains'])

/** Whether one end carries the other, so that a ring of such joints would hang in the air. Signal and mains may go round. */
export function carries(host: PortNode, guest: PortNode, interfaces: ReadonlyMap<string, Interface>): boolean {
  return host.ports.some((h) =>
    guest.ports.some((g) =>
      h.interfaces.some((code) => g.interfaces.includes(code) && !FLOWS.has(interfaces.get(code)?.kind ?? 'carry')),
    ),
  )
}

/** How many matchings are looked at to break rings; each takes one joint of a ring away. */
const MOST_TRIED = 60

export interface RinglessMatching {
  matching: Matching
  /** The graph without the joints that were taken away, in which the matching is best. */
  graph: BipartiteGraph
}

/**
 * The best matching in which nothing is carried by what it carries itself: what stands, stands on the floor in the end.
 * Where the plain matching has a ring, each of its joints is taken away in turn and the best of what remains is kept.
 */
export function matchWithoutRings(built: PortGraph, interfaces: ReadonlyMap<string, Interface>): RinglessMatching {
  const graphs: BipartiteGraph[] = [built.graph]
  let best: (RinglessMatching & { open: number[] }) | null = null
  for (let tried = 0; graphs.length > 0 && tried < MOST_TRIED; tried++) {
    const graph = graphs.shift()
    if (!graph) break
    const matching = findMatching(graph)
    const open = countOpen(graph, matching)
    // A matching with rings is a bound: what comes of it leaves no fewer ends open.
    if (best && !isFewer(open, best.open)) continue
    const ring = findRing(built, matching, interfaces)
    if (!ring) best = { matching, graph, open }
    else for (const joint of ring) graphs.push(withoutEdge(graph, joint.host, joint.guest))
  }
  return best ?? breakEveryRing(built, interfaces)
}

/** Takes joints away until no ring is left: no longer surely the best, but never in the air. */
function breakEveryRing(built: PortGraph, interfaces: ReadonlyMap<string, Interface>): RinglessMatching {
  let graph = built.graph
  for (;;) {
    const matching = findMatching(graph)
    const [first] = findRing(built, matching, interfaces) ?? []
    if (!first) return { matching, graph }
    graph = withoutEdge(graph, first.host, first.guest)
  }
}

function withoutEdge(graph: BipartiteGraph, host: number, guest: number): BipartiteGraph {
  return {
    ...graph,
    edges: graph.edges.map((guests, at) => (at === host ? guests.filter((it) => it !== guest) : guests)),
    ...(graph.backEdges
      ? { backEdges: graph.backEdges.map((hosts, at) => (at === guest ? hosts.filter((it) => it !== host) : hosts)) }
      : {}),
  }
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

interface RingJoint {
  host: number
  guest: number
}

/** A ring of joints in which each thing is carried by the next, or null. */
function findRing(
  { hosts, guests }: PortGraph,
  { guestOfHost }: Matching,
  interfaces: ReadonlyMap<string, Interface>,
): RingJoint[] | null {
  const carriedBy = new Map<string, { joint: RingJoint; key: string }[]>()
  for (const [host, guest] of guestOfHost.entries()) {
    const above = guests[guest]
    const below = hosts[host]
    if (!above || !below || !carries(below, above, interfaces)) continue
    const known = carriedBy.get(above.thing.key)
    const step = { joint: { host, guest }, key: below.thing.key }
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
  carriedBy: ReadonlyMap<string, { joint: RingJoint; key: string }[]>,
  done: Set<string>,
  path: RingJoint[],
  depthOf: Map<string, number>,
): RingJoint[] | null {
  if (done.has(key)) return null
  depthOf.set(key, path.length)
  for (const { joint, key: below } of carriedBy.get(key) ?? []) {
    const depth = depthOf.get(below)
    if (depth !== undefined) return [...path.slice(depth), joint]
    const ring = walk(below, carriedBy, done, [...path, joint], depthOf)
    if (ring) return ring
  }
  depthOf.delete(key)
  done.add(key)
  return null
}
