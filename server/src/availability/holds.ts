import {
  type Booking,
  type BookingItem,
  findHoldInterval,
  type Hold,
  type Interval,
  isHolding,
  listBookingItems,
  type NewBooking,
  type Parent,
  type Setup,
} from '@exemplar/core'
import { and, eq, gt, lt, or } from 'drizzle-orm'
import { bookings } from '../schema/diary-tables.ts'
import { type Kin, loadEverySetup, loadKin, loadParents, type Reader } from './reference.ts'

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

/** Setups by their ids, archived ones too. */
export function loadSetups(db: Reader, ids: readonly string[]): Map<string, Setup> {
  const all = loadEverySetup(db)
  return new Map(
    [...new Set(ids)].flatMap((id) => {
      const row = all.get(id)
      if (!row) return []
      const { archivedAt: _, ...setup } = row
      return [[id, setup] as const]
    }),
  )
}

/** What a booking takes: fixed once it was taken out, else whatever its setup holds now. */
export function listItems(
  booking: BookingRow,
  setupOf: ReadonlyMap<string, Setup>,
  kin: readonly Kin[],
): BookingItem[] {
  return booking.items ?? listBookingItems(setupOf.get(booking.setupId ?? '') ?? null, booking.unitIds, kin)
}

/** What bookings hold, of a stretch of time and of what is late, to be asked for any interval within. */
export interface HoldBook {
  /** The instant at which it was read. */
  now: number
  /** The holds that reach into an interval, but for one booking's. */
  within(interval: Interval, exceptBookingId?: string | null): Hold[]
  /** What is still out from bookings that are over, but for one's. */
  late(exceptBookingId?: string | null): Hold[]
  /** By a thing's id what it goes with. */
  parents: ReadonlyMap<string, Parent>
  /** The booking of a hold. */
  rowOf(bookingId: string): BookingRow | undefined
}

/** Reads in four statements what holds something in the interval, and what is late now. */
export function loadHoldBook(db: Reader, interval: Interval, now: number): HoldBook {
  const rows = db
    .select()
    .from(bookings)
    .where(
      or(
        and(lt(bookings.holdStart, interval.end), gt(bookings.holdEnd, interval.start)),
        and(eq(bookings.state, 'out'), lt(bookings.holdEnd, now)),
      ),
    )
    .orderBy(bookings.holdStart, bookings.id)
    .all()
    .filter((row) => isHolding(row.state))
  const setupOf = loadSetups(
    db,
    rows.flatMap((row) => (row.items === null && row.setupId ? [row.setupId] : [])),
  )
  const kin = rows.length > 0 ? loadKin(db) : []
  const holds = rows.map((row) => ({ row, hold: holdOf(row, setupOf, kin) }))
  const list = (suits: (row: BookingRow) => boolean, exceptBookingId: string | null) =>
    holds.flatMap(({ row, hold }) => (row.id !== exceptBookingId && suits(row) ? [hold] : []))
  return {
    now,
    parents: loadParents(db),
    within: ({ start, end }, except = null) => list((row) => row.holdStart < end && row.holdEnd > start, except),
    late: (except = null) => list((row) => row.state === 'out' && row.holdEnd < now, except),
    rowOf: (id) => rows.find((row) => row.id === id),
  }
}

const holdOf = (row: BookingRow, setupOf: ReadonlyMap<string, Setup>, kin: readonly Kin[]) =>
  makeHold(row, listItems(row, setupOf, kin), { start: row.holdStart, end: row.holdEnd })

/** The holds of all bookings that hold something in the interval. */
export function loadHolds(db: Reader, interval: Interval): Hold[] {
  return loadHoldBook(db, interval, interval.start).within(interval)
}

export function makeHold(
  booking: Pick<BookingRow, 'id' | 'title' | 'placeId' | 'personIds'>,
  items: readonly BookingItem[],
  interval: Interval,
): Hold {
  // What came back, or never left with the rest, is held no longer: counted things as well as single ones.
  const held = items.filter((item) => item.state !== 'back' && item.state !== 'left')
  const stock = new Map<string, number>()
  for (const item of held) {
    if (item.stockId) stock.set(item.stockId, (stock.get(item.stockId) ?? 0) + item.quantity)
  }
  return {
    bookingId: booking.id,
    title: booking.title,
    interval,
    unitIds: held.flatMap((item) => item.unitId ?? []),
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
