import type { Interface } from '../../kit/model/interface.ts'
import type { PlacedItem } from '../placed/placed-item.ts'
import { carries, type JoinedPair } from './cycles.ts'
import type { Matching } from './matching.ts'
import type { PortGraph } from './port-graph.ts'

/** How often something is moved; each time the overload gets smaller. */
const MOST_MOVED = 40

/** How many joints are tried before what was found stays. */
const MOST_TRIED = 3_000

/**
 * Where things could be joined in several ways and the one that was found overloads a support, looks for one that does not:
 * first by moving one thing or exchanging two as long as the overload shrinks, then by trying every way. What was met stays
 * met, and nothing goes where it is less likely to be meant: ratings decide only between what is as likely. In a rig so large that not all ways can be tried, what is left overloaded is judged as it stands.
 */
export function settleLoads(
  built: PortGraph,
  matching: Matching,
  interfaces: ReadonlyMap<string, Interface>,
): Matching {
  const rig = listCarrying(built, matching, interfaces)
  const found = moveUntilBest(rig)
  if (measureOverload(rig, found) === 0) return withHosts(matching, rig, found)
  return withHosts(matching, rig, tryEveryWay(rig) ?? found)
}

/** Grams above the ratings, over all supports that carry something; infinite where something ends up on itself. */
export function sumOverload(carrying: readonly JoinedPair[]): number {
  if (!carrying.some(([host]) => findRating(host.ports) !== null)) return 0
  const things = numberThings(carrying.flatMap(([host, guest]) => [host.thing, guest.thing]))
  const rig: Rig = {
    masses: [...things.keys()].map((it) => it.massGrams ?? 0),
    riders: carrying.map(([, guest], at) => ({
      node: at,
      thing: things.get(guest.thing) ?? -1,
      hosts: [at],
      plausibilityOf: () => 0,
    })),
    carriers: new Map(
      carrying.map(([host], at) => [
        at,
        { thing: things.get(host.thing) ?? -1, rating: findRating(host.ports), isMust: false },
      ]),
    ),
    hostOf: carrying.map((_, at) => at),
  }
  return measureOverload(rig, rig.hostOf)
}

/** What is carried and what could carry it, by numbers: looked at a thousand times over. */
interface Rig {
  /** By the number of a thing. */
  masses: number[]
  riders: { node: number; thing: number; hosts: number[]; plausibilityOf(host: number): number }[]
  /** By the number of the end that carries. */
  carriers: Map<number, { thing: number; rating: number | null; isMust: boolean }>
  /** The end that each rider is on. */
  hostOf: number[]
}

function listCarrying(
  { hosts, guests, graph, plausibilityOf }: PortGraph,
  { guestOfHost, hostOfGuest }: Matching,
  interfaces: ReadonlyMap<string, Interface>,
): Rig {
  const isCarrying = (host: number, guest: number) => {
    const [a, b] = [hosts[host], guests[guest]]
    return a !== undefined && b !== undefined && carries(a, b, interfaces)
  }
  const nodes = guests.flatMap((_, guest) => (isCarrying(hostOfGuest[guest] ?? -1, guest) ? [guest] : []))
  const things = numberThings([...hosts, ...guests].map((it) => it.thing))
  const isOf = new Set(nodes)
  // An end that something else than a rider is in is not free for one.
  const isOpen = (host: number) => (guestOfHost[host] ?? -1) < 0 || isOf.has(guestOfHost[host] ?? -1)
  const hostsOf = new Map<number, number[]>(nodes.map((node) => [node, []]))
  for (const [host, edges] of graph.edges.entries()) {
    if (!isOpen(host)) continue
    for (const guest of edges) if (isOf.has(guest) && isCarrying(host, guest)) hostsOf.get(guest)?.push(host)
  }
  const carriers: Rig['carriers'] = new Map()
  for (const host of new Set([...hostsOf.values()].flat())) {
    const node = hosts[host]
    if (!node) continue
    const isMust = node.priority !== null && (guestOfHost[host] ?? -1) >= 0
    carriers.set(host, { thing: things.get(node.thing) ?? -1, rating: findRating(node.ports), isMust })
  }
  return {
    masses: [...things.keys()].map((it) => it.massGrams ?? 0),
    riders: nodes.map((node) => ({
      node,
      thing: things.get((guests[node] ?? guests[0])?.thing as PlacedItem) ?? -1,
      hosts: hostsOf.get(node) ?? [],
      plausibilityOf: (host) => plausibilityOf(host, node),
    })),
    carriers,
    hostOf: nodes.map((node) => hostOfGuest[node] ?? -1),
  }
}

function numberThings(list: readonly PlacedItem[]): Map<PlacedItem, number> {
  const numbers = new Map<PlacedItem, number>()
  for (const thing of list) if (!numbers.has(thing)) numbers.set(thing, numbers.size)
  return numbers
}

function findRating(ports: readonly { rating: { quantity: string; value: number } | null }[]): number | null {
  return ports.find((it) => it.rating?.quantity === 'loadGrams')?.rating?.value ?? null
}

function withHosts(matching: Matching, { riders, hostOf }: Rig, found: readonly number[]): Matching {
  if (found === hostOf) return matching
  const guestOfHost = [...matching.guestOfHost]
  const hostOfGuest = [...matching.hostOfGuest]
  for (const host of hostOf) guestOfHost[host] = -1
  for (const [at, { node }] of riders.entries()) {
    const host = found[at] ?? -1
    guestOfHost[host] = node
    hostOfGuest[node] = host
  }
  return { guestOfHost, hostOfGuest }
}

/** Moves and exchanges as long as the overload shrinks, only what rides where too much does or could change places with it. */
function moveUntilBest(rig: Rig): number[] {
  let now = rig.hostOf
  for (let moved = 0; moved < MOST_MOVED; moved++) {
    const better = findBetter(rig, now)
    if (!better) return now
    now = better
  }
  return now
}

function findBetter(rig: Rig, now: number[]): number[] | null {
  let least = measureOverload(rig, now)
  if (least === 0) return null
  let best: number[] | null = null
  const riderOn = new Map(now.map((host, at) => [host, at]))
  const mostCost = sumPlausibility(rig, now)
  const consider = (next: number[]) => {
    if (sumPlausibility(rig, next) > mostCost) return
    const overload = measureOverload(rig, next)
    if (overload >= least) return
    least = overload
    best = next
  }
  for (const at of listOverloaded(rig, now)) {
    const from = now[at] ?? -1
    for (const host of rig.riders[at]?.hosts ?? []) {
      if (host === from) continue
      const other = riderOn.get(host)
      if (other === undefined) {
        if (!rig.carriers.get(from)?.isMust) consider(now.with(at, host))
      } else if (rig.riders[other]?.hosts.includes(from)) consider(now.with(at, host).with(other, from))
    }
  }
  return best
}

/** How unlikely all of it is: what was found is the least there is, and stays it. */
function sumPlausibility({ riders }: Rig, hostOf: readonly number[]): number {
  return riders.reduce(
    (sum, rider, at) => ((hostOf[at] ?? -1) < 0 ? sum : sum + rider.plausibilityOf(hostOf[at] ?? -1)),
    0,
  )
}

/** Riders that are somewhere on a support that bears too much. */
function listOverloaded(rig: Rig, hostOf: readonly number[]): number[] {
  const loads = weighRiders(rig, hostOf)
  const carrierOf = new Map(rig.riders.map(({ thing }, at) => [thing, rig.carriers.get(hostOf[at] ?? -1)?.thing]))
  const bad = new Set<number>()
  for (const [at, host] of hostOf.entries()) {
    const carrier = rig.carriers.get(host)
    if (carrier?.rating != null && (loads[at] ?? 0) > carrier.rating) bad.add(rig.riders[at]?.thing ?? -1)
  }
  return rig.riders.flatMap(({ thing }, at) => {
    let below: number | undefined = thing
    for (let step = 0; below !== undefined && step <= rig.riders.length; step++) {
      if (bad.has(below)) return [at]
      below = carrierOf.get(below)
    }
    return []
  })
}

/**
 * Puts everything anew that a support could carry, the heaviest first, and goes back as soon as something is overloaded.
 * Lenses, packs and cards stay in what they are in.
 */
function tryEveryWay(rig: Rig): number[] | null {
  const isOnSupport = (at: number) => rig.riders[at]?.hosts.some((it) => rig.carriers.get(it)?.rating != null) ?? false
  const order = rig.riders.map((_, at) => at).filter(isOnSupport)
  const massOf = (at: number) => rig.masses[rig.riders[at]?.thing ?? -1] ?? 0
  order.sort((a, b) => massOf(b) - massOf(a) || a - b)
  const now = rig.hostOf.map((host, at) => (isOnSupport(at) ? -1 : host))
  const taken = new Set(now.filter((host) => host >= 0))
  const musts = [...rig.carriers].filter(([, it]) => it.isMust).map(([host]) => host)
  const mostCost = sumPlausibility(rig, rig.hostOf)
  let tried = 0
  const place = (index: number): boolean => {
    const at = order[index]
    if (at === undefined) return musts.every((host) => taken.has(host))
    for (const host of rig.riders[at]?.hosts ?? []) {
      if (taken.has(host) || tried++ > MOST_TRIED) continue
      now[at] = host
      taken.add(host)
      if (sumPlausibility(rig, now) <= mostCost && measureOverload(rig, now) === 0 && place(index + 1)) return true
      now[at] = -1
      taken.delete(host)
    }
    return false
  }
  return place(0) ? now : null
}

function measureOverload(rig: Rig, hostOf: readonly number[]): number {
  const loads = weighRiders(rig, hostOf)
  let overload = 0
  for (const [at, host] of hostOf.entries()) {
    const rating = rig.carriers.get(host)?.rating ?? null
    const load = loads[at] ?? 0
    if (load === Number.POSITIVE_INFINITY) return load
    if (rating !== null) overload += Math.max(0, load - rating)
  }
  return overload
}

/** Each rider with all that rides on it; infinite where it ends up on itself. A thing of several ends weighs at each. */
function weighRiders({ masses, riders, carriers }: Rig, hostOf: readonly number[]): number[] {
  const above = new Map<number, number[]>()
  for (const [at, host] of hostOf.entries()) {
    const below = carriers.get(host)?.thing
    if (below === undefined) continue
    const rider = riders[at]?.thing ?? -1
    const known = above.get(below)
    if (!known) above.set(below, [rider])
    else if (!known.includes(rider)) known.push(rider)
  }
  const weights = new Map<number, number>()
  const weigh = (thing: number): number => {
    const known = weights.get(thing)
    if (known !== undefined) return known
    // Met again while it is being weighed: a ring.
    weights.set(thing, Number.POSITIVE_INFINITY)
    const mass = (above.get(thing) ?? []).reduce((sum, it) => sum + weigh(it), masses[thing] ?? 0)
    weights.set(thing, mass)
    return mass
  }
  return riders.map(({ thing }, at) => ((hostOf[at] ?? -1) < 0 ? 0 : weigh(thing)))
}
