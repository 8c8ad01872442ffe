import { CATEGORIES, isKindOf } from '../../kit/model/category.ts'
import type { Interface } from '../../kit/model/interface.ts'
import { IMPORTANCES, type Port } from '../../kit/model/port.ts'
import type { PlacedItem } from '../placed/placed-item.ts'
import { isLight } from '../placed/placed-item.ts'
import type { BipartiteGraph } from './matching.ts'
import type { CostOf } from './nearest.ts'

/** One end that can join one other: a port of count 2 gives two, the ports of an exclusive group give one. */
export interface PortNode {
  thing: PlacedItem
  /** The ports that this end can act as; more than one only in an exclusive group. */
  ports: Port[]
  priority: number | null
}

export interface PortGraph {
  hosts: PortNode[]
  guests: PortNode[]
  graph: BipartiteGraph
  costOf: CostOf
}

/** Builds the bipartite graph of a set of things. Edges prefer a device to another cable, then the same role, then keep the order of the things. */
export function buildPortGraph(
  things: readonly PlacedItem[],
  interfaces: ReadonlyMap<string, Interface>,
  mayMeet?: (host: PortNode, guest: PortNode) => boolean,
): PortGraph {
  return buildNodeGraph(things.flatMap(listNodes), interfaces, mayMeet)
}

/** The same of some ends of things. */
export function buildNodeGraph(
  nodes: readonly PortNode[],
  interfaces: ReadonlyMap<string, Interface>,
  mayMeet: (host: PortNode, guest: PortNode) => boolean = () => true,
): PortGraph {
  const hosts = nodes.filter((node) => node.ports[0]?.side === 'host')
  const guests = nodes.filter((node) => node.ports[0]?.side === 'guest')
  const guestsByInterface = indexByInterface(guests)
  const edges: number[][] = hosts.map(() => [])
  const backEdges: number[][] = guests.map(() => [])
  const meetings = hosts.map((host) =>
    listMeeting(host, guestsByInterface).flatMap((index) => {
      const guest = guests[index]
      if (!guest || !mayMeet(host, guest) || !canJoin(host, guest, interfaces)) return []
      return [{ index, closeness: measureCloseness(host, guest) }]
    }),
  )
  // A booster goes to its microphone first, a cable to a device before another cable, nearer things before others.
  for (const wanted of [CLOSEST, 0, 1, IN_ROW, IN_ROW + 1]) {
    for (const [at, meeting] of meetings.entries()) {
      for (const { index, closeness } of meeting) {
        if (closeness !== wanted) continue
        edges[at]?.push(index)
        backEdges[index]?.push(at)
      }
    }
  }
  const graph = {
    hosts: hosts.map((node) => node.priority),
    guests: guests.map((node) => node.priority),
    edges,
    backEdges,
  }
  const costs = meetings.map((meeting) => new Map(meeting.map((it) => [it.index, it.closeness - CLOSEST])))
  return { hosts, guests, graph, costOf: (host, guest) => costs[host]?.get(guest) ?? null }
}

/** A booster at its microphone. */
const CLOSEST = -1
/** Two cables one after the other: rather than that, each goes to a device, even of another role. */
const IN_ROW = 4

function measureCloseness(host: PortNode, guest: PortNode): number {
  if (host.thing.category === 'preamp' && isMicrophone(guest.thing)) return CLOSEST
  const isInRow = CONDUITS.has(host.thing.category) && CONDUITS.has(guest.thing.category)
  return (isInRow ? IN_ROW : 0) + (isSameRole(host, guest) ? 0 : 1)
}

const isMicrophone = ({ category }: PlacedItem) => category !== 'room' && isKindOf(category, 'microphone')

/** Things of one role belong together, and those of a role that serves the other. */
function isSameRole(a: PortNode, b: PortNode): boolean {
  const [one, other] = [a.thing, b.thing]
  if (one.roleId === null || other.roleId === null) return false
  return one.roleId === other.roleId || one.goesWith === other.roleId || other.goesWith === one.roleId
}

/** The ends of a thing: one for each piece of a port, one for each exclusive group. */
export function listNodes(thing: PlacedItem): PortNode[] {
  const groups = new Map<string, Port[]>()
  const nodes: PortNode[] = []
  for (const port of thing.ports) {
    if (port.exclusiveGroup === null) {
      const node = { thing, ports: [port], priority: rank(port, thing) }
      for (let n = 0; n < port.count; n++) nodes.push(node)
      continue
    }
    const group = groups.get(port.exclusiveGroup)
    if (group) group.push(port)
    else groups.set(port.exclusiveGroup, [port])
  }
  for (const ports of groups.values()) {
    const ranks = ports.flatMap((port) => rank(port, thing) ?? [])
    nodes.push({ thing, ports, priority: ranks.length ? Math.min(...ranks) : null })
  }
  return nodes
}

/** What a port is worth in a setup: as much as itself, but no more than the role that its thing fills. */
function rank(port: Port, thing: PlacedItem): number | null {
  if (port.importance === 'optional') return null
  return Math.max(IMPORTANCES.indexOf(port.importance), IMPORTANCES.indexOf(thing.roleImportance))
}

export function indexByInterface(nodes: readonly PortNode[]): Map<string, number[]> {
  const index = new Map<string, number[]>()
  for (const [at, node] of nodes.entries()) {
    for (const code of new Set(node.ports.flatMap((port) => port.interfaces))) {
      const list = index.get(code)
      if (list) list.push(at)
      else index.set(code, [at])
    }
  }
  return index
}

function listMeeting(host: PortNode, guestsByInterface: Map<string, number[]>): number[] {
  const codes = new Set(host.ports.flatMap((port) => port.interfaces))
  if (codes.size === 1) return guestsByInterface.get([...codes][0] ?? '') ?? []
  const meeting = new Set([...codes].flatMap((code) => guestsByInterface.get(code) ?? []))
  return [...meeting].sort((a, b) => a - b)
}

const CONDUITS: ReadonlySet<string> = new Set([
  'cable',
  'cable-adapter',
  'lead',
  'strip',
  'reel',
  'lens-adapter',
  'preamp',
  // Its lead and plug are its own.
  'lavalier',
])

/** Whether two ends can join: different things, one interface in common, and every condition that either side states. */
export function canJoin(host: PortNode, guest: PortNode, interfaces: ReadonlyMap<string, Interface>): boolean {
  if (host.thing === guest.thing) return false
  return host.ports.some((h) => guest.ports.some((g) => canPortsJoin(h, host.thing, g, guest.thing, interfaces)))
}

function canPortsJoin(
  host: Port,
  hostThing: PlacedItem,
  guest: Port,
  guestThing: PlacedItem,
  interfaces: ReadonlyMap<string, Interface>,
): boolean {
  const hasConduit = CONDUITS.has(hostThing.category) || CONDUITS.has(guestThing.category)
  if (!canPortsMeet(host, guest, interfaces, hasConduit)) return false
  return (
    listForbidden(host, guest).length === 0 &&
    isWithinRating(host, guest) &&
    isWithinRating(guest, host) &&
    canBear(host, guestThing)
  )
}

/** Whether two ports go into each other: one interface, opposite sides, and no output on an output. */
export function canPortsMeet(
  a: Port,
  b: Port,
  interfaces: ReadonlyMap<string, Interface>,
  hasConduit: boolean,
): boolean {
  if (a.side === b.side) return false
  const shared = a.interfaces.filter((code) => b.interfaces.includes(code))
  return shared.some((code) => hasConduit || !interfaces.get(code)?.viaCableOnly) && doDirectionsMeet(a, b)
}

/** What one end carries that the other must not get. */
export function listForbidden(a: Port, b: Port): string[] {
  return [...a.forbids.filter((it) => b.carries.includes(it)), ...b.forbids.filter((it) => a.carries.includes(it))]
}

function doDirectionsMeet(a: Port, b: Port): boolean {
  if (a.direction === 'none' || b.direction === 'none') return true
  if (a.direction === 'both' || b.direction === 'both') return true
  return a.direction !== b.direction
}

/** A demand is met by a rating that reaches it. A rating that nobody recorded does not part them: it is reported. */
function isWithinRating(demanding: Port, offering: Port): boolean {
  const { demand } = demanding
  if (!demand || offering.rating?.quantity !== demand.quantity) return true
  return offering.rating.value >= demand.value
}

function canBear(host: Port, guest: PlacedItem): boolean {
  if (host.rating?.quantity !== 'loadGrams' || guest.massGrams === null) return true
  return guest.massGrams <= host.rating.value
}

/** What is not known about a joint that was made: a demand without a rating, or a load without a mass or a limit. */
export function findUnknownAtJoint(host: PortNode, guest: PortNode): 'card-speed' | 'mass' | 'load-limit' | null {
  for (const h of host.ports) {
    for (const g of guest.ports) {
      if (h.demand?.quantity === 'cardMegabytesPerSecond' && g.rating === null) return 'card-speed'
      if (h.rating?.quantity === 'loadGrams' && guest.thing.massGrams === null) return 'mass'
      if (h.rating === null && isBorne(host.thing, h, guest.thing, g)) return 'load-limit'
    }
  }
  return null
}

/** Whether one end bears the other: supports are there for that, and what hangs from a bar is never taken as safe. */
function isBorne(host: PlacedItem, h: Port, guest: PlacedItem, g: Port): boolean {
  if (h.interfaces.includes('bar') && g.interfaces.includes('bar')) return true
  // What a phone fits into bears a phone.
  if (h.interfaces.includes('phone-clamp')) return false
  if (host.category === 'room' || isLight(guest) || guest.category === 'lens') return false
  return CATEGORIES[host.category].group === 'support' && host.category !== 'sandbag' && !isFlow(h)
}

const FLOW: readonly Port['direction'][] = ['in', 'out', 'both']
const isFlow = ({ direction }: Port) => FLOW.includes(direction)
