import type { Port } from '../../kit/model/port.ts'
import type { CableRun } from './cable-run.ts'

type End = CableRun['from']

export interface StatedRing {
  /** The place of the link that closes it. */
  at: number
  /** The keys of what would stand on each other, in a row. */
  keys: string[]
}

/**
 * Stated joints by which something would stand on itself, over whatever carries it: the first that closes such a ring. Null
 * where all of it can stand. Signals may come back to where they began; `doesCarry` says of an interface whether it bears.
 */
export function findStatedRing(
  links: readonly CableRun[],
  portOf: (end: End) => Port | undefined,
  doesCarry: (interfaceCode: string) => boolean,
): StatedRing | null {
  const carriersOf = new Map<string, string[]>()
  for (const [at, { from, via, to }] of links.entries()) {
    const [a, b] = [portOf(from), portOf(to)]
    if (via.length > 0 || !a || !b || a.side === b.side) continue
    if (!a.interfaces.some((code) => b.interfaces.includes(code) && doesCarry(code))) continue
    const [rider, carrier] = a.side === 'guest' ? [from.unitId, to.unitId] : [to.unitId, from.unitId]
    const way = findWay(carrier, rider, carriersOf)
    if (way) return { at, keys: [rider, ...way] }
    carriersOf.set(rider, [...(carriersOf.get(rider) ?? []), carrier])
  }
  return null
}

/** What stands on what from one thing down to another; null where it does not get there. */
function findWay(from: string, to: string, carriersOf: ReadonlyMap<string, readonly string[]>): string[] | null {
  if (from === to) return [to]
  for (const carrier of carriersOf.get(from) ?? []) {
    const way = findWay(carrier, to, carriersOf)
    if (way) return [from, ...way]
  }
  return null
}
