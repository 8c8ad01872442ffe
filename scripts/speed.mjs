// npm run speed: ratios against references measured in the same run; see speed/.
import { ensureChromium, ensurePages, ensureReady, run } from './setup.mjs'

ensureReady()
ensurePages()
ensureChromium()
run(process.execPath, ['--import', 'tsx', 'speed/run.ts'], { what: 'Measuring' })
run(process.execPath, ['--import', 'tsx', 'speed/large-main.ts'], { what: 'Measuring the large studio' })
run(process.execPath, ['--import', 'tsx', 'speed/plans.ts'], { what: 'Measuring large plans' })
run(process.execPath, ['--import', 'tsx', 'speed/redraw.ts'], { what: 'Measuring what a change costs a picture' })
run(process.execPath, ['--import', 'tsx', 'speed/drag.ts'], { what: 'Measuring what it costs to move a lamp' })
