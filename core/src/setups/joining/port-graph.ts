import type { Interface } from '../../kit/model/interface.ts'
import { IMPORTANCES, type Port } from '../../kit/model/port.ts'
import { readUsual } from '../../kit/template/usual-facts.ts'
import type { PlacedItem } from '../placed/placed-item.ts'
import { isBorne, isInShoe } from './bearing.ts'
import {
  type Crowd,
  describeCrowd,
  findJointCost,
  findPull,
  goesStraightIn,
  isWithinRating,
  type JointCost,
} from './joint-costs.ts'
import { type CostOf, WORTH_OF_STATED } from './least-cost.ts'
import type { BipartiteGraph } from './matching.ts'
import type { PortNode } from './port-node.ts'

export interface PortGraph {
  hosts: PortNode[]
  guests: PortNode[]
  graph: BipartiteGraph
  costOf: CostOf
  /** How unlikely a joint is, ratings aside. */
  plausibilityOf(host: number, guest: number): number
}

/** Which ends may meet while some joints are stated, and which of them are those. */
export interface JoiningRule {
  mayMeet(host: PortNode, guest: PortNode): boolean
  isStated(host: PortNode, guest: PortNode): boolean
  /** All that is stated of an end, in one line, empty where nothing is: an end of which the same is stated is as it was. */
  describe(end: PortNode): string
}

const NO_RULE: JoiningRule = { mayMeet: () => true, isStated: () => false, describe: () => '' }

/** Builds the bipartite graph of a set of things, each edge with what it costs; of equal ones the order of the things stays. */
export function buildPortGraph(
  things: readonly PlacedItem[],
  interfaces: ReadonlyMap<string, Interface>,
  rule?: JoiningRule,
  findPair?: PairFinder,
): PortGraph {
  return buildNodeGraph(things.flatMap(listNodes), interfaces, rule, findPair)
}

interface Meeting {
  index: number
  cost: number
  plausibility: number
}

/** Whether two ends go into each other, and how likely it is that they are meant for each other; null for what nobody does. */
export interface EndPair {
  couldJoin: boolean
  cost: JointCost | null
}

/** Looks at two ends; may know them again, as what is found hangs on their things, the crowd and the interfaces alone. */
export type PairFinder = (host: PortNode, guest: PortNode, crowd: Crowd) => EndPair

export const makePairFinder =
  (interfaces: ReadonlyMap<string, Interface>): PairFinder =>
  (host, guest, crowd) =>
    couldJoin(host, guest, interfaces)
      ? { couldJoin: true, cost: findJointCost(host, guest, crowd, interfaces) }
      : NEVER

const NEVER: EndPair = { couldJoin: false, cost: null }

/** The same of some ends of things. */
export function buildNodeGraph(
  nodes: readonly PortNode[],
  interfaces: ReadonlyMap<string, Interface>,
  { mayMeet, isStated }: JoiningRule = NO_RULE,
  findPair: PairFinder = makePairFinder(interfaces),
): PortGraph {
  const hosts = nodes.filter((node) => node.ports[0]?.side === 'host')
  const guests = nodes.filter((node) => node.ports[0]?.side === 'guest')
  const guestsByInterface = indexByInterface(guests)
  const crowd = describeCrowd(nodes)
  const edges: number[][] = hosts.map(() => [])
  const backEdges: number[][] = guests.map(() => [])
  const meetings = hosts.map((host) =>
    listMeeting(host, guestsByInterface).flatMap((index): Meeting[] => {
      const guest = guests[index]
      if (!guest || !mayMeet(host, guest)) return []
      const pair = findPair(host, guest, crowd)
      if (!pair.couldJoin) return []
      // What somebody stated is joined, however odd it looks.
      if (isStated(host, guest)) return [{ index, cost: -WORTH_OF_STATED, plausibility: 0 }]
      return pair.cost ? [{ index, cost: pair.cost.cost, plausibility: pair.cost.plausibility }] : []
    }),
  )
  const byCost = meetings.flatMap((meeting, at) => meeting.map(({ index, cost }) => ({ at, index, cost })))
  for (const { at, index } of byCost.sort((a, b) => a.cost - b.cost)) {
    edges[at]?.push(index)
    backEdges[index]?.push(at)
  }
  const graph = {
    hosts: hosts.map((node) => node.priority ?? findPull(node, crowd)),
    guests: guests.map((node) => node.priority ?? findPull(node, crowd)),
    edges,
    backEdges,
  }
  const costs = meetings.map((meeting) => new Map(meeting.map((it) => [it.index, it])))
  return {
    hosts,
    guests,
    graph,
    costOf: (host, guest) => costs[host]?.get(guest)?.cost ?? null,
    plausibilityOf: (host, guest) => costs[host]?.get(guest)?.plausibility ?? 0,
  }
}

const nodesOf = new WeakMap<PlacedItem, readonly PortNode[]>()

/** The ends of a thing: one for each piece of a port, one for each exclusive group. The same each time for the same thing. */
export function listNodes(thing: PlacedItem): readonly PortNode[] {
  const known = nodesOf.get(thing)
  if (known) return known
  const nodes = makeNodes(thing)
  nodesOf.set(thing, nodes)
  return nodes
}

function makeNodes(thing: PlacedItem): PortNode[] {
  const groups = new Map<string, Port[]>()
  const nodes: PortNode[] = []
  for (const port of thing.ports) {
    if (port.exclusiveGroup === null) {
      const node = { thing, ports: [port], priority: rank(port, thing), codes: listCodes([port]) }
      for (let n = 0; n < port.count; n++) nodes.push(node)
      continue
    }
    const group = groups.get(port.exclusiveGroup)
    if (group) group.push(port)
    else groups.set(port.exclusiveGroup, [port])
  }
  for (const ports of groups.values()) {
    const ranks = ports.flatMap((port) => rank(port, thing) ?? [])
    nodes.push({ thing, ports, priority: ranks.length ? Math.min(...ranks) : null, codes: listCodes(ports) })
  }
  return nodes
}

const listCodes = (ports: readonly Port[]) => [...new Set(ports.flatMap((port) => port.interfaces))]

/** What a port is worth in a setup: as much as itself, but no more than the role that its thing fills. */
function rank(port: Port, thing: PlacedItem): number | null {
  if (port.importance === 'optional') return null
  return Math.max(IMPORTANCES.indexOf(port.importance), IMPORTANCES.indexOf(thing.roleImportance))
}

export function indexByInterface(nodes: readonly PortNode[]): Map<string, number[]> {
  const index = new Map<string, number[]>()
  for (const [at, node] of nodes.entries()) {
    for (const code of node.codes) {
      const list = index.get(code)
      if (list) list.push(at)
      else index.set(code, [at])
    }
  }
  return index
}

function listMeeting(host: PortNode, guestsByInterface: Map<string, number[]>): number[] {
  const { codes } = host
  if (codes.length === 1) return guestsByInterface.get(codes[0] ?? '') ?? []
  const meeting = new Set(codes.flatMap((code) => guestsByInterface.get(code) ?? []))
  return [...meeting].sort((a, b) => a - b)
}

/**
 * Whether two ends go into each other: different things, one interface in common, and nothing that either side forbids. What is
 * too weak for what it carries is joined all the same, and told as that.
 */
export function couldJoin(host: PortNode, guest: PortNode, interfaces: ReadonlyMap<string, Interface>): boolean {
  if (host.thing === guest.thing) return false
  const hasConduit = goesStraightIn(host.thing, guest.thing)
  return host.ports.some((h) => guest.ports.some((g) => couldPortsJoin(h, g, interfaces, hasConduit)))
}

/** Whether two ends can be joined and hold: every condition that either side states is met. */
export function canJoin(host: PortNode, guest: PortNode, interfaces: ReadonlyMap<string, Interface>): boolean {
  if (host.thing === guest.thing) return false
  const hasConduit = goesStraightIn(host.thing, guest.thing)
  return host.ports.some((h) =>
    guest.ports.some(
      (g) =>
        couldPortsJoin(h, g, interfaces, hasConduit) &&
        isWithinRating(h, g) &&
        isWithinRating(g, h) &&
        (readUsual(host.thing.model).includes('loadGrams') || canBear(h, guest.thing)),
    ),
  )
}

const couldPortsJoin = (
  host: Port,
  guest: Port,
  interfaces: ReadonlyMap<string, Interface>,
  hasConduit: boolean,
): boolean => canPortsMeet(host, guest, interfaces, hasConduit) && listForbidden(host, guest).length === 0

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

function canBear(host: Port, guest: PlacedItem): boolean {
  if (host.rating?.quantity !== 'loadGrams' || guest.massGrams === null) return true
  // What is only usual parts nothing: the sum asks about it.
  if (readUsual(guest.model).includes('massGrams')) return true
  return guest.massGrams <= host.rating.value
}

/** What is fast enough in a sleeve is the card in it. */
const isSleeve = ({ category }: PlacedItem) => category === 'card-sleeve'

/** What is not known about a joint that was made: a demand without a rating, or a load without a mass or a limit. */
export function findUnknownAtJoint(host: PortNode, guest: PortNode): 'card-speed' | 'mass' | 'load-limit' | null {
  for (const h of host.ports) {
    for (const g of guest.ports) {
      if (h.demand?.quantity === 'cardMegabytesPerSecond' && g.rating === null && !isSleeve(guest.thing))
        return 'card-speed'
      if (h.rating?.quantity === 'loadGrams' && guest.thing.massGrams === null) return 'mass'
      if (isInShoe(host.thing, h, guest.thing)) return 'mass'
      if (h.rating === null && isBorne(host.thing, h, guest.thing, g)) return 'load-limit'
    }
  }
  return null
}
