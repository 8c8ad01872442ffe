import { type Absence, type BlockingFault, findAbsences, type Interval, type Unit } from '@exemplar/core'
import type { HoldBook } from './holds.ts'

/** The time for which things are asked after, and for which booking. */
export interface Stay {
  interval: Interval
  exceptBookingId: string | null
  /** Whether what other bookings hold is away. */
  countsBookings: boolean
}

/** Why each of these units cannot be counted on through a stay; those that can are not in the result. */
export function listAbsences(
  wanted: readonly Unit[],
  { interval, exceptBookingId, countsBookings }: Stay,
  zone: string,
  blocking: ReadonlyMap<string, BlockingFault>,
  book: HoldBook,
): Map<string, Absence> {
  const others = countsBookings ? book.within(interval, exceptBookingId) : []
  return findAbsences(wanted, interval, zone, blocking, others, book.late(exceptBookingId))
}
