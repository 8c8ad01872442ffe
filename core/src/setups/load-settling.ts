import type { Interface } from '../kit/interface.ts'
import type { BipartiteGraph, Matching } from './matching.ts'
import type { PortGraph, PortNode } from './port-graph.ts'
import { carries } from './rings.ts'

/** How often something is moved; each time the overload gets smaller. */
const MOST_MOVED = 40

/**
 * Where things could be joined in several ways and the one that was found overloads a support, tries the others: one thing
 * to a free support, or two things in each other's places, as long as the overload shrinks. Every end that was met stays
 * met. A search from step to step: what it leaves overloaded is judged as it stands.
 */
export function settleLoads(
  built: PortGraph,
  graph: BipartiteGraph,
  matching: Matching,
  interfaces: ReadonlyMap<string, Interface>,
): Matching {
  if (measureOverload(built, matching.guestOfHost, interfaces) === 0) return matching
  let now = matching
  for (let moved = 0; moved < MOST_MOVED; moved++) {
    const better = findBetter(built, graph, now, interfaces)
    if (!better) return now
    now = better
  }
  return now
}

function findBetter(
  built: PortGraph,
  graph: BipartiteGraph,
  matching: Matching,
  interfaces: ReadonlyMap<string, Interface>,
): Matching | null {
  const { guestOfHost, hostOfGuest } = matching
  let best: { matching: Matching; overload: number } | null = null
  const now = measureOverload(built, guestOfHost, interfaces)
  const consider = (changes: readonly (readonly [host: number, guest: number])[]) => {
    const next = { guestOfHost: [...guestOfHost], hostOfGuest: [...hostOfGuest] }
    for (const [host, guest] of changes) {
      next.guestOfHost[host] = guest
      if (guest >= 0) next.hostOfGuest[guest] = host
    }
    const overload = measureOverload(built, next.guestOfHost, interfaces)
    if (overload < (best?.overload ?? now)) best = { matching: next, overload }
  }
  for (const [guest, host] of hostOfGuest.entries()) {
    const own = built.guests[guest]
    const carrier = built.hosts[host]
    if (!own || !carrier || !carries(carrier, own, interfaces)) continue
    for (const [other, edges] of graph.edges.entries()) {
      const otherHost = built.hosts[other]
      if (other === host || !otherHost || !edges.includes(guest) || !carries(otherHost, own, interfaces)) continue
      const theirs = guestOfHost[other] ?? -1
      if (theirs < 0) {
        if (carrier.priority === null)
          consider([
            [host, -1],
            [other, guest],
          ])
      } else if (graph.edges[host]?.includes(theirs)) {
        consider([
          [host, theirs],
          [other, guest],
        ])
      }
    }
  }
  return (best as { matching: Matching } | null)?.matching ?? null
}

/** Grams above the ratings, over all supports; a ring is worse than any overload. */
function measureOverload(
  { hosts, guests }: PortGraph,
  guestOfHost: readonly number[],
  interfaces: ReadonlyMap<string, Interface>,
): number {
  const onto = new Map<PortNode['thing'], { host: PortNode; guest: PortNode }[]>()
  const joints: { host: PortNode; guest: PortNode }[] = []
  for (const [at, partner] of guestOfHost.entries()) {
    const host = hosts[at]
    const guest = guests[partner]
    if (!host || !guest || !carries(host, guest, interfaces)) continue
    joints.push({ host, guest })
    const known = onto.get(host.thing)
    if (known) known.push({ host, guest })
    else onto.set(host.thing, [{ host, guest }])
  }
  const masses = new Map<PortNode['thing'], number>()
  const open = new Set<PortNode['thing']>()
  let hasRing = false
  const weigh = (thing: PortNode['thing']): number => {
    const known = masses.get(thing)
    if (known !== undefined) return known
    if (open.has(thing)) {
      hasRing = true
      return 0
    }
    open.add(thing)
    const riders = new Set((onto.get(thing) ?? []).map((it) => it.guest.thing))
    const mass = [...riders].reduce((sum, it) => sum + weigh(it), thing.massGrams ?? 0)
    open.delete(thing)
    masses.set(thing, mass)
    return mass
  }
  let overload = 0
  for (const { host, guest } of joints) {
    const rating = host.ports.find((it) => it.rating?.quantity === 'loadGrams')?.rating
    if (rating) overload += Math.max(0, weigh(guest.thing) - rating.value)
    else weigh(guest.thing)
  }
  return hasRing ? Number.POSITIVE_INFINITY : overload
}
