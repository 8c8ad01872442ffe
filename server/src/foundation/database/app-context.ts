import type { AccessRole, EventKind, Permission, SubjectType } from '@exemplar/core'
import { eq } from 'drizzle-orm'
import { v7 } from 'uuid'
import { changes, events } from '../../schema/studio-tables.ts'
import type { Config } from '../base/config.ts'
import { type Disk, realDisk } from '../base/disk.ts'
import { type HouseKey, loadHouseKey } from '../base/house-key.ts'
import { type JobRunner, makeJobRunner } from '../base/job-runner.ts'
import { type Live, makeLive } from '../base/live.ts'
import { refuseMissing, refuseStale } from '../base/problem.ts'
import { loadKeys, makeChangeToken } from '../base/secrets.ts'
import { makeVolume, type Volume } from '../base/volume.ts'
import { makeWriteGate, type WriteGate } from '../base/write-gate.ts'
import { type Database, openDatabase, openDatabaseReader } from './database.ts'

export type AppConfig = Pick<
  Config,
  | 'dataFolder'
  | 'fixedNow'
  | 'isDemo'
  | 'isLoopback'
  | 'isSecure'
  | 'backupFolder'
  | 'passwordCost'
  | 'firstRunCode'
  | 'mayBeginAnew'
>

/** What every handler is given: the database, the clock, where ids come from, and what stands beside the database. */
export interface AppContext {
  /** Replaced when a backup is restored; never keep it over a pause. */
  db: Database
  readonly config: AppConfig
  readonly live: Live
  readonly gate: WriteGate
  /** What backups are written with, and where they lie; tests put some that fail in their place. */
  disk: Disk
  volume: Volume
  readonly houseKey: HouseKey
  /** Long work, in a thread of its own. */
  readonly jobs: JobRunner
  /** Keys that sign the session cookies, newest first. */
  readonly keys: string[]
  now(): number
  newId(): string
}

export function openContext(config: AppConfig): AppContext {
  return {
    db: openDatabase(config.dataFolder),
    config,
    live: makeLive(),
    gate: makeWriteGate(),
    disk: realDisk,
    volume: makeVolume(config.backupFolder, realDisk),
    houseKey: loadHouseKey(config.dataFolder),
    jobs: makeJobRunner(config.dataFolder, config.fixedNow),
    keys: loadKeys(config.dataFolder),
    now: () => config.fixedNow ?? Date.now(),
    // In the order of making, so that where two things are as likely the older one is taken.
    newId: () => v7(),
  }
}

/** What a thread that only reads is given: the data of a folder, and nothing to write with or to tell anybody. */
export function openReader(folder: string, fixedNow: number | null): AppContext {
  const refuse = () => {
    throw new Error('This thread only reads.')
  }
  return {
    db: openDatabaseReader(folder),
    config: { ...READER_CONFIG, dataFolder: folder, fixedNow },
    live: makeLive(),
    gate: makeWriteGate(),
    disk: realDisk,
    volume: makeVolume(folder, realDisk),
    houseKey: { id: '', sign: refuse, hasSigned: refuse },
    jobs: { run: async () => refuse(), begin: refuse },
    keys: [],
    now: () => fixedNow ?? Date.now(),
    newId: refuse,
  }
}

const READER_CONFIG = {
  isDemo: false,
  isLoopback: true,
  isSecure: false,
  backupFolder: '',
  passwordCost: 1,
  firstRunCode: null,
  mayBeginAnew: true,
}

/** Who asks, as what, and which change came of it. */
export interface Actor {
  readonly personId: string | null
  readonly role: AccessRole | null
  readonly isOwner: boolean
  changeId: number | null
  /** Which database the request began on; a restore meanwhile makes it void. */
  readonly epoch?: number
  /** What has to be allowed for this, and for taking it back. */
  readonly action?: Permission
}

/** The house itself: at start, and for what runs by the clock. */
export const makeSystemActor = (): Actor => ({ personId: null, role: 'manager', isOwner: false, changeId: null })

export type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0]

/** A transaction under way; every change says through `log` what happened. */
export interface Writer {
  tx: Transaction
  now: number
  personId: string | null
  /** The change that this transaction is. */
  changeId: number
  newId(): string
  /** Says that this takes more than the route does, also to be taken back. */
  takes(more: Permission): void
  log(kind: EventKind, subjectType: SubjectType, subjectId: string, data?: Record<string, unknown>): void
}

interface WriteOptions {
  /** The change that this one takes back. */
  undoes?: number | null
  /** What is not to be taken back, such as filling an empty house. */
  isTracked?: boolean
}

/**
 * Runs one write as one transaction, taken for writing from its start so that no two can cross. It is one change, to
 * be taken back as a whole, and told to everybody once it stands.
 */
export function write<T>(
  app: AppContext,
  actor: Actor,
  work: (writer: Writer) => T,
  { undoes = null, isTracked = true }: WriteOptions = {},
): T {
  app.gate.requireOpen(actor.epoch)
  const { db } = app
  const { changeCapture } = db
  const { personId, action = '' } = actor
  let changeId = 0
  try {
    const result = db.transaction(
      (tx) => {
        const now = app.now()
        changeId = tx
          .insert(changes)
          .values({ at: now, personId, undoes, token: makeChangeToken(), action })
          .returning({ id: changes.id })
          .get().id
        changeCapture.current = isTracked ? changeId : null
        return work({
          tx,
          now,
          personId,
          changeId,
          newId: app.newId,
          takes(more) {
            tx.update(changes).set({ action: more }).where(eq(changes.id, changeId)).run()
          },
          log(kind, subjectType, subjectId, data = {}) {
            tx.insert(events).values({ at: now, personId, kind, subjectType, subjectId, data, changeId }).run()
          },
        })
      },
      { behavior: 'immediate' },
    )
    actor.changeId = changeId
    db.cache.clear()
    app.live.tellChange(changeId)
    return result
  } finally {
    changeCapture.current = null
    db.cache.clear()
  }
}

/** The row that a change builds on: it must be there, and as the person last saw it. */
export function requireVersion<T extends { version: number }>(
  current: T | undefined,
  expected: number,
  what: string,
): T {
  if (!current) throw refuseMissing(what)
  if (current.version !== expected) throw refuseStale(what, current)
  return current
}
