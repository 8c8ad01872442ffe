// npm run load: fifty people at once on the real server; see speed/load.ts.
import { ensureReady, run } from './setup.mjs'

ensureReady()
run(process.execPath, ['--import', 'tsx', 'speed/load.ts', ...process.argv.slice(2)], { what: 'The load' })
