import { type ChildProcess, spawn } from 'node:child_process'
import { resolve } from 'node:path'

const ROOT = resolve(import.meta.dirname, '../../..')

/** Starts Exemplar as its own process on a free port, as people do, and waits until it says where it is. */
export async function startChild(
  folder: string,
  { args = [], env = {} }: { args?: string[]; env?: Record<string, string> } = {},
): Promise<{ child: ChildProcess; url: string }> {
  const child = spawn(process.execPath, ['--import', 'tsx', 'server/src/main.ts', ...args], {
    cwd: ROOT,
    env: { ...process.env, EXEMPLAR_DATA: folder, EXEMPLAR_PORT: '0', ...env },
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  const url = await new Promise<string>((done, fail) => {
    let said = ''
    child.stdout?.on('data', (data) => {
      said += data
      const found = /http:\/\/[\d.:]+/.exec(said)
      if (found) done(found[0])
    })
    child.on('exit', () => fail(new Error(`The server ended at once: ${said}`)))
  })
  return { child, url }
}
