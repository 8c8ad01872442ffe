import type { Circuit, EventKind, PlaceKind, StudioSettings, SubjectType } from '@exemplar/core'
import { index, integer, sqliteTable, text } from 'drizzle-orm/sqlite-core'

export const studio = sqliteTable('studio', {
  id: integer('id').primaryKey(),
  settings: text('settings', { mode: 'json' }).$type<StudioSettings>().notNull(),
  version: integer('version').notNull().default(1),
})

export const people = sqliteTable('people', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  skills: text('skills', { mode: 'json' }).$type<string[]>().notNull(),
  note: text('note').notNull().default(''),
  version: integer('version').notNull().default(1),
})

export const parties = sqliteTable('parties', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  kind: text('kind').$type<'vendor' | 'lender' | 'client' | 'repairer'>().notNull(),
  note: text('note').notNull().default(''),
  version: integer('version').notNull().default(1),
})

export const places = sqliteTable('places', {
  id: text('id').primaryKey(),
  name: text('name').notNull().unique(),
  kind: text('kind').$type<PlaceKind>().notNull(),
  parentId: text('parent_id'),
  circuits: text('circuits', { mode: 'json' }).$type<Circuit[]>().notNull(),
  note: text('note').notNull().default(''),
  version: integer('version').notNull().default(1),
})

/** Append-only: triggers refuse every change and deletion. */
export const events = sqliteTable(
  'events',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    at: integer('at').notNull(),
    personId: text('person_id'),
    kind: text('kind').$type<EventKind>().notNull(),
    subjectType: text('subject_type').$type<SubjectType>().notNull(),
    subjectId: text('subject_id').notNull(),
    data: text('data', { mode: 'json' }).$type<Record<string, unknown>>().notNull(),
  },
  (table) => [index('events_subject').on(table.subjectType, table.subjectId, table.id)],
)
