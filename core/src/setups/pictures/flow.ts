import type { Joint } from '../joining/completeness.ts'
import { isConduit } from '../joining/cycles.ts'
import type { PlacedItem } from '../placed/placed-item.ts'

/** A joint with the way that something takes over it. */
export interface Directed {
  joint: Joint
  from: string
  to: string
}

/**
 * Gives every joint a direction: where the ends themselves say so by theirs, and else away from what was reached first, from
 * `sources` on. What no source reaches starts from cables that hang loose, and at last from whatever is left.
 */
export function direct(
  joints: readonly Joint[],
  itemOf: ReadonlyMap<string, PlacedItem>,
  sources: readonly string[],
  waysOf: (joint: Joint) => 'to-host' | 'to-guest' | null,
): Directed[] {
  const touching = new Map<string, Joint[]>()
  for (const joint of joints) {
    for (const { key } of [joint.host, joint.guest]) touching.set(key, [...(touching.get(key) ?? []), joint])
  }
  const directed = new Map<Joint, Directed>()
  const seen = new Set<string>()
  const queue: string[] = []
  const start = (key: string) => {
    if (seen.has(key)) return
    seen.add(key)
    queue.push(key)
  }
  const walk = () => {
    for (let key = queue.shift(); key !== undefined; key = queue.shift()) {
      for (const joint of touching.get(key) ?? []) {
        const other = joint.host.key === key ? joint.guest.key : joint.host.key
        if (!directed.has(joint)) directed.set(joint, lead(joint, key, waysOf(joint)))
        start(other)
      }
    }
  }
  const keys = [...touching.keys()]
  const isLoose = (key: string) => {
    const item = itemOf.get(key)
    return item !== undefined && isConduit(item)
  }
  for (const key of [...sources.filter((it) => touching.has(it)), ...keys.filter(isLoose), ...keys]) {
    start(key)
    walk()
  }
  return joints.flatMap((it) => directed.get(it) ?? [])
}

function lead(joint: Joint, from: string, way: 'to-host' | 'to-guest' | null): Directed {
  const { host, guest } = joint
  if (way === 'to-host') return { joint, from: guest.key, to: host.key }
  if (way === 'to-guest') return { joint, from: host.key, to: guest.key }
  return { joint, from, to: host.key === from ? guest.key : host.key }
}
