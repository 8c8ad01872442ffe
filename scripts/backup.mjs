// npm run backup: see server/src/backup-main.ts.
import { ensureReady, run } from './setup.mjs'

ensureReady()
run(process.execPath, ['--import', 'tsx', 'server/src/backup-main.ts', ...process.argv.slice(2)], {
  what: 'The backup',
})
