import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { type APIRequestContext, chromium, type Page } from '@playwright/test'
import { startChild } from '../server/src/foundation/child.fixture.ts'

/**
 * What it costs to move a lamp in the plan of a setup of forty lamps: what scripts do for each step of the pointer, how soon after it
 * is let go the new verdict stands there, and how long the light over the floor of twelve of them takes in its worker, with the longest
 * task of the page meanwhile.
 */
const LAMPS = 40
const LIT = 12
const STEPS = 120
const MOVES = 12
const FLAGS =
  '--no-sandbox --disable-gpu --disable-background-networking --disable-component-update --disable-sync --no-first-run --disable-quic'
const HEADERS = { 'x-exemplar-client': 'drag' }

const folder = mkdtempSync(join(tmpdir(), 'exemplar-drag-'))
const { child, url } = await startChild(folder, { args: ['--demo'], env: { EXEMPLAR_NOW: '2026-11-24T08:00:00Z' } })
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: FLAGS.split(' ') })
try {
  const context = await browser.newContext({ viewport: { width: 1280, height: 900 } })
  await context.request.post(`${url}/api/access/step-in`, { data: { role: 'manager' }, headers: HEADERS })
  const id = await buildFloor(context.request)
  const page = await context.newPage()
  await page.goto(`${url}/setups/${id}?view=look`)
  await page.getByRole('button', { name: /^L1,/ }).waitFor()
  const { steps, rests } = await measureDrags(page)
  const { mapMs, longestMs } = await measureMap(page)
  console.log(`| moving one of ${LAMPS} lamps in the plan | median | 95th percentile | at most |`)
  console.log('|---|---|---|---|')
  console.log(`| script time for each step of the pointer | ${at(steps, 0.5)} | ${at(steps, 0.95)} | 16 ms |`)
  console.log(`| from letting go to the new verdict | ${at(rests, 0.5)} | ${at(rests, 0.95)} | 150 ms |`)
  console.log(
    `| from the click to the light over the floor, 200 × 200 points of ${LIT} lamps, its worker begun anew | ${mapMs.toFixed(0)} ms | | 100 ms |`,
  )
  console.log(`| longest task of the page meanwhile | ${longestMs.toFixed(0)} ms | | 50 ms |`)
} finally {
  await browser.close()
  child.kill('SIGTERM')
  rmSync(folder, { recursive: true, force: true })
}

function at(times: number[], share: number): string {
  const sorted = [...times].sort((a, b) => a - b)
  return `${(sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? Number.NaN).toFixed(1)} ms`
}

/** A person, and lamps all round them in two rings; of twelve it is known how their light spreads. */
async function buildFloor(request: APIRequestContext): Promise<string> {
  const post = async (path: string, data: object) => {
    const reply = await request.post(`${url}/api${path}`, { data, headers: HEADERS })
    if (!reply.ok()) throw new Error(await reply.text())
    return reply.json()
  }
  const roles = []
  for (let n = 0; n < LAMPS; n += 1) {
    const specs = { luxAtOneMetre: 900, dims: 'no', diameterMm: 200, ...(n < LIT ? { beamDegrees: 60 } : {}) }
    const { id } = await post('/units', {
      category: 'cob',
      maker: '',
      name: `Lamp ${n < LIT}`,
      facts: {},
      specs,
      tag: `L${n + 1}`,
    })
    roles.push({
      id: `l${n}`,
      group: 'light',
      name: `Lamp ${n}`,
      importance: 'wanted',
      wants: 'light',
      detail: '',
      intentionallyEmpty: false,
      light: { job: n % 2 === 0 ? 'key' : 'fill' },
      position: { distanceMm: 1_500 + (n % 2) * 700, sideDegrees: n * 9 - 180, heightMm: 1_900, focalMm: null },
      things: [{ unitId: id, stockId: null, quantity: 1, powerModeId: null, recordingModeId: null }],
    })
  }
  const stage = { posture: 'seated', inPlaceId: 'studio', fromLeftMm: 3_000, fromFrontMm: 2_700, facesDegrees: 0 }
  const rest = { code: 'XF', name: 'Floor', tape: 'fern', purpose: '', placeId: 'studio', circuitId: null }
  return (await post('/setups', { ...rest, plannedMinutes: 30, note: '', stage, roles })).id
}

async function measureDrags(page: Page) {
  const client = await page.context().newCDPSession(page)
  await client.send('Performance.enable')
  const countScript = async () => {
    const { metrics } = await client.send('Performance.getMetrics')
    return (metrics.find((it) => it.name === 'ScriptDuration')?.value ?? 0) * 1_000
  }
  const steps: number[] = []
  const rests: number[] = []
  for (let move = 0; move < MOVES; move += 1) {
    const box = await page.getByRole('button', { name: /^L1,/ }).locator('circle').first().boundingBox()
    if (!box) throw new Error('L1 is not drawn')
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
    const way = move % 2 === 0 ? 1 : -1
    await page.mouse.move(x, y)
    await page.mouse.down()
    for (let step = 1; step <= STEPS / MOVES; step += 1) {
      const before = await countScript()
      await page.mouse.move(x + way * step * 6, y)
      await page.evaluate('new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)))')
      steps.push((await countScript()) - before)
    }
    const judged = page.waitForResponse((it) => it.url().includes('/picture-and-light') && it.ok())
    const since = performance.now()
    await page.mouse.up()
    await judged
    rests.push(performance.now() - since)
    await page.waitForTimeout(700)
  }
  return { steps, rests }
}

async function measureMap(page: Page) {
  await page.evaluate(`
    window.longest = 0
    new PerformanceObserver((list) => {
      for (const it of list.getEntries()) window.longest = Math.max(window.longest, it.duration)
    }).observe({ type: 'longtask' })
  `)
  const times: number[] = []
  for (let n = 0; n < 7; n += 1) {
    // Counted in the page itself: from the click until the picture of it is there.
    const ms = await page.evaluate(`
      new Promise((done) => {
        const box = [...document.querySelectorAll('label')].find((it) => it.textContent.includes('Light over the floor'))
        const since = performance.now()
        const watch = new MutationObserver(() => {
          if (!document.querySelector('svg image')) return
          watch.disconnect()
          done(performance.now() - since)
        })
        watch.observe(document.body, { childList: true, subtree: true })
        box.click()
      })
    `)
    times.push(Number(ms))
    await page.getByLabel('Light over the floor').uncheck()
    await page.locator('svg image').waitFor({ state: 'detached' })
  }
  const longestMs = Number(await page.evaluate('window.longest'))
  return { mapMs: times.sort((a, b) => a - b)[3] ?? Number.NaN, longestMs }
}
