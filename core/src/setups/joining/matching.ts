/**
 * Matching in a bipartite graph where some vertices on either side must be covered.
 *
 * Vertices are numbered 0..n-1 on each side; a lower `priority` number matters more, `null` need not be covered.
 * For each side on its own, augmenting in order of priority covers a set that no other matching beats in that order
 * (the coverable sets of one side form a matroid). Mendelsohn and Dulmage (Some generalizations of the problem of
 * distinct representatives, Canadian Journal of Mathematics 10, 1958) then give one matching that covers both sets.
 */
export interface BipartiteGraph {
  hosts: (number | null)[]
  guests: (number | null)[]
  /** For each host its guests, in order of preference. */
  edges: number[][]
  /** The same edges for each guest its hosts; made from `edges` where nobody gave an order of preference. */
  backEdges?: number[][]
}

/** For each host its guest or -1, and the other way round. */
export interface Matching {
  guestOfHost: number[]
  hostOfGuest: number[]
}

/** Finds a matching that covers the most important vertices of both sides, deterministically. */
export function findMatching(graph: BipartiteGraph): Matching {
  const backward = graph.backEdges ?? reverseEdges(graph)
  const byHosts = coverSide(graph.hosts, graph.edges, graph.guests.length)
  const byGuests = coverSide(graph.guests, backward, graph.hosts.length)
  return combine(byHosts, byGuests, graph)
}

/**
 * Why a vertex cannot be covered: the set of vertices of its side that compete, and all that they could join. The
 * second is one smaller than the first, which proves that no choice serves them all (Hall, On representatives of
 * subsets, Journal of the London Mathematical Society 10, 1935).
 */
export interface HallSet {
  wanting: number[]
  wanted: number[]
}

/** The Hall set of an uncovered host. Guests it could reach are all taken by hosts that matter at least as much. */
export function findHallSet(graph: BipartiteGraph, matching: Matching, host: number): HallSet {
  return growHallSet(graph.edges, matching.hostOfGuest, host)
}

/** The same for an uncovered guest. */
export function findGuestHallSet(graph: BipartiteGraph, matching: Matching, guest: number): HallSet {
  return growHallSet(graph.backEdges ?? reverseEdges(graph), matching.guestOfHost, guest)
}

function growHallSet(edges: number[][], partnerOfOther: number[], start: number): HallSet {
  const wanting = new Set([start])
  const wanted = new Set<number>()
  const queue = [start]
  for (let vertex = queue.shift(); vertex !== undefined; vertex = queue.shift()) {
    for (const other of edges[vertex] ?? []) {
      wanted.add(other)
      const partner = partnerOfOther[other] ?? -1
      if (partner < 0 || wanting.has(partner)) continue
      wanting.add(partner)
      queue.push(partner)
    }
  }
  return { wanting: [...wanting].sort(byNumber), wanted: [...wanted].sort(byNumber) }
}

function byNumber(a: number, b: number): number {
  return a - b
}

export function reverseEdges(graph: BipartiteGraph): number[][] {
  const backward: number[][] = graph.guests.map(() => [])
  for (const [host, guests] of graph.edges.entries()) {
    for (const guest of guests) backward[guest]?.push(host)
  }
  return backward
}

/** Partner of each vertex of one side, after augmenting from its important vertices in order. */
function coverSide(priorities: (number | null)[], edges: number[][], otherCount: number): number[] {
  const partner: number[] = priorities.map(() => -1)
  const partnerOfOther: number[] = new Array(otherCount).fill(-1)
  const order = priorities
    .flatMap((priority, vertex) => (priority === null ? [] : [{ priority, vertex }]))
    .sort((a, b) => a.priority - b.priority || a.vertex - b.vertex)
  const seen = new Int32Array(otherCount).fill(-1)
  for (const { vertex } of order) augmentMutably(vertex, edges, partner, partnerOfOther, seen)
  return partner
}

/** One augmenting path by depth-first search without recursion, so that long chains cannot overflow the stack. */
function augmentMutably(
  start: number,
  edges: number[][],
  partner: number[],
  partnerOfOther: number[],
  seen: Int32Array,
): boolean {
  const path: { vertex: number; next: number; taken: number }[] = [{ vertex: start, next: 0, taken: -1 }]
  while (path.length > 0) {
    const step = path[path.length - 1]
    if (!step) break
    // Whatever is free and preferred comes before pushing others aside, so that joints stay as people expect them.
    const free = step.next === 0 ? edges[step.vertex]?.find((other) => partnerOfOther[other] === -1) : undefined
    if (free !== undefined) {
      step.taken = free
      commitMutably(path, partner, partnerOfOther)
      return true
    }
    const other = edges[step.vertex]?.[step.next++]
    if (other === undefined) {
      path.pop()
      continue
    }
    if (seen[other] === start) continue
    seen[other] = start
    step.taken = other
    const holder = partnerOfOther[other] ?? -1
    if (holder >= 0) {
      path.push({ vertex: holder, next: 0, taken: -1 })
      continue
    }
    commitMutably(path, partner, partnerOfOther)
    return true
  }
  return false
}

function commitMutably(path: { vertex: number; taken: number }[], partner: number[], partnerOfOther: number[]): void {
  for (const { vertex, taken } of path) {
    partner[vertex] = taken
    partnerOfOther[taken] = vertex
  }
}

/**
 * Mendelsohn and Dulmage: every component of the union of the two matchings is a path or a cycle. Take the edges of
 * the host matching along it, except on a path that starts at a guest which only the guest matching covers.
 */
function combine(byHosts: number[], byGuests: number[], graph: BipartiteGraph): Matching {
  const hostMatchOfGuest: number[] = graph.guests.map(() => -1)
  for (const [host, guest] of byHosts.entries()) if (guest >= 0) hostMatchOfGuest[guest] = host
  const guestMatchOfHost: number[] = graph.hosts.map(() => -1)
  for (const [guest, host] of byGuests.entries()) if (host >= 0) guestMatchOfHost[host] = guest

  const guestOfHost = [...byHosts]
  for (const [guest] of byGuests.entries()) {
    if (hostMatchOfGuest[guest] !== -1 || byGuests[guest] === -1) continue
    // Every host on this path keeps a partner. The guest at its far end, if any, may lose one, but the guest matching
    // did not cover that guest either.
    const path: { host: number; guest: number }[] = []
    let at = guest
    while (at !== -1) {
      const host = byGuests[at] ?? -1
      if (host === -1) break
      path.push({ host, guest: at })
      at = byHosts[host] ?? -1
    }
    for (const edge of path) guestOfHost[edge.host] = edge.guest
  }
  const hostOfGuest: number[] = graph.guests.map(() => -1)
  for (const [host, guest] of guestOfHost.entries()) if (guest >= 0) hostOfGuest[guest] = host
  return { guestOfHost, hostOfGuest }
}
