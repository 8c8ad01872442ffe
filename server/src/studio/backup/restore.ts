import { existsSync } from 'node:fs'
import { join } from 'node:path'
import type { BackupRow } from '@exemplar/core'
import type Sqlite from 'better-sqlite3'
import { ProblemError } from '../../foundation/base/problem.ts'
import { makeChangeToken } from '../../foundation/base/secrets.ts'
import type { Actor, AppContext } from '../../foundation/database/app-context.ts'
import { DATABASE_FILE } from '../../foundation/database/database.ts'
import { takeTurn } from './backup-turn.ts'
import { type AccountsOfBackup, carryAccounts } from './carry-accounts.ts'
import { openCopy, prepareCopy } from './check-copy.ts'
import { countLost } from './lost-changes.ts'
import { type OpenedBackup, openBackup } from './open-backup.ts'
import { markSwap, swapDatabase } from './swap.ts'
import { makeBackup, sourceOf } from './take-backup.ts'

export interface RestoreWish {
  /** How many newer changes may be lost; null where nobody said. */
  lost: number | 'all' | null
  /** Whether accounts of the backup that nobody has here come along. */
  accounts: AccountsOfBackup
}

/** Opens a backup of the volume, to look at or to restore. Whoever opens it closes it. */
export function openFromVolume(app: AppContext, name: string): Promise<OpenedBackup> {
  const { disk, houseKey: key, config, volume } = app
  return openBackup(volume.read(name), { dataFolder: config.dataFolder, disk, key })
}

/**
 * Puts an opened backup in the place of what is here. Everything that can be looked at is looked at before anything here
 * is touched; then nobody writes any more, what is here is backed up, the loss is counted for good, and the databases are
 * swapped. Any failure leaves everything as it was. Everybody is signed out, as sessions are in no backup.
 */
export function restoreBackup(
  app: AppContext,
  actor: Actor,
  opened: OpenedBackup,
  wish: RestoreWish,
): Promise<{ lost: number; safety: BackupRow }> {
  const { dataFolder } = app.config
  return takeTurn(dataFolder, async () => {
    requireSaid(countLost(app.db, opened.folder), wish.lost)
    prepareCopy(opened.folder, opened.isOwn)
    const gate = app.gate.close()
    try {
      const safety = await makeBackup(sourceOf(app), 'before')
      const lost = countLost(app.db, opened.folder)
      requireSaid(lost, wish.lost)
      const changeId = finishCopy(app, opened, { actor, lost, accounts: wish.accounts })
      keepAttachments(app, opened)
      await markSwap(dataFolder, app.disk)
      swapDatabase(app, dataFolder, join(opened.folder, DATABASE_FILE), app.disk)
      gate.openAnew()
      actor.changeId = changeId
      app.live.tellSignedOut('everybody')
      return { lost, safety }
    } catch (error) {
      gate.open()
      throw error
    }
  })
}

function requireSaid(lost: number, said: RestoreWish['lost']): void {
  if (lost === 0 || said === lost || said === 'all') return
  const detail = `${lost} ${lost === 1 ? 'change was' : 'changes were'} made here that ${lost === 1 ? 'is' : 'are'} not in this backup, and would be lost. Say so to go on; a backup of them is made first.`
  throw new ProblemError(409, 'Newer data here', detail, { current: { lost } })
}

interface Finish {
  actor: Actor
  lost: number
  accounts: AccountsOfBackup
}

/** Writes into the copy what has to be in it when it stands: who may sign in, and that it was restored. */
function finishCopy(app: AppContext, { folder, manifest }: OpenedBackup, { actor, lost, accounts }: Finish): number {
  const copy = openCopy(folder)
  try {
    copy.pragma('synchronous = FULL')
    return copy.transaction(() => {
      copy.pragma('defer_foreign_keys = ON')
      carryAccounts(app.db.$client, copy, accounts)
      return tellRestored(copy, { at: app.now(), personId: findPerson(copy, actor), takenAt: manifest.takenAt, lost })
    })()
  } finally {
    copy.close()
  }
}

function findPerson(copy: Sqlite.Database, { personId }: Actor): string | null {
  return personId !== null && copy.prepare('SELECT 1 FROM people WHERE id = ?').get(personId) ? personId : null
}

function tellRestored(
  copy: Sqlite.Database,
  { at, personId, takenAt, lost }: { at: number; personId: string | null; takenAt: number; lost: number },
): number {
  const changeId = Number(
    copy.prepare('INSERT INTO changes (at, person_id, token) VALUES (?, ?, ?)').run(at, personId, makeChangeToken())
      .lastInsertRowid,
  )
  copy
    .prepare(
      "INSERT INTO events (at, person_id, kind, subject_type, subject_id, data, change_id) VALUES (?, ?, 'restored', 'studio', 'studio', ?, ?)",
    )
    .run(at, personId, JSON.stringify({ takenAt, lost }), changeId)
  return changeId
}

/** Files lie under their checksum, so those that are there already are the same; the others come before the records do. */
function keepAttachments({ config, disk }: AppContext, { manifest, folder }: OpenedBackup): void {
  disk.makeFolder(join(config.dataFolder, 'attachments'))
  for (const { path } of manifest.files) {
    const target = join(config.dataFolder, path)
    if (path !== DATABASE_FILE && !existsSync(target)) disk.replace(join(folder, path), target)
  }
}
