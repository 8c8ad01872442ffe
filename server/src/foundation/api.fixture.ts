import { cpSync, mkdtempSync, rmSync } from 'node:fs'
import type { Server } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { AccessRole } from '@exemplar/core'
import Keygrip from 'keygrip'
import { routes } from '../api.ts'
import { makeApp, sessionCookie } from '../app.ts'
import { fillDemo } from '../demo/fill-demo.ts'
import { accounts, people } from '../schema/studio-tables.ts'
import { beginSession } from '../studio/access/sessions.ts'
import { ensureStudio } from '../studio/settings/settings-routes.ts'
import { makeServer } from './base/serving.ts'
import { type AppConfig, type AppContext, openContext } from './database/app-context.ts'
import type { Connection, Route } from './http/route.ts'
import { listReplyFaults } from './reply-check.fixture.ts'

/** Tuesday, 24 November 2026, 08:00 in London: the demo's bookings stand around it. */
export const NOW = Date.UTC(2026, 10, 24, 8)

export interface Reply {
  status: number
  // biome-ignore lint/suspicious/noExplicitAny: tests look into replies of every shape
  body: any
  headers: Headers
}

export type Call = (method: string, path: string, body?: unknown, headers?: Record<string, string>) => Promise<Reply>

export interface TestApi {
  app: AppContext
  folder: string
  url: string
  /** As the manager. */
  call: Call
  /** As somebody of a role, or signed out. */
  as(role: AccessRole | null): Call
  cookieOf(role: AccessRole): string
  close(): void
}

export function makeTestConfig(dataFolder: string, fixedNow: number | null): AppConfig {
  return {
    dataFolder,
    fixedNow,
    isDemo: false,
    isLoopback: true,
    isSecure: false,
    backupFolder: join(dataFolder, 'backups'),
    // As little work as the algorithm takes: tests sign in often.
    passwordCost: 4,
    firstRunCode: null,
    mayBeginAnew: true,
  }
}

export const NO_CONNECTION: Connection = {
  address: '127.0.0.1',
  device: '',
  sessionId: null,
  lastEventId: null,
  setToken() {},
  signal: new AbortController().signal,
}

/** What a client sends to show that it is no page of another address. */
export const CLIENT = { 'x-exemplar-client': 'test' }

interface Options {
  demo?: boolean
  pages?: string | null
  config?: Partial<AppConfig>
  requestTimeoutMs?: number
  /** Leaves the house without an owner. */
  bare?: boolean
  routes?: readonly Route[]
  /** Where the data lies already. */
  folder?: string
}

let demoFolder: string | null = null

/** The demo as it is filled, made once and copied for each test: filling it takes many times as long. */
function copyDemo(folder: string): void {
  if (demoFolder === null) {
    const made = mkdtempSync(join(tmpdir(), 'exemplar-demo-'))
    const app = openContext(makeTestConfig(made, NOW))
    fillDemo(app)
    // The last one to close takes what is in the log over into the file.
    app.db.$client.close()
    process.on('exit', () => rmSync(made, { recursive: true, force: true }))
    demoFolder = made
  }
  cpSync(demoFolder, folder, { recursive: true })
}

/** A real server over a real database file in a folder of its own, with somebody of each role signed in. */
export async function startApi(options: Options = {}): Promise<TestApi> {
  const { demo = false, pages = null, config = {}, requestTimeoutMs = 30_000, bare = false } = options
  const folder = options.folder ?? mkdtempSync(join(tmpdir(), 'exemplar-test-'))
  const isUsual = config.fixedNow === undefined
  if (demo && isUsual) copyDemo(folder)
  const app = openContext({ ...makeTestConfig(folder, NOW), ...config })
  if (demo && !isUsual) fillDemo(app)
  ensureStudio(app)
  const tokens = bare ? null : signInEach(app)
  const koa = makeApp(app, options.routes ?? routes, { pagesFolder: pages })
  const server: Server = makeServer(koa, { tls: null, requestTimeoutMs })
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  const address = server.address()
  const url = `http://127.0.0.1:${typeof address === 'object' && address ? address.port : 0}`
  const cookieOf = (role: AccessRole) => makeCookie(app, tokens?.[role] ?? '')
  fullCookies.add(cookieOf('manager'))
  const as =
    (role: AccessRole | null): Call =>
    (method, path, body, headers = {}) =>
      callApi(url, method, path, body, { ...CLIENT, ...(role && tokens ? { cookie: cookieOf(role) } : {}), ...headers })
  return {
    app,
    folder,
    url,
    call: as('manager'),
    as,
    cookieOf,
    close() {
      server.close()
      server.closeAllConnections()
      app.db.$client.close()
      rmSync(folder, { recursive: true, force: true })
    },
  }
}

const patterns = routes.map((route) => ({
  route,
  pattern: new RegExp(`^${route.path.replace(/:\\w+/g, '[^/]+')}$`),
}))

/** Whatever a test asks for, the answer is as the contract says; for who may see everything, to the last field. */
function requireContract(method: string, path: string, body: unknown, { cookie }: Record<string, string>): void {
  const [bare = ''] = path.split('?')
  const isFull = cookie !== undefined && fullCookies.has(cookie)
  const found = patterns.find(
    ({ route, pattern }) => route.method === method.toLowerCase() && pattern.test(bare) && !route.path.endsWith(bare),
  )
  const known = patterns.find(({ route }) => route.method === method.toLowerCase() && route.path === bare) ?? found
  if (!known || !isFull) return
  const faults = listReplyFaults(known.route.reply, body)
  if (faults.length > 0) throw new Error(`${method} ${path} answers otherwise than its contract: ${faults.join('; ')}`)
}

/** Cookies of managers, to whom nothing is hidden. */
const fullCookies = new Set<string>()

export async function callApi(
  url: string,
  method: string,
  path: string,
  body?: unknown,
  headers: Record<string, string> = {},
): Promise<Reply> {
  const isRaw = typeof body === 'string' || body instanceof Uint8Array
  const response = await fetch(`${url}/api${path}`, {
    method: method.toUpperCase(),
    headers: { 'content-type': 'application/json', ...headers },
    ...(body === undefined ? {} : { body: isRaw ? (body as string) : JSON.stringify(body) }),
  })
  const isJson = /[/+]json\b/.test(response.headers.get('content-type') ?? '')
  const text = await response.text()
  if (response.ok && isJson && text) requireContract(method, path, JSON.parse(text), headers)
  return { status: response.status, headers: response.headers, body: isJson && text ? JSON.parse(text) : text || null }
}

/** The demo's own people, or three made for the purpose; the first is the owner. */
function signInEach(app: AppContext): Record<AccessRole, string> {
  const known = app.db.select().from(accounts).all()
  if (known.length === 0) {
    for (const role of ['manager', 'crew', 'viewer'] as const) {
      app.db
        .insert(people)
        .values({ id: `t-${role}`, name: `Test ${role}`, skills: [], note: '' })
        .run()
      app.db
        .insert(accounts)
        .values({ personId: `t-${role}`, signInName: role, role, isOwner: role === 'manager' })
        .run()
    }
  }
  const all = app.db.select().from(accounts).all()
  const tokenOf = (role: AccessRole) => beginSession(app, all.find((it) => it.role === role)?.personId ?? '')
  return { manager: tokenOf('manager'), crew: tokenOf('crew'), viewer: tokenOf('viewer') }
}

export function makeCookie(app: AppContext, token: string): string {
  const name = sessionCookie(app.config)
  const pair = `${name}=${token}`
  return `${pair}; ${name}.sig=${new Keygrip(app.keys).sign(pair)}`
}

export const match = (version: number) => ({ 'if-match': `"${version}"` })

/** How many rows every table holds: the same before and after whatever must not write. */
export function countRows(app: AppContext): Record<string, number> {
  const client = app.db.$client
  const tables = client
    .prepare("SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%'")
    .pluck()
    .all() as string[]
  return Object.fromEntries(
    tables.map((table) => [table, client.prepare(`SELECT count(*) FROM "${table}"`).pluck().get() as number]),
  )
}
