import {
  type Acceptance,
  type Ask,
  type CableRun,
  type ContentDemand,
  NO_OVERRIDES,
  type Overrides,
  type Purpose,
  type Role,
  type Shot,
  type Tape,
} from '@exemplar/core'
import { index, integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import { stock, units } from './kit-tables.ts'
import { places } from './studio-tables.ts'

export const setups = sqliteTable('setups', {
  id: text('id').primaryKey(),
  code: text('code').notNull(),
  name: text('name').notNull(),
  tape: text('tape').$type<Tape>().notNull(),
  purpose: text('purpose').notNull(),
  purposeKind: text('purpose_kind').$type<Purpose>().notNull().default('other'),
  skills: text('skills', { mode: 'json' }).$type<string[]>().notNull().default([]),
  asks: text('asks', { mode: 'json' }).$type<Ask[]>().notNull().default([]),
  overrides: text('overrides', { mode: 'json' }).$type<Overrides>().notNull().default(NO_OVERRIDES),
  demands: text('demands', { mode: 'json' }).$type<ContentDemand[]>().notNull().default([]),
  accepted: text('accepted', { mode: 'json' }).$type<Acceptance[]>().notNull().default([]),
  variantOf: text('variant_of'),
  links: text('links', { mode: 'json' }).$type<CableRun[]>().notNull().default([]),
  isMirrored: integer('is_mirrored', { mode: 'boolean' }).notNull().default(false),
  speakers: integer('speakers'),
  shot: text('shot').$type<Shot>(),
  carriers: integer('carriers').notNull().default(0),
  placeId: text('place_id').references(() => places.id),
  circuitId: text('circuit_id'),
  plannedMinutes: integer('planned_minutes').notNull(),
  note: text('note').notNull(),
  roles: text('roles', { mode: 'json' }).$type<Role[]>().notNull(),
  archivedAt: integer('archived_at'),
  version: integer('version').notNull().default(1),
})

/** Which setup counts on which thing; written with the roles in the same transaction, so that it can be asked. */
export const setupUnits = sqliteTable(
  'setup_units',
  {
    setupId: text('setup_id')
      .notNull()
      .references(() => setups.id),
    unitId: text('unit_id')
      .notNull()
      .references(() => units.id),
    roleName: text('role_name').notNull(),
  },
  (table) => [primaryKey({ columns: [table.setupId, table.unitId] }), index('setup_units_unit').on(table.unitId)],
)

export const setupStock = sqliteTable(
  'setup_stock',
  {
    setupId: text('setup_id')
      .notNull()
      .references(() => setups.id),
    stockId: text('stock_id')
      .notNull()
      .references(() => stock.id),
    quantity: integer('quantity').notNull(),
  },
  (table) => [primaryKey({ columns: [table.setupId, table.stockId] })],
)
