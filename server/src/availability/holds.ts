import {
  type Booking,
  type BookingItem,
  findHoldInterval,
  type Hold,
  type Interval,
  isHolding,
  listBookingItems,
  type NewBooking,
  type Setup,
  type Unit,
} from '@exemplar/core'
import { and, eq, gt, inArray, isNotNull, isNull, lt } from 'drizzle-orm'
import type { Transaction } from '../foundation/database/app-context.ts'
import type { Database } from '../foundation/database/database.ts'
import { bookings } from '../schema/diary-tables.ts'
import { units } from '../schema/kit-tables.ts'
import { setups } from '../schema/setups-tables.ts'
import { selectMany } from './holdings.ts'

type Reader = Database | Transaction
export type BookingRow = typeof bookings.$inferSelect

/** A booking as people see it, without the columns kept for asking. */
export function toBooking({ holdStart: _start, holdEnd: _end, items: _items, ...booking }: BookingRow): Booking {
  return booking
}

/** Bookings whose hold overlaps an interval, in the order of their start; cancelled and returned ones too. */
export function loadBookings(db: Reader, { start, end }: Interval): BookingRow[] {
  return db
    .select()
    .from(bookings)
    .where(and(lt(bookings.holdStart, end), gt(bookings.holdEnd, start)))
    .orderBy(bookings.holdStart, bookings.id)
    .all()
}

export function loadSetups(db: Reader, ids: readonly string[]): Map<string, Setup> {
  const rows = selectMany(ids, (chunk) => db.select().from(setups).where(inArray(setups.id, chunk)).all())
  return new Map(rows.map(({ archivedAt: _, ...setup }) => [setup.id, setup]))
}

/** What a booking takes: fixed once it was taken out, else whatever its setup holds now. */
export function listItems(
  booking: BookingRow,
  setupOf: ReadonlyMap<string, Setup>,
  kin: readonly Kin[],
): BookingItem[] {
  return booking.items ?? listBookingItems(setupOf.get(booking.setupId ?? '') ?? null, booking.unitIds, kin)
}

type Kin = Pick<Unit, 'id' | 'parentId'>

/** Things that go with another one. */
export function loadKin(db: Reader): Kin[] {
  return db
    .select({ id: units.id, parentId: units.parentId })
    .from(units)
    .where(and(isNotNull(units.parentId), isNull(units.archivedAt)))
    .orderBy(units.tag)
    .all()
}

/** The holds of all bookings that hold something in the interval, but for one. */
export function loadHolds(db: Reader, interval: Interval, exceptBookingId: string | null = null): Hold[] {
  const rows = loadBookings(db, interval).filter((row) => row.id !== exceptBookingId && isHolding(row.state))
  const setupOf = loadSetups(
    db,
    rows.flatMap((row) => row.setupId ?? []),
  )
  const kin = loadKin(db)
  return rows.map((row) => makeHold(row, listItems(row, setupOf, kin), { start: row.holdStart, end: row.holdEnd }))
}

/** What is still out from bookings that are over. */
export function loadLateHolds(db: Reader, now: number): Hold[] {
  const rows = db
    .select()
    .from(bookings)
    .where(and(eq(bookings.state, 'out'), lt(bookings.holdEnd, now)))
    .all()
  return rows.map((row) => makeHold(row, listItems(row, new Map(), []), { start: row.holdStart, end: row.holdEnd }))
}

export function makeHold(
  booking: Pick<BookingRow, 'id' | 'title' | 'placeId' | 'personIds'>,
  items: readonly BookingItem[],
  interval: Interval,
): Hold {
  const stock = new Map<string, number>()
  for (const item of items) {
    if (item.stockId) stock.set(item.stockId, (stock.get(item.stockId) ?? 0) + item.quantity)
  }
  return {
    bookingId: booking.id,
    title: booking.title,
    interval,
    unitIds: items
      .filter((item) => item.unitId && item.state !== 'back' && item.state !== 'left')
      .map((item) => item.unitId ?? ''),
    stock,
    placeId: booking.placeId,
    personIds: booking.personIds,
  }
}

export function makeDraftHold(
  draft: NewBooking,
  setup: Setup | null,
  kin: readonly Kin[],
  zone: string,
  id = 'draft',
): Hold {
  return makeHold({ ...draft, id }, listBookingItems(setup, draft.unitIds, kin), findHoldInterval(draft, zone))
}
