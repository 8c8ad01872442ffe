// npm start: for real use; the data lies in EXEMPLAR_DATA, ./data where it is not set. `npm start -- --phones` lets the phones
// of the same network in, over TLS.

import { serve } from './serve.mjs'
import { ensureReady } from './setup.mjs'

ensureReady()
serve(process.argv.slice(2))
