import {
  type AccessRole,
  type Attachment,
  type EventKind,
  NO_DETAILS,
  newFilmSchema,
  newPersonSchema,
  newPlaceSchema,
  type Party,
  type PlaceKind,
  type SignInOutcome,
  type StudioSettings,
  type SubjectType,
  secondFactorSchema,
} from '@exemplar/core'
import { index, integer, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import { json } from './json-column.ts'

export const studio = sqliteTable('studio', {
  id: integer('id').primaryKey(),
  settings: text('settings', { mode: 'json' }).$type<StudioSettings>().notNull(),
  version: integer('version').notNull().default(1),
})

const contacts = () => json('contacts', newPersonSchema.shape.contacts).notNull().default([])

export const people = sqliteTable('people', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  skills: json('skills', newPersonSchema.shape.skills).notNull(),
  note: text('note').notNull().default(''),
  contacts: contacts(),
  traits: json('traits', newPersonSchema.shape.traits).notNull().default([]),
  consent: json('consent', newPersonSchema.shape.consent).notNull().default({ state: 'unknown', on: null, note: '' }),
  archivedAt: integer('archived_at'),
  version: integer('version').notNull().default(1),
})

export const parties = sqliteTable('parties', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  kind: text('kind').$type<Party['kind']>().notNull(),
  note: text('note').notNull().default(''),
  contacts: contacts(),
  archivedAt: integer('archived_at'),
  version: integer('version').notNull().default(1),
})

/** What the column gives by itself; what came to be known of places since is filled in on reading. */
const { position: _, ...KEPT } = NO_DETAILS
const KEPT_DETAILS = KEPT as typeof NO_DETAILS

export const places = sqliteTable('places', {
  id: text('id').primaryKey(),
  name: text('name').notNull().unique(),
  kind: text('kind').$type<PlaceKind>().notNull(),
  parentId: text('parent_id'),
  circuits: json('circuits', newPlaceSchema.shape.circuits).notNull(),
  note: text('note').notNull().default(''),
  details: json('details', newPlaceSchema.shape.details).notNull().default(KEPT_DETAILS),
  archivedAt: integer('archived_at'),
  version: integer('version').notNull().default(1),
})

/** The index of the archive: which film lies where. */
export const films = sqliteTable('films', {
  id: text('id').primaryKey(),
  title: text('title').notNull(),
  on: text('on').notNull(),
  setupId: text('setup_id'),
  copies: json('copies', newFilmSchema.shape.copies).notNull().default([]),
  archivedAt: integer('archived_at'),
  version: integer('version').notNull().default(1),
})

/** Files that people attached; the bytes lie beside the database under their checksum. */
export const attachments = sqliteTable(
  'attachments',
  {
    id: text('id').primaryKey(),
    subjectType: text('subject_type').$type<Attachment['subjectType']>().notNull(),
    subjectId: text('subject_id').notNull(),
    name: text('name').notNull(),
    mime: text('mime').notNull(),
    bytes: integer('bytes').notNull(),
    sha256: text('sha256').notNull(),
    addedAt: integer('added_at').notNull(),
    archivedAt: integer('archived_at'),
    version: integer('version').notNull().default(1),
  },
  (table) => [index('attachments_subject').on(table.subjectType, table.subjectId)],
)

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
    /** The change it belongs to; null for what was logged before changes were kept. */
    changeId: integer('change_id'),
  },
  (table) => [
    index('events_subject').on(table.subjectType, table.subjectId, table.id),
    index('events_change').on(table.changeId),
  ],
)

/** One write: everything that one transaction did, to be taken back together. Append-only. */
export const changes = sqliteTable(
  'changes',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    at: integer('at').notNull(),
    personId: text('person_id'),
    /** The change that this one takes back. */
    undoes: integer('undoes'),
    /** Random, so that two houses that went different ways know which changes they share, whatever their clocks say. */
    token: text('token').notNull().default(''),
    /** What whoever did it had to be allowed to do; empty where that was not written down yet. */
    action: text('action').notNull().default(''),
  },
  (table) => [index('changes_undoes').on(table.undoes)],
)

/** What a change did to one row, written by triggers: enough to put the row back as it was. */
export const rowChanges = sqliteTable(
  'row_changes',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    changeId: integer('change_id').notNull(),
    table: text('table_name').notNull(),
    op: text('op').$type<'insert' | 'update' | 'delete'>().notNull(),
    /** Values of the key columns. */
    key: text('row_key', { mode: 'json' }).$type<Record<string, unknown>>().notNull(),
    /** The whole row before; null for an insert. */
    before: text('before', { mode: 'json' }).$type<Record<string, unknown>>(),
  },
  (table) => [index('row_changes_change').on(table.changeId), index('row_changes_row').on(table.table, table.key)],
)

/** Who may sign in, and as what. */
export const accounts = sqliteTable('accounts', {
  personId: text('person_id')
    .primaryKey()
    .references(() => people.id),
  signInName: text('sign_in_name').notNull().unique(),
  /** Null until an invitation was taken up. */
  passwordHash: text('password_hash'),
  role: text('role').$type<AccessRole>().notNull(),
  isOwner: integer('is_owner', { mode: 'boolean' }).notNull().default(false),
  disabledAt: integer('disabled_at'),
  /** The second factor; null where none was set up. */
  secondFactor: json('second_factor', secondFactorSchema.nullable()),
  version: integer('version').notNull().default(1),
})

export const sessions = sqliteTable(
  'sessions',
  {
    /** SHA-256 of the token in the cookie: who reads the database cannot sign in with it. */
    id: text('id').primaryKey(),
    personId: text('person_id').notNull(),
    createdAt: integer('created_at').notNull(),
    seenAt: integer('seen_at').notNull(),
    expiresAt: integer('expires_at').notNull(),
    /** When the person showed once more that it is them; what cannot be taken back asks for it. */
    confirmedAt: integer('confirmed_at').notNull().default(0),
    /** What it was signed in on, in a few words. */
    device: text('device').notNull().default(''),
  },
  (table) => [index('sessions_person').on(table.personId)],
)

/** A link by which somebody sets a password: the first one, or a new one. */
export const invitations = sqliteTable('invitations', {
  /** SHA-256 of the token in the link. */
  id: text('id').primaryKey(),
  personId: text('person_id').notNull(),
  expiresAt: integer('expires_at').notNull(),
  usedAt: integer('used_at'),
})

/** Who came to the door, and whether they were let in. Kept for a while, and in no backup. */
export const signIns = sqliteTable(
  'sign_ins',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    at: integer('at').notNull(),
    /** The name that was typed. */
    name: text('name').notNull(),
    /** Whose account it is; null where there is none of that name. */
    personId: text('person_id'),
    outcome: text('outcome').$type<SignInOutcome>().notNull(),
    address: text('address').notNull(),
    device: text('device').notNull().default(''),
  },
  (table) => [index('sign_ins_at').on(table.at)],
)
