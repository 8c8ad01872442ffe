import type { AccessRole } from '@exemplar/core'
import { afterAll, describe, expect, test } from 'vitest'
import { routes } from '../api.ts'
import { countRows, match, type Reply, startApi, type TestApi } from './api.fixture.ts'
import type { Route } from './http/route.ts'
import { breakValue, makeRandom, makeValue, pick } from './schema-values.fixture.ts'

/** `npm run faults` asks for twenty thousand; the suite for fewer, in the same mixture. */
const REQUESTS = Number(process.env.EXEMPLAR_REQUESTS ?? 1_500)
const SEED = Number(process.env.EXEMPLAR_SEED ?? 20_261_127)
/** So many on one house: what the good ones write must not pile up. */
const ON_ONE = 500

/** Those that end the sessions of the others, that do not end, or that take seconds by their nature have tests of their own. */
const APART = new Set([
  'post /access/sign-out',
  'post /access/sign-out-everywhere',
  'post /access/accounts/:id/sign-out-everywhere',
  'post /access/accounts/:id/reset',
  'put /access/accounts/:id',
  'post /access/step-in',
  'post /access/password',
  'get /live',
  'post /backups',
  'post /backups/drill',
  'post /backups/:name/restore',
])
const ROUTES = routes.filter((it) => !APART.has(it.key))
const ROLES: readonly (AccessRole | null)[] = ['manager', 'manager', 'crew', 'viewer', null]

let api: TestApi | null = null
afterAll(() => api?.close())

/** Ids and words of the demo, so that many a request means something that is there. */
function listNames({ app }: TestApi): string[] {
  return [
    'units',
    'stock',
    'models',
    'places',
    'people',
    'parties',
    'setups',
    'bookings',
    'faults',
    'entries',
    'attachments',
  ]
    .flatMap((table) => app.db.$client.prepare(`SELECT id FROM ${table} LIMIT 12`).pluck().all() as string[])
    .concat('studio', 'gi', 'lr', 'CAM-01', 'BAG-01')
}

interface Sent {
  route: Route
  role: AccessRole | null
  path: string
  body: unknown
  isBroken: boolean
}

/** Routes by chance, each as often as any other: by chance alone one of some hundred is missed again and again. */
function* dealRoutes(random: () => number): Generator<Route, never> {
  for (;;) {
    const left = [...ROUTES]
    while (left.length > 0) yield left.splice(Math.floor(random() * left.length), 1)[0] as Route
  }
}

function makeRequest(route: Route, random: () => number, names: readonly string[]): Sent {
  const ids = names.filter((it) => it.length < 60)
  const path = route.path.replace(/:\w+/g, () =>
    encodeURIComponent(random() < 0.9 ? pick(random, ids) : pick(random, ['x', '%', '../x', '0'])),
  )
  const query = route.query && random() < 0.8 ? (makeValue(route.query, random, names) as Record<string, unknown>) : {}
  const asked = new URLSearchParams(Object.entries(query ?? {}).map(([key, it]): [string, string] => [key, String(it)]))
  const whole = route.body ? makeValue(route.body, random, names) : undefined
  const isBroken = random() < 0.5
  return {
    route,
    role: pick(random, ROLES),
    path: asked.size > 0 ? `${path}?${asked}` : path,
    body:
      route.rawLimit === undefined ? (isBroken && whole !== undefined ? breakValue(whole, random) : whole) : 'bytes',
    isBroken,
  }
}

const isGivenUp = ({ status, body }: Reply) => status === 503 && body?.title === 'This took too long'

const SECRETS = /scrypt\$|"passwordHash"|"secondFactor":\{|"secret":"[A-Z2-7]{32}"/

/** Amounts that somebody sees who may see none. */
function* listAmounts(value: unknown, path = ''): Generator<string> {
  if (typeof value !== 'object' || value === null) return
  for (const [key, it] of Object.entries(value)) {
    if (key.endsWith('Minor') && typeof it === 'number') yield `${path}/${key}`
    yield* listAmounts(it, `${path}/${key}`)
  }
}

describe('requests that mean something and are wrong in one place', () => {
  test(`${REQUESTS} of them, by every role: no failure inside, nothing half written, no secret`, async () => {
    const random = makeRandom(SEED)
    const dealt = dealRoutes(random)
    const reached = new Set<string>()
    const slowest = new Map<string, number>()
    // As in a house that has stood for a moment: its thread of long work has begun.
    api = await startApi({ demo: true })
    await api.app.jobs.run('warm', {})
    for (let n = 0; n < REQUESTS; n++) {
      if (n % ON_ONE === 0) {
        api?.close()
        api = await startApi({ demo: true })
      }
      const house = api as TestApi
      const { route, role, path, body } = makeRequest(dealt.next().value, random, listNames(house))
      const said = `request ${n}: ${role} ${route.key} ${path} ${JSON.stringify(body)?.slice(0, 400)}`
      const before = countRows(house.app)
      const start = performance.now()
      const reply = await house.as(role)(route.method, path, route.method === 'get' ? undefined : (body ?? {}), {
        ...match(random() < 0.7 ? 1 : 2),
        ...(route.rawLimit === undefined ? {} : { 'content-type': 'application/octet-stream' }),
      })
      const took = performance.now() - start
      slowest.set(route.key, Math.max(slowest.get(route.key) ?? 0, Math.round(took)))
      // Long work in its own thread says so when it gives up; that is no failure inside.
      if (!isGivenUp(reply)) expect.soft(reply.status, said).toBeLessThan(500)
      const text = typeof reply.body === 'string' ? reply.body : JSON.stringify(reply.body)
      expect.soft(text ?? '', said).not.toMatch(route.key === 'post /access/second-factor' ? /scrypt\$/ : SECRETS)
      if (role === 'crew' || role === 'viewer') expect.soft([...listAmounts(reply.body)], said).toEqual([])
      reached.add(`${route.key} ${reply.status < 400}`)
      if (reply.status < 400) continue
      const problem = typeof reply.body === 'string' ? JSON.parse(reply.body) : reply.body
      expect.soft(problem.detail, said).toMatch(/[.?!)]$/)
      const after = countRows(house.app)
      // Who came to the door is written down, and how long somebody was seen.
      expect.soft({ ...after, sign_ins: 0, sessions: 0 }, said).toEqual({ ...before, sign_ins: 0, sessions: 0 })
    }
    if (process.env.EXEMPLAR_REQUESTS) {
      const listed = [...slowest].sort((a, b) => b[1] - a[1]).slice(0, 12)
      console.log('The slowest request of each route, in milliseconds:', Object.fromEntries(listed))
    }
    // Every route was asked; most of them took something at least once.
    if (REQUESTS < 1_500) return
    const keys = new Set([...reached].map((it) => it.replace(/ (true|false)$/, '')))
    expect(ROUTES.map((it) => it.key).filter((it) => !keys.has(it))).toEqual([])
    expect([...reached].filter((it) => it.endsWith('true')).length).toBeGreaterThan(ROUTES.length / 3)
  }, 10_800_000)
})
