import type { Interface } from '../kit/interface.ts'
import { addVariableMutably, type IntegerProgram, makeProgram, type ProgramRow } from '../units/integer-program.ts'
import { canJoin, indexByInterface, listNodes, type PortNode } from './port-graph.ts'
import { carries } from './rings.ts'
import type { SetThing } from './thing.ts'

/** A piece that stands in the setup, or one of the store that may be added, with the ways in which it can be powered. */
export interface Choice {
  /** The same piece once for each way; what stands in the setup has the way of now first. */
  ways: readonly SetThing[]
  /** What each way costs: nothing for what is as it is. */
  costs: readonly number[]
  /** Of the store: it may stay out, and where it comes in all of its essential ends are met. */
  isHelper: boolean
  /** Helpers that are alike and cost the same may be taken in any order: the first of them is taken first. */
  alike: string | null
}

export interface ConnectProgram {
  program: IntegerProgram
  /** The variable of each way of each choice. */
  wayOf: number[][]
  /** Ends of what stands in the setup that have to be met: the variable that is 1 where one stays open. */
  opens: { node: PortNode; variable: number }[]
  /** 1 where the circuit is overloaded; null where nobody asked. */
  overload: number | null
}

interface Placed {
  choice: number
  way: number
  node: PortNode
}

/**
 * Which things to add, how to power everything, and what to join, as an integer program: each end is joined once at most,
 * only while its thing is there in that way; the ends of helpers are all met; what stands, stands on the floor in the end
 * (order along rings after Miller, Tucker and Zemlin, Journal of the ACM 7, 1960). Costs are left for the caller to set.
 */
export function buildConnectProgram(
  choices: readonly Choice[],
  interfaces: ReadonlyMap<string, Interface>,
  ratedMilliwatts: number | null,
): ConnectProgram {
  const program = makeProgram()
  const wayOf = choices.map((choice) => choice.ways.map(() => addVariableMutably(program, 0)))
  for (const [at, ways] of wayOf.entries()) {
    const isHelper = choices[at]?.isHelper ?? false
    program.rows.push({ terms: ways.map((it) => [it, 1]), least: isHelper ? null : 1, most: 1 })
  }
  addOrderOfAlike(program, choices, wayOf)
  const placed = choices.flatMap((choice, at) =>
    choice.ways.flatMap((thing, way) => listNodes(thing).map((node): Placed => ({ choice: at, way, node }))),
  )
  const joints = addJoints(program, placed, interfaces)
  const opens = addEnds(program, choices, placed, wayOf, joints)
  addRings(program, placed, joints, interfaces)
  return { program, wayOf, opens, overload: addLoad(program, choices, wayOf, ratedMilliwatts) }
}

/** Of alike helpers the first is taken first: otherwise the solver would try them all in every order. */
function addOrderOfAlike(program: IntegerProgram, choices: readonly Choice[], wayOf: readonly number[][]): void {
  const last = new Map<string, number>()
  for (const [at, { alike }] of choices.entries()) {
    if (alike === null) continue
    const before = last.get(alike)
    last.set(alike, at)
    if (before === undefined) continue
    const terms: ProgramRow['terms'] = [
      ...(wayOf[at] ?? []).map((it) => [it, 1] as const),
      ...(wayOf[before] ?? []).map((it) => [it, -1] as const),
    ]
    program.rows.push({ terms, least: null, most: 0 })
  }
}

interface ProgramJoint {
  host: number
  guest: number
  variable: number
}

function addJoints(
  program: IntegerProgram,
  placed: readonly Placed[],
  interfaces: ReadonlyMap<string, Interface>,
): ProgramJoint[] {
  const isGuest = (it: Placed) => it.node.ports[0]?.side === 'guest'
  const guests = placed.flatMap((it, at) => (isGuest(it) ? [{ ...it, at }] : []))
  const index = indexByInterface(guests.map((it) => it.node))
  return placed.flatMap((host, at) => {
    if (isGuest(host)) return []
    const codes = new Set(host.node.ports.flatMap((port) => port.interfaces))
    const meeting = new Set([...codes].flatMap((code) => index.get(code) ?? []))
    return [...meeting]
      .sort((a, b) => a - b)
      .flatMap((it): ProgramJoint[] => {
        const guest = guests[it]
        if (!guest || guest.choice === host.choice || !canJoin(host.node, guest.node, interfaces)) return []
        // Where each thing and its way are whole, the joints of a bipartite graph come out whole by themselves.
        return [{ host: at, guest: guest.at, variable: addVariableMutably(program, 0, false) }]
      })
  })
}

function addEnds(
  program: IntegerProgram,
  choices: readonly Choice[],
  placed: readonly Placed[],
  wayOf: readonly number[][],
  joints: readonly ProgramJoint[],
): ConnectProgram['opens'] {
  const jointsOf: number[][] = placed.map(() => [])
  for (const { host, guest, variable } of joints) {
    jointsOf[host]?.push(variable)
    jointsOf[guest]?.push(variable)
  }
  return placed.flatMap(({ choice, way, node }, at) => {
    const present = wayOf[choice]?.[way] ?? -1
    const terms: (readonly [number, number])[] = [...(jointsOf[at] ?? []).map((it) => [it, 1] as const), [present, -1]]
    program.rows.push({ terms, least: null, most: 0 })
    if (node.priority === null) return []
    if (choices[choice]?.isHelper) {
      if (node.priority === 0) program.rows.push({ terms, least: 0, most: null })
      return []
    }
    const variable = addVariableMutably(program, 0, false)
    program.rows.push({ terms: [...terms, [variable, 1]], least: 0, most: null })
    return [{ node, variable }]
  })
}

/** Along joints that carry, heights rise; only where a ring is possible at all is anything to be said. */
function addRings(
  program: IntegerProgram,
  placed: readonly Placed[],
  joints: readonly ProgramJoint[],
  interfaces: ReadonlyMap<string, Interface>,
): void {
  const carrying = joints.flatMap((joint) => {
    const host = placed[joint.host]
    const guest = placed[joint.guest]
    if (!host || !guest || !carries(host.node, guest.node, interfaces)) return []
    return [{ ...joint, below: host.choice, above: guest.choice }]
  })
  const groupOf = findGroups(carrying)
  const heightOf = new Map<number, number>()
  for (const { below, above, variable } of carrying) {
    const group = groupOf.get(below)
    if (group === undefined || group.id !== groupOf.get(above)?.id) continue
    program.isWhole[variable] = true
    const heightAt = (choice: number): number => {
      const known = heightOf.get(choice)
      if (known !== undefined) return known
      const height = addVariableMutably(program, 0, false, group.size)
      heightOf.set(choice, height)
      return height
    }
    const terms: ProgramRow['terms'] = [
      [heightAt(below), 1],
      [heightAt(above), -1],
      [variable, group.size + 1],
    ]
    program.rows.push({ terms, least: null, most: group.size })
  }
}

/** Things that could carry each other round in a ring: strongly connected components (Tarjan, SIAM J. Comput. 1, 1972). */
function findGroups(edges: readonly { below: number; above: number }[]): Map<number, { id: number; size: number }> {
  const next = new Map<number, number[]>()
  for (const { below, above } of edges) next.set(below, [...(next.get(below) ?? []), above])
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
