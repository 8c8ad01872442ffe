import { z } from 'zod'
import { MOST_SHARE } from './capacity.ts'

/** What a measuring charger tells of one pack in it. */
const chargerReading = z.object({
  kind: z.literal('charger'),
  /** Full, still at it, or taken out before it was full. */
  state: z.enum(['charging', 'full', 'unplugged', 'refused']),
  /** What it gave when the charger emptied it, where it did. */
  milliwattHours: z.number().int().nullable(),
  cycles: z.number().int().nullable(),
})

/** What a smart socket tells of what is plugged into it. */
const socketReading = z.object({
  kind: z.literal('socket'),
  /** What it draws now. */
  milliwatts: z.number().int(),
  /** Seconds that it has been on since it was plugged in. */
  onSeconds: z.number().int(),
})

export const readingSchema = z.discriminatedUnion('kind', [chargerReading, socketReading])
export type Reading = z.infer<typeof readingSchema>

/** What became of a reading. */
export const READING_OUTCOMES = {
  taken: 'Taken',
  late: 'Came late: kept, changes nothing newer',
  unplugged: 'Taken out before it was full: counted for nothing',
  absurd: 'Cannot be: kept, counted for nothing',
} as const
export type ReadingOutcome = keyof typeof READING_OUTCOMES

/** What is known of the thing that a reading is about. */
export interface ReadingContext {
  /** When it was taken, when it came, and the newest that was taken of that thing before; instants. */
  at: number
  now: number
  newestAt: number | null
  ratedMilliwattHours: number | null
  knownCycles: number | null
}

/** A clock may go wrong by so much. */
const CLOCK_MS = 5 * 60_000
/** Nothing in a studio draws so much from one socket. */
const MOST_MILLIWATTS = 20_000_000

/** What is to become of a reading: what cannot be is kept and counts for nothing, as does what came after a newer one. */
export function judgeReading(reading: Reading, context: ReadingContext): ReadingOutcome {
  if (context.at > context.now + CLOCK_MS || !isPossible(reading, context)) return 'absurd'
  if (context.newestAt !== null && context.at <= context.newestAt) return 'late'
  if (reading.kind === 'charger' && reading.state === 'unplugged') return 'unplugged'
  return 'taken'
}

function isPossible(reading: Reading, context: ReadingContext): boolean {
  if (reading.kind === 'socket')
    return (
      reading.milliwatts >= 0 &&
      reading.milliwatts <= MOST_MILLIWATTS &&
      reading.onSeconds >= 0 &&
      reading.onSeconds * 1000 <= context.at
    )
  const { milliwattHours, cycles } = reading
  const { ratedMilliwattHours, knownCycles } = context
  if (milliwattHours !== null) {
    if (milliwattHours <= 0) return false
    if (ratedMilliwattHours !== null && milliwattHours > ratedMilliwattHours * MOST_SHARE) return false
  }
  return cycles === null || (cycles >= 0 && (knownCycles === null || cycles >= knownCycles))
}
