// npm run faults [kills] [requests] [seed]: kills Exemplar at random moments and sends it requests that are wrong in one place.
import { ensureReady, ensureServer, run, SERVER } from './setup.mjs'

ensureReady()
ensureServer()
const [kills = '1000', requests = '20000', seed] = process.argv.slice(2)
run('npx', ['vitest', 'run', 'server/src/foundation/kills.test.ts', 'server/src/foundation/mutated-requests.test.ts'], {
  what: 'The faults',
  env: {
    EXEMPLAR_SERVER: SERVER,
    EXEMPLAR_KILLS: kills,
    EXEMPLAR_REQUESTS: requests,
    ...(seed ? { EXEMPLAR_SEED: seed } : {}),
  },
})
