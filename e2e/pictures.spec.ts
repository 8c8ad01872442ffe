import type { Page } from '@playwright/test'
import { expect, settle, test } from './exemplar.ts'

test.use({ demo: true })

const floor = (page: Page) => page.getByRole('region', { name: 'Floor', exact: true })
const thing = (page: Page, tag: string) => page.getByRole('button', { name: new RegExp(`^${tag} `) })
/** What hangs on a thing in the list that the picture is. */
const on = (page: Page, tag: string) =>
  floor(page)
    .locator('li')
    .filter({ has: thing(page, tag) })
    .last()
    .locator('ul')

async function openRig(page: Page) {
  await page.goto('/setups/gi?view=rig')
  await settle(page)
  await page.getByLabel('Judged for').selectOption('as it stands today')
  await expect(on(page, 'TRI-01').getByText('CAM-01')).toBeVisible()
}

test('what stands on what is corrected by dragging, struck through where it could not go, judged at once and undone', async ({
  page,
}) => {
  await openRig(page)
  const asked: string[] = []
  page.on(
    'request',
    (it) =>
      it.url().includes('/api/') &&
      !it.url().includes('/live') &&
      asked.push(`${it.method()} ${new URL(it.url()).pathname}`),
  )
  const [from, to] = [await thing(page, 'CAM-02').boundingBox(), await thing(page, 'TRI-01').boundingBox()]
  if (!from || !to) throw new Error('They are drawn.')
  await page.mouse.move(from.x + 20, from.y + 10)
  await page.mouse.down()
  await page.mouse.move(from.x + 60, from.y + 30, { steps: 4 })
  // A lamp takes no camera, a tripod does.
  await expect(thing(page, 'LGT-01')).toHaveAttribute('data-standing', 'cannot')
  await expect(thing(page, 'TRI-01')).toHaveAttribute('data-standing', 'could')
  await page.mouse.move(to.x + 30, to.y + 15, { steps: 6 })
  await page.mouse.up()
  await expect(page.getByText('CAM-02 is on TRI-01.', { exact: true })).toBeVisible()
  await expect(on(page, 'TRI-01').getByText('CAM-02')).toBeVisible()
  await expect(on(page, 'TRI-04').getByText('CAM-01')).toBeVisible()
  // One question while dragging, one change, and what hangs on it once.
  await settle(page)
  expect(asked.sort()).toEqual([
    'GET /api/setups/gi',
    'GET /api/setups/gi/joints',
    'GET /api/setups/gi/pictures',
    'GET /api/setups/gi/readiness',
    'GET /api/setups/gi/remedies',
    'PUT /api/setups/gi',
  ])

  await page.getByRole('button', { name: 'Undo' }).first().click()
  await expect(on(page, 'TRI-01').getByText('CAM-01')).toBeVisible()
  await expect(on(page, 'TRI-04').getByText('CAM-02')).toBeVisible()
})

test('what could not take it says why, and nothing is changed', async ({ page }) => {
  await openRig(page)
  const before = await floor(page).innerText()
  await thing(page, 'CAM-02').dragTo(thing(page, 'LGT-06'), { steps: 8 } as never)
  await expect(
    page
      .getByText(/^(LGT-06|CAM-02) /)
      .filter({ hasText: 'takes none of what' })
      .or(page.getByText(/neither goes into the other/)),
  ).toBeVisible()
  expect(await floor(page).innerText()).toBe(before)
})

test('with the keyboard alone: from thing to thing, what it joins, accepted and put elsewhere', async ({ page }) => {
  await openRig(page)
  await thing(page, 'LEN-01').focus()
  await page.keyboard.press('Enter')
  const sheet = page.getByRole('dialog')
  await expect(sheet.getByText('CAM-01', { exact: true })).toBeVisible()
  await sheet.getByRole('button', { name: 'LEN-01 and CAM-01: that is so' }).focus()
  await page.keyboard.press('Enter')
  await expect(sheet.getByText('as stated')).toBeVisible()
  // The note first, then the sheet.
  await page.keyboard.press('Escape')
  await page.keyboard.press('Escape')
  await expect(thing(page, 'LEN-01')).toBeFocused()
  await expect(thing(page, 'LEN-01')).toHaveText(/as stated/)

  await page.keyboard.press('Enter')
  await sheet.getByRole('button', { name: 'Put something else than CAM-01 there' }).press('Enter')
  await sheet.getByRole('combobox', { name: 'Instead of CAM-01' }).fill('CAM-02')
  await page.keyboard.press('Enter')
  await expect(sheet.getByText('CAM-02', { exact: true })).toBeVisible()
  await page.keyboard.press('Escape')
  await page.keyboard.press('Escape')
  await expect(on(page, 'CAM-02').getByText('LEN-01')).toBeVisible()
})

test('[D11.1] one switch: what is on it, what is not, and the step of shutting down', async ({ page }) => {
  await page.goto('/setups/gi?view=power')
  await settle(page)
  await thing(page, 'ROOM').click()
  const sheet = page.getByRole('dialog')
  await expect(sheet.getByText('Goes off: LGT-01')).toBeVisible()
  await expect(sheet.getByText(/^Goes on: .*CAM-01/)).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page.getByText(/^(On no switch|Nothing is on a strip).*CAM-01/)).toBeVisible()
})

test('on a phone it is a list with the verdict above, and a thumb does what a mouse does', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await openRig(page)
  await expect(page.getByText(/^Cannot run|^Can run|^Ready/).first()).toBeInViewport()
  await thing(page, 'LEN-01').click()
  await page.getByRole('dialog').getByRole('button', { name: 'LEN-01 and CAM-01: that is so' }).click()
  await expect(page.getByRole('dialog').getByText('as stated')).toBeVisible()
})
