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

/** What things of one role cost: hardly anything is nearer. */
const NEAR = 1

interface Draft {
  graph: BipartiteGraph
  guestOfHost: number[]
  hostOfGuest: number[]
  costOf: CostOf
}

function bringNearerMutably(draft: Draft, host: number, guest: number): boolean {
  const cost = draft.costOf(host, guest) ?? 0
  // Of two pairs that would change, the farther one sees it.
  if (cost <= NEAR) return false
  return (
    swapMutably(draft, host, guest, cost) ||
    giveWayMutably(draft, host, guest, cost) ||
    (cost > 2 * NEAR && partMutably(draft, host, guest, cost))
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

/**
 * A guest leaves its host to a nearer one that is open, where it need not be covered or the other matters as much; or a host
 * its guest. What stays open is then the one that is farther away.
 */
function giveWayMutably(draft: Draft, host: number, guest: number, cost: number): boolean {
  const { graph, guestOfHost, hostOfGuest, costOf } = draft
  const mayLeave = (own: number | null | undefined, other: number | null | undefined) => own === null || own === other
  const nearerGuest = graph.edges[host]?.find(
    (it) =>
      hostOfGuest[it] === -1 && mayLeave(graph.guests[guest], graph.guests[it]) && (costOf(host, it) ?? cost) < cost,
  )
  if (nearerGuest !== undefined) {
    hostOfGuest[guest] = -1
    setMutably(draft, host, nearerGuest)
    return true
  }
  const nearerHost = graph.backEdges?.[guest]?.find(
    (it) =>
      guestOfHost[it] === -1 && mayLeave(graph.hosts[host], graph.hosts[it]) && (costOf(it, guest) ?? cost) < cost,
  )
  if (nearerHost === undefined) return false
  guestOfHost[host] = -1
  setMutably(draft, nearerHost, guest)
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
