// npm run screenshots: one current picture of each main view, from the demo at a fixed time, into docs/screenshots.
// With arguments, pictures of the named paths instead: screenshots.mjs OUT WIDTHxHEIGHT /path [dark]
import { spawn } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium } from '@playwright/test'
import { CHROMIUM, ensureChromium, ensureReady, ROOT } from './setup.mjs'

const PORT = '4640'
const VIEWS = [
  ['today', '/today', 1280, 800],
  ['kit', '/kit?see=LGT-06', 1280, 800],
  ['setups', '/setups', 1280, 800],
  ['setup', '/setups/gi', 1280, 800],
  ['rig', '/setups/lr?view=rig', 1280, 800],
  ['signals', '/setups/lr?view=signals', 1280, 800],
  ['diary', '/diary', 1280, 800],
  ['pack-sheet', '/diary/b-head', 1280, 800],
  ['bench', '/bench', 1280, 800],
  ['ledger', '/ledger', 1280, 800],
  ['upgrade-plan', '/ledger/plan', 1280, 800],
  ['kits', '/ledger/kits/k-second', 1280, 1100],
  ['reliability', '/bench/reliability', 1280, 800],
  ['place', '/studio/places/studio', 1280, 800],
  ['begin-phone', '/begin', 390, 844],
  ['picture-and-light', '/setups/gi?view=look', 1280, 1100],
  ['today-phone', '/today', 390, 844],
  ['bring-back-phone', '/diary/b-bog/bring-back', 390, 844],
  ['start-phone', '/setups/gi/start', 390, 844],
]

ensureReady()
ensureChromium()
const [out, size, ...paths] = process.argv.slice(2)
const folder = mkdtempSync(join(tmpdir(), 'exemplar-shots-'))
const server = spawn(process.execPath, ['--import', 'tsx', 'server/src/main.ts', '--demo'], {
  cwd: ROOT,
  stdio: 'ignore',
  env: { ...process.env, EXEMPLAR_DATA: folder, EXEMPLAR_PORT: PORT, EXEMPLAR_NOW: '2026-11-24T08:00:00Z' },
})
const browser = await chromium.launch({
  executablePath: CHROMIUM,
  args: '--no-sandbox --disable-gpu --disable-background-networking --disable-component-update --disable-sync --no-first-run --disable-quic'.split(
    ' ',
  ),
})
try {
  await waitForServer()
  if (out && size) {
    const [width, height] = size.split('x').map(Number)
    for (const [at, path] of paths.filter((it) => it.startsWith('/')).entries()) {
      await shoot(join(out, `${at}.png`), path, width, height, paths.includes('dark') ? 'dark' : 'light')
    }
  } else {
    for (const [name, path, width, height, theme] of VIEWS) {
      await shoot(join(ROOT, 'docs/screenshots', `${name}.png`), path, width, height, theme ?? 'light')
    }
  }
} finally {
  await browser.close()
  server.kill('SIGTERM')
  rmSync(folder, { recursive: true, force: true })
}

async function waitForServer() {
  for (let tries = 0; tries < 100; tries++) {
    const answer = await fetch(`http://127.0.0.1:${PORT}/api/health`).catch(() => null)
    if (answer?.ok) return
    await new Promise((resolve) => setTimeout(resolve, 100))
  }
  throw new Error('The server did not start.')
}

async function shoot(file, path, width, height, theme) {
  const context = await browser.newContext({ viewport: { width, height }, colorScheme: theme })
  const headers = { 'x-exemplar-client': 'screenshots' }
  await context.request.post(`http://127.0.0.1:${PORT}/api/access/step-in`, { data: { role: 'manager' }, headers })
  const page = await context.newPage()
  await page.goto(`http://127.0.0.1:${PORT}${path}`)
  await page.locator('h1').first().waitFor()
  // The stream of changes never ends, so the network is never idle.
  await page.waitForTimeout(700)
  // What is worked out at length is waited for.
  await page
    .getByText(/^Fetching/)
    .first()
    .waitFor({ state: 'hidden', timeout: 30_000 })
  await page.evaluate(() => document.fonts.ready)
  if (path === '/kit/import') {
    await page.getByLabel('Inventory file').setInputFiles(join(ROOT, 'docs/examples/inventory.csv'))
    await page.getByText('Bring in').waitFor()
  }
  // Long work says how far it has come until it is there.
  await page.waitForFunction(() => document.querySelector('main progress') === null, null, { timeout: 60_000 })
  await page.waitForTimeout(150)
  await page.screenshot({ path: file })
  await context.close()
}
