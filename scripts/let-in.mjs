// npm run let-in: see server/src/let-in-main.ts.
import { ensureReady, run } from './setup.mjs'

ensureReady()
run(process.execPath, ['--import', 'tsx', 'server/src/let-in-main.ts', ...process.argv.slice(2)], {
  what: 'The way in',
})
