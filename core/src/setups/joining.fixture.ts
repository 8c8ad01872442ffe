import type { makePort } from '../kit/port.ts'
import type { SetThing } from './thing.ts'
import { INTERFACES } from './things.fixture.ts'

/** One end of one thing, and whether it has to be met. */
export interface End {
  thing: SetThing
  port: ReturnType<typeof makePort>
  isEssential: boolean
}

export function listEnds(things: readonly SetThing[], side: 'host' | 'guest'): End[] {
  return things.flatMap((thing) =>
    thing.ports
      .filter((port) => port.side === side)
      .flatMap((port) =>
        Array.from({ length: port.count }, () => ({ thing, port, isEssential: port.importance === 'essential' })),
      ),
  )
}

/** The rules of joining once more, as plainly as they can be written, to check the graph that the judging builds. */
export function mayJoin({ thing: a, port: host }: End, { thing: b, port: guest }: End): boolean {
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
  const isTooHeavy = host.rating?.quantity === 'loadGrams' && b.massGrams !== null && b.massGrams > host.rating.value
  const isTooSlow =
    host.demand !== null && guest.rating?.quantity === host.demand.quantity && guest.rating.value < host.demand.value
  return a !== b && meets && !bothOut && !bothIn && !isForbidden && !isTooHeavy && !isTooSlow
}

interface Carried {
  below: string
  above: string
}

/** A shared interface that is neither signal nor mains carries. */
function doesCarry({ port: host }: End, { port: guest }: End): boolean {
  return host.interfaces.some(
    (code) => guest.interfaces.includes(code) && !['signal', 'mains'].includes(INTERFACES.get(code)?.kind ?? ''),
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
  things: readonly SetThing[],
  visit: (met: ReadonlyMap<string, number>) => boolean,
): boolean {
  const hosts = listEnds(things, 'host')
  const guests = listEnds(things, 'guest')
  const met = new Map<string, number>()
  const count = ({ thing, port }: End, change: number) =>
    met.set(keyOf(thing, port), (met.get(keyOf(thing, port)) ?? 0) + change)
  const tryFrom = (at: number, used: ReadonlySet<number>, carried: readonly Carried[]): boolean => {
    if (hasRing(carried)) return false
    const host = hosts[at]
    if (!host) return visit(met)
    if (tryFrom(at + 1, used, carried)) return true
    for (const [index, guest] of guests.entries()) {
      if (used.has(index) || !mayJoin(host, guest)) continue
      const next = doesCarry(host, guest) ? [...carried, { below: host.thing.key, above: guest.thing.key }] : carried
      count(host, 1)
      count(guest, 1)
      const isDone = tryFrom(at + 1, new Set([...used, index]), next)
      count(host, -1)
      count(guest, -1)
      if (isDone) return true
    }
    return false
  }
  return tryFrom(0, new Set(), [])
}

export const keyOf = (thing: Pick<SetThing, 'key'>, port: { id: string }) => `${thing.key}/${port.id}`

/** Every port of things that has to be met, and how many pieces of it. */
export function listMusts(things: readonly SetThing[]): { key: string; count: number }[] {
  return things.flatMap((thing) =>
    thing.ports
      .filter((port) => port.importance === 'essential')
      .map((port) => ({ key: keyOf(thing, port), count: port.count })),
  )
}

/** The fewest essential ends of `own` that any way of joining leaves open while all of `helpers` are met; null where none does. */
export function countFewestOpen(own: readonly SetThing[], helpers: readonly SetThing[] = []): number | null {
  const wanted = listMusts(own)
  const musts = listMusts(helpers)
  let fewest: number | null = null
  visitJoinings([...own, ...helpers], (met) => {
    if (!musts.every(({ key, count }) => (met.get(key) ?? 0) === count)) return false
    const open = wanted.reduce((sum, { key, count }) => sum + count - (met.get(key) ?? 0), 0)
    fewest = Math.min(fewest ?? open, open)
    return fewest === 0
  })
  return fewest
}
