import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { setTimeout as pause } from 'node:timers/promises'
import Sqlite from 'better-sqlite3'
import { ProblemError } from '../../foundation/base/problem.ts'

const LOCK_FILE = 'backup.lock'
const LOOK_MS = 50
/** So many wait for their turn; whoever comes after them is told. */
const MOST_WAITING = 8
const RETRY_SECONDS = 15

/** The last in the line for each data folder, and how many stand in it. */
const lines = new Map<string, { last: Promise<unknown>; length: number }>()

/**
 * Backups and restores of one data folder come one at a time, also from another process (`npm run backup`): the lock is the
 * operating system's, so a kill frees it. Waits for the turn; refuses in a sentence where too many wait already.
 */
export async function takeTurn<T>(dataFolder: string, work: () => Promise<T>): Promise<T> {
  const line = lines.get(dataFolder) ?? { last: Promise.resolve(), length: 0 }
  if (line.length > MOST_WAITING) {
    const detail = `A backup is being taken, and ${MOST_WAITING} more wait for their turn. Try again in a moment.`
    throw new ProblemError(503, 'Backups wait', detail, { retryAfterSeconds: RETRY_SECONDS })
  }
  line.length++
  lines.set(dataFolder, line)
  const turn = line.last.then(() => holdLock(dataFolder, work))
  line.last = turn.catch(() => {})
  try {
    return await turn
  } finally {
    line.length--
    if (line.length === 0) lines.delete(dataFolder)
  }
}

async function holdLock<T>(dataFolder: string, work: () => Promise<T>): Promise<T> {
  const client = await lock(dataFolder)
  try {
    return await work()
  } finally {
    client.close()
  }
}

async function lock(dataFolder: string): Promise<Sqlite.Database> {
  mkdirSync(dataFolder, { recursive: true, mode: 0o700 })
  const client = new Sqlite(join(dataFolder, LOCK_FILE), { timeout: 0 })
  for (;;) {
    try {
      client.exec('BEGIN EXCLUSIVE')
      return client
    } catch (error) {
      if ((error as { code?: unknown }).code !== 'SQLITE_BUSY') {
        client.close()
        throw error
      }
      await pause(LOOK_MS)
    }
  }
}
