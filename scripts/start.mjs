// npm start: for real use; the data lies in EXEMPLAR_DATA, ./data where it is not set.

import { serve } from './serve.mjs'
import { ensureReady } from './setup.mjs'

ensureReady()
serve()
