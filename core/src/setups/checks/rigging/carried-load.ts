import type { Interface } from '../../../kit/model/interface.ts'
import type { FindingLevel } from '../../../studio/finding.ts'
import type { Joint } from '../../joining/completeness.ts'
import type { PlacedItem } from '../../placed/placed-item.ts'

export interface Rider {
  tag: string
  name: string
  /** Null where nobody recorded it. */
  massGrams: number | null
}

/** Everything that rides on one end of a support, against what that end is good for. */
export interface CarriedLoad {
  formula: 'carried-load'
  tag: string
  name: string
  /** What is joined to it first, then what rides on that. */
  riders: Rider[]
  totalGrams: number
  ratedGrams: number
  level: FindingLevel
}

export interface Carriage {
  loads: (CarriedLoad & { roleId: string | null })[]
  /** What each thing rides on, down to the floor: keys, the nearest first. */
  below: ReadonlyMap<string, readonly string[]>
  /** What rides on each thing, however far up: keys. */
  above: ReadonlyMap<string, readonly string[]>
}

/** A few grams each: left out of a sum where nobody weighed them. */
const LIGHT: ReadonlySet<PlacedItem['category']> = new Set(['card', 'card-sleeve', 'cell', 'filter', 'gel'])

const FLOWS: ReadonlySet<Interface['kind']> = new Set(['signal', 'mains'])

/**
 * Sums what each support bears along the joints that were made: a rider brings all that rides on it. One thing alone on
 * a support was compared where the joint was made; here chains are judged. Masses in grams, equality passes.
 */
export function computeCarriedLoads(
  things: readonly PlacedItem[],
  joints: readonly Joint[],
  interfaces: ReadonlyMap<string, Interface>,
): Carriage {
  const thingOf = new Map(things.map((it) => [it.key, it]))
  const carrying = joints.filter(({ interfaceCode }) => !FLOWS.has(interfaces.get(interfaceCode)?.kind ?? 'carry'))
  const guestsOf = groupKeys(carrying.map(({ host, guest }) => [host.key, guest.key]))
  const hostsOf = groupKeys(carrying.map(({ host, guest }) => [guest.key, host.key]))
  const above = new Map(things.map(({ key }) => [key, reach(key, guestsOf)]))
  const below = new Map(things.map(({ key }) => [key, reach(key, hostsOf)]))
  const loads = groupByEnd(carrying, thingOf).flatMap(({ host, guests }) => {
    const carrier = thingOf.get(host.key)
    const rating = carrier?.ports.find((it) => it.id === host.portId)?.rating
    if (!carrier || rating?.quantity !== 'loadGrams') return []
    const riders = guests.flatMap((key) => [key, ...(above.get(key) ?? [])]).flatMap((key) => thingOf.get(key) ?? [])
    if (riders.length < 2) return []
    const totalGrams = riders.reduce((sum, it) => sum + (it.massGrams ?? 0), 0)
    // Of what sits on the support itself the joint says so already.
    const isUnknown = riders.slice(guests.length).some((it) => it.massGrams === null && !LIGHT.has(it.category))
    const level = totalGrams > rating.value ? 'stop' : isUnknown ? 'unknown' : 'ok'
    return [
      {
        formula: 'carried-load' as const,
        tag: carrier.tag,
        name: carrier.name,
        riders: riders.map(({ tag, name, massGrams }) => ({ tag, name, massGrams })),
        totalGrams,
        ratedGrams: rating.value,
        level: level as FindingLevel,
        roleId: carrier.roleId,
      },
    ]
  })
  return { loads, below, above }
}

/** A support bears so much at each end; a bar bears so much in all, however many clamps are on it. */
function groupByEnd(
  carrying: readonly Joint[],
  thingOf: ReadonlyMap<string, PlacedItem>,
): { host: Joint['host']; guests: string[] }[] {
  const bars = new Map<string, { host: Joint['host']; guests: string[] }>()
  return carrying.flatMap(({ host, guest }) => {
    if (thingOf.get(host.key)?.category !== 'room') return [{ host, guests: [guest.key] }]
    const end = `${host.key}/${host.portId}`
    const known = bars.get(end)
    if (known) {
      known.guests.push(guest.key)
      return []
    }
    const group = { host, guests: [guest.key] }
    bars.set(end, group)
    return [group]
  })
}

function groupKeys(pairs: readonly (readonly [string, string])[]): Map<string, string[]> {
  const groups = new Map<string, string[]>()
  for (const [key, value] of pairs) {
    const known = groups.get(key)
    if (known) known.push(value)
    else groups.set(key, [value])
  }
  return groups
}

/** Everything reached from a key, nearest first, each once. */
function reach(key: string, next: ReadonlyMap<string, string[]>): string[] {
  const seen = new Set([key])
  const found: string[] = []
  const queue = [key]
  for (let at = queue.shift(); at !== undefined; at = queue.shift()) {
    for (const other of next.get(at) ?? []) {
      if (seen.has(other)) continue
      seen.add(other)
      found.push(other)
      queue.push(other)
    }
  }
  return found
}
