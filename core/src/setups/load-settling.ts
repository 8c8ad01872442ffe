import type { Interface } from '../kit/interface.ts'
import type { Matching } from './matching.ts'
import type { PortGraph, PortNode } from './port-graph.ts'
import { carries, type JoinedPair, listPairs } from './rings.ts'

/** How often something is moved; each time the overload gets smaller. */
const MOST_MOVED = 40

/** How many joints are tried before what was found stays. */
const MOST_TRIED = 20_000

/**
 * Where things could be joined in several ways and the one that was found overloads a support, looks for one that does not:
 * first by moving one thing or exchanging two as long as the overload shrinks, then by trying every way. What was met stays
 * met. In a rig so large that not all ways can be tried, what is left overloaded is judged as it stands.
 */
export function settleLoads(
  built: PortGraph,
  matching: Matching,
  interfaces: ReadonlyMap<string, Interface>,
): Matching {
  if (measureOverload(built, matching.guestOfHost, interfaces) === 0) return matching
  let now = matching
  for (let moved = 0; moved < MOST_MOVED; moved++) {
    const better = findBetter(built, now, interfaces)
    if (!better) break
    now = better
  }
  if (measureOverload(built, now.guestOfHost, interfaces) === 0) return now
  return tryEveryWay(built, now, interfaces) ?? now
}

/** Puts everything that is carried anew, the heaviest first, and goes back as soon as something is overloaded. */
function tryEveryWay(
  built: PortGraph,
  { guestOfHost, hostOfGuest }: Matching,
  interfaces: ReadonlyMap<string, Interface>,
): Matching | null {
  const isCarried = (guest: number) => {
    const own = built.guests[guest]
    const carrier = built.hosts[hostOfGuest[guest] ?? -1]
    return own !== undefined && carrier !== undefined && carries(carrier, own, interfaces)
  }
  const massOf = (guest: number) => built.guests[guest]?.thing.massGrams ?? 0
  const riders = built.guests.map((_, at) => at).filter(isCarried)
  riders.sort((a, b) => massOf(b) - massOf(a) || a - b)
  const now = [...guestOfHost]
  for (const rider of riders) now[hostOfGuest[rider] ?? -1] = -1
  const musts = built.hosts.flatMap((host, at) => (host.priority !== null && guestOfHost[at] !== -1 ? [at] : []))
  let tried = 0
  const place = (index: number): boolean => {
    const rider = riders[index]
    if (rider === undefined) return musts.every((host) => now[host] !== -1)
    for (const [host, edges] of built.graph.edges.entries()) {
      if (now[host] !== -1 || !edges.includes(rider) || tried++ > MOST_TRIED) continue
      now[host] = rider
      if (measureOverload(built, now, interfaces) === 0 && place(index + 1)) return true
      now[host] = -1
    }
    return false
  }
  if (!place(0)) return null
  const back = hostOfGuest.map(() => -1)
  for (const [host, guest] of now.entries()) if (guest >= 0) back[guest] = host
  return { guestOfHost: now, hostOfGuest: back }
}

function findBetter(built: PortGraph, matching: Matching, interfaces: ReadonlyMap<string, Interface>): Matching | null {
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
    for (const [other, edges] of built.graph.edges.entries()) {
      const otherHost = built.hosts[other]
      if (other === host || !otherHost || !edges.includes(guest) || !carries(otherHost, own, interfaces)) continue
      const theirs = guestOfHost[other] ?? -1
      if (theirs < 0) {
        if (carrier.priority === null)
          consider([
            [host, -1],
            [other, guest],
          ])
      } else if (built.graph.edges[host]?.includes(theirs)) {
        consider([
          [host, theirs],
          [other, guest],
        ])
      }
    }
  }
  return (best as { matching: Matching } | null)?.matching ?? null
}

function measureOverload(
  built: PortGraph,
  guestOfHost: readonly number[],
  interfaces: ReadonlyMap<string, Interface>,
): number {
  return sumOverload(listPairs(built, { guestOfHost: [...guestOfHost], hostOfGuest: [] }), interfaces)
}

/** Grams above the ratings, over all supports; a ring is worse than any overload. */
export function sumOverload(pairs: readonly JoinedPair[], interfaces: ReadonlyMap<string, Interface>): number {
  const onto = new Map<PortNode['thing'], { host: PortNode; guest: PortNode }[]>()
  const joints: { host: PortNode; guest: PortNode }[] = []
  for (const [host, guest] of pairs) {
    if (!carries(host, guest, interfaces)) continue
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
