import { existsSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { realDisk } from './foundation/base/disk.ts'
import { lockHouse } from './foundation/base/house-lock.ts'
import { BACKUP_NAME } from './foundation/base/volume.ts'
import { clearWorkFolder } from './foundation/base/work-folder.ts'
import { type AppConfig, type AppContext, openContext } from './foundation/database/app-context.ts'
import { DATABASE_FILE } from './foundation/database/database.ts'
import { takeTurn } from './studio/backup/backup-turn.ts'
import { endBrokenSwap } from './studio/backup/swap.ts'
import { clearLeftFiles } from './studio/files/left-files.ts'

interface Options {
  /** The folder may begin empty although there are backups of it. */
  mayBeginAnew?: boolean
}

/**
 * Opens the house of a data folder for this process alone: takes its lock, puts back what a killed restore left, clears
 * what a killed process left half written, and opens the database. Throws a sentence where any of it cannot be.
 */
export function openHouse(config: AppConfig, { mayBeginAnew = config.mayBeginAnew }: Options = {}): AppContext {
  lockHouse(config.dataFolder)
  endBrokenSwap(config.dataFolder, realDisk)
  if (!mayBeginAnew) requireDatabase(config)
  clearWorkFolder(config.dataFolder)
  const app = openContext(config)
  clearLeftFiles(app)
  // `npm run backup` may be at it this moment; what is half written there is its own.
  takeTurn(config.dataFolder, async () => app.volume.clearPartials()).catch(() => {})
  return app
}

/** A house whose database is gone but whose backups are there is no new house. */
function requireDatabase({ dataFolder, backupFolder }: AppConfig): void {
  if (existsSync(join(dataFolder, DATABASE_FILE)) || !existsSync(backupFolder)) return
  const backups = readdirSync(backupFolder)
    .filter((it) => BACKUP_NAME.test(it))
    .sort()
  const newest = backups.at(-1)
  if (newest === undefined) return
  throw new Error(
    `There is no database in ${dataFolder}, but there are ${backups.length === 1 ? 'a backup' : `${backups.length} backups`} of one. ` +
      `To bring it back: npm run restore -- ${join(backupFolder, newest)}. To begin with an empty one all the same: EXEMPLAR_BEGIN_ANEW=1 npm start.`,
  )
}
