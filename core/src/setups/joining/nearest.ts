import type { BipartiteGraph, Matching } from './matching.ts'

/** How unlikely it is that a host and a guest are meant for each other; null where they cannot join. */
export type CostOf = (host: number, guest: number) => number | null

/**
 * Joins what is nearer, without leaving open what was covered: two pairs that exchange partners, an end that is not needed
 * giving way to a nearer one, a pair that parts where both find somebody else. Each step makes the whole nearer, so it ends.
 * It gives the same whatever the order of equal steps only as far as the ends themselves come in the same order.
 */
export function joinNearest(graph: BipartiteGraph, matching: Matching, costOf: CostOf): Matching {
  const guestOfHost = [...matching.guestOfHost]
  const hostOfGuest = [...matching.hostOfGuest]
  const draft: Draft = { graph, guestOfHost, hostOfGuest, costOf }
  let isNearer = true
  while (isNearer) {
    isNearer = false
    for (const [host, guest] of guestOfHost.entries()) {
      if (guest >= 0 && (guestOfHost[host] ?? -1) === guest && bringNearerMutably(draft, host, guest)) isNearer = true
    }
  }
  return { guestOfHost, hostOfGuest }
}

interface Draft {
  graph: BipartiteGraph
  guestOfHost: number[]
  hostOfGuest: number[]
  costOf: CostOf
}

function bringNearerMutably(draft: Draft, host: number, guest: number): boolean {
  const cost = draft.costOf(host, guest) ?? 0
  return (
    swapMutably(draft, host, guest, cost) ||
    giveWayMutably(draft, host, guest, cost) ||
    partMutably(draft, host, guest, cost)
  )
}

function setMutably({ guestOfHost, hostOfGuest }: Draft, host: number, guest: number): void {
  guestOfHost[host] = guest
  hostOfGuest[guest] = host
}

/** (a, b) and (c, d) become (a, d) and (c, b). */
function swapMutably(draft: Draft, host: number, guest: number, cost: number): boolean {
  const { graph, hostOfGuest, costOf } = draft
  for (const other of graph.edges[host] ?? []) {
    const otherHost = hostOfGuest[other] ?? -1
    if (other === guest || otherHost < 0) continue
    const crossed = costOf(otherHost, guest)
    if (crossed === null) continue
    if ((costOf(host, other) ?? 0) + crossed >= cost + (costOf(otherHost, other) ?? 0)) continue
    setMutably(draft, host, other)
    setMutably(draft, otherHost, guest)
    return true
  }
  return false
}

/** A guest that need not be covered leaves its host to a nearer one that is free; or a host its guest. */
function giveWayMutably(draft: Draft, host: number, guest: number, cost: number): boolean {
  const { graph, guestOfHost, hostOfGuest, costOf } = draft
  if (graph.guests[guest] === null) {
    const nearer = graph.edges[host]?.find((it) => hostOfGuest[it] === -1 && (costOf(host, it) ?? cost) < cost)
    if (nearer !== undefined) {
      hostOfGuest[guest] = -1
      setMutably(draft, host, nearer)
      return true
    }
  }
  if (graph.hosts[host] !== null) return false
  const nearer = graph.backEdges?.[guest]?.find((it) => guestOfHost[it] === -1 && (costOf(it, guest) ?? cost) < cost)
  if (nearer === undefined) return false
  guestOfHost[host] = -1
  setMutably(draft, nearer, guest)
  return true
}

/** Both go to somebody who is free. */
function partMutably(draft: Draft, host: number, guest: number, cost: number): boolean {
  const { graph, guestOfHost, hostOfGuest, costOf } = draft
  for (const freeGuest of graph.edges[host] ?? []) {
    if (hostOfGuest[freeGuest] !== -1) continue
    for (const freeHost of graph.backEdges?.[guest] ?? []) {
      if (guestOfHost[freeHost] !== -1) continue
      if ((costOf(host, freeGuest) ?? cost) + (costOf(freeHost, guest) ?? cost) >= cost) continue
      setMutably(draft, host, freeGuest)
      setMutably(draft, freeHost, guest)
      return true
    }
  }
  return false
}
