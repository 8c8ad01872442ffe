import { getPosition } from 'suncalc'
import type { Interval } from '../../units/interval.ts'

/** Where on the earth, in degrees: north and east above nothing. */
export interface Spot {
  latitude: number
  longitude: number
}

export interface SunPlace {
  /** From north by east, in degrees. */
  bearing: number
  /** Above the horizon, in degrees. */
  height: number
}

/** Where the sun stands, seen from a spot. */
export function findSun({ latitude, longitude }: Spot, epochMs: number): SunPlace {
  const { azimuth, altitude } = getPosition(new Date(epochMs), latitude, longitude)
  return { bearing: azimuth, height: altitude }
}

const MINUTE = 60_000

/** Where the sun stands in every minute of a span; worked out once, however many windows look at it. */
export interface SunTrace {
  span: Interval
  /** One for each minute from its start on. */
  minutes: readonly SunPlace[]
}

export function traceSun(spot: Spot, span: Interval): SunTrace {
  const count = Math.ceil((span.end - span.start) / MINUTE)
  return { span, minutes: Array.from({ length: count }, (_, at) => findSun(spot, span.start + at * MINUTE)) }
}

/** Stretches of a span, to the minute, for which something holds. */
function listWhile({ span, minutes }: SunTrace, holds: (sun: SunPlace) => boolean): Interval[] {
  const found: Interval[] = []
  let from: number | null = null
  for (const [index, sun] of minutes.entries()) {
    const at = span.start + index * MINUTE
    const isSo = holds(sun)
    if (isSo && from === null) from = at
    if (!isSo && from !== null) {
      found.push({ start: from, end: at })
      from = null
    }
  }
  if (from !== null) found.push({ start: from, end: span.end })
  return found
}

/** When the sun shines straight onto a pane that looks out at a bearing, on a clear day with nothing before it. */
export const listDirectSun = (trace: SunTrace, bearing: number): Interval[] =>
  listWhile(trace, (sun) => sun.height > 0 && Math.abs(((sun.bearing - bearing + 540) % 360) - 180) < 90)

/** Lower than this a room gets too little through its windows to film by. Common practice, from memory. */
export const USABLE_FROM_DEGREES = 6

/** When there is daylight to film by. */
export const listUsableDaylight = (trace: SunTrace): Interval[] =>
  listWhile(trace, (sun) => sun.height >= USABLE_FROM_DEGREES)

/** When the sun is up. */
export const listSunUp = (trace: SunTrace): Interval[] => listWhile(trace, (sun) => sun.height > 0)

export const minutesOf = (spans: readonly Interval[]): number =>
  spans.reduce((sum, it) => sum + (it.end - it.start) / MINUTE, 0)
