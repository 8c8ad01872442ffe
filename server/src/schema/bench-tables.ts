import {
  type CapacitySource,
  type Failing,
  lessonForSchema,
  planSubjectSchema,
  type ReadingOutcome,
  type RepairClaim,
  type RepairStage,
  readingSchema,
  type Severity,
} from '@exemplar/core'
import { index, integer, primaryKey, real, sqliteTable, text, uniqueIndex } from 'drizzle-orm/sqlite-core'
import { bookings } from './diary-tables.ts'
import { json } from './json-column.ts'
import { stock, units } from './kit-tables.ts'
import { parties } from './studio-tables.ts'

export const faults = sqliteTable(
  'faults',
  {
    id: text('id').primaryKey(),
    unitId: text('unit_id')
      .notNull()
      .references(() => units.id),
    bookingId: text('booking_id').references(() => bookings.id),
    note: text('note').notNull(),
    severity: text('severity').$type<Severity>().notNull(),
    reportedAt: integer('reported_at').notNull(),
    mendedAt: integer('mended_at'),
    mendNote: text('mend_note').notNull().default(''),
    inFile: text('in_file').notNull().default(''),
    workAround: text('work_around').notNull().default(''),
    workAroundMinutes: integer('work_around_minutes'),
    fails: text('fails').$type<Failing>(),
    isNoisy: integer('is_noisy', { mode: 'boolean' }).notNull().default(false),
    isHazard: integer('is_hazard', { mode: 'boolean' }).notNull().default(false),
    valueLossMinor: integer('value_loss_minor'),
    version: integer('version').notNull().default(1),
  },
  (table) => [index('faults_unit').on(table.unitId), index('faults_open').on(table.mendedAt)],
)

/** What is done to things again and again: for a kind, a model or one thing. */
export const servicePlans = sqliteTable('service_plans', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  subject: json('subject', planSubjectSchema).notNull(),
  everyDays: integer('every_days'),
  everyUses: integer('every_uses'),
  everyHours: integer('every_hours'),
  everyCycles: integer('every_cycles'),
  healthBelow: integer('health_below'),
  graceDays: integer('grace_days').notNull().default(0),
  minutes: integer('minutes'),
  steps: text('steps').notNull().default(''),
  parts: text('parts').notNull().default(''),
  who: text('who').notNull().default(''),
  archivedAt: integer('archived_at'),
  version: integer('version').notNull().default(1),
})

/** Services that were done; without a plan it was the thing's own interval. */
export const services = sqliteTable(
  'services',
  {
    id: text('id').primaryKey(),
    unitId: text('unit_id')
      .notNull()
      .references(() => units.id),
    planId: text('plan_id').references(() => servicePlans.id),
    on: text('on_day').notNull(),
    note: text('note').notNull().default(''),
    recordedAt: integer('recorded_at').notNull(),
    personId: text('person_id'),
  },
  (table) => [index('services_unit').on(table.unitId, table.planId, table.on)],
)

/** Uses and hours that no booking tells of. */
export const unitUses = sqliteTable(
  'unit_uses',
  {
    id: text('id').primaryKey(),
    unitId: text('unit_id')
      .notNull()
      .references(() => units.id),
    on: text('on_day').notNull(),
    uses: integer('uses').notNull(),
    hours: real('hours').notNull(),
    note: text('note').notNull().default(''),
    recordedAt: integer('recorded_at').notNull(),
  },
  (table) => [index('unit_uses_unit').on(table.unitId)],
)

/** What went wrong, and what is learned from it. */
export const incidents = sqliteTable('incidents', {
  id: text('id').primaryKey(),
  on: text('on_day').notNull(),
  what: text('what').notNull(),
  cause: text('cause').notNull().default(''),
  saved: text('saved').notNull().default(''),
  lesson: text('lesson').notNull().default(''),
  lessonFor: json('lesson_for', lessonForSchema).notNull(),
  personId: text('person_id'),
  version: integer('version').notNull().default(1),
})

/** What was hit, and the fault that came of it. */
export const incidentUnits = sqliteTable(
  'incident_units',
  {
    incidentId: text('incident_id')
      .notNull()
      .references(() => incidents.id),
    unitId: text('unit_id')
      .notNull()
      .references(() => units.id),
    faultId: text('fault_id').references(() => faults.id),
  },
  (table) => [primaryKey({ columns: [table.incidentId, table.unitId] }), index('incident_units_unit').on(table.unitId)],
)

/** A way out to be mended, from asking somebody to trying it when it is back. */
export const repairs = sqliteTable(
  'repairs',
  {
    id: text('id').primaryKey(),
    unitId: text('unit_id')
      .notNull()
      .references(() => units.id),
    faultId: text('fault_id').references(() => faults.id),
    stage: text('stage').$type<RepairStage>().notNull(),
    claim: text('claim').$type<RepairClaim>().notNull(),
    partyId: text('party_id').references(() => parties.id),
    reference: text('reference').notNull().default(''),
    claimBy: text('claim_by'),
    askedOn: text('asked_on').notNull(),
    sentOn: text('sent_on'),
    dueOn: text('due_on'),
    quoteMinor: integer('quote_minor'),
    costMinor: integer('cost_minor'),
    backOn: text('back_on'),
    endedOn: text('ended_on'),
    note: text('note').notNull().default(''),
    version: integer('version').notNull().default(1),
  },
  (table) => [index('repairs_unit').on(table.unitId), index('repairs_open').on(table.endedOn)],
)

/** What a pack gave, from full to empty: run down at a known draw, or told by a charger. */
export const capacityRuns = sqliteTable(
  'capacity_runs',
  {
    id: text('id').primaryKey(),
    unitId: text('unit_id')
      .notNull()
      .references(() => units.id),
    on: text('on_day').notNull(),
    milliwattHours: integer('milliwatt_hours').notNull(),
    /** Charges it had by then, where somebody or something counted them. */
    cycles: integer('cycles'),
    source: text('source').$type<CapacitySource>().notNull(),
    note: text('note').notNull().default(''),
    recordedAt: integer('recorded_at').notNull(),
  },
  (table) => [index('capacity_runs_unit').on(table.unitId, table.on)],
)

/** What devices told, each once: kept also where it changed nothing, with why. */
export const readings = sqliteTable(
  'readings',
  {
    id: text('id').primaryKey(),
    deviceId: text('device_id').notNull(),
    /** The device's own number of it. */
    number: text('number').notNull(),
    unitId: text('unit_id')
      .notNull()
      .references(() => units.id),
    /** When the device took it, and when it came here. */
    at: integer('at').notNull(),
    receivedAt: integer('received_at').notNull(),
    told: json('told', readingSchema).notNull(),
    outcome: text('outcome').$type<ReadingOutcome>().notNull(),
  },
  (table) => [
    uniqueIndex('readings_once').on(table.deviceId, table.number, table.unitId),
    index('readings_unit').on(table.unitId, table.at),
  ],
)

/** Pieces that were used up. */
export const stockUses = sqliteTable(
  'stock_uses',
  {
    id: text('id').primaryKey(),
    stockId: text('stock_id')
      .notNull()
      .references(() => stock.id),
    on: text('on_day').notNull(),
    quantity: integer('quantity').notNull(),
    note: text('note').notNull().default(''),
    recordedAt: integer('recorded_at').notNull(),
  },
  (table) => [index('stock_uses_stock').on(table.stockId, table.on)],
)
