// npm run dev: server that restarts and pages that reload while they are worked on.
import { spawn } from 'node:child_process'
import { ensureReady, ROOT } from './setup.mjs'

ensureReady()
const options = { cwd: ROOT, stdio: 'inherit' }
const children = [
  spawn('npx', ['tsx', 'watch', 'server/src/main.ts', '--demo'], {
    ...options,
    env: { EXEMPLAR_DATA: './demo-data', ...process.env },
  }),
  spawn('npx', ['vite', 'web'], options),
]
for (const signal of ['SIGINT', 'SIGTERM']) {
  process.on(signal, () => {
    for (const child of children) child.kill(signal)
  })
}
