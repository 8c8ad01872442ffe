// npm run demo: everything is set up, and Exemplar starts with the made-up Larkmoor film unit, fresh each time.
import { rmSync } from 'node:fs'
import { join } from 'node:path'
import { serve } from './serve.mjs'
import { ensureReady, ROOT } from './setup.mjs'

ensureReady()
const folder = process.env.EXEMPLAR_DATA ?? join(ROOT, 'demo-data')
if (process.argv.includes('--keep')) {
  console.log('The demo goes on from where it was.')
} else if (process.env.EXEMPLAR_DATA) {
  console.log('EXEMPLAR_DATA is set, so nothing in that folder is cleared; the demo fills it only where it is empty.')
} else {
  rmSync(folder, { recursive: true, force: true })
  console.log('The demo starts afresh. To go on from where it was: npm run demo -- --keep')
}
serve(['--demo'], { EXEMPLAR_DATA: folder })
