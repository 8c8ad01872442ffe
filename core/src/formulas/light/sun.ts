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

/** Stretches of a span, to the minute, for which something holds. */
function listWhile({ start, end }: Interval, holds: (epochMs: number) => boolean): Interval[] {
  const found: Interval[] = []
  let from: number | null = null
  for (let at = start; at < end; at += MINUTE) {
    const isSo = holds(at)
    if (isSo && from === null) from = at
    if (!isSo && from !== null) {
      found.push({ start: from, end: at })
      from = null
    }
  }
  if (from !== null) found.push({ start: from, end })
  return found
}

/** When the sun shines straight onto a pane that looks out at a bearing, on a clear day with nothing before it. */
export function listDirectSun(spot: Spot, bearing: number, span: Interval): Interval[] {
  return listWhile(span, (at) => {
    const sun = findSun(spot, at)
    const off = Math.abs(((sun.bearing - bearing + 540) % 360) - 180)
    return sun.height > 0 && off < 90
  })
}

/** Lower than this a room gets too little through its windows to film by. Common practice, from memory. */
export const USABLE_FROM_DEGREES = 6

/** When there is daylight to film by. */
export function listUsableDaylight(spot: Spot, span: Interval): Interval[] {
  return listWhile(span, (at) => findSun(spot, at).height >= USABLE_FROM_DEGREES)
}

/** When the sun is up. */
export function listSunUp(spot: Spot, span: Interval): Interval[] {
  return listWhile(span, (at) => findSun(spot, at).height > 0)
}

export const minutesOf = (spans: readonly Interval[]): number =>
  spans.reduce((sum, it) => sum + (it.end - it.start) / MINUTE, 0)
