import type {
  Acquisition,
  Category,
  Interface,
  LifeState,
  Port,
  PowerMode,
  RecordingMode,
  Software,
  Specs,
} from '@exemplar/core'
import { index, integer, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import { parties, people, places } from '../studio/tables.ts'

export const interfaces = sqliteTable('interfaces', {
  code: text('code').primaryKey(),
  label: text('label').notNull(),
  kind: text('kind').$type<Interface['kind']>().notNull(),
  hostName: text('host_name').notNull(),
  guestName: text('guest_name').notNull(),
  standard: text('standard'),
  viaCableOnly: integer('via_cable_only', { mode: 'boolean' }).notNull(),
  version: integer('version').notNull().default(1),
})

export const models = sqliteTable(
  'models',
  {
    id: text('id').primaryKey(),
    maker: text('maker').notNull(),
    name: text('name').notNull(),
    category: text('category').$type<Category>().notNull(),
    specs: text('specs', { mode: 'json' }).$type<Specs>().notNull(),
    ports: text('ports', { mode: 'json' }).$type<Port[]>().notNull(),
    powerModes: text('power_modes', { mode: 'json' }).$type<PowerMode[]>().notNull(),
    recordingModes: text('recording_modes', { mode: 'json' }).$type<RecordingMode[]>().notNull(),
    version: integer('version').notNull().default(1),
  },
  (table) => [index('models_category').on(table.category)],
)

export const units = sqliteTable(
  'units',
  {
    id: text('id').primaryKey(),
    tag: text('tag').notNull().unique(),
    modelId: text('model_id')
      .notNull()
      .references(() => models.id),
    serial: text('serial'),
    state: text('state').$type<LifeState>().notNull(),
    placeId: text('place_id').references(() => places.id),
    acquisition: text('acquisition').$type<Acquisition>().notNull(),
    acquiredOn: text('acquired_on'),
    priceMinor: integer('price_minor'),
    partyId: text('party_id').references(() => parties.id),
    dueOn: text('due_on'),
    healthPercent: integer('health_percent'),
    serviceEveryDays: integer('service_every_days'),
    lastServicedOn: text('last_serviced_on'),
    note: text('note').notNull().default(''),
    ownerId: text('owner_id').references(() => people.id),
    ownerAgreed: integer('owner_agreed', { mode: 'boolean' }).notNull().default(false),
    software: text('software', { mode: 'json' }).$type<Software[]>().notNull().default([]),
    archivedAt: integer('archived_at'),
    version: integer('version').notNull().default(1),
  },
  (table) => [
    index('units_model').on(table.modelId),
    index('units_place').on(table.placeId),
    index('units_state').on(table.state),
    index('units_due').on(table.dueOn),
  ],
)

export const stock = sqliteTable('stock', {
  id: text('id').primaryKey(),
  tag: text('tag').notNull().unique(),
  modelId: text('model_id')
    .notNull()
    .references(() => models.id),
  quantity: integer('quantity').notNull(),
  reorderLevel: integer('reorder_level').notNull(),
  placeId: text('place_id').references(() => places.id),
  archivedAt: integer('archived_at'),
  version: integer('version').notNull().default(1),
})
