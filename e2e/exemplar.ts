import { type ChildProcess, spawn } from 'node:child_process'
import { once } from 'node:events'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { createRequire } from 'node:module'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { type BrowserContext, test as base, expect, type Page } from '@playwright/test'
import type { HostAnswer, HostOrder } from './journey-host.ts'

export const NOW = '2026-11-24T08:00:00Z'
const HEADERS = { 'x-exemplar-client': 'journey' }
export const OWNER = { name: 'Mira Dunn', signInName: 'mira', password: 'ferns behind the glass' }

interface Options {
  demo: boolean
  /** Who is signed in at the start; null meets the door. */
  role: 'manager' | 'crew' | 'viewer' | null
  exemplar: string
}

/** Signs a browser in: into the demo as a role, into an empty Exemplar as its owner. */
export async function enter(context: BrowserContext, url: string, demo: boolean, role: Options['role']): Promise<void> {
  if (role === null) return
  const [path, data] = demo ? ['step-in', { role }] : ['first-run', { ...OWNER, start: 'empty' }]
  const reply = await context.request.post(`${url}/api/access/${path}`, { data, headers: HEADERS })
  if (!reply.ok()) throw new Error(`Signing in failed: ${reply.status()} ${await reply.text()}`)
}

/** The bundle beside the server that `npm test` has made, else the sources. */
const HOST = process.env.EXEMPLAR_SERVER
  ? [join(dirname(process.env.EXEMPLAR_SERVER), 'journey-host.mjs')]
  : ['--import', 'tsx', join(import.meta.dirname, 'journey-host.ts')]

function ask(host: ChildProcess, order: HostOrder): Promise<HostAnswer> {
  return new Promise((done) => {
    const giveUp = () => done({ failed: 'The host of the journeys has ended.' })
    host.once('exit', giveUp)
    host.once('message', (answer: HostAnswer) => {
      host.off('exit', giveUp)
      done(answer)
    })
    host.send(order)
  })
}

/** Each test gets a house of its own on an empty folder; `demo` fills it with the Larkmoor film unit. */
export const test = base.extend<Options, { host: ChildProcess }>({
  demo: [false, { option: true }],
  role: ['manager', { option: true }],
  host: [
    // biome-ignore lint/correctness/noEmptyPattern: what a fixture takes is read from its pattern
    async ({}, use) => {
      const env = { ...process.env, EXEMPLAR_NOW: NOW, EXEMPLAR_PASSWORD_COST: '4' }
      const host = spawn(process.execPath, HOST, { env, stdio: ['ignore', 'inherit', 'inherit', 'ipc'] })
      await use(host)
      const ended = once(host, 'exit')
      host.disconnect()
      await ended
    },
    { scope: 'worker' },
  ],
  exemplar: async ({ host, demo }, use) => {
    const folder = mkdtempSync(join(tmpdir(), 'exemplar-journey-'))
    const answer = await ask(host, { open: folder, isDemo: demo })
    if (!('url' in answer)) throw new Error(JSON.stringify(answer))
    await use(answer.url)
    await ask(host, { close: true })
    rmSync(folder, { recursive: true, force: true })
  },
  baseURL: async ({ exemplar }, use) => use(exemplar),
  context: async ({ context, exemplar, demo, role }, use) => {
    await enter(context, exemplar, demo, role)
    await use(context)
  },
})

/** Waits until a page has what it asked for. Its stream of changes never ends, so the network is never idle. */
export async function settle(page: Page): Promise<void> {
  await page.locator('h1').first().waitFor({ state: 'attached' })
  await expect(page.getByText(/^Fetching /)).toHaveCount(0)
  await page.waitForTimeout(150)
}

const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')

/**
 * What axe finds on a page, each with where it is: all its rules, or the named ones. Asked in the page itself, and only for
 * violations: to hand over every node that is fine takes five times as long as to look at it.
 */
export async function listAxeViolations(page: Page, rules: string[] | null = null): Promise<string[]> {
  if (!(await page.evaluate("'axe' in window"))) await page.evaluate(AXE)
  const options = { resultTypes: ['violations'], ...(rules ? { runOnly: rules } : {}) }
  return page.evaluate<string[]>(`axe.run(document, ${JSON.stringify(options)}).then(({ violations }) =>
    violations.map((it) => it.id + ' at ' + it.nodes.map((node) => node.target.join(' ')).join(', ')))`)
}

export { expect }
