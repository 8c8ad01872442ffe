import { NO_OVERRIDES, newSetupSchema, type Purpose, type Shot, type Stage, type Tape } from '@exemplar/core'
import { index, integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import { json } from './json-column.ts'
import { stock, units } from './kit-tables.ts'
import { places } from './studio-tables.ts'

export const setups = sqliteTable('setups', {
  id: text('id').primaryKey(),
  code: text('code').notNull(),
  name: text('name').notNull(),
  tape: text('tape').$type<Tape>().notNull(),
  purpose: text('purpose').notNull(),
  purposeKind: text('purpose_kind').$type<Purpose>().notNull().default('other'),
  skills: json('skills', newSetupSchema.shape.skills).notNull().default([]),
  asks: json('asks', newSetupSchema.shape.asks).notNull().default([]),
  overrides: json('overrides', newSetupSchema.shape.overrides).notNull().default(NO_OVERRIDES),
  demands: json('demands', newSetupSchema.shape.demands).notNull().default([]),
  accepted: json('accepted', newSetupSchema.shape.accepted).notNull().default([]),
  variantOf: text('variant_of'),
  links: json('links', newSetupSchema.shape.links).notNull().default([]),
  isMirrored: integer('is_mirrored', { mode: 'boolean' }).notNull().default(false),
  speakers: integer('speakers'),
  shot: text('shot').$type<Shot>(),
  carriers: integer('carriers').notNull().default(0),
  /** What nobody said is filled in on reading, so that no table is made anew when more can be said. */
  stage: json('stage', newSetupSchema.shape.stage)
    .notNull()
    .default({} as Stage),
  placeId: text('place_id').references(() => places.id),
  circuitId: text('circuit_id'),
  plannedMinutes: integer('planned_minutes').notNull(),
  note: text('note').notNull(),
  roles: json('roles', newSetupSchema.shape.roles).notNull(),
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
