// npm run speed: ratios against references measured in the same run; see speed/.
import { ensureReady, run } from './setup.mjs'

ensureReady()
run(process.execPath, ['--import', 'tsx', 'speed/run.ts'], { what: 'Measuring' })
run(process.execPath, ['--import', 'tsx', 'speed/large-main.ts'], { what: 'Measuring the large studio' })
