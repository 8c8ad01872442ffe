import type { Interval } from '../../units/interval.ts'
import { LIFE_STATES, type LifeState } from '../unit/unit.ts'

/** Something that was shot or done with the kit: when, and with which things, whether they left the house for it or stand ready. */
export interface Session {
  on: string
  at: number
  unitIds: ReadonlySet<string>
}

/** A change of a thing's state of life, in the order in which they happened. */
export interface StateChange {
  at: number
  before: LifeState
  after: LifeState
}

/** The stretches of time in which a thing was in a state that cannot be used, the last one open where it still is. */
export function listUnusableSpans(changes: readonly StateChange[], now: LifeState): Interval[] {
  const spans: Interval[] = []
  let from = Number.NEGATIVE_INFINITY
  for (const { at, before } of changes) {
    if (!LIFE_STATES[before].usable) spans.push({ start: from, end: at })
    from = at
  }
  if (!LIFE_STATES[now].usable) spans.push({ start: from, end: Number.POSITIVE_INFINITY })
  return spans
}

/**
 * How many sessions a thing could have served in: from the day it came, less those that began while it was in repair, lent or
 * out of use. One in which it did serve always counts. `sessions` are in the order of time.
 */
export function countAvailable(
  sessions: readonly Session[],
  { id, acquiredOn }: { id: string; acquiredOn: string | null },
  outages: readonly Interval[],
): number {
  const first = acquiredOn === null ? 0 : findFirst(sessions, acquiredOn)
  const since = sessions.length - first
  if (outages.length === 0) return since + countUsed(sessions.slice(0, first), id)
  const isOut = ({ at }: Session) => outages.some((it) => it.start <= at && at < it.end)
  return sessions.filter((it, at) => it.unitIds.has(id) || (at >= first && !isOut(it))).length
}

const countUsed = (sessions: readonly Session[], id: string) => sessions.filter((it) => it.unitIds.has(id)).length

/** The place of the first session on that day or later, by halving. */
function findFirst(sessions: readonly Session[], day: string): number {
  let [low, high] = [0, sessions.length]
  while (low < high) {
    const middle = (low + high) >> 1
    if ((sessions[middle]?.on ?? '') < day) low = middle + 1
    else high = middle
  }
  return low
}
