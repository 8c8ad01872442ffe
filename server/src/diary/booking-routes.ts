import { addDays, type BookingItem, findHoldInterval, findStartOfDay, may, type NewBooking } from '@exemplar/core'
import { eq } from 'drizzle-orm'
import { requireBooking } from '../availability/bookings.ts'
import { type BookingRow, loadBookings, loadHolds, toBooking } from '../availability/holds.ts'
import { reportFault } from '../bench/fault-writing.ts'
import { sayUsed } from '../bench/packs/charge-writing.ts'
import { ProblemError, refuseField } from '../foundation/base/problem.ts'
import { type Actor, requireVersion, type Writer, write } from '../foundation/database/app-context.ts'
import { defineRoute } from '../foundation/http/route.ts'
import { bookings } from '../schema/diary-tables.ts'
import { loadStudio } from '../studio/settings/settings-routes.ts'
import { checkBooking, describeCollisions, loadBookingPage, requireOpenRoom, requireParts } from './booking-check.ts'
import { isSameItem, takeOut } from './taking-out.ts'

/** Who may only pencil leaves alone what is confirmed, and confirms nothing. */
function requireRank(writer: Writer, actor: Actor, before: BookingRow | null, after: NewBooking): void {
  const isPencilled = (before === null || before.state === 'pencilled') && after.state !== 'confirmed'
  const hasMoney = after.feeMinor !== null || (before !== null && before.feeMinor !== null)
  if (may(actor.role, 'change-bookings')) {
    // Taking this back is the same rank.
    if (!isPencilled || hasMoney) writer.takes('change-bookings')
    return
  }
  if (isPencilled) return
  const detail =
    before && before.state !== 'pencilled'
      ? 'This booking is no longer pencilled; a manager changes it.'
      : 'You can pencil it; a manager confirms.'
  throw new ProblemError(403, 'Not allowed', detail)
}

function withHold(body: NewBooking, zone: string) {
  const { start, end } = findHoldInterval(body, zone)
  return { ...body, holdStart: start, holdEnd: end }
}

export const bookingRoutes = [
  defineRoute('get /bookings', ({ query }, { db }) => {
    const { zone } = loadStudio(db)
    const interval = {
      start: findStartOfDay(query.from, zone),
      end: findStartOfDay(addDays(query.from, query.days), zone),
    }
    const rows = loadBookings(db, interval)
    return {
      ...interval,
      bookings: rows.map((row) => ({ ...toBooking(row), holdStart: row.holdStart, holdEnd: row.holdEnd })),
      collisions: describeCollisions(db, loadHolds(db, interval)),
    }
  }),
  defineRoute('post /bookings/check', ({ body, query }, app) => checkBooking(app, body, query.except ?? null)),
  defineRoute('post /bookings', ({ body, actor }, app) =>
    write(app, actor, (writer) => {
      const { tx, newId, log } = writer
      requireRank(writer, actor, null, body)
      requireParts(tx, body)
      requireOpenRoom(tx, body, null)
      const values = { ...withHold(body, loadStudio(tx).zone), id: newId(), items: null }
      const row = tx.insert(bookings).values(values).returning().get()
      log('booked', 'booking', row.id, { after: toBooking(row) })
      return toBooking(row)
    }),
  ),
  defineRoute('get /bookings/:id', ({ params }, app) => loadBookingPage(app, params.id ?? '')),
  defineRoute('get /bookings/:id/check', ({ params }, app) => {
    const row = requireBooking(app.db, params.id ?? '')
    const { items: _items, holdStart: _start, holdEnd: _end, id, version: _version, ...draft } = row
    const state = draft.state === 'cancelled' ? 'cancelled' : 'confirmed'
    return checkBooking(app, { ...draft, state }, id)
  }),
  defineRoute('put /bookings/:id', ({ params, body, version, actor }, app) =>
    write(app, actor, (writer) => {
      const { tx, log } = writer
      const id = params.id ?? ''
      const before = requireVersion(tx.select().from(bookings).where(eq(bookings.id, id)).get(), version, 'booking')
      if (before.state === 'out' || before.state === 'back') {
        throw new ProblemError(409, 'Already out', 'Its things have left. Bring them back first.')
      }
      requireRank(writer, actor, before, body)
      requireParts(tx, body)
      requireOpenRoom(tx, body, before)
      // Whoever sees no fee sends none; it stays as it was.
      const fee = may(actor.role, 'see-money') ? {} : { feeMinor: before.feeMinor }
      const row = tx
        .update(bookings)
        .set({ ...withHold(body, loadStudio(tx).zone), ...fee, version: before.version + 1 })
        .where(eq(bookings.id, id))
        .returning()
        .get()
      log('changed', 'booking', id, { before: toBooking(before), after: toBooking(row) })
      return toBooking(row)
    }),
  ),
  defineRoute('post /bookings/:id/take-out', ({ params, body, version, actor }, app) =>
    write(app, actor, (writer) => takeOut(writer, params.id ?? '', body, version)),
  ),
  defineRoute('post /bookings/:id/bring-back', ({ params, body, version, actor }, app) =>
    write(app, actor, (writer) => {
      const { tx, log } = writer
      const before = requireVersion(
        tx
          .select()
          .from(bookings)
          .where(eq(bookings.id, params.id ?? ''))
          .get(),
        version,
        'booking',
      )
      if (before.state !== 'out' || !before.items) {
        throw new ProblemError(409, 'Not out', 'Nothing of this booking is out, so nothing can come back.')
      }
      const known = before.items
      const stranger = body.items.findIndex(
        (it) => !known.some((item) => isSameItem(item, it) && item.state !== 'left'),
      )
      if (stranger >= 0) throw refuseField(`/items/${stranger}`, 'This did not go out with the booking.')
      const items = known.map((item): BookingItem => {
        const back = body.items.find((it) => isSameItem(item, it))
        if (back) return { ...item, state: 'back', note: back.fault?.note ?? back.note }
        return body.isFinished && item.state === 'out' ? { ...item, state: 'missing' } : item
      })
      for (const { unitId, fault } of body.items) {
        if (!unitId) continue
        log('returned', 'unit', unitId, { bookingId: before.id, title: before.title })
        if (fault) reportFault(writer, unitId, { ...fault, bookingId: before.id })
      }
      sayUsed(
        writer,
        body.items.flatMap((it) => it.unitId ?? []),
      )
      const row = tx
        .update(bookings)
        .set({ items, state: body.isFinished ? 'back' : 'out', version: before.version + 1 })
        .where(eq(bookings.id, before.id))
        .returning()
        .get()
      for (const item of items) {
        if (item.state !== 'missing' || !item.unitId) continue
        // As a fault it leaves every reckoning at once, stands on the bench, and is closed when the thing turns up.
        const note = `Did not come back from ${before.title}`
        reportFault(writer, item.unitId, { note, severity: 'unusable', bookingId: before.id })
      }
      log('returned', 'booking', row.id, { items: body.items, isFinished: body.isFinished })
      return toBooking(row)
    }),
  ),
]
