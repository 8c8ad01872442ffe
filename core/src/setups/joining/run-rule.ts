import { type CableRun, listChain } from '../setup/cable-run.ts'
import type { JoiningRule } from './port-graph.ts'
import type { PortNode } from './port-node.ts'

/** Where an end goes as somebody stated it: to that thing, and to that end of it where they said so. */
interface Partner {
  key: string
  portId: string | null
}

/** All that is stated of one end. */
interface Stated {
  /** Where its thing is a piece of a run: what it stands between. */
  neighbours: readonly Partner[] | null
  at: readonly Partner[]
  /** Every place of it is taken by what is stated. */
  isFull: boolean
  said: string
}

/**
 * What may join while these runs stand, and which joints are those: a piece of a run joins its neighbours in it and nothing
 * else, and an end all of whose places a run uses takes that run only. A run without pieces is one joint of two ends.
 */
export function makeRunRule(runs: readonly CableRun[]): JoiningRule {
  const neighboursOf = new Map<string, Partner[]>()
  const statedAt = new Map<string, Partner[]>()
  const state = (end: CableRun['from'], partner: Partner) => {
    const at = `${end.unitId}/${end.portId}`
    statedAt.set(at, [...(statedAt.get(at) ?? []), partner])
  }
  for (const run of runs) {
    const chain = listChain(run)
    for (const [at, key] of run.via.entries()) {
      const before = { key: chain[at] ?? '', portId: at === 0 ? run.from.portId : null }
      const after = { key: chain[at + 2] ?? '', portId: at === run.via.length - 1 ? run.to.portId : null }
      neighboursOf.set(key, [before, after])
    }
    const isDirect = run.via.length === 0
    state(run.from, { key: chain[1] ?? '', portId: isDirect ? run.to.portId : null })
    state(run.to, { key: chain.at(-2) ?? '', portId: isDirect ? run.from.portId : null })
  }
  const isAt = (partner: Partner, { thing, ports }: PortNode) =>
    partner.key === thing.key && (partner.portId === null || ports.some((port) => port.id === partner.portId))
  // Each end is asked about against every other: what is stated of it is looked up once.
  const knownOf = new Map<PortNode, Stated>()
  const findStated = (node: PortNode): Stated => {
    const known = knownOf.get(node)
    if (known) return known
    const at = node.ports.flatMap((port) => statedAt.get(`${node.thing.key}/${port.id}`) ?? [])
    const neighbours = neighboursOf.get(node.thing.key) ?? null
    const isFull = at.length > 0 && at.length >= (node.ports[0]?.count ?? 1)
    const said = neighbours || at.length > 0 ? JSON.stringify([neighbours, at]) : ''
    const stated = { neighbours, at, isFull, said }
    knownOf.set(node, stated)
    return stated
  }

  const allows = (own: PortNode, other: PortNode): boolean => {
    const { neighbours, at, isFull } = findStated(own)
    if (neighbours && !neighbours.some((it) => isAt(it, other))) return false
    return !isFull || at.some((it) => isAt(it, other))
  }
  const leadsTo = (own: PortNode, other: PortNode): boolean => {
    const { neighbours, at } = findStated(own)
    return (neighbours?.some((it) => isAt(it, other)) ?? false) || at.some((it) => isAt(it, other))
  }
  return {
    mayMeet: (host, guest) => allows(host, guest) && allows(guest, host),
    isStated: (host, guest) => leadsTo(host, guest) && leadsTo(guest, host),
    describe: (end) => findStated(end).said,
  }
}
