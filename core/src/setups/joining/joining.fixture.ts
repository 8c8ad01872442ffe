import type { makePort } from '../../kit/model/port.ts'
import type { PlacedItem } from '../placed/placed-item.ts'
import { INTERFACES } from '../placed/things.fixture.ts'
import { findJointCost } from './joint-costs.ts'

type Port = ReturnType<typeof makePort>

/** One end of one thing: a piece of a port, or an exclusive group, which can act as any of its ports. */
export interface End {
  thing: PlacedItem
  /** The first of them names the end. */
  ports: Port[]
  isEssential: boolean
}

export function listEnds(things: readonly PlacedItem[], side: 'host' | 'guest'): End[] {
  return things.flatMap((thing) => {
    const own = thing.ports.filter((port) => port.side === side)
    const groups = new Set(own.flatMap((port) => port.exclusiveGroup ?? []))
    const ends = [
      ...own
        .filter((port) => port.exclusiveGroup === null)
        .flatMap((port) => Array.from({ length: port.count }, () => [port])),
      ...[...groups].map((group) => own.filter((port) => port.exclusiveGroup === group)),
    ]
    return ends.map((ports) => ({ thing, ports, isEssential: ports.some((it) => it.importance === 'essential') }))
  })
}

/** The rules of joining once more, as plainly as they can be written, to check the graph that the judging builds. */
export function mayJoin(host: End, guest: End): boolean {
  return (
    host.thing !== guest.thing &&
    host.ports.some((h) => guest.ports.some((g) => mayPortsJoin(h, host.thing, g, guest.thing))) &&
    costOf(host, guest) !== null
  )
}

function mayPortsJoin(host: Port, a: PlacedItem, guest: Port, b: PlacedItem): boolean {
  const isConduit = ['cable', 'lead', 'strip', 'lens-adapter'].some(
    (category) => category === a.category || category === b.category,
  )
  const meets = host.interfaces.some(
    (code) => guest.interfaces.includes(code) && (isConduit || !INTERFACES.get(code)?.viaCableOnly),
  )
  const bothOut = host.direction === 'out' && guest.direction === 'out'
  const bothIn = host.direction === 'in' && guest.direction === 'in'
  const isForbidden =
    host.forbids.some((it) => guest.carries.includes(it)) || guest.forbids.some((it) => host.carries.includes(it))
  return meets && !bothOut && !bothIn && !isForbidden
}

/** Whether what is joined holds as well. */
export function mayHold(host: End, guest: End): boolean {
  const isHeld = (h: Port) =>
    h.rating?.quantity !== 'loadGrams' || guest.thing.massGrams === null || guest.thing.massGrams <= h.rating.value
  const isFast = (h: Port, g: Port) =>
    h.demand === null || g.rating?.quantity !== h.demand.quantity || g.rating.value >= h.demand.value
  return (
    mayJoin(host, guest) &&
    host.ports.some((h) =>
      guest.ports.some((g) => mayPortsJoin(h, host.thing, g, guest.thing) && isHeld(h) && isFast(h, g)),
    )
  )
}

const NO_CROWD = { hasSwitcher: false, hasBooster: false, soundInto: null }

/** What the table of costs says of two ends; null for what nobody does. Rings and coverage are what is tried here, not the table. */
export function costOf(host: End, guest: End): number | null {
  const node = ({ thing, ports }: End) => ({ thing, ports, priority: null, codes: [] })
  return findJointCost(node(host), node(guest), NO_CROWD, INTERFACES)?.plausibility ?? null
}

interface Carried {
  below: string
  above: string
}

/** A shared interface that is neither signal nor mains carries. */
function doesCarry({ ports: hosts }: End, { ports: guests }: End): boolean {
  const codesOf = (ports: readonly Port[]) => ports.flatMap((port) => port.interfaces)
  return codesOf(hosts).some(
    (code) => codesOf(guests).includes(code) && !['signal', 'mains'].includes(INTERFACES.get(code)?.kind ?? ''),
  )
}

/** Whether something ends up on itself: what nothing carries is put down until only rings are left. */
function hasRing(carried: readonly Carried[]): boolean {
  const left = carried.filter((it) => carried.some((other) => other.above === it.below))
  return left.length > 0 && (left.length === carried.length || hasRing(left))
}

/**
 * Tries every way of joining, and hands over how many pieces of each port are met in it, by thing and port. Stops where the
 * visit says true, and gives that back. The map is the same one each time.
 */
export function visitJoinings(
  things: readonly PlacedItem[],
  visit: (met: ReadonlyMap<string, number>, cost: number) => boolean,
  may: typeof mayJoin = mayJoin,
): boolean {
  const hosts = listEnds(things, 'host')
  const guests = listEnds(things, 'guest')
  const met = new Map<string, number>()
  const count = (end: End, change: number) => met.set(keyOf(end), (met.get(keyOf(end)) ?? 0) + change)
  const tryFrom = (
    at: number,
    used: ReadonlySet<number>,
    carried: readonly Carried[],
    joined: ReadonlySet<string>,
    cost = 0,
  ): boolean => {
    if (hasRing(carried)) return false
    const host = hosts[at]
    if (!host) return visit(met, cost)
    if (tryFrom(at + 1, used, carried, joined, cost)) return true
    for (const [index, guest] of guests.entries()) {
      if (used.has(index) || !may(host, guest)) continue
      // A cable has its two ends in two things.
      const pair = [host.thing.key, guest.thing.key].sort().join()
      if ([host, guest].some((it) => it.thing.category === 'cable') && joined.has(pair)) continue
      const next = doesCarry(host, guest) ? [...carried, { below: host.thing.key, above: guest.thing.key }] : carried
      count(host, 1)
      count(guest, 1)
      const isDone = tryFrom(
        at + 1,
        new Set([...used, index]),
        next,
        new Set([...joined, pair]),
        cost + (costOf(host, guest) ?? 0),
      )
      count(host, -1)
      count(guest, -1)
      if (isDone) return true
    }
    return false
  }
  return tryFrom(0, new Set(), [], new Set())
}

export const keyOf = ({ thing, ports }: { thing: Pick<PlacedItem, 'key'>; ports: readonly { id: string }[] }) =>
  `${thing.key}/${ports[0]?.id}`

/** Every end of things that has to be met, by its name, and how many pieces of it. */
export function listMusts(things: readonly PlacedItem[]): { key: string; count: number }[] {
  const counts = new Map<string, number>()
  for (const end of [...listEnds(things, 'host'), ...listEnds(things, 'guest')]) {
    if (end.isEssential) counts.set(keyOf(end), (counts.get(keyOf(end)) ?? 0) + 1)
  }
  return [...counts].map(([key, count]) => ({ key, count }))
}

/** The fewest essential ends of `own` that any way of joining leaves open while all of `helpers` are met; null where none does. */
export function countFewestOpen(
  own: readonly PlacedItem[],
  helpers: readonly PlacedItem[] = [],
  may: typeof mayJoin = mayJoin,
): number | null {
  const wanted = listMusts(own)
  const musts = listMusts(helpers)
  let fewest: number | null = null
  visitJoinings(
    [...own, ...helpers],
    (met) => {
      if (!musts.every(({ key, count }) => (met.get(key) ?? 0) === count)) return false
      const open = wanted.reduce((sum, { key, count }) => sum + count - (met.get(key) ?? 0), 0)
      fewest = Math.min(fewest ?? open, open)
      return fewest === 0
    },
    may,
  )
  return fewest
}

/** The least that any way of joining costs among those that leave the fewest essential ends open. */
export function findLeastCost(things: readonly PlacedItem[]): number {
  const wanted = listMusts(things)
  let best: [open: number, cost: number] = [Number.POSITIVE_INFINITY, 0]
  visitJoinings(things, (met, cost) => {
    const open = wanted.reduce((sum, { key, count }) => sum + count - (met.get(key) ?? 0), 0)
    if (open < best[0] || (open === best[0] && cost < best[1])) best = [open, cost]
    return false
  })
  return best[1]
}
