import { z } from 'zod'
import { type Fade, fitFade, PACK_END } from '../formulas/reliability/fade.ts'
import { idSchema } from '../studio/identity.ts'
import { addDays, dateSchema } from '../units/wall-time.ts'

/** How a capacity came to be known. */
export const CAPACITY_SOURCES = { run: 'Run down at a known draw', charger: 'Told by a charger' } as const
export type CapacitySource = keyof typeof CAPACITY_SOURCES

/** More than so much of its rating no pack gives: something was measured or typed wrongly. */
export const MOST_SHARE = 1.3

export const newCapacityRunSchema = z.object({
  on: dateSchema,
  /** What it gave from full to empty. */
  milliwattHours: z.number().int().min(1, 'More than nothing.').max(10_000_000),
  /** Charges it had by then; null where nobody counted. */
  cycles: z.number().int().min(0, 'Not negative.').max(5_000, 'No pack has that many.').nullable(),
  note: z.string().trim().max(300).default(''),
})
export type NewCapacityRun = z.infer<typeof newCapacityRunSchema>

export const capacityRunSchema = newCapacityRunSchema.extend({
  id: idSchema,
  source: z.enum(Object.keys(CAPACITY_SOURCES) as [CapacitySource, ...CapacitySource[]]),
})
export type CapacityRun = z.infer<typeof capacityRunSchema>

/** What a device drew for how long, from a full pack to an empty one, mWh. */
export const reckonRun = (milliwatts: number, minutes: number): number => Math.round((milliwatts * minutes) / 60)

/** How a pack does, by what was measured. */
export interface PackStanding {
  /** Per cent of its rating at the last measurement. */
  healthPercent: number | null
  fade: Fade | null
  cycles: number | null
  /** The day on which it is reckoned to be at its end, at the pace of its cycles so far, and the earliest and latest. */
  endOn: string | null
  endFrom: string | null
  endUntil: string | null
  /** It is at its end already. */
  isSpent: boolean
}

/** Cycles over fewer days than that tell no pace. */
const LEAST_DAYS = 30

/**
 * How a pack does: health by the last measurement, the line of its fading, and when it is at its end by the pace of its cycles.
 * Measurements of which nobody counted the cycles say how it is and nothing of the line.
 */
export function judgePack(runs: readonly CapacityRun[], ratedMilliwattHours: number | null): PackStanding {
  const sorted = [...runs].sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : 0))
  const last = sorted.at(-1)
  const none = {
    healthPercent: null,
    fade: null,
    cycles: null,
    endOn: null,
    endFrom: null,
    endUntil: null,
    isSpent: false,
  }
  if (!last || !ratedMilliwattHours) return none
  const share = last.milliwattHours / ratedMilliwattHours
  const counted = sorted.flatMap(({ on, milliwattHours, cycles }) =>
    cycles === null ? [] : [{ on, cycles, share: milliwattHours / ratedMilliwattHours }],
  )
  const fade = fitFade(counted)
  const [first, latest] = [counted[0], counted.at(-1)]
  const days = first && latest ? countDaysBetween(first.on, latest.on) : 0
  const perDay = first && latest && days >= LEAST_DAYS ? (latest.cycles - first.cycles) / days : 0
  const dayOf = (cycles: number | null | undefined) =>
    cycles === null || cycles === undefined || !latest || perDay <= 0
      ? null
      : addDays(latest.on, Math.max(0, Math.ceil((cycles - latest.cycles) / perDay)))
  return {
    healthPercent: Math.max(1, Math.min(100, Math.round(share * 100))),
    fade,
    cycles: latest?.cycles ?? null,
    endOn: dayOf(fade?.endCycles),
    endFrom: dayOf(fade?.endLow),
    endUntil: dayOf(fade?.endHigh),
    isSpent: share <= PACK_END,
  }
}

const countDaysBetween = (from: string, to: string) => Math.round((Date.parse(to) - Date.parse(from)) / 86_400_000)
