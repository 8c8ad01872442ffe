import { type CableRun, listChain } from '../setup/cable-run.ts'
import type { JoiningRule } from './port-graph.ts'
import type { PortNode } from './port-node.ts'

/** Where an end goes as somebody stated it: to that thing, and to that end of it where they said so. */
interface Partner {
  key: string
  portId: string | null
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
  const listStated = ({ thing, ports }: PortNode) =>
    ports.flatMap((port) => statedAt.get(`${thing.key}/${port.id}`) ?? [])

  const allows = (own: PortNode, other: PortNode): boolean => {
    const neighbours = neighboursOf.get(own.thing.key)
    if (neighbours && !neighbours.some((it) => isAt(it, other))) return false
    const stated = listStated(own)
    const isFull = stated.length > 0 && stated.length >= (own.ports[0]?.count ?? 1)
    return !isFull || stated.some((it) => isAt(it, other))
  }
  const leadsTo = (own: PortNode, other: PortNode): boolean =>
    [...(neighboursOf.get(own.thing.key) ?? []), ...listStated(own)].some((it) => isAt(it, other))
  return {
    mayMeet: (host, guest) => allows(host, guest) && allows(guest, host),
    isStated: (host, guest) => leadsTo(host, guest) && leadsTo(guest, host),
  }
}
