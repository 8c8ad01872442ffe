import { spawn } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { Agent, type IncomingMessage, request } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Keygrip from 'keygrip'
import { sessionCookie } from '../server/src/app.ts'
import { fillDemo } from '../server/src/demo/fill-demo.ts'
import { makeTestConfig } from '../server/src/foundation/api.fixture.ts'
import { openContext } from '../server/src/foundation/database/app-context.ts'
import { accounts, people } from '../server/src/schema/studio-tables.ts'
import { beginSession } from '../server/src/studio/access/sessions.ts'

/**
 * Fifty people at once on the real server, in a process of its own, over a database file with the demo in it. Each
 * looks, writes and listens as people do, with a pause of half a second to a second and a half between two actions.
 * First one person alone, then all of them, in the same run. Says: answers of 500 and over, lost updates, changes that
 * a listener missed, and the 95th percentile against that of the one.
 */
const USERS = Number(process.argv[2] ?? 50)
const SECONDS = Number(process.argv[3] ?? 60)
const ALONE_SECONDS = Math.max(5, Math.round(SECONDS / 3))
const LIMIT = 10

let startQuantity = 0
const folder = mkdtempSync(join(tmpdir(), 'exemplar-load-'))
const cookies = prepare()
const server = spawn(process.execPath, ['--import', 'tsx', 'server/src/main.ts'], {
  env: { ...process.env, EXEMPLAR_DATA: folder, EXEMPLAR_PORT: '0', EXEMPLAR_LOG: 'silent' },
  stdio: ['ignore', 'pipe', 'inherit'],
})
const port = await new Promise<number>((resolve) => {
  server.stdout.on('data', (data) => {
    const found = /:(\d+) \(/.exec(String(data))
    if (found) resolve(Number(found[1]))
  })
})
const agent = new Agent({ keepAlive: true })

interface Reply {
  status: number
  // biome-ignore lint/suspicious/noExplicitAny: replies of every shape
  body: any
  changeId: number
}

interface Person {
  cookie: string
  times: number[]
  failures: number
  /** Counts that this person added to a stock, each acknowledged. */
  added: number
  conflicts: number
  /** When each change was heard of. */
  listened: Map<number, number>
}

/** When each change was acknowledged to who made it. */
const written = new Map<number, number>()
const alone = makePerson(0)
await run([alone], ALONE_SECONDS)
const crowd = cookies.map((_, at) => makePerson(at))
await run(crowd, SECONDS)

const one = findPercentile(alone.times, 0.95)
const all = crowd.flatMap((it) => it.times)
const many = findPercentile(all, 0.95)
const added = [alone, ...crowd].reduce((sum, it) => sum + it.added, 0)
const stock = (await ask(alone, 'GET', '/stock')).body.find((it: { id: string }) => it.id === 'CLP-01')
const lost = startQuantity + added - stock.quantity
const failures = crowd.reduce((sum, it) => sum + it.failures, 0)
const missed = crowd.reduce((sum, it) => sum + [...written.keys()].filter((id) => !it.listened.has(id)).length, 0)
console.log(`${USERS} people for ${SECONDS} s: ${all.length} requests, ${(all.length / SECONDS).toFixed(0)} a second`)
console.log('| what | one person | all at once | at most |')
console.log('|---|---|---|---|')
console.log(
  `| median | ${findPercentile(alone.times, 0.5).toFixed(1)} ms | ${findPercentile(all, 0.5).toFixed(1)} ms | |`,
)
console.log(
  `| 95th percentile | ${one.toFixed(1)} ms | ${many.toFixed(1)} ms, ${(many / one).toFixed(2)} times | ${LIMIT} times |`,
)
console.log(`| answers of 500 and over | ${alone.failures} | ${failures} | 0 |`)
console.log(`| lost updates (of ${added} acknowledged) | | ${lost} | 0 |`)
console.log(
  `| writes met by somebody else’s and done again | | ${crowd.reduce((sum, it) => sum + it.conflicts, 0)} | |`,
)
console.log(
  `| changes that a listener did not hear of (${written.size} changes, ${crowd.length} listeners) | | ${missed} | 0 |`,
)
const delays = crowd.flatMap((it) => [...written].map(([id, at]) => Math.max(0, (it.listened.get(id) ?? at) - at)))
console.log(
  `| 95th percentile from an answer until the others hear of it | | ${findPercentile(delays, 0.95).toFixed(1)} ms | 1000 ms |`,
)
agent.destroy()
server.kill('SIGTERM')
rmSync(folder, { recursive: true, force: true })
process.exit(failures || lost || missed || many / one > LIMIT ? 1 : 0)

/** A database with the demo and an account and session for each person. */
function prepare(): string[] {
  const app = openContext(makeTestConfig(folder, null))
  fillDemo(app)
  startQuantity = Number(app.db.$client.prepare("SELECT quantity FROM stock WHERE id = 'CLP-01'").pluck().get())
  const grip = new Keygrip(app.keys)
  const made = Array.from({ length: USERS }, (_, at) => {
    const personId = `load-${at}`
    app.db
      .insert(people)
      .values({ id: personId, name: `Person ${at}`, skills: [], note: '' })
      .run()
    app.db
      .insert(accounts)
      .values({ personId, signInName: personId, role: at % 5 ? 'crew' : 'manager' })
      .run()
    const pair = `${sessionCookie(app.config)}=${beginSession(app, personId)}`
    return `${pair}; ${sessionCookie(app.config)}.sig=${grip.sign(pair)}`
  })
  app.db.$client.close()
  return made
}

function makePerson(at: number): Person {
  return { cookie: cookies[at] ?? '', times: [], failures: 0, added: 0, conflicts: 0, listened: new Map() }
}

async function run(persons: Person[], seconds: number): Promise<void> {
  written.clear()
  const stops = await Promise.all(persons.map(listen))
  const until = performance.now() + seconds * 1000
  await Promise.all(persons.map((person, at) => live(person, at, until)))
  // What was told last is still on its way.
  await pause(500)
  for (const stop of stops) stop()
}

/** Mostly looking, at what people look at; now and then a write. */
async function live(person: Person, seed: number, until: number): Promise<void> {
  let at = seed * 7919 + 13
  const draw = () => {
    at = (at * 48_271 + 11) % 2_147_483_647
    return at / 2_147_483_647
  }
  await pause(draw() * 1000)
  while (performance.now() < until) {
    const what = draw()
    if (what < 0.2) await timed(person, 'GET', '/today')
    else if (what < 0.4) await timed(person, 'GET', '/units?limit=100')
    else if (what < 0.55) await timed(person, 'GET', `/setups/${['gi', 'pb', 'lr'][Math.floor(draw() * 3)]}/readiness`)
    else if (what < 0.65) await timed(person, 'GET', '/bookings?from=2026-11-20&days=14')
    else if (what < 0.75) await timed(person, 'GET', '/find?q=glashouse')
    else if (what < 0.85) await timed(person, 'GET', '/units/CAM-01')
    else if (what < 0.93) await count(person)
    else
      await note(
        await timed(person, 'POST', '/units/CAM-05/faults', { note: 'Dusty', severity: 'usable', bookingId: null }),
      )
    await pause(500 + draw() * 1000)
  }
}

/** Adds one to a stock that everybody adds to, until nobody was quicker: a lost update would show in the sum. */
async function count(person: Person): Promise<void> {
  for (;;) {
    const row = (await timed(person, 'GET', '/stock')).body.find((it: { id: string }) => it.id === 'CLP-01')
    const reply = await timed(person, 'POST', '/stock/CLP-01/count', { quantity: row.quantity + 1 }, row.version)
    if (reply.status === 200) {
      person.added++
      await note(reply)
      return
    }
    if (reply.status !== 409) return
    person.conflicts++
  }
}

async function note({ changeId }: Reply): Promise<void> {
  if (changeId) written.set(changeId, performance.now())
}

async function timed(person: Person, method: string, path: string, body?: object, version?: number): Promise<Reply> {
  const start = performance.now()
  const reply = await ask(person, method, path, body, version)
  person.times.push(performance.now() - start)
  if (reply.status >= 500 || reply.status === 0) {
    person.failures++
    console.log(`failed: ${method} ${path}: ${reply.status || reply.body}`)
  }
  return reply
}

function ask(person: Person, method: string, path: string, body?: object, version?: number): Promise<Reply> {
  return new Promise((resolve) => {
    const headers = {
      cookie: person.cookie,
      'x-exemplar-client': 'load',
      'content-type': 'application/json',
      ...(version ? { 'if-match': `"${version}"` } : {}),
    }
    const call = request({ port, host: '127.0.0.1', path: `/api${path}`, method, headers, agent }, async (response) => {
      const text = await readAll(response)
      const changeId = Number(response.headers['x-exemplar-change'] ?? 0)
      resolve({ status: response.statusCode ?? 0, body: text ? JSON.parse(text) : null, changeId })
    })
    call.on('error', (error) => resolve({ status: 0, body: error.message, changeId: 0 }))
    call.end(body ? JSON.stringify(body) : undefined)
  })
}

async function readAll(response: IncomingMessage): Promise<string> {
  const pieces: Buffer[] = []
  for await (const piece of response) pieces.push(piece as Buffer)
  return Buffer.concat(pieces).toString('utf8')
}

/** Keeps a stream of changes open, and what it told. */
function listen(person: Person): Promise<() => void> {
  return new Promise((resolve) => {
    const call = request(
      { port, host: '127.0.0.1', path: '/api/live', headers: { cookie: person.cookie }, agent: new Agent() },
      (response) => {
        let rest = ''
        response.on('data', (piece) => {
          rest += piece
          const lines = rest.split('\n')
          rest = lines.pop() ?? ''
          for (const line of lines)
            if (line.startsWith('id: ')) person.listened.set(Number(line.slice(4)), performance.now())
        })
        resolve(() => call.destroy())
      },
    )
    call.on('error', () => {})
    call.end()
  })
}

function findPercentile(times: readonly number[], share: number): number {
  return [...times].sort((a, b) => a - b)[Math.floor(times.length * share)] ?? Number.NaN
}

function pause(ms: number): Promise<void> {
  return new Promise((resolve) => setTimeout(resolve, ms))
}
