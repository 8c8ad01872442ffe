// npm run soak: the tests that throw broken files at Exemplar, with 20,000 mutations each instead of a few hundred.
import { ensureReady, run } from './setup.mjs'

ensureReady()
run('npx', ['vitest', 'run', '--testTimeout=3000000', '-t', 'mutations'], {
  what: 'The soak',
  env: { EXEMPLAR_MUTATIONS: process.argv[2] ?? '20000' },
})
