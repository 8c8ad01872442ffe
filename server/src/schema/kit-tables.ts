import {
  type Acquisition,
  type Bond,
  type Category,
  chargeSchema,
  type Interface,
  type KitColumn,
  type KitFilter,
  type LifeState,
  NO_PROVENANCE,
  NO_SUPPLY,
  newModelSchema,
  newUnitSchema,
  type Provenance,
  type SnapshotContents,
  type StocktakeSeen,
  seasonSchema,
  supplySchema,
} from '@exemplar/core'
import { index, integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import { json } from './json-column.ts'
import { parties, people, places } from './studio-tables.ts'

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
    specs: json('specs', newModelSchema.shape.specs).notNull(),
    ports: json('ports', newModelSchema.shape.ports).notNull(),
    powerModes: json('power_modes', newModelSchema.shape.powerModes).notNull(),
    recordingModes: json('recording_modes', newModelSchema.shape.recordingModes).notNull(),
    aliases: json('aliases', newModelSchema.shape.aliases).notNull().default([]),
    notInBox: json('not_in_box', newModelSchema.shape.notInBox).notNull().default([]),
    successorId: text('successor_id'),
    availability: text('availability').notNull().default(''),
    link: text('link').notNull().default(''),
    /** Merged into another, or no longer wanted. */
    archivedAt: integer('archived_at'),
    version: integer('version').notNull().default(1),
  },
  (table) => [index('models_category').on(table.category)],
)

/**
 * What the column gives by itself. What came to be known of how a thing came since then is filled in on reading, so that no table is
 * made anew for it.
 */
const SINCE = new Set<string>([
  'viewerCode',
  'paidInFull',
  'coverUntil',
  'coverAccidents',
  'coverYearMinor',
  'claimSteps',
  'claimDays',
  'keptBecause',
  'keptUntil',
] satisfies (keyof Provenance)[])
const KEPT_PROVENANCE = Object.fromEntries(
  Object.entries(NO_PROVENANCE).filter(([key]) => !SINCE.has(key)),
) as Provenance

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
    software: json('software', newUnitSchema.shape.software).notNull().default([]),
    nickname: text('nickname').notNull().default(''),
    nowPlaceId: text('now_place_id').references(() => places.id),
    parentId: text('parent_id'),
    bond: text('bond').$type<Bond>().notNull().default('part'),
    standsInFor: text('stands_in_for').notNull().default(''),
    remarks: json('remarks', newUnitSchema.shape.remarks).notNull().default([]),
    provenance: json('provenance', newUnitSchema.shape.provenance).notNull().default(KEPT_PROVENANCE),
    fills: json('fills', newUnitSchema.shape.fills).notNull().default([]),
    banks: json('banks', newUnitSchema.shape.banks).notNull().default([]),
    season: json('season', seasonSchema),
    charge: json('charge', chargeSchema),
    archivedAt: integer('archived_at'),
    version: integer('version').notNull().default(1),
  },
  (table) => [
    index('units_model').on(table.modelId),
    index('units_place').on(table.placeId),
    index('units_state').on(table.state),
    index('units_due').on(table.dueOn),
    index('units_serial').on(table.serial),
    index('units_parent').on(table.parentId),
  ],
)

/** What sets or starts a thing from elsewhere, beside what goes with it: one controller may run several. */
export const controls = sqliteTable(
  'controls',
  {
    controllerId: text('controller_id')
      .notNull()
      .references(() => units.id),
    controlledId: text('controlled_id')
      .notNull()
      .references(() => units.id),
  },
  (table) => [
    primaryKey({ columns: [table.controllerId, table.controlledId] }),
    index('controls_controlled').on(table.controlledId),
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
  supply: json('supply', supplySchema).notNull().default(NO_SUPPLY),
  archivedAt: integer('archived_at'),
  version: integer('version').notNull().default(1),
})

/** A way to look at the kit that somebody gave a name. */
export const savedViews = sqliteTable('saved_views', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  filter: text('filter', { mode: 'json' }).$type<KitFilter>().notNull(),
  columns: text('columns', { mode: 'json' }).$type<KitColumn[]>().notNull(),
  archivedAt: integer('archived_at'),
  version: integer('version').notNull().default(1),
})

/** How the headings of a list were read the last time, so that the next one like it is read alike. */
export const columnMaps = sqliteTable('column_maps', {
  id: text('id').primaryKey(),
  mapping: text('mapping', { mode: 'json' }).$type<Record<string, string>>().notNull(),
  version: integer('version').notNull().default(1),
})

/** One walk through a place with a scanner: what was expected there, and what was seen. */
export const stocktakes = sqliteTable('stocktakes', {
  id: text('id').primaryKey(),
  placeId: text('place_id').references(() => places.id),
  startedAt: integer('started_at').notNull(),
  closedAt: integer('closed_at'),
  seen: text('seen', { mode: 'json' }).$type<StocktakeSeen[]>().notNull().default([]),
  version: integer('version').notNull().default(1),
})

/** The kit and the setups as they were on a day. */
export const snapshots = sqliteTable('snapshots', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  takenAt: integer('taken_at').notNull(),
  contents: text('contents', { mode: 'json' }).$type<SnapshotContents>().notNull(),
  archivedAt: integer('archived_at'),
  version: integer('version').notNull().default(1),
})
