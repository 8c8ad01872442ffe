import { createReadStream, existsSync } from 'node:fs'
import { resolve } from 'node:path'
import { readConfig } from './foundation/base/config.ts'
import { realDisk } from './foundation/base/disk.ts'
import { loadHouseKey } from './foundation/base/house-key.ts'
import { lockHouse } from './foundation/base/house-lock.ts'
import { makeFilesPrivate } from './foundation/base/keep-private.ts'
import { clearWorkFolder } from './foundation/base/work-folder.ts'
import { makeSystemActor, openContext } from './foundation/database/app-context.ts'
import { sayWhatToDo } from './start-failure.ts'
import { openBackup } from './studio/backup/open-backup.ts'
import { restoreBackup } from './studio/backup/restore.ts'
import { endBrokenSwap, setAside } from './studio/backup/swap.ts'
import { ensureStudio } from './studio/settings/settings-routes.ts'

/**
 * `npm run restore -- <file> [--lose-newer]`: puts a backup into the data folder of an Exemplar that is not running. A
 * database that cannot be used any more is set aside first, never thrown away. Whoever has the machine has the word.
 */
makeFilesPrivate()
const [name = '', ...flags] = process.argv.slice(2)
const config = { ...readConfig(process.env), mayBeginAnew: true }
const { dataFolder } = config
try {
  const file = resolve(process.env.INIT_CWD ?? '.', name)
  if (!name || !existsSync(file))
    throw new Error(`Say which backup: npm run restore -- <file>. There is no ${name || 'file named'}.`)
  lockHouse(dataFolder)
  endBrokenSwap(dataFolder, realDisk)
  clearWorkFolder(dataFolder)
  // Looked at before anything here is touched: a file that is no backup moves nothing.
  const opened = await openBackup(createReadStream(file), { dataFolder, disk: realDisk, key: loadHouseKey(dataFolder) })
  const aside = setAside(dataFolder, realDisk)
  if (aside) console.log(`The database that was here cannot be used, and was set aside as ${aside}.`)
  const app = openContext(config)
  ensureStudio(app)
  const isNew = app.db.$client.prepare('SELECT NOT EXISTS (SELECT 1 FROM accounts)').pluck().get() === 1
  const wish = {
    lost: flags.includes('--lose-newer') || isNew ? ('all' as const) : null,
    accounts: 'come-along' as const,
  }
  const { lost, safety } = await restoreBackup(app, makeSystemActor(), opened, wish)
  opened.close()
  app.db.$client.close()
  console.log(`Restored, as of ${new Date(opened.manifest.takenAt).toISOString()}. Everybody signs in again.`)
  if (lost > 0 && !isNew) console.log(`${lost} newer changes are in ${safety.name}.`)
} catch (error) {
  console.error(`${sayWhatToDo(error)}${/would be lost/.test(String(error)) ? ' (--lose-newer)' : ''}`)
  process.exit(1)
}
