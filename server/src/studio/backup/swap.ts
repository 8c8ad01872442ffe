import { existsSync, renameSync } from 'node:fs'
import { join } from 'node:path'
import Sqlite from 'better-sqlite3'
import type { Disk } from '../../foundation/base/disk.ts'
import { ProblemError } from '../../foundation/base/problem.ts'
import { DATABASE_FILE, type Database, openDatabase } from '../../foundation/database/database.ts'

/**
 * A swap goes: mark, old one aside, new one in its place, opened, mark gone for good. Until then the old one is what
 * counts: nothing was acknowledged on the new one yet. So whatever ends the process in between, the next start has the
 * one or the other, whole.
 */
const filesOf = (folder: string) => {
  const target = join(folder, DATABASE_FILE)
  return { target, replaced: `${target}.replaced`, mark: `${target}.swapping`, done: `${target}.swapped` }
}

const JOURNALS = ['-wal', '-shm']

/** The mark that a swap is under way. */
export async function markSwap(folder: string, disk: Disk): Promise<void> {
  const { mark } = filesOf(folder)
  disk.remove(mark)
  try {
    await disk.writeNew(mark, Buffer.from('A restore is under way. The next start of Exemplar clears this away.\n'))
  } catch (error) {
    disk.remove(mark)
    throw error
  }
}

/**
 * Puts a prepared database in the place of the one that is open here, after `markSwap`, without a pause in which anybody
 * could ask a closed one. Where it fails, the old one stands and is open again.
 */
export function swapDatabase(holder: { db: Database }, folder: string, prepared: string, disk: Disk): void {
  const { target, replaced, mark, done } = filesOf(folder)
  let opened: Database | null = null
  try {
    foldJournal(holder.db)
    holder.db.$client.close()
    disk.replace(target, replaced)
    removeJournals(disk, target)
    disk.replace(prepared, target)
    opened = openDatabase(folder)
    // A rename lasts through a loss of power, and a mark that came back would bring the old database back.
    disk.replace(mark, done)
    holder.db = opened
  } catch (error) {
    opened?.$client.close()
    putOldBack(folder, disk)
    clearSwap(folder, disk)
    if (!holder.db.$client.open) holder.db = openDatabase(folder)
    throw error
  }
  clearSwap(folder, disk)
}

/** Everything acknowledged is in the one file, before that file is moved. */
function foldJournal({ $client }: Database): void {
  const [found] = $client.pragma('wal_checkpoint(TRUNCATE)') as { busy: number }[]
  if (found?.busy === 0) return
  throw new ProblemError(
    503,
    'Busy',
    'Another program reads the database. Nothing was changed. Try again in a moment.',
    {
      retryAfterSeconds: 5,
    },
  )
}

function removeJournals(disk: Disk, file: string): void {
  for (const rest of JOURNALS) disk.remove(`${file}${rest}`)
}

/** At the start: puts the old database back where a swap did not come to its end, and clears what it left. */
export function endBrokenSwap(folder: string, disk: Disk): void {
  if (existsSync(filesOf(folder).mark)) putOldBack(folder, disk)
  clearSwap(folder, disk)
}

/** A plain rename, as this is the way out of a disk that fails. */
function putOldBack(folder: string, disk: Disk): void {
  const { target, replaced } = filesOf(folder)
  if (!existsSync(replaced)) return
  removeJournals(disk, target)
  renameSync(replaced, target)
}

function clearSwap(folder: string, disk: Disk): void {
  const { replaced, mark, done } = filesOf(folder)
  for (const it of [mark, replaced, done]) disk.remove(it)
}

/** Moves a database that cannot be opened out of the way; null where there is none, or it can be read and brought up to date. */
export function setAside(folder: string, disk: Disk): string | null {
  const { target } = filesOf(folder)
  if (!existsSync(target) || isUsable(folder)) return null
  let aside = `${target}.damaged`
  for (let attempt = 2; existsSync(aside); attempt++) aside = `${target}.damaged-${attempt}`
  disk.replace(target, aside)
  for (const rest of JOURNALS) if (existsSync(`${target}${rest}`)) disk.replace(`${target}${rest}`, `${aside}${rest}`)
  return aside
}

function isUsable(folder: string): boolean {
  try {
    const client = new Sqlite(filesOf(folder).target)
    const isWhole = client.pragma('quick_check(1)', { simple: true }) === 'ok'
    client.close()
    if (!isWhole) return false
    openDatabase(folder).$client.close()
    return true
  } catch {
    return false
  }
}
