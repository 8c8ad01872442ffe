import { existsSync } from 'node:fs'
import { join } from 'node:path'
import Sqlite from 'better-sqlite3'
import { readConfig } from './foundation/base/config.ts'
import { realDisk } from './foundation/base/disk.ts'
import { loadHouseKey } from './foundation/base/house-key.ts'
import { makeFilesPrivate } from './foundation/base/keep-private.ts'
import { makeVolume } from './foundation/base/volume.ts'
import { DATABASE_FILE } from './foundation/database/database.ts'
import { sayWhatToDo } from './start-failure.ts'
import { takeBackup } from './studio/backup/take-backup.ts'

/** `npm run backup`: takes a backup, while Exemplar may be running in another process. */
makeFilesPrivate()
const config = readConfig(process.env)
const file = join(config.dataFolder, DATABASE_FILE)
try {
  if (!existsSync(file)) throw new Error(`There is nothing to back up in ${config.dataFolder}.`)
  const client = new Sqlite(file, { readonly: true, timeout: 10_000 })
  const volume = makeVolume(config.backupFolder, realDisk)
  const key = loadHouseKey(config.dataFolder)
  const { name, bytes } = await takeBackup(
    { client, dataFolder: config.dataFolder, volume, key, now: config.fixedNow ?? Date.now() },
    'hand',
  )
  client.close()
  console.log(`${join(config.backupFolder, name)} (${Math.ceil(bytes / 1000)} kB)`)
} catch (error) {
  console.error(sayWhatToDo(error))
  process.exit(1)
}
