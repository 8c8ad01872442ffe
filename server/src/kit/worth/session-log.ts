import { type BookingKind, findDate, type Session } from '@exemplar/core'
import { and, inArray, lte } from 'drizzle-orm'
import { listItems, loadSetups } from '../../availability/holds.ts'
import { loadKin } from '../../availability/reference.ts'
import type { Database } from '../../foundation/database/database.ts'
import { bookings } from '../../schema/diary-tables.ts'

/** What is done with the kit in the house or away from it; what only keeps things ready or away is no session. */
const SESSION_KINDS: BookingKind[] = ['shoot', 'other-use', 'let']

/** Whether what is booked is done with the kit. */
export const isSession = (kind: BookingKind): boolean => SESSION_KINDS.includes(kind)

/** A session with the hours that it was booked for, without rigging and striking. */
export interface LoggedSession extends Session {
  hours: number
}

/** Every session that has begun, in the order of time, with the things that served in it: what was taken out, or stood ready. */
export function listSessions(db: Database, now: number, zone: string): LoggedSession[] {
  const rows = db
    .select()
    .from(bookings)
    .where(
      and(
        inArray(bookings.kind, SESSION_KINDS),
        inArray(bookings.state, ['confirmed', 'out', 'back']),
        lte(bookings.holdStart, now),
      ),
    )
    .orderBy(bookings.holdStart)
    .all()
  const setupOf = loadSetups(
    db,
    rows.flatMap((row) => row.setupId ?? []),
  )
  const kin = loadKin(db)
  return rows.map((row) => ({
    on: findDate(row.holdStart, zone),
    at: row.holdStart,
    hours: Math.max(0, row.holdEnd - row.holdStart - (row.rigMinutes + row.strikeMinutes) * 60_000) / 3_600_000,
    unitIds: new Set(
      listItems(row, setupOf, kin).flatMap((it) => (it.unitId && it.state !== 'left' ? [it.unitId] : [])),
    ),
  }))
}
