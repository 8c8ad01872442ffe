import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { type APIRequestContext, chromium, type Page } from '@playwright/test'
import { startChild } from '../server/src/foundation/child.fixture.ts'

/**
 * What one change costs the page that shows a picture of a setup of some eighty things: everything that scripts do from the change on,
 * asking anew, laying out and drawing, as Chromium itself counts it. Said for each picture, the median and the 95th percentile.
 */
const CHANGES = 40
const WARMING = 6
const MOST_MS = 50
const FLAGS =
  '--no-sandbox --disable-gpu --disable-background-networking --disable-component-update --disable-sync --no-first-run --disable-quic'
const HEADERS = { 'x-exemplar-client': 'redraw' }

const folder = mkdtempSync(join(tmpdir(), 'exemplar-redraw-'))
const { child, url } = await startChild(folder, { args: ['--demo'], env: { EXEMPLAR_NOW: '2026-11-24T08:00:00Z' } })
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: FLAGS.split(' ') })
try {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
  const { request } = context
  await request.post(`${url}/api/access/step-in`, { data: { role: 'manager' }, headers: HEADERS })
  const id = await buildLarge(request)
  const page = await context.newPage()
  console.log('| script time of the page after one change | things | median | 95th percentile | at most |')
  console.log('|---|---|---|---|---|')
  for (const view of ['rig', 'signals', 'power']) {
    await page.goto(`${url}/setups/${id}?view=${view}`)
    await page.locator('h1').first().waitFor()
    await page.waitForTimeout(1_500)
    const times = await measureChanges(page, request, id)
    const things = await page.locator('.picture-node').count()
    const figures = [0.5, 0.95].map((share) => `${at(times, share).toFixed(1)} ms`).join(' | ')
    console.log(`| ${view} | ${things} | ${figures} | ${MOST_MS} ms |`)
  }
} finally {
  await browser.close()
  child.kill('SIGTERM')
  rmSync(folder, { recursive: true, force: true })
}

function at(times: number[], share: number): number {
  return [...times].sort((a, b) => a - b)[Math.min(times.length - 1, Math.floor(times.length * share))] ?? Number.NaN
}

/** All roles of the three busy setups of the demo in one. */
async function buildLarge(request: APIRequestContext): Promise<string> {
  const parts = await Promise.all(
    ['lr', 'gi', 'pb'].map(async (id) => (await request.get(`${url}/api/setups/${id}`)).json()),
  )
  const taken = new Set<string>()
  const roles = parts.flatMap((part, nth) =>
    part.roles.map((role: { id: string; goesWith?: string | null; things: { unitId: string | null }[] }) => ({
      ...role,
      id: `${nth}-${role.id}`,
      goesWith: role.goesWith ? `${nth}-${role.goesWith}` : null,
      // What stands in two of them stands in the first.
      things: role.things.filter(({ unitId }) => !unitId || (!taken.has(unitId) && taken.add(unitId))),
    })),
  )
  const { units: _, models: __, stock: ___, version: ____, id: _____, ...first } = parts[0]
  const data = { ...first, code: 'XL', name: 'All at once', roles, links: parts.flatMap((it) => it.links) }
  const reply = await request.post(`${url}/api/setups`, { data, headers: HEADERS })
  if (!reply.ok()) throw new Error(await reply.text())
  return (await reply.json()).id
}

/** Lets one stated joint go and states it again, and counts what the scripts of the page do until it rests. */
async function measureChanges(page: Page, request: APIRequestContext, id: string): Promise<number[]> {
  const client = await page.context().newCDPSession(page)
  await client.send('Performance.enable')
  const countScript = async () => {
    const { metrics } = await client.send('Performance.getMetrics')
    return (metrics.find((it) => it.name === 'ScriptDuration')?.value ?? 0) * 1_000
  }
  const times: number[] = []
  let gone: unknown = null
  // The first few are for the browser to get into its stride.
  for (let n = -WARMING; n < CHANGES; n++) {
    const {
      units: _,
      models: __,
      stock: ___,
      version,
      id: ____,
      ...setup
    } = await (await request.get(`${url}/api/setups/${id}`)).json()
    const [first, ...others] = setup.links
    const links = gone === null ? others : [gone, ...setup.links]
    gone = gone === null ? first : null
    const before = await countScript()
    const drawn = page.waitForResponse((it) => it.url().includes(`/setups/${id}/pictures`))
    const headers = { ...HEADERS, 'if-match': `"${version}"` }
    const reply = await request.put(`${url}/api/setups/${id}`, { data: { ...setup, links }, headers })
    if (!reply.ok()) throw new Error(await reply.text())
    await drawn
    await page.waitForTimeout(600)
    if (n >= 0) times.push((await countScript()) - before)
  }
  return times
}
