import type { BookingItem, BookingKind, BookingState, Sky } from '@exemplar/core'
import { newBookingSchema } from '@exemplar/core'
import { index, integer, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import { json } from './json-column.ts'
import { setups } from './setups-tables.ts'
import { parties, places } from './studio-tables.ts'

export const bookings = sqliteTable(
  'bookings',
  {
    id: text('id').primaryKey(),
    kind: text('kind').$type<BookingKind>().notNull(),
    title: text('title').notNull(),
    setupId: text('setup_id').references(() => setups.id),
    unitIds: json('unit_ids', newBookingSchema.shape.unitIds).notNull(),
    placeId: text('place_id').references(() => places.id),
    personIds: json('person_ids', newBookingSchema.shape.personIds).notNull(),
    /** Wall time in the studio's zone, as planned. */
    startsAt: text('starts_at').notNull(),
    endsAt: text('ends_at').notNull(),
    rigMinutes: integer('rig_minutes').notNull(),
    strikeMinutes: integer('strike_minutes').notNull(),
    /** The hold with its buffers, UTC milliseconds, kept beside the plan so that it can be asked by index. */
    holdStart: integer('hold_start').notNull(),
    holdEnd: integer('hold_end').notNull(),
    state: text('state').$type<BookingState>().notNull(),
    /** Null while the booking follows its setup; what was fixed at taking out afterwards. */
    items: text('items', { mode: 'json' }).$type<BookingItem[]>(),
    note: text('note').notNull(),
    /** The client it is let to, and for how much. */
    partyId: text('party_id').references(() => parties.id),
    feeMinor: integer('fee_minor'),
    needsFloor: integer('needs_floor', { mode: 'boolean' }).notNull().default(false),
    sky: text('sky').$type<Sky>(),
    version: integer('version').notNull().default(1),
  },
  (table) => [index('bookings_hold').on(table.holdStart, table.holdEnd), index('bookings_setup').on(table.setupId)],
)
