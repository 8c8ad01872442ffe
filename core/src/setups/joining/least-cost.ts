import type { BipartiteGraph, Matching } from './matching.ts'

/** How unlikely it is that a host and a guest are meant for each other, a whole number; null where they cannot join. */
export type CostOf = (host: number, guest: number) => number | null

/**
 * What it is worth to cover an end of each rank, and to keep a joint that somebody stated. One exchange gains at most one end a
 * side for one that it loses, so that each has to outweigh the next and all costs along the way, and no more.
 */
const WORTH_OF_RANK = [1e10, 1e9, 1e8]
export const WORTH_OF_STATED = 1e12

/**
 * The matching of least cost among those that cover the most important ends: the given one, improved along negative cycles
 * until none is left (Klein, A primal method for minimal cost flows, Management Science 14, 1967). `Z` stands for being joined to
 * nothing. Whole numbers throughout, so that it ends and equal costs are equal.
 */
export function joinAtLeastCost(graph: BipartiteGraph, matching: Matching, costOf: CostOf): Matching {
  const draft = { guestOfHost: [...matching.guestOfHost], hostOfGuest: [...matching.hostOfGuest] }
  for (;;) {
    const cycle = findNegativeCycle(graph, draft, costOf)
    if (!cycle) return draft
    turnMutably(draft, cycle, graph.hosts.length)
  }
}

const Z = 0

/** Vertices of a cycle in the order of its arcs: `Z`, hosts from 1, guests after them. */
function findNegativeCycle(
  { hosts, guests, edges }: BipartiteGraph,
  { guestOfHost, hostOfGuest }: Matching,
  costOf: CostOf,
): number[] | null {
  const first = 1 + hosts.length
  const distance = new Float64Array(first + guests.length)
  const parent = new Int32Array(first + guests.length).fill(-1)
  let isChanged = true
  const relax = (from: number, to: number, cost: number) => {
    const next = (distance[from] ?? 0) + cost
    if (next >= (distance[to] ?? 0)) return
    distance[to] = next
    parent[to] = from
    isChanged = true
  }
  while (isChanged) {
    isChanged = false
    for (const [at, rank] of hosts.entries()) {
      const own = guestOfHost[at] ?? -1
      const worth = worthOf(rank)
      if (own < 0) relax(Z, 1 + at, -worth)
      else relax(1 + at, Z, worth)
      for (const guest of edges[at] ?? []) {
        const cost = costOf(at, guest)
        if (cost === null) continue
        if (guest === own) relax(first + guest, 1 + at, -cost)
        else relax(1 + at, first + guest, cost)
      }
    }
    for (const [at, rank] of guests.entries()) {
      if ((hostOfGuest[at] ?? -1) < 0) relax(first + at, Z, -worthOf(rank))
      else relax(Z, first + at, worthOf(rank))
    }
    const cycle = isChanged ? findParentCycle(parent) : null
    if (cycle) return cycle
  }
  return null
}

const worthOf = (rank: number | null) => (rank === null ? 0 : (WORTH_OF_RANK[rank] ?? 0))

/** A ring among parents is a negative cycle. */
function findParentCycle(parent: Int32Array): number[] | null {
  const seenFrom = new Int32Array(parent.length).fill(-1)
  for (let start = 0; start < parent.length; start++) {
    let at = start
    while (at >= 0 && seenFrom[at] === -1) {
      seenFrom[at] = start
      at = parent[at] ?? -1
    }
    if (at < 0 || seenFrom[at] !== start) continue
    const cycle = [at]
    for (let next = parent[at] ?? -1; next !== at && next >= 0; next = parent[next] ?? -1) cycle.push(next)
    return cycle.reverse()
  }
  return null
}

/** Along a cycle each step from a host to a guest is a joint that is made, and each back one that is given up. */
function turnMutably({ guestOfHost, hostOfGuest }: Matching, cycle: readonly number[], hostCount: number): void {
  const steps = cycle.map((from, at) => [from, cycle[(at + 1) % cycle.length] ?? from] as const)
  const isHost = (vertex: number) => vertex > Z && vertex <= hostCount
  const isGuest = (vertex: number) => vertex > hostCount
  for (const [from, to] of steps) {
    if (!isGuest(from) || !isHost(to)) continue
    guestOfHost[to - 1] = -1
    hostOfGuest[from - 1 - hostCount] = -1
  }
  for (const [from, to] of steps) {
    if (!isHost(from) || !isGuest(to)) continue
    guestOfHost[from - 1] = to - 1 - hostCount
    hostOfGuest[to - 1 - hostCount] = from - 1
  }
}
