import { isBackupDue, listBackupsToDrop } from '@exemplar/core'
import type { RequestLog } from '../../foundation/base/log.ts'
import type { AppContext } from '../../foundation/database/app-context.ts'
import { forgetOldSignIns } from '../access/sign-in-log.ts'
import { forgetOldImages } from '../history/history-routes.ts'
import { loadStudio } from '../settings/settings-routes.ts'
import { listBackups } from './backup-names.ts'
import { sourceOf, takeBackup } from './take-backup.ts'

const HOUR = 3_600_000

/** Takes the daily backup when it is due, and lets go of those that retention no longer keeps. */
export async function keepHouseSafe(app: AppContext): Promise<'taken' | 'not-due'> {
  const now = app.now()
  const automatic = () => listBackups(app.volume).filter((it) => it.kind === 'auto')
  const newest = automatic()[0]?.takenAt ?? null
  if (app.gate.isOpen) {
    forgetOldImages(app.db, now)
    forgetOldSignIns(app)
  }
  if (!isBackupDue(newest, now)) return 'not-due'
  await takeBackup(sourceOf(app), 'auto')
  const kept = automatic().map(({ name, takenAt }) => ({ name, takenAt, isAutomatic: true }))
  for (const name of listBackupsToDrop(kept, loadStudio(app.db))) app.volume.remove(name)
  return 'taken'
}

/** Looks every hour, the first time shortly after the start. A failure is logged and tried again an hour later. */
export function startBackupClock(app: AppContext, log: RequestLog): void {
  const look = () => {
    keepHouseSafe(app).then(
      (outcome) => outcome === 'taken' && log.note('daily backup taken'),
      (error) => log.fault(error),
    )
  }
  setTimeout(look, 60_000).unref()
  setInterval(look, HOUR).unref()
}
