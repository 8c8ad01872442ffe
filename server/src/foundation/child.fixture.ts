import { type ChildProcess, spawn } from 'node:child_process'
import { once } from 'node:events'
import { resolve } from 'node:path'

const ROOT = resolve(import.meta.dirname, '../../..')

const OWNER = { name: 'Owner of the test', signInName: 'owner', password: 'four plain words here' }

/** Becomes the owner of a new Exemplar, or signs in as that; gives back the headers of a client that is signed in. */
export async function enterChild(url: string): Promise<Record<string, string>> {
  const headers = { 'content-type': 'application/json', 'x-exemplar-client': 'test' }
  const post = (path: string, body: object) =>
    fetch(`${url}/api/access/${path}`, { method: 'POST', headers, body: JSON.stringify(body) })
  const first = await post('first-run', { ...OWNER, start: 'empty' })
  const reply = first.status === 201 ? first : await post('sign-in', OWNER)
  const cookie = reply.headers.getSetCookie().map((it) => it.split(';')[0] ?? '')
  return { ...headers, cookie: cookie.join('; ') }
}

/** The bundle that people run, where `npm test` says it is fresh; else the sources. */
const SERVER = process.env.EXEMPLAR_SERVER ? [process.env.EXEMPLAR_SERVER] : ['--import', 'tsx', 'server/src/main.ts']

interface Starting {
  args?: string[]
  env?: Record<string, string>
  stderr?: 'inherit' | 'ignore'
}

/** Begins Exemplar as its own process on a free port. */
export function spawnChild(folder: string, { args = [], env = {}, stderr = 'inherit' }: Starting = {}): ChildProcess {
  return spawn(process.execPath, [...SERVER, ...args], {
    cwd: ROOT,
    env: { ...process.env, EXEMPLAR_DATA: folder, EXEMPLAR_PORT: '0', EXEMPLAR_PASSWORD_COST: '4', ...env },
    stdio: ['ignore', 'pipe', stderr],
  })
}

/** Ends what was started, and waits until it has: its folder can go then, as nobody writes into it any more. */
export async function endChild(child: ChildProcess, signal: 'SIGTERM' | 'SIGKILL' = 'SIGTERM'): Promise<void> {
  if (child.exitCode !== null || child.signalCode !== null) return
  const ended = once(child, 'exit')
  child.kill(signal)
  await ended
}

/** Starts Exemplar as people do, and waits until it says where it is. */
export async function startChild(
  folder: string,
  starting: Starting = {},
): Promise<{ child: ChildProcess; url: string }> {
  const child = spawnChild(folder, starting)
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
