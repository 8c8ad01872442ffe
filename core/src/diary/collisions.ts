import { type Interval, intersect, overlaps } from '../units/interval.ts'

/** What one booking holds and when. */
export interface Hold {
  bookingId: string
  title: string
  interval: Interval
  unitIds: readonly string[]
  stock: ReadonlyMap<string, number>
  placeId: string | null
  personIds: readonly string[]
}

export interface Collision {
  subject: 'unit' | 'place' | 'person'
  subjectId: string
  bookingIds: [string, string]
  /** When both want it. */
  interval: Interval
}

export interface StockShortage {
  stockId: string
  /** The highest demand at any one time, and from when. */
  wanted: number
  have: number
  at: number
  bookingIds: string[]
}

/**
 * Every pair of bookings that wants the same thing, room or person at once. Touching ends do not collide. Sorted by
 * time, so that the first one is the next to deal with.
 */
export function findCollisions(holds: readonly Hold[]): Collision[] {
  const collisions: Collision[] = []
  for (const [subject, listIds] of SUBJECTS) {
    for (const [subjectId, wanting] of groupBy(holds, listIds)) {
      collisions.push(...findPairs(subject, subjectId, wanting))
    }
  }
  return collisions.sort(
    (a, b) => a.interval.start - b.interval.start || compare(a.subject, b.subject) || compare(a.subjectId, b.subjectId),
  )
}

const SUBJECTS: [Collision['subject'], (hold: Hold) => readonly string[]][] = [
  ['unit', (hold) => hold.unitIds],
  ['place', (hold) => (hold.placeId ? [hold.placeId] : [])],
  ['person', (hold) => hold.personIds],
]

function groupBy(holds: readonly Hold[], listIds: (hold: Hold) => readonly string[]): Map<string, Hold[]> {
  const groups = new Map<string, Hold[]>()
  for (const hold of holds) {
    for (const id of new Set(listIds(hold))) {
      const group = groups.get(id)
      if (group) group.push(hold)
      else groups.set(id, [hold])
    }
  }
  return groups
}

/** Sorted by start, each hold is compared only with those still running: near linear where little collides. */
function findPairs(subject: Collision['subject'], subjectId: string, holds: Hold[]): Collision[] {
  const sorted = [...holds].sort((a, b) => a.interval.start - b.interval.start || compare(a.bookingId, b.bookingId))
  const pairs: Collision[] = []
  let running: Hold[] = []
  for (const hold of sorted) {
    running = running.filter((it) => it.interval.end > hold.interval.start)
    for (const earlier of running) {
      const interval = intersect(earlier.interval, hold.interval)
      if (interval) pairs.push({ subject, subjectId, bookingIds: [earlier.bookingId, hold.bookingId], interval })
    }
    running.push(hold)
  }
  return pairs
}

/** Where the sum of what overlapping bookings take from a stock passes what there is: a sweep over starts and ends. */
export function findStockShortages(holds: readonly Hold[], quantities: ReadonlyMap<string, number>): StockShortage[] {
  const shortages: StockShortage[] = []
  for (const [stockId, wanting] of groupBy(holds, (hold) => [...hold.stock.keys()])) {
    const have = quantities.get(stockId) ?? 0
    let worst: StockShortage | null = null
    for (const { interval } of wanting) {
      const together = wanting.filter((it) => it.interval.start <= interval.start && interval.start < it.interval.end)
      const wanted = together.reduce((sum, it) => sum + (it.stock.get(stockId) ?? 0), 0)
      if (wanted > have && wanted > (worst?.wanted ?? 0)) {
        worst = { stockId, wanted, have, at: interval.start, bookingIds: together.map((it) => it.bookingId) }
      }
    }
    if (worst) shortages.push(worst)
  }
  return shortages
}

/** Pieces of a stock that are free through the whole interval: what there is less the peak of what others take. */
export function countFreeStock(stockId: string, have: number, interval: Interval, holds: readonly Hold[]): number {
  const taking = holds.filter((hold) => hold.stock.has(stockId) && overlaps(hold.interval, interval))
  const starts = [interval.start, ...taking.map((hold) => Math.max(hold.interval.start, interval.start))]
  const peaks = starts.map((at) =>
    taking
      .filter((hold) => hold.interval.start <= at && at < hold.interval.end)
      .reduce((sum, hold) => sum + (hold.stock.get(stockId) ?? 0), 0),
  )
  return Math.max(0, have - Math.max(...peaks))
}

function compare(a: string, b: string): number {
  return a < b ? -1 : a > b ? 1 : 0
}
