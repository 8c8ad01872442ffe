import { spawn } from 'node:child_process'
import { ROOT, SERVER } from './setup.mjs'

/** Starts the server as a child with the given environment, passes signals on and ends with it. */
export function serve(args = [], env = {}) {
  const child = spawn(process.execPath, ['--enable-source-maps', SERVER, ...args], {
    cwd: ROOT,
    stdio: 'inherit',
    env: { ...process.env, ...env },
  })
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill(signal))
  child.on('exit', (code) => process.exit(code ?? 0))
  return child
}
