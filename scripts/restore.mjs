// npm run restore: see server/src/restore-main.ts.
import { ensureReady, run } from './setup.mjs'

ensureReady()
run(process.execPath, ['--import', 'tsx', 'server/src/restore-main.ts', ...process.argv.slice(2)], {
  what: 'The restore',
})
