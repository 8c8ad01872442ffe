import { addCableRun, type CableRun, listChain } from '../setup/cable-run.ts'
import type { Joint } from './completeness.ts'

/** One end of a thing. */
export interface JointEnd {
  key: string
  portId: string
}

/** Two ends that are joined, or are to be. */
export interface JointEnds {
  host: JointEnd
  guest: JointEnd
}

/** How one joint is put otherwise: what there was of it, and what there is to be; null for nothing. */
export interface JointChange {
  was: JointEnds | null
  next: JointEnds | null
}

const single = ({ host, guest }: JointEnds): CableRun => ({
  from: { unitId: guest.key, portId: guest.portId },
  via: [],
  to: { unitId: host.key, portId: host.portId },
  neededMm: null,
})

/**
 * What is stated of a setup after one joint is put otherwise. Of a run that it was part of, all other joints stay as they were
 * stated, each by itself. `joints` are those of the setup before; `countEnd` says how many there are of an end.
 */
export function restateJoint(
  links: readonly CableRun[],
  joints: readonly Joint[],
  { was, next }: JointChange,
  countEnd: (end: JointEnd) => number,
): CableRun[] {
  const broken = was ? links.filter((it) => isPartOf(was, it)) : []
  const rest = broken.flatMap((run) => joints.filter((it) => isPartOf(it, run) && was && !isSameJoint(it, was)))
  const count = (end: CableRun['from']) => countEnd({ key: end.unitId, portId: end.portId })
  const kept = [...links.filter((it) => !broken.includes(it)), ...rest.map(single)]
  return next ? addCableRun(kept, single(next), count) : kept
}

const isSameEnd = (a: JointEnd, b: JointEnd) => a.key === b.key && a.portId === b.portId

export const isSameJoint = (a: JointEnds, b: JointEnds) => isSameEnd(a.host, b.host) && isSameEnd(a.guest, b.guest)

/** Whether a stated run has this joint in it: between two neighbours of it, and at its own ends where it begins or ends there. */
function isPartOf({ host, guest }: JointEnds, run: CableRun): boolean {
  const chain = listChain(run)
  const fits = (end: JointEnd, at: number) =>
    chain[at] === end.key &&
    (at > 0 || run.from.portId === end.portId) &&
    (at < chain.length - 1 || run.to.portId === end.portId)
  return chain
    .slice(1)
    .some((_, at) => (fits(host, at) && fits(guest, at + 1)) || (fits(guest, at) && fits(host, at + 1)))
}
