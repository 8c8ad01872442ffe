import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { type BrowserContext, test as base, expect, type Page } from '@playwright/test'
import { startChild } from '../server/src/foundation/child.fixture.ts'

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
    child.kill('SIGTERM')
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

export { expect }
