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
 * The most that any way of joining is worth, found by trying every way: `worthOf` says what a met end counts. Ways in which
 * one of the `musts` stays open do not count at all; null where there is no other.
 */
export function findBestJoining(
  things: readonly SetThing[],
  worthOf: (end: End) => number,
  isMust: (end: End) => boolean = () => false,
): number | null {
  const hosts = listEnds(things, 'host')
  const guests = listEnds(things, 'guest')
  const musts = [...hosts, ...guests].filter(isMust).length
  let best: number | null = null
  const tryFrom = (
    at: number,
    used: ReadonlySet<number>,
    worth: number,
    met: number,
    carried: readonly Carried[],
  ): void => {
    if (hasRing(carried)) return
    if (met === musts) best = Math.max(best ?? 0, worth)
    const host = hosts[at]
    if (!host) return
    tryFrom(at + 1, used, worth, met, carried)
    for (const [index, guest] of guests.entries()) {
      if (used.has(index) || !mayJoin(host, guest)) continue
      const next = doesCarry(host, guest) ? [...carried, { below: host.thing.key, above: guest.thing.key }] : carried
      const more = Number(isMust(host)) + Number(isMust(guest))
      tryFrom(at + 1, new Set([...used, index]), worth + worthOf(host) + worthOf(guest), met + more, next)
    }
  }
  tryFrom(0, new Set(), 0, 0, [])
  return best
}
