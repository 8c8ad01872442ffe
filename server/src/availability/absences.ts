import {
  type Absence,
  type BlockingFault,
  type Calendar,
  findAbsences,
  type Interval,
  type Standing,
} from '@exemplar/core'
import type { BookingRow, HoldBook } from './holds.ts'

/** The time for which things are asked after, and for which booking. */
export interface Stay {
  interval: Interval
  exceptBookingId: string | null
  /** Whether what other bookings hold is away. */
  countsBookings: boolean
  /** Where they do not count, what has left the house for one all the same is away: not for bookings of this setup. */
  outButFor?: string
}

/** What keeps things from being had through a stay. */
export function makeCalendar(
  { interval, exceptBookingId, countsBookings, outButFor }: Stay,
  zone: string,
  faults: ReadonlyMap<string, BlockingFault>,
  book: HoldBook,
): Calendar {
  return {
    zone,
    now: book.now,
    faults,
    otherHolds: countsBookings
      ? book.within(interval, exceptBookingId)
      : outButFor === undefined
        ? []
        : book.within(interval).filter(({ bookingId }) => isOutForOthers(book.rowOf(bookingId), outButFor)),
    lateHolds: book.late(exceptBookingId),
    parents: book.parents,
  }
}

const isOutForOthers = (row: BookingRow | undefined, setupId: string) => row?.state === 'out' && row.setupId !== setupId

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
