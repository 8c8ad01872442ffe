import { z } from 'zod'
import type { PlaceDetails } from '../../studio/places/place.ts'
import type { Interval } from '../../units/interval.ts'
import { dateSchema } from '../../units/wall-time.ts'
import { listDirectSun, listSunUp, listUsableDaylight, minutesOf, traceSun } from '../light/sun.ts'

const spanSchema = z.object({ start: z.number(), end: z.number() })

export const placeSunSchema = z.object({
  date: dateSchema,
  /** Whether anybody said where on the earth it is. */
  isKnown: z.boolean(),
  up: z.array(spanSchema),
  usable: z.array(spanSchema),
  windows: z.array(
    z.object({ id: z.string(), name: z.string(), bearingDegrees: z.number(), direct: z.array(spanSchema) }),
  ),
  /** The 21st of each month. */
  year: z.array(
    z.object({
      date: dateSchema,
      usableMinutes: z.number(),
      windows: z.array(z.object({ id: z.string(), minutes: z.number() })),
    }),
  ),
})
export type PlaceSun = z.infer<typeof placeSunSchema>

interface Day {
  date: string
  span: Interval
}

/** Daylight and direct sun by window on a day, and over the year; nothing where nobody said where the place is. */
export function describeSunOf({ position, windows }: PlaceDetails, day: Day, year: readonly Day[]): PlaceSun {
  if (!position) return { date: day.date, isKnown: false, up: [], usable: [], windows: [], year: [] }
  const trace = traceSun(position, day.span)
  return {
    date: day.date,
    isKnown: true,
    up: listSunUp(trace),
    usable: listUsableDaylight(trace),
    windows: windows.map(({ id, name, bearingDegrees }) => ({
      id,
      name,
      bearingDegrees,
      direct: listDirectSun(trace, bearingDegrees),
    })),
    year: year.map(({ date, span }) => {
      const own = traceSun(position, span)
      return {
        date,
        usableMinutes: minutesOf(listUsableDaylight(own)),
        windows: windows.map(({ id, bearingDegrees }) => ({
          id,
          minutes: minutesOf(listDirectSun(own, bearingDegrees)),
        })),
      }
    }),
  }
}
