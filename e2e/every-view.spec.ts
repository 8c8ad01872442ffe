import { readFileSync } from 'node:fs'
import { resolve } from 'node:path'
import { gzipSync } from 'node:zlib'
import AxeBuilder from '@axe-core/playwright'
import { expect, test } from './exemplar.ts'

test.use({ demo: true })

const VIEWS = [
  '/today',
  '/kit',
  '/kit?see=LGT-06',
  '/kit?add=thing',
  '/kit/LGT-06',
  '/kit/stock',
  '/kit/import',
  '/setups',
  '/setups/gi',
  '/setups/lr',
  '/diary',
  '/diary?add=booking',
  '/diary/b-head',
  '/diary/b-graft/take-out',
  '/diary/b-bog/bring-back',
  '/bench',
  '/ledger',
  '/ledger?add=entry',
  '/studio',
  '/no-such-page',
]

/** In two halves, so that two workers share them and a slow machine stays within the time of a test. */
const HALVES = [VIEWS.slice(0, VIEWS.length / 2), VIEWS.slice(VIEWS.length / 2)]

for (const colorScheme of ['light', 'dark'] as const) {
  for (const [half, views] of HALVES.entries()) {
    test(`axe finds nothing on any view, ${colorScheme}, half ${half + 1}`, async ({ page }) => {
      test.setTimeout(240_000)
      await page.emulateMedia({ colorScheme })
      for (const view of views) {
        await page.goto(view)
        await page.waitForLoadState('networkidle')
        await page.locator('h1').first().waitFor({ state: 'attached' })
        // The themes differ in nothing but colour, so the dark one is asked for that alone.
        const axe = new AxeBuilder({ page })
        const { violations } = await (colorScheme === 'dark' ? axe.withRules(['color-contrast']) : axe).analyze()
        const found = violations.map(
          (it) => `${view}: ${it.id} at ${it.nodes.map((node) => node.target.join(' ')).join(', ')}`,
        )
        expect(found).toEqual([])
      }
    })
  }
}

test('on a phone nothing is wider than the screen, and the rail is in reach of a thumb', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  for (const view of VIEWS) {
    await page.goto(view)
    await page.waitForLoadState('networkidle')
    const width = await page.evaluate<number>('document.documentElement.scrollWidth')
    expect(width, view).toBeLessThanOrEqual(390)
  }
  const rail = await page.getByRole('navigation', { name: 'Rooms' }).boundingBox()
  expect((rail?.y ?? 0) + (rail?.height ?? 0)).toBeGreaterThan(830)
})

test('keys: rooms by number, find anything, something new, the list of keys', async ({ page }) => {
  await page.goto('/today')
  await page.getByRole('heading', { name: 'Tuesday 24 November' }).waitFor()
  await page.keyboard.press('2')
  await expect(page.getByRole('heading', { name: 'Kit' })).toBeVisible()
  await page.keyboard.press('/')
  await page.keyboard.type('TRI-01')
  await expect(page.getByRole('option').first()).toContainText('TRI-01')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: /TRI-01/ })).toBeVisible()
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page.getByRole('dialog')).toBeHidden()
  await page.keyboard.press('n')
  await expect(page.getByRole('menu')).toBeVisible()
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/import|add=/)
})

test('nothing is fetched from elsewhere, and no page logs an error', async ({ page, baseURL }) => {
  const troubles: string[] = []
  page.on('request', (request) => {
    const url = request.url()
    if (!url.startsWith(baseURL ?? '') && !url.startsWith('data:')) troubles.push(`fetched ${url}`)
  })
  page.on('console', (message) => message.type() === 'error' && troubles.push(message.text()))
  page.on('pageerror', (error) => troubles.push(error.message))
  for (const view of VIEWS) {
    await page.goto(view)
    await page.waitForLoadState('networkidle')
  }
  expect(troubles).toEqual([])
})

test('the first load of Today is at most 250 kB of JavaScript, gzipped', async ({ page, baseURL }) => {
  const scripts: string[] = []
  page.on('response', (response) => {
    if (response.url().endsWith('.js')) scripts.push(new URL(response.url()).pathname)
  })
  await page.goto('/today')
  await page.waitForLoadState('networkidle')
  const dist = resolve(import.meta.dirname, '../web/dist')
  const bytes = scripts.reduce((sum, path) => sum + gzipSync(readFileSync(`${dist}${path}`)).length, 0)
  expect(scripts.length, baseURL).toBeGreaterThan(0)
  expect(bytes).toBeLessThanOrEqual(250_000)
})
