import { type CableRun, listChain } from '../setup/cable-run.ts'
import type { PortNode } from './port-graph.ts'

/**
 * Whether two ends may join while these runs stand: a piece of a run joins its neighbours in it and nothing else, and a
 * single socket that a run uses takes that run only.
 */
export function makeRunRule(runs: readonly CableRun[]): (host: PortNode, guest: PortNode) => boolean {
  const neighboursOf = new Map<string, { key: string; portId: string | null }[]>()
  const pieceAt = new Map<string, string>()
  for (const run of runs) {
    const chain = listChain(run)
    for (const [at, key] of run.via.entries()) {
      const before = { key: chain[at] ?? '', portId: at === 0 ? run.from.portId : null }
      const after = { key: chain[at + 2] ?? '', portId: at === run.via.length - 1 ? run.to.portId : null }
      neighboursOf.set(key, [before, after])
    }
    pieceAt.set(`${run.from.unitId}/${run.from.portId}`, chain[1] ?? '')
    pieceAt.set(`${run.to.unitId}/${run.to.portId}`, chain.at(-2) ?? '')
  }
  const allows = (own: PortNode, other: PortNode): boolean => {
    const neighbours = neighboursOf.get(own.thing.key)
    const isNeighbour = (it: { key: string; portId: string | null }) =>
      it.key === other.thing.key && (it.portId === null || other.ports.some((port) => port.id === it.portId))
    if (neighbours && !neighbours.some(isNeighbour)) return false
    const [port] = own.ports
    const piece = port?.count === 1 ? pieceAt.get(`${own.thing.key}/${port.id}`) : undefined
    return piece === undefined || piece === other.thing.key
  }
  return (host, guest) => allows(host, guest) && allows(guest, host)
}
