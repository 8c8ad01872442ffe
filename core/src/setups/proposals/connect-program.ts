import type { Interface } from '../../kit/model/interface.ts'
import { addVariableMutably, type IntegerProgram, makeProgram, type ProgramRow } from '../../units/integer-program.ts'
import { carries, isBetween, joinOnce } from '../joining/cycles.ts'
import { describeCrowd, findJointCost } from '../joining/joint-costs.ts'
import { canJoin, indexByInterface, listNodes } from '../joining/port-graph.ts'
import type { PortNode } from '../joining/port-node.ts'
import type { PlacedItem } from '../placed/placed-item.ts'

/** A piece that stands in the setup, or pieces of the store that are alike, with the ways in which each can be powered. */
export interface Choice {
  /** The same piece once for each way; what stands in the setup has the way of now first. */
  ways: readonly PlacedItem[]
  /** What each way costs: nothing for what is as it is. */
  costs: readonly number[]
  /** Of the store: it may stay out, and where it comes in all of its essential ends are met. */
  isHelper: boolean
  /** It may stay out as a helper may, and of its ends is told which stay open. */
  isOffered?: boolean
  /** How many pieces there are that are alike in everything, cost included. */
  count: number
}

/** The pieces of one port of a thing in one way, or an exclusive group: `many` ends that are alike. */
export interface ProgramEnd {
  node: PortNode
  many: number
  /** How many of them stay open. */
  variable: number
}

export interface ConnectProgram {
  program: IntegerProgram
  /** The variable of each way of each choice: how many pieces are there in that way. */
  wayOf: number[][]
  /** Ends of what stands in the setup, or is offered, that have to be met. */
  opens: ProgramEnd[]
  /** The variables of all joints of each choice. */
  jointsOf: number[][]
  /** 1 where the circuit is overloaded; null where nobody asked. */
  overload: number | null
}

interface Placed {
  choice: number
  way: number
  node: PortNode
  many: number
}

/**
 * Which things to add, how to power everything, and what to join, as an integer program: each end is joined once at most,
 * only while its thing is there in that way; the ends of helpers are all met; what stands, stands on the floor in the end
 * (order along rings after Miller, Tucker and Zemlin, Journal of the ACM 7, 1960). Costs are left for the caller to set.
 * Alike pieces are counted, not told apart: exact for pieces that do not join each other (see `foldAlike`).
 */
export function buildConnectProgram(
  choices: readonly Choice[],
  interfaces: ReadonlyMap<string, Interface>,
  ratedMilliwatts: number | null,
  mayMeet: (host: PortNode, guest: PortNode) => boolean = () => true,
): ConnectProgram {
  const program = makeProgram()
  const wayOf = choices.map((choice) => choice.ways.map(() => addVariableMutably(program, 0, true, choice.count)))
  for (const [at, ways] of wayOf.entries()) {
    const { isHelper, isOffered, count } = choices[at] ?? { isHelper: false, count: 1 }
    program.rows.push({ terms: ways.map((it) => [it, 1]), least: isHelper || isOffered ? null : 1, most: count })
  }
  const placed = choices.flatMap((choice, at) =>
    choice.ways.flatMap((thing, way) => listEnds(thing).map((end): Placed => ({ choice: at, way, ...end }))),
  )
  const joints = listJoints(placed, interfaces, mayMeet).map((joint): ProgramJoint => {
    const host = placed[joint.host]
    const guest = placed[joint.guest]
    const most = Math.min(countOf(host, choices), countOf(guest, choices))
    // Where each thing and its way are whole, the joints of a bipartite graph come out whole by themselves.
    return { ...joint, variable: addVariableMutably(program, 0, false, most) }
  })
  addSingleJoints(program, choices, placed, wayOf, joints)
  const opens = addEnds(program, choices, placed, wayOf, joints)
  addRings(program, placed, joints, interfaces)
  const jointsOf: number[][] = choices.map(() => [])
  for (const { host, guest, variable } of joints) {
    jointsOf[placed[host]?.choice ?? -1]?.push(variable)
    jointsOf[placed[guest]?.choice ?? -1]?.push(variable)
  }
  return { program, wayOf, opens, jointsOf, overload: addLoad(program, choices, wayOf, ratedMilliwatts) }
}

function countOf(it: Placed | undefined, choices: readonly Choice[]): number {
  return (it?.many ?? 0) * (choices[it?.choice ?? -1]?.count ?? 0)
}

function listEnds(thing: PlacedItem): { node: PortNode; many: number }[] {
  const ends = new Map<string, { node: PortNode; many: number }>()
  for (const node of listNodes(thing)) {
    const id = node.ports[0]?.id ?? ''
    ends.set(id, { node, many: (ends.get(id)?.many ?? 0) + 1 })
  }
  return [...ends.values()]
}

/**
 * Counts alike pieces of the store together. Pieces that could join each other are told apart, unless they have two ends only
 * (then two in a row do nothing that one does not), and so are those that could stand in a ring with others.
 */
export function foldAlike(
  own: readonly Choice[],
  classes: readonly (readonly Choice[])[],
  interfaces: ReadonlyMap<string, Interface>,
): Choice[][] {
  const fold = (pieces: readonly Choice[]): Choice[] => {
    const [first] = pieces
    return first ? [{ ...first, count: pieces.length }] : []
  }
  const folded = classes.map((pieces) => (joinsItself(pieces, interfaces) ? [...pieces] : fold(pieces)))
  const all = [...own, ...folded.flat()]
  const placed = all.flatMap((choice, at) =>
    choice.ways.flatMap((thing, way) => listEnds(thing).map((end): Placed => ({ choice: at, way, ...end }))),
  )
  const groups = findGroups(listCarrying(placed, listJoints(placed, interfaces), interfaces))
  let at = own.length
  return folded.map((choices, index) => {
    const inRing = choices.some((_, offset) => (groups.get(at + offset)?.size ?? 1) > 1)
    at += choices.length
    return inRing ? [...(classes[index] ?? [])] : choices
  })
}

function joinsItself([first, second]: readonly Choice[], interfaces: ReadonlyMap<string, Interface>): boolean {
  if (!first || !second) return false
  const ends = first.ways.flatMap(listEnds)
  const others = second.ways.flatMap(listEnds)
  const isPair = first.ways.length === 1 && ends.reduce((sum, it) => sum + it.many, 0) === 2
  if (isPair) return false
  return ends.some(({ node: a }) =>
    others.some(
      ({ node: b }) => a.ports[0]?.side === 'host' && b.ports[0]?.side === 'guest' && canJoin(a, b, interfaces),
    ),
  )
}

interface Pair {
  host: number
  guest: number
}

type ProgramJoint = Pair & { variable: number }

/** Every two ends of different choices that can join. */
function listJoints(
  placed: readonly Placed[],
  interfaces: ReadonlyMap<string, Interface>,
  mayMeet: (host: PortNode, guest: PortNode) => boolean = () => true,
): Pair[] {
  const crowd = describeCrowd(placed.map((it) => it.node))
  const isGuest = (it: Placed) => it.node.ports[0]?.side === 'guest'
  const guests = placed.flatMap((it, at) => (isGuest(it) ? [{ ...it, at }] : []))
  const index = indexByInterface(guests.map((it) => it.node))
  return placed.flatMap((host, at) => {
    if (isGuest(host)) return []
    const codes = new Set(host.node.ports.flatMap((port) => port.interfaces))
    const meeting = new Set([...codes].flatMap((code) => index.get(code) ?? []))
    return [...meeting]
      .sort((a, b) => a - b)
      .flatMap((it): Pair[] => {
        const guest = guests[it]
        if (!guest || guest.choice === host.choice) return []
        if (!mayMeet(host.node, guest.node) || !canJoin(host.node, guest.node, interfaces)) return []
        // What nobody would do is proposed to nobody.
        if (findJointCost(host.node, guest.node, crowd, interfaces) === null) return []
        return [{ host: at, guest: guest.at }]
      })
  })
}

function addEnds(
  program: IntegerProgram,
  choices: readonly Choice[],
  placed: readonly Placed[],
  wayOf: readonly number[][],
  joints: readonly ProgramJoint[],
): ProgramEnd[] {
  const jointsOf: number[][] = placed.map(() => [])
  for (const { host, guest, variable } of joints) {
    jointsOf[host]?.push(variable)
    jointsOf[guest]?.push(variable)
  }
  return placed.flatMap(({ choice, way, node, many }, at) => {
    const present = wayOf[choice]?.[way] ?? -1
    const terms: ProgramRow['terms'] = [...(jointsOf[at] ?? []).map((it) => [it, 1] as const), [present, -many]]
    program.rows.push({ terms, least: null, most: 0 })
    if (node.priority === null) return []
    if (choices[choice]?.isHelper) {
      if (node.priority === 0) program.rows.push({ terms, least: 0, most: null })
      return []
    }
    const variable = addVariableMutably(program, 0, false, many)
    program.rows.push({ terms: [...terms, [variable, 1]], least: 0, most: null })
    return [{ node, many, variable }]
  })
}

/** A cable joins another thing once: of so many cables at most so many ends are in it. */
function addSingleJoints(
  program: IntegerProgram,
  choices: readonly Choice[],
  placed: readonly Placed[],
  wayOf: readonly number[][],
  joints: readonly ProgramJoint[],
): void {
  const pairs = new Map<string, { cable: number; variables: number[] }>()
  for (const { host, guest, variable } of joints) {
    const a = placed[host]
    const b = placed[guest]
    if (!a || !b || !joinOnce(a.node.thing, b.node.thing)) continue
    const [cable, other] = isBetween(a.node.thing) ? [a.choice, b.choice] : [b.choice, a.choice]
    const key = [cable, other].sort((x, y) => x - y).join()
    const known = pairs.get(key)
    if (known) known.variables.push(variable)
    else pairs.set(key, { cable, variables: [variable] })
  }
  for (const { cable, variables } of pairs.values()) {
    if (variables.length < 2 && (program.most[variables[0] ?? -1] ?? 0) <= (choices[cable]?.count ?? 1)) continue
    const terms: ProgramRow['terms'] = [
      ...variables.map((it) => [it, 1] as const),
      ...(wayOf[cable] ?? []).map((it) => [it, -1] as const),
    ]
    program.rows.push({ terms, least: null, most: 0 })
  }
}

interface Carrying {
  below: number
  above: number
}

function listCarrying<T extends Pair>(
  placed: readonly Placed[],
  joints: readonly T[],
  interfaces: ReadonlyMap<string, Interface>,
): (T & Carrying)[] {
  return joints.flatMap((joint) => {
    const host = placed[joint.host]
    const guest = placed[joint.guest]
    if (!host || !guest || !carries(host.node, guest.node, interfaces)) return []
    return [{ ...joint, below: host.choice, above: guest.choice }]
  })
}

/** Along joints that carry, heights rise; only where a ring is possible at all is anything to be said. */
function addRings(
  program: IntegerProgram,
  placed: readonly Placed[],
  joints: readonly ProgramJoint[],
  interfaces: ReadonlyMap<string, Interface>,
): void {
  const carrying = listCarrying(placed, joints, interfaces)
  const groupOf = findGroups(carrying)
  const heightOf = new Map<number, number>()
  for (const { below, above, variable } of carrying) {
    const group = groupOf.get(below)
    if (group === undefined || group.id !== groupOf.get(above)?.id) continue
    const heightAt = (choice: number): number => {
      const known = heightOf.get(choice)
      if (known !== undefined) return known
      const height = addVariableMutably(program, 0, false, group.size)
      heightOf.set(choice, height)
      return height
    }
    // Whether they are joined at all: two ends of the same things may be joined at once.
    const most = program.most[variable] ?? 1
    const isJoined = addVariableMutably(program, 0)
    program.rows.push({
      terms: [
        [variable, 1],
        [isJoined, -most],
      ],
      least: null,
      most: 0,
    })
    const terms: ProgramRow['terms'] = [
      [heightAt(below), 1],
      [heightAt(above), -1],
      [isJoined, group.size + 1],
    ]
    program.rows.push({ terms, least: null, most: group.size })
  }
}

/** Things that could carry each other round in a ring: strongly connected components (Tarjan, SIAM J. Comput. 1, 1972). */
function findGroups(edges: readonly Carrying[]): Map<number, { id: number; size: number }> {
  const next = new Map<number, number[]>()
  for (const { below, above } of edges) {
    const known = next.get(below)
    if (known) known.push(above)
    else next.set(below, [above])
  }
  const order = new Map<number, number>()
  const low = new Map<number, number>()
  const stack: number[] = []
  const groups = new Map<number, { id: number; size: number }>()
  const visit = (at: number): void => {
    order.set(at, order.size)
    low.set(at, order.get(at) ?? 0)
    stack.push(at)
    for (const other of next.get(at) ?? []) {
      if (!order.has(other)) visit(other)
      if (!groups.has(other)) low.set(at, Math.min(low.get(at) ?? 0, low.get(other) ?? 0))
    }
    if (low.get(at) !== order.get(at)) return
    const members = stack.splice(stack.indexOf(at))
    for (const member of members) groups.set(member, { id: at, size: members.length })
  }
  for (const at of next.keys()) if (!order.has(at)) visit(at)
  return groups
}

/** The watts that come from the mains, against what the circuit gives. */
function addLoad(
  program: IntegerProgram,
  choices: readonly Choice[],
  wayOf: readonly number[][],
  ratedMilliwatts: number | null,
): number | null {
  if (ratedMilliwatts === null) return null
  const terms = choices.flatMap((choice, at) =>
    choice.ways.flatMap((thing, way): [number, number][] => {
      const watts = thing.powerMode?.source === 'mains' ? Math.ceil((thing.powerMode.milliwatts ?? 0) / 1000) : 0
      return watts > 0 ? [[wayOf[at]?.[way] ?? -1, watts]] : []
    }),
  )
  if (terms.length === 0) return null
  const total = terms.reduce((sum, [, watts]) => sum + watts, 0)
  const overload = addVariableMutably(program, 0)
  program.rows.push({ terms: [...terms, [overload, -total]], least: null, most: Math.floor(ratedMilliwatts / 1000) })
  return overload
}
