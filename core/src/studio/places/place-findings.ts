import { z } from 'zod'
import { addDays } from '../../units/wall-time.ts'
import type { FindingLevel } from '../finding.ts'
import { findingLevelSchema } from '../finding.ts'
import type { NewPlace, Place } from './place.ts'
export const placeFindingSchema = z
  .object({
    level: findingLevelSchema,
  })
  .and(
    z.discriminatedUnion('code', [
      z.object({
        code: z.literal('size-unknown'),
      }),
      z.object({
        code: z.enum(['access-ended', 'access-ending']),
        until: z.string(),
        bookings: z.number(),
      }),
      z.object({
        code: z.enum(['socket-without-circuit', 'bar-unrated', 'switch-off', 'cannot-switch-off', 'hot']),
        names: z.array(z.string()),
      }),
      z.object({
        code: z.literal('mixed-light'),
        lights: z.array(
          z.object({
            name: z.string(),
            kelvin: z.number(),
          }),
        ),
      }),
      z.object({
        code: z.literal('overweight'),
        limitGrams: z.number(),
        massGrams: z.number(),
        unknown: z.number(),
      }),
      z.object({
        code: z.literal('mass-unknown'),
        unknown: z.number(),
      }),
    ]),
  )
export type PlaceFinding = z.infer<typeof placeFindingSchema>

export interface PlaceFacts {
  today: string
  /** Bookings of this place that begin after its last day. */
  bookingsAfterEnd: number
  /** What the things that live in it weigh together, and how many of them were never weighed. */
  massGrams: number
  unweighed: number
}

/** An end of access is worth saying so many days before it comes. */
const NOTICE_DAYS = 90
/** About what nobody sees between two lamps, in mired; from memory, common practice says 5 to 10. */
const MIRED_TOLERANCE = 10

/** What a place itself asks to be known or done. */
export function judgePlace({ kind, details }: NewPlace, facts: PlaceFacts): PlaceFinding[] {
  const findings: PlaceFinding[] = []
  const { accessUntil: until, massLimitGrams } = details
  if (kind === 'room' && !details.size) findings.push({ level: 'unknown', code: 'size-unknown' })
  if (until && until < facts.today) {
    const bookings = facts.bookingsAfterEnd
    findings.push({ level: bookings ? 'stop' : 'warn', code: 'access-ended', until, bookings })
  } else if (until && until <= addDays(facts.today, NOTICE_DAYS)) {
    const bookings = facts.bookingsAfterEnd
    findings.push({ level: bookings ? 'stop' : 'advise', code: 'access-ending', until, bookings })
  }
  const add = (
    level: FindingLevel,
    code: 'socket-without-circuit' | 'bar-unrated' | 'switch-off' | 'cannot-switch-off' | 'hot',
    names: string[],
  ) => {
    if (names.length) findings.push({ level, code, names })
  }
  const fixtures = details.fixtures
  const disturbs = fixtures.filter((it) => it.kind === 'noise' || it.kind === 'light')
  add('unknown', 'socket-without-circuit', namesOf(details.sockets.filter((it) => it.circuitId === null)))
  add('unknown', 'bar-unrated', namesOf(details.bars.filter((it) => it.loadGrams === null)))
  add('advise', 'switch-off', namesOf(disturbs.filter((it) => it.canSwitchOff)))
  add('warn', 'cannot-switch-off', namesOf(disturbs.filter((it) => !it.canSwitchOff)))
  add('warn', 'hot', namesOf(fixtures.filter((it) => it.kind === 'heat')))
  const lights = fixtures.flatMap(({ kind: it, name, kelvin }) => (it === 'light' && kelvin ? [{ name, kelvin }] : []))
  if (spreadInMired(lights.map((it) => it.kelvin)) > MIRED_TOLERANCE) {
    findings.push({ level: 'advise', code: 'mixed-light', lights })
  }
  if (massLimitGrams !== null && facts.massGrams > massLimitGrams) {
    const { massGrams, unweighed: unknown } = facts
    findings.push({ level: 'stop', code: 'overweight', limitGrams: massLimitGrams, massGrams, unknown })
  } else if (massLimitGrams !== null && facts.unweighed > 0) {
    findings.push({ level: 'unknown', code: 'mass-unknown', unknown: facts.unweighed })
  }
  return findings
}

function namesOf(items: readonly { name: string }[]): string[] {
  return items.map((it) => it.name)
}

/** Mired is a million over kelvin; two colours are as far apart as their mireds. 0 for fewer than two. */
export function spreadInMired(kelvins: readonly number[]): number {
  const mireds = kelvins.map((it) => 1_000_000 / it)
  return mireds.length < 2 ? 0 : Math.max(...mireds) - Math.min(...mireds)
}

/** Whether a place may be used on all days from the first to the last. */
export function isOpenUntil({ details }: Pick<NewPlace, 'details'>, lastDay: string): boolean {
  return details.accessUntil === null || lastDay <= details.accessUntil
}

/** The room in which a place lies: the shelf's, the case's, or the place itself. Null where it lies in none. */
export function findRoom(
  placeId: string | null,
  places: ReadonlyMap<string, Pick<Place, 'id' | 'name' | 'kind' | 'parentId'>>,
): Pick<Place, 'id' | 'name'> | null {
  const seen = new Set<string>()
  let at = places.get(placeId ?? '')
  while (at && !seen.has(at.id)) {
    if (at.kind === 'room') return at
    seen.add(at.id)
    at = places.get(at.parentId ?? '')
  }
  return null
}
