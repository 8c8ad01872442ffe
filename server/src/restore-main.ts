import { createReadStream, existsSync } from 'node:fs'
import { resolve } from 'node:path'
import { readConfig } from './foundation/base/config.ts'
import { requireNotRunning, sayWhatToDo } from './foundation/base/running.ts'
import { makeSystemActor, openContext } from './foundation/database/app-context.ts'
import { DATABASE_FILE } from './foundation/database/database.ts'
import { openBackup, restoreBackup, setAside } from './studio/backup/backup.ts'
import { ensureStudio } from './studio/settings/settings-routes.ts'

/**
 * `npm run restore -- <file> [--lose-newer]`: puts a backup into the data folder of an Exemplar that is not running. A
 * database that is too damaged to be opened is set aside first, never thrown away.
 */
const [name = '', ...flags] = process.argv.slice(2)
const config = readConfig(process.env)
try {
  const file = resolve(process.env.INIT_CWD ?? '.', name)
  if (!name || !existsSync(file))
    throw new Error(`Say which backup: npm run restore -- <file>. There is no ${name || 'file named'}.`)
  requireNotRunning(config.dataFolder)
  const opened = await openBackup(createReadStream(file))
  const aside = setAside(config.dataFolder, DATABASE_FILE)
  if (aside) console.log(`The damaged database was set aside as ${aside}.`)
  const app = openContext(config)
  ensureStudio(app)
  const isNew = app.db.$client.prepare('SELECT NOT EXISTS (SELECT 1 FROM accounts)').pluck().get() === 1
  const { lost, safety } = await restoreBackup(
    app,
    makeSystemActor(),
    opened,
    flags.includes('--lose-newer') || isNew ? 'all' : null,
  )
  opened.close()
  app.db.$client.close()
  console.log(`Restored, as of ${new Date(opened.manifest.takenAt).toISOString()}. Everybody signs in again.`)
  if (lost > 0 && !isNew) console.log(`${lost} newer changes are in ${safety.name}.`)
} catch (error) {
  console.error(`${sayWhatToDo(error)}${/would be lost/.test(String(error)) ? ' (--lose-newer)' : ''}`)
  process.exit(1)
}
