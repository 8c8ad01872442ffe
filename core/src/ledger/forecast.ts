import { z } from 'zod'
import { amount } from '../studio/people/secrecy.ts'
import { addMonths } from '../units/wall-time.ts'
import type { Entry, EntryKind } from './entry.ts'
import { findBudgetEffect } from './spending.ts'

/** What is paid again and again, so that last year tells of this one. */
const RUNNING: ReadonlySet<EntryKind> = new Set(['consumable', 'service', 'rental', 'subscription', 'delivery'])

/** Something that is to be paid: how much, null where nobody knows, and by when, where that was said. */
export interface Committed {
  minor: number | null
  dueOn: string | null
}

export interface ForecastFacts {
  /** Entries of this year and the two before, in any order. */
  entries: readonly Pick<Entry, 'date' | 'kind' | 'description' | 'netMinor' | 'taxMinor'>[]
  /** The first day of which anything is recorded. */
  since: string | null
  ordered: readonly Committed[]
  repairs: readonly Committed[]
}

const committedSchema = z.object({
  minor: amount(z.number()),
  count: z.number(),
  /** Of these nobody knows what they cost; they are in no sum. */
  unknown: z.number(),
})

/** What a year will have cost at its end, line by line. */
export const forecastSchema = z.object({
  endsOn: z.string(),
  /** Everything that is recorded of the year, tax in, less what came in. */
  recordedMinor: amount(z.number()),
  ordered: committedSchema,
  repairs: committedSchema,
  /** What was paid again and again in the same days of last year; null where nothing was recorded so long ago. */
  runningMinor: amount(z.number().nullable()),
  /** So many rents and subscriptions began within a year: what they will cost is in no sum. */
  begun: z.number(),
  totalMinor: amount(z.number()),
  /** Not all that will be paid is in the total. */
  isAtLeast: z.boolean(),
  /** What is on order and due after the end. */
  laterMinor: amount(z.number()),
})
export type Forecast = z.infer<typeof forecastSchema>

/** What is paid by agreement, again and again. */
const AGREED: ReadonlySet<EntryKind> = new Set(['rental', 'subscription'])

/** Rents and subscriptions, by what they are called, of which the first was paid within a year. */
function countBegun(entries: ForecastFacts['entries'], yearAgo: string, today: string): number {
  const nameOf = (it: ForecastFacts['entries'][number]) => it.description.trim().toLowerCase()
  const agreed = entries.filter((it) => AGREED.has(it.kind) && it.date <= today)
  const before = new Set(agreed.filter((it) => it.date <= yearAgo).map(nameOf))
  const since = new Set(agreed.filter((it) => it.date > yearAgo).map(nameOf))
  return [...since].filter((it) => !before.has(it)).length
}

function sumCommitted(all: readonly Committed[]): Forecast['ordered'] {
  return {
    minor: all.reduce((sum, it) => sum + (it.minor ?? 0), 0),
    count: all.length,
    unknown: all.filter((it) => it.minor === null).length,
  }
}

/**
 * What the year of `today` will have cost at its end: what is recorded, what is on order and due by then or without a day,
 * repairs that are under way, and what was paid again and again in the same days of last year. Repairs and purchases that
 * nobody knows of yet are in no line. Common practice.
 */
export function forecastYear({ entries, since, ordered, repairs }: ForecastFacts, today: string): Forecast {
  const year = today.slice(0, 4)
  const endsOn = `${year}-12-31`
  const yearAgo = addMonths(today, -12)
  const recordedMinor = entries
    .filter((it) => it.date.startsWith(year))
    .reduce((sum, it) => sum + findBudgetEffect(it), 0)
  const lastEnd = `${Number(year) - 1}-12-31`
  const isKnown = since !== null && since <= yearAgo
  const runningMinor = isKnown
    ? entries
        .filter((it) => RUNNING.has(it.kind) && it.date > yearAgo && it.date <= lastEnd)
        .reduce((sum, it) => sum + findBudgetEffect(it), 0)
    : null
  // What is recorded of days that are to come stands in the sum of what is recorded already.
  const aheadMinor = entries
    .filter((it) => RUNNING.has(it.kind) && it.date > today && it.date <= endsOn)
    .reduce((sum, it) => sum + findBudgetEffect(it), 0)
  const stillRunning = runningMinor === null ? null : Math.max(0, runningMinor - aheadMinor)
  const begun = countBegun(entries, yearAgo, today)
  const isDue = (it: Committed) => it.dueOn === null || it.dueOn <= endsOn
  const [own, mending] = [sumCommitted(ordered.filter(isDue)), sumCommitted(repairs.filter(isDue))]
  return {
    ...{ endsOn, recordedMinor },
    ...{ ordered: own, repairs: mending },
    runningMinor: stillRunning,
    begun,
    totalMinor: recordedMinor + own.minor + mending.minor + (stillRunning ?? 0),
    isAtLeast: own.unknown + mending.unknown + begun > 0 || stillRunning === null,
    laterMinor: sumCommitted([...ordered, ...repairs].filter((it) => !isDue(it))).minor,
  }
}
