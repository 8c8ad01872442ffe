import {
  type Absence,
  type BlockingFault,
  type Calendar,
  findAbsences,
  type Interval,
  type Standing,
} from '@exemplar/core'
import type { HoldBook } from './holds.ts'

/** The time for which things are asked after, and for which booking. */
export interface Stay {
  interval: Interval
  exceptBookingId: string | null
  /** Whether what other bookings hold is away. */
  countsBookings: boolean
}

/** What keeps things from being had through a stay. */
export function makeCalendar(
  { interval, exceptBookingId, countsBookings }: Stay,
  zone: string,
  faults: ReadonlyMap<string, BlockingFault>,
  book: HoldBook,
): Calendar {
  return {
    zone,
    now: book.now,
    faults,
    otherHolds: countsBookings ? book.within(interval, exceptBookingId) : [],
    lateHolds: book.late(exceptBookingId),
  }
}

/** Why each of these units cannot be counted on through a stay; those that can are not in the result. */
export function listAbsences(
  wanted: readonly Standing[],
  stay: Stay,
  zone: string,
  blocking: ReadonlyMap<string, BlockingFault>,
  book: HoldBook,
): Map<string, Absence> {
  return findAbsences(wanted, stay.interval, makeCalendar(stay, zone, blocking, book))
}
