import { eq } from 'drizzle-orm'
import { refuseMissing } from '../foundation/base/problem.ts'
import type { Transaction } from '../foundation/database/app-context.ts'
import type { Database } from '../foundation/database/database.ts'
import { bookings } from '../schema/diary-tables.ts'
import type { BookingRow } from './holds.ts'
export function requireBooking(db: Database | Transaction, id: string): BookingRow {
  const row = db.select().from(bookings).where(eq(bookings.id, id)).get()
  if (!row) throw refuseMissing('booking')
  return row
}
