import { type BookingItem, isHolding, type TakeOut } from '@exemplar/core'
import { and, desc, eq, ne } from 'drizzle-orm'
import { listItems, loadSetups, toBooking } from '../availability/holds.ts'
import { loadKin } from '../availability/reference.ts'
import { ProblemError, refuseField } from '../foundation/base/problem.ts'
import { requireVersion, type Transaction, type Writer } from '../foundation/database/app-context.ts'
import { bookings } from '../schema/diary-tables.ts'
import { units } from '../schema/kit-tables.ts'
import { events, people } from '../schema/studio-tables.ts'

interface ItemName {
  unitId: string | null
  stockId: string | null
}

export const isSameItem = (a: ItemName, b: ItemName): boolean => a.unitId === b.unitId && a.stockId === b.stockId

/**
 * Records what truly leaves on a booking. A thing that is out already is in somebody else's hands: it goes out again only
 * where it is said that it was handed over, and then it is back on the booking that it was out on.
 */
export function takeOut(writer: Writer, id: string, body: TakeOut, version: number) {
  const { tx, log } = writer
  const before = requireVersion(tx.select().from(bookings).where(eq(bookings.id, id)).get(), version, 'booking')
  if (!isHolding(before.state)) {
    throw new ProblemError(409, 'Not to be taken', `This booking is ${before.state}; nothing goes out on it.`)
  }
  const planned = listItems(before, loadSetups(tx, before.setupId ? [before.setupId] : []), loadKin(tx))
  const stranger = body.items.findIndex((it) => !planned.some((item) => isSameItem(item, it)))
  if (stranger >= 0) throw refuseField(`/items/${stranger}`, 'This is not on the sheet of the booking.')
  const elsewhere = listOutElsewhere(tx, id, body.items)
  if (elsewhere.length > 0 && !body.takeOver) throw refuseOut(elsewhere)
  for (const it of elsewhere) handOver(writer, it, before.title)
  const items = planned.map((item): BookingItem => {
    const isTaken = item.state === 'out' || body.items.some((it) => isSameItem(item, it))
    return { ...item, state: isTaken ? 'out' : 'left' }
  })
  const row = tx
    .update(bookings)
    .set({ items, state: 'out', version: before.version + 1 })
    .where(eq(bookings.id, before.id))
    .returning()
    .get()
  log('checked-out', 'booking', row.id, { items: body.items })
  for (const { unitId } of body.items) {
    if (unitId) log('checked-out', 'unit', unitId, { bookingId: row.id, title: row.title })
  }
  return toBooking(row)
}

interface OutElsewhere {
  unitId: string
  tag: string
  bookingId: string
  title: string
  /** Who took it; null where that is not known any more. */
  person: string | null
}

function listOutElsewhere(tx: Transaction, bookingId: string, items: readonly ItemName[]): OutElsewhere[] {
  const wanted = new Set(items.flatMap((it) => it.unitId ?? []))
  const others = tx
    .select()
    .from(bookings)
    .where(and(eq(bookings.state, 'out'), ne(bookings.id, bookingId)))
    .all()
  return others.flatMap(({ id, title, items: carried }) =>
    (carried ?? []).flatMap(({ unitId, state }) =>
      unitId !== null && state === 'out' && wanted.has(unitId)
        ? [{ unitId, tag: findTag(tx, unitId), bookingId: id, title, person: findTaker(tx, unitId) }]
        : [],
    ),
  )
}

const findTag = (tx: Transaction, unitId: string): string =>
  tx.select({ tag: units.tag }).from(units).where(eq(units.id, unitId)).get()?.tag ?? unitId

function findTaker(tx: Transaction, unitId: string): string | null {
  const row = tx
    .select({ name: people.name })
    .from(events)
    .leftJoin(people, eq(people.id, events.personId))
    .where(and(eq(events.subjectType, 'unit'), eq(events.subjectId, unitId), eq(events.kind, 'checked-out')))
    .orderBy(desc(events.id))
    .limit(1)
    .get()
  return row?.name ?? null
}

function refuseOut(elsewhere: readonly OutElsewhere[]): ProblemError {
  const said = elsewhere
    .slice(0, 3)
    .map(({ tag, title, person }) => `${tag} is out on “${title}”${person ? `, taken by ${person}` : ''}.`)
  const more = elsewhere.length > 3 ? ` And ${elsewhere.length - 3} more.` : ''
  const detail = `${said.join(' ')}${more} Bring it back there first, or say that it was handed over.`
  return new ProblemError(409, 'Out already', detail, { report: { outElsewhere: elsewhere } })
}

/** On the booking it was out on it is back, with where it went. */
function handOver({ tx, log }: Writer, { unitId, bookingId }: OutElsewhere, to: string): void {
  const row = tx.select().from(bookings).where(eq(bookings.id, bookingId)).get()
  if (!row?.items) return
  const items = row.items.map(
    (it): BookingItem => (it.unitId === unitId ? { ...it, state: 'back', note: `Handed over to ${to}` } : it),
  )
  const isFinished = !items.some((it) => it.state === 'out')
  tx.update(bookings)
    .set({ items, state: isFinished ? 'back' : 'out', version: row.version + 1 })
    .where(eq(bookings.id, bookingId))
    .run()
  log('returned', 'unit', unitId, { bookingId, title: row.title, handedOverTo: to })
}
