import { randomUUID } from 'node:crypto'
import type { EventKind, SubjectType } from '@exemplar/core'
import { events } from '../studio/tables.ts'
import type { Config } from './config.ts'
import { type Database, openDatabase } from './database.ts'
import { refuseMissing, refuseStale } from './problem.ts'

/** What every handler is given: the database, the clock and where ids come from. */
export interface House {
  db: Database
  now(): number
  newId(): string
}

export function openHouse(config: Pick<Config, 'dataFolder' | 'fixedNow'>): House {
  const { fixedNow } = config
  return {
    db: openDatabase(config.dataFolder),
    now: () => fixedNow ?? Date.now(),
    newId: () => randomUUID(),
  }
}

export type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0]

/** A transaction under way; every change says through `log` what happened. */
export interface Writer {
  tx: Transaction
  now: number
  newId(): string
  log(kind: EventKind, subjectType: SubjectType, subjectId: string, data?: Record<string, unknown>): void
}

/** Runs one write as one transaction, taken for writing from its start so that no two can cross. */
export function write<T>(house: House, personId: string | null, work: (writer: Writer) => T): T {
  return house.db.transaction(
    (tx) => {
      const now = house.now()
      return work({
        tx,
        now,
        newId: house.newId,
        log(kind, subjectType, subjectId, data = {}) {
          tx.insert(events).values({ at: now, personId, kind, subjectType, subjectId, data }).run()
        },
      })
    },
    { behavior: 'immediate' },
  )
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
