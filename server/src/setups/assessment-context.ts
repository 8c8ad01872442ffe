import { eq } from 'drizzle-orm'
import type { Stay } from '../availability/absences.ts'
import type { BookingRow } from '../availability/holds.ts'
import { refuseMissing } from '../foundation/base/problem.ts'
import type { AppContext } from '../foundation/database/app-context.ts'
import { bookings } from '../schema/diary-tables.ts'

/** The time for which a setup is judged, and the time at which. */
export interface AssessmentContext extends Stay {
  now: number
  /** Who is booked; null where no booking is judged. */
  bookedIds: readonly string[] | null
  /** Where it is to be; null takes the setup's own room. */
  placeId: string | null
  /** When it is filmed, and under which sky. */
  filming?: { start: number; end: number; sky: BookingRow['sky'] }
}

/** As it stands now: only what the things themselves are counts, not who else wants them. */
export function makePresentContext(now: number, { plannedMinutes }: { plannedMinutes: number }): AssessmentContext {
  const interval = { start: now, end: now + plannedMinutes * 60_000 }
  return { now, interval, exceptBookingId: null, countsBookings: false, bookedIds: null, placeId: null }
}

/** The same at this moment: what has left the house with others is not there until it is back. */
export function makeNowContext(now: number, setup: { id: string; plannedMinutes: number }): AssessmentContext {
  return { ...makePresentContext(now, setup), outButFor: setup.id }
}

/** For one of its bookings, with what others hold at that time. */
export function makeBookingContext(now: number, row: BookingRow): AssessmentContext {
  return {
    now,
    interval: { start: row.holdStart, end: row.holdEnd },
    exceptBookingId: row.id,
    countsBookings: true,
    bookedIds: row.personIds,
    placeId: row.placeId,
    filming: {
      start: row.holdStart + row.rigMinutes * 60_000,
      end: row.holdEnd - row.strikeMinutes * 60_000,
      sky: row.sky,
    },
  }
}

/** For a booking by its id, or as it stands where there is none. Throws where there is no such booking. */
export function loadContext(
  { db, now }: AppContext,
  setup: { id: string; plannedMinutes: number },
  bookingId: string | null | undefined,
): AssessmentContext {
  if (!bookingId) return makeNowContext(now(), setup)
  const row = db.select().from(bookings).where(eq(bookings.id, bookingId)).get()
  if (!row) throw refuseMissing('booking')
  return makeBookingContext(now(), row)
}
