import { findDate, type ReliabilityReply } from '@exemplar/core'
import { and, gt, inArray, isNotNull, lte } from 'drizzle-orm'
import { type BookingRow, type HoldBook, loadHoldBook } from '../availability/holds.ts'
import { loadEverySetup } from '../availability/reference.ts'
import type { Database } from '../foundation/database/database.ts'
import { defineRoute } from '../foundation/http/route.ts'
import { isSession } from '../kit/worth/session-log.ts'
import { bookings } from '../schema/diary-tables.ts'
import { loadStudio } from '../studio/settings/settings-routes.ts'
import { listReliability } from './reliability.ts'

const YEAR_MS = 365 * 86_400_000

type Shoot = ReliabilityReply['shoots'][number]

export const reliabilityRoutes = [
  defineRoute('get /reliability', (_, { db, now: clock }) => {
    const now = clock()
    const { zone } = loadStudio(db)
    const book = loadHoldBook(db, { start: now, end: now + YEAR_MS }, now)
    return {
      today: findDate(now, zone),
      records: listReliability(db, now, zone, book),
      shoots: listShoots(db, book, now, zone),
    }
  }),
]

/** Sessions of the year past that had a setup, and all that holds things in the year ahead. */
function listShoots(db: Database, book: HoldBook, now: number, zone: string): Shoot[] {
  const setups = loadEverySetup(db)
  const tell = (row: BookingRow, unitIds: readonly string[], isPast: boolean): Shoot => {
    const setup = isSession(row.kind) ? setups.get(row.setupId ?? '') : undefined
    return {
      id: row.id,
      title: row.title,
      day: findDate(row.holdStart, zone),
      start: row.holdStart,
      end: row.holdEnd,
      isPast,
      setup: setup ? { id: setup.id, code: setup.code, tape: setup.tape, name: setup.name } : null,
      unitIds: [...unitIds],
    }
  }
  const past = db
    .select()
    .from(bookings)
    .where(
      and(
        isNotNull(bookings.setupId),
        inArray(bookings.state, ['confirmed', 'out', 'back']),
        lte(bookings.holdStart, now),
        gt(bookings.holdStart, now - YEAR_MS),
      ),
    )
    .orderBy(bookings.holdStart, bookings.id)
    .all()
    .filter((row) => isSession(row.kind))
  const ahead = book.within({ start: now, end: now + YEAR_MS }).flatMap((hold) => {
    const row = book.rowOf(hold.bookingId)
    return row && row.holdStart > now ? [tell(row, hold.unitIds, false)] : []
  })
  return [...past.map((row) => tell(row, [], true)), ...ahead]
}
