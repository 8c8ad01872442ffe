import { index, integer, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import { bookings } from './diary-tables.ts'
import { units } from './kit-tables.ts'

export const faults = sqliteTable(
  'faults',
  {
    id: text('id').primaryKey(),
    unitId: text('unit_id')
      .notNull()
      .references(() => units.id),
    bookingId: text('booking_id').references(() => bookings.id),
    note: text('note').notNull(),
    severity: text('severity').$type<'usable' | 'unusable'>().notNull(),
    reportedAt: integer('reported_at').notNull(),
    mendedAt: integer('mended_at'),
    mendNote: text('mend_note').notNull().default(''),
    version: integer('version').notNull().default(1),
  },
  (table) => [index('faults_unit').on(table.unitId), index('faults_open').on(table.mendedAt)],
)
