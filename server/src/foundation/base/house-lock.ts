import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import Sqlite from 'better-sqlite3'

const LOCK_FILE = 'running.lock'

/** Locks of this process: one that nobody holds any more would be let go with its memory. */
const held = new Set<Sqlite.Database>()

/**
 * Takes a data folder for this process: a second Exemplar would not tell its changes to the pages of the first. The lock
 * is the operating system's, held through SQLite on a file of its own, so it ends with its process however that ends, and
 * holds across containers that share the folder. Throws a sentence where another has it.
 */
export function lockHouse(folder: string): { release(): void } {
  mkdirSync(folder, { recursive: true })
  const client = new Sqlite(join(folder, LOCK_FILE), { timeout: 0 })
  try {
    client.exec('BEGIN EXCLUSIVE')
  } catch (error) {
    client.close()
    if ((error as { code?: unknown }).code !== 'SQLITE_BUSY') throw error
    throw new Error(`Exemplar is running on ${folder} already. Stop it first, or use its own pages.`)
  }
  held.add(client)
  return {
    release() {
      held.delete(client)
      client.close()
    },
  }
}
