import type { BackupAccount } from '@exemplar/core'
import { ProblemError } from '../../foundation/base/problem.ts'
import type { AppContext } from '../../foundation/database/app-context.ts'
import { defineRoute, RawReply } from '../../foundation/http/route.ts'
import { requireConfirmed } from '../access/confirmation.ts'
import { listBackups } from './backup-names.ts'
import { openCopy, prepareCopy } from './check-copy.ts'
import { drill } from './drill.ts'
import { exportEverything } from './export.ts'
import { keepUpload } from './keep-upload.ts'
import { countLost } from './lost-changes.ts'
import type { OpenedBackup } from './open-backup.ts'
import { openFromVolume, restoreBackup } from './restore.ts'
import { sourceOf, takeBackup } from './take-backup.ts'

export const backupRoutes = [
  defineRoute('get /backups', (_, { volume }) => {
    try {
      return { backups: listBackups(volume), isThere: true }
    } catch (error) {
      if (!(error instanceof ProblemError)) throw error
      return { backups: [], isThere: false }
    }
  }),
  defineRoute('post /backups', (_, app) => takeBackup(sourceOf(app), 'hand')),
  defineRoute('post /backups/upload', ({ body }, app) => keepUpload(app, body)),
  defineRoute('get /backups/:name/check', async ({ params }, app) => {
    const opened = await openFromVolume(app, params.name ?? '')
    try {
      return describeBackup(app, opened)
    } finally {
      opened.close()
    }
  }),
  defineRoute('get /backups/:name/file', ({ params, connection }, app) => {
    requireConfirmed(app, connection)
    const name = params.name ?? ''
    return new RawReply('application/zip', app.volume.read(name), {
      'Content-Disposition': `attachment; filename="${name}"`,
    })
  }),
  defineRoute('post /backups/:name/restore', async ({ params, body, actor, connection }, app) => {
    requireConfirmed(app, connection)
    const opened = await openFromVolume(app, params.name ?? '')
    try {
      if (!opened.isOwn && !actor.isOwner) throw refuseForeign()
      if (!opened.isOwn && body.lost === null) requireSaidForeign()
      const accounts = opened.isOwn || (body.withAccounts && actor.isOwner) ? 'come-along' : 'stay-out'
      return await restoreBackup(app, actor, opened, { lost: body.lost, accounts })
    } finally {
      opened.close()
    }
  }),
  defineRoute('delete /backups/:name', ({ params }, { volume }) => {
    const newest = listBackups(volume)[0]
    if (newest?.name === params.name)
      throw new ProblemError(409, 'The newest', 'The newest backup stays. Take another one first.')
    volume.remove(params.name ?? '')
  }),
  defineRoute('post /backups/drill', ({ body }, app) => drill(app, body.fault)),
  defineRoute('get /export', ({ connection }, app) => {
    requireConfirmed(app, connection)
    return new RawReply('application/zip', exportEverything(app.db), {
      'Content-Disposition': 'attachment; filename="exemplar-export.zip"',
    })
  }),
]

function refuseForeign(): ProblemError {
  const detail =
    'Nothing shows that this house made this backup as it is. Only the owner may put it in the place of what is here.'
  return new ProblemError(403, 'A foreign backup', detail)
}

function requireSaidForeign(): never {
  const detail =
    'Nothing shows that this house made this backup as it is. Look at it first, and say how many changes of here it replaces.'
  throw new ProblemError(409, 'A foreign backup', detail)
}

/** What a backup holds and what it would replace. */
function describeBackup(app: AppContext, opened: OpenedBackup) {
  const { manifest, folder, isOwn } = opened
  const lost = countLost(app.db, folder)
  const { missingFiles } = prepareCopy(folder, isOwn)
  const { takenAt, units, files, lastChangeAt } = manifest
  const number = (query: string) => Number(app.db.$client.prepare(query).pluck().get() ?? 0)
  return {
    takenAt,
    units,
    files: files.length,
    lastChangeAt,
    lost,
    isOwn,
    missingFiles,
    accounts: isOwn ? [] : listAccounts(folder),
    here: {
      units: number('SELECT count(*) FROM units'),
      changes: number('SELECT count(*) FROM changes'),
      lastChangeAt: number('SELECT max(at) FROM changes'),
    },
  }
}

function listAccounts(folder: string): BackupAccount[] {
  const copy = openCopy(folder)
  try {
    return copy
      .prepare(
        'SELECT people.name, accounts.sign_in_name AS signInName, accounts.role FROM accounts JOIN people ON people.id = accounts.person_id ORDER BY people.name LIMIT 50',
      )
      .all() as BackupAccount[]
  } finally {
    copy.close()
  }
}
