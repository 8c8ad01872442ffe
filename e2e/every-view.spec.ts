import { readFileSync } from 'node:fs'
import { resolve } from 'node:path'
import { gzipSync } from 'node:zlib'
import { expect, listAxeViolations, settle, test } from './exemplar.ts'
import { VIEWS } from './views.ts'

test.use({ demo: true })

/** In parts, so that two workers share them and a slow machine stays within the time of a test. */
const PARTS = 6
const SIZE = Math.ceil(VIEWS.length / PARTS)
const SHARES = Array.from({ length: PARTS }, (_, it) => VIEWS.slice(it * SIZE, (it + 1) * SIZE))

for (const [share, views] of SHARES.entries()) {
  test(`every view, part ${share + 1}: axe finds nothing in light and dark, it fits a phone, fetches nothing from elsewhere and logs no error`, async ({
    page,
    baseURL,
  }) => {
    test.setTimeout(240_000)
    const troubles: string[] = []
    page.on('request', (request) => {
      const url = request.url()
      if (!url.startsWith(baseURL ?? '') && !url.startsWith('data:')) troubles.push(`fetched ${url}`)
    })
    page.on('console', (message) => message.type() === 'error' && troubles.push(message.text()))
    page.on('pageerror', (error) => troubles.push(error.message))
    for (const view of views) {
      await page.emulateMedia({ colorScheme: 'light' })
      await page.setViewportSize({ width: 1280, height: 800 })
      await page.goto(view)
      await settle(page)
      const light = await listAxeViolations(page)
      // The themes differ in nothing but colour, so the dark one is asked for that alone.
      await page.emulateMedia({ colorScheme: 'dark' })
      const dark = await listAxeViolations(page, ['color-contrast'])
      troubles.push(...[...light, ...dark].map((it) => `${view}: ${it}`))
      await page.setViewportSize({ width: 390, height: 844 })
      // A chart is drawn anew for its new size.
      await page.waitForTimeout(250)
      const width = await page.evaluate<number>('document.documentElement.scrollWidth')
      if (width > 390) troubles.push(`${view}: ${width} px wide on a phone`)
    }
    expect(troubles).toEqual([])
  })
}

for (const demo of [true, false]) {
  test.describe(demo ? 'the door of the demo' : 'the door of an empty Exemplar', () => {
    test.use({ demo, role: null })

    test(`axe finds nothing, in light and dark, and it fits a phone (${demo ? 'demo' : 'first run'})`, async ({
      page,
    }) => {
      await page.setViewportSize({ width: 390, height: 844 })
      for (const path of ['/today', '/join/nobody-invited']) {
        for (const colorScheme of ['light', 'dark'] as const) {
          await page.emulateMedia({ colorScheme })
          await page.goto(path)
          await settle(page)
          expect(await listAxeViolations(page)).toEqual([])
        }
        expect(await page.evaluate<number>('document.documentElement.scrollWidth')).toBeLessThanOrEqual(390)
      }
    })
  })
}

test('on a phone the rail is in reach of a thumb', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await page.goto('/today')
  await settle(page)
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

test('the first load of Today is at most 250 kB of JavaScript, gzipped', async ({ page, baseURL }) => {
  const scripts: string[] = []
  page.on('response', (response) => {
    if (response.url().endsWith('.js')) scripts.push(new URL(response.url()).pathname)
  })
  await page.goto('/today')
  await settle(page)
  const dist = resolve(import.meta.dirname, '../web/dist')
  const bytes = scripts.reduce((sum, path) => sum + gzipSync(readFileSync(`${dist}${path}`)).length, 0)
  expect(scripts.length, baseURL).toBeGreaterThan(0)
  expect(bytes).toBeLessThanOrEqual(250_000)
})
