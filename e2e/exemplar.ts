import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { createRequire } from 'node:module'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { type BrowserContext, test as base, expect, type Page } from '@playwright/test'
import { endChild, startChild } from '../server/src/foundation/child.fixture.ts'

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

/** Each test gets a server of its own on an empty folder; `demo` fills it with the Larkmoor film unit. */
export const test = base.extend<Options>({
  demo: [false, { option: true }],
  role: ['manager', { option: true }],
  exemplar: async ({ demo }, use) => {
    const folder = mkdtempSync(join(tmpdir(), 'exemplar-journey-'))
    const { child, url } = await startChild(folder, { args: demo ? ['--demo'] : [], env: { EXEMPLAR_NOW: NOW } })
    await use(url)
    await endChild(child)
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
