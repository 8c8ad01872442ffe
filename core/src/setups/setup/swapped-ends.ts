import type { Port } from '../../kit/model/port.ts'
import type { CableRun } from './cable-run.ts'

/** Which end of a thing takes the place of which end of another, by their ids; ends of the same id are left out. */
export type SwappedEnds = Readonly<Record<string, string>>

const isLike = (a: Port, b: Port) => a.side === b.side && a.interfaces.some((code) => b.interfaces.includes(code))

/** The like end of each: the same by name, else the first of its side that takes the same and is not taken yet. */
export function pairEnds(before: readonly Port[], after: readonly Port[]): SwappedEnds {
  const pairs = new Map<string, string>()
  for (const port of before) {
    const same = after.find((it) => it.id === port.id && isLike(it, port))
    if (same) pairs.set(port.id, same.id)
  }
  for (const port of before) {
    if (pairs.has(port.id)) continue
    const taken = new Set(pairs.values())
    const like = after.find((it) => !taken.has(it.id) && isLike(it, port))
    if (like) pairs.set(port.id, like.id)
  }
  return Object.fromEntries([...pairs].filter(([from, to]) => from !== to))
}

export interface Swap {
  unitId: string
  byUnitId: string
  ends?: SwappedEnds
}

/**
 * What somebody stated of a thing holds of the one in its place, end by end. Where it has no like end, what it was joined to
 * stays open: that it stands elsewhere now nobody said.
 */
export function moveLinks(links: readonly CableRun[], { unitId, byUnitId, ends = {} }: Swap): CableRun[] {
  const move = (end: CableRun['from']) =>
    end.unitId === unitId ? { unitId: byUnitId, portId: ends[end.portId] ?? end.portId } : end
  return links.map((run) => ({
    ...run,
    from: move(run.from),
    via: run.via.map((it) => (it === unitId ? byUnitId : it)),
    to: move(run.to),
  }))
}
