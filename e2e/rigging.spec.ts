import type { Page } from '@playwright/test'
import { expect, settle, test } from './exemplar.ts'

test.use({ demo: true })

const openMenu = async (page: Page, name: string) => {
  await page.getByRole('button', { name: 'More', exact: true }).click()
  await page.getByRole('menuitem', { name }).click()
}

test('a measured place frames the picture; settings go on the start list and into a memory bank, which knows when it is stale', async ({
  page,
}) => {
  const dialog = page.getByRole('dialog')
  await page.goto('/setups/gi')
  await page.getByRole('button', { name: /^B camera/ }).click()
  await dialog.getByText('Measured place and settings').click()
  await dialog.getByLabel('Distance').fill('2.4 m')
  await dialog.getByLabel('Setting', { exact: true }).fill('Aperture')
  await dialog.getByLabel('Value').fill('f/4')
  await dialog.getByLabel('Value').press('Enter')
  await expect(dialog.getByText('f/4')).toBeVisible()
  await dialog.getByRole('button', { name: 'Save the role' }).click()
  await expect(dialog).toBeHidden()

  await page.goto('/setups/cameras')
  // 23.6 · (2400 − 85) / 85 = 643 mm.
  const row = page.getByRole('listitem').filter({ hasText: 'B camera' }).filter({ hasText: 'CAM-02' }).first()
  await expect(row).toContainText('Frames 64.3 cm across')

  await page.goto('/setups/gi/start')
  const line = page.getByRole('checkbox', { name: /Set CAM-02: Aperture f\/4/ })
  await expect(line).toBeVisible()
  const left = page.getByRole('status').filter({ hasText: 'to do.' })
  const before = Number.parseInt((await left.textContent()) ?? '', 10)
  await line.check()
  await expect(left).toHaveText(`${before - 1} to do.`)

  await page.getByLabel('Of', { exact: true }).selectOption({ label: 'CAM-02, B camera' })
  await page.getByLabel('Bank', { exact: true }).fill('Bank 2')
  await page.getByRole('button', { name: 'It is stored there' }).click()
  await expect(page.getByText('CAM-02: recall Bank 2')).toBeVisible()
  await expect(page.getByText('It holds the settings of B camera.')).toBeVisible()

  await page.goto('/setups/gi')
  await page.getByRole('button', { name: /^B camera/ }).click()
  await dialog.getByText('Measured place and settings').click()
  await dialog.getByRole('button', { name: 'Drop Aperture' }).click()
  await dialog.getByLabel('Setting', { exact: true }).fill('Aperture')
  await dialog.getByLabel('Value').fill('f/5.6')
  await dialog.getByRole('button', { name: 'Note it' }).click()
  await dialog.getByRole('button', { name: 'Save the role' }).click()
  await expect(dialog).toBeHidden()
  await page.goto('/setups/gi/start')
  await expect(page.getByText(/settings of B camera were changed since it was stored/)).toBeVisible()
})

test('what stays rigged is fewer minutes; a change-over says each step; variants stand side by side', async ({
  page,
}) => {
  await page.goto('/setups/gi/minutes')
  await settle(page)
  const verdict = page.getByRole('status').filter({ hasText: 'until it records' })
  const minutes = async () => Number.parseInt((await verdict.textContent()) ?? '', 10)
  const before = await minutes()
  const recorder = page.getByRole('listitem').filter({ hasText: 'Recorder' }).first()
  await recorder.getByRole('button', { name: 'Leave it rigged' }).click()
  await expect.poll(minutes).toBeLessThan(before)
  await page.getByRole('button', { name: 'Undo' }).last().click()
  await expect.poll(minutes).toBe(before)
  await page.getByLabel('Minutes to rig Recorder').fill('12')
  await page.getByLabel('Minutes to rig Recorder').press('Enter')
  await expect.poll(minutes).toBeGreaterThan(before)

  await page.getByLabel('What stands there before').selectOption({ label: 'LR Lecture, three cameras' })
  await expect(page.getByText(/^\d+ steps$/)).toBeVisible()
  await expect(page.getByRole('listitem').filter({ hasText: 'MIC-01' }).filter({ hasText: 'set up' })).toContainText(
    'lies in',
  )

  await page.goto('/setups/gi')
  await openMenu(page, 'Version for a guest')
  await page.getByRole('dialog').getByRole('button', { name: 'Make it' }).click()
  await expect(page.getByRole('region', { name: 'Variant' })).toContainText('Guest’s microphone')
  await openMenu(page, 'Compare variants')
  await expect(page.getByRole('heading', { name: 'Otherwise in Glasshouse interview with a guest' })).toBeVisible()
  await expect(page.getByText('2.12 m across').first()).toBeVisible()
})

test('a thing is tried in the place of another, with what is left over, and then put in; the sound has three ways', async ({
  page,
}) => {
  const dialog = page.getByRole('dialog')
  await page.goto('/setups/gi')
  await openMenu(page, 'Swap one thing')
  await dialog.getByLabel('Instead of').selectOption({ label: 'CAM-02 Quarle C2 body, B camera' })
  await dialog.getByRole('button', { name: 'Try CAM-03' }).click()
  await expect(dialog.getByRole('status')).toContainText('With CAM-03: Cannot run')
  await expect(dialog.getByRole('heading', { name: 'Left without a place' })).toBeVisible()
  await dialog.getByRole('button', { name: 'Try CAM-06' }).click()
  await expect(dialog.getByRole('status')).toContainText('With CAM-06')
  await dialog.getByRole('button', { name: 'Put CAM-06 in' }).click()
  await expect(dialog).toBeHidden()
  await expect(page.getByRole('button', { name: /^B camera/ })).toContainText('CAM-06')

  await openMenu(page, 'Sound routes')
  const shotgun = dialog.getByRole('region').or(dialog.locator('section')).filter({ hasText: 'MIC-01' }).first()
  await expect(shotgun).toContainText('Straight into the camera')
  await expect(shotgun).toContainText('two recordings')
  await expect(shotgun.getByText('as your policy says')).toBeVisible()
  await page.keyboard.press('Escape')

  await openMenu(page, 'Without one thing')
  await dialog.getByLabel('Thing').selectOption({ label: 'LGT-01 Sallow 120 daylight, Key' })
  await expect(dialog.getByText('Load on Bench sockets')).toBeVisible()
  const picture = Buffer.from(
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
    'base64',
  )
  await dialog
    .getByLabel('Still LGT-01 without')
    .setInputFiles({ name: 'dark.png', mimeType: 'image/png', buffer: picture })
  await expect(dialog.getByRole('img', { name: 'LGT-01 without' })).toBeVisible()
})

test('one role is done by another’s feature, one thing does two jobs, and more speak than there are microphones', async ({
  page,
}) => {
  const dialog = page.getByRole('dialog')
  const margin = page.getByRole('complementary', { name: 'Readiness' })
  await page.goto('/setups/pb')
  await page.getByRole('button', { name: 'Add a role' }).click()
  await dialog.getByLabel('Role', { exact: true }).fill('Self-view')
  await dialog.getByText('Otherwise filled, shared, left standing').click()
  await dialog.getByLabel('Done by').selectOption({ label: 'A feature of another role’s thing' })
  await dialog.getByLabel('Whose feature').selectOption({ label: 'Top-down camera' })
  await dialog.getByRole('button', { name: 'Save the role' }).click()
  await expect(page.getByRole('button', { name: /^Self-view done/ })).toContainText('its screen turns to the front')
  await expect(margin.getByRole('heading', { name: /Cannot tell whether CAM-06 can be/ })).toBeVisible()

  // The camera is to be a web camera as well: both roles have to share.
  await page.getByRole('button', { name: /^Top-down camera/ }).click()
  await dialog.getByText('Otherwise filled, shared, left standing').click()
  await dialog.getByLabel('Its thing may be in another role too').check()
  await dialog.getByRole('button', { name: 'Save the role' }).click()
  await expect(dialog).toBeHidden()
  await page.getByRole('button', { name: 'Add a role' }).click()
  await dialog.getByLabel('Role', { exact: true }).fill('Web camera')
  await dialog.getByText('Otherwise filled, shared, left standing').click()
  await dialog.getByLabel('Its thing may be in another role too').check()
  await dialog.getByLabel('Find a thing').fill('CAM-06')
  await dialog.getByRole('button', { name: 'Put CAM-06 in' }).click()
  await dialog.getByRole('button', { name: 'Save the role' }).click()
  await expect(margin.getByRole('heading', { name: /CAM-06 does 2 jobs/ })).toBeVisible()

  await page.goto('/setups/gi')
  await page.getByRole('button', { name: 'Change', exact: true }).click()
  await dialog.getByText('What it asks of people and things').click()
  await dialog.getByLabel('How many people speak').fill('3')
  await dialog.getByLabel('The picture is turned round, as in a mirror').check()
  await dialog.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(margin.getByRole('heading', { name: /3 people speak, 2/ })).toBeVisible()
  await page.goto('/setups/gi/start')
  await expect(page.getByText('Look for lettering: the picture is turned round')).toBeVisible()
})

test('what hangs on a family, what one plate costs, and an order that the seller cancels', async ({ page }) => {
  await page.goto('/kit/systems')
  await expect(page.getByText('Leaving it would leave 4 idle: LEN-04, LEN-05, LEN-06, LEN-07')).toBeVisible()
  await page.getByLabel('Which fitting').selectOption({ label: 'Clasp plate' })
  await page.getByLabel('What one costs').fill('18')
  await expect(page.getByText('To finish: £126 for 7.')).toBeVisible()
  await page.goto('/kit/TRI-01')
  await expect(page.getByRole('heading', { name: 'What rides on it' })).toBeVisible()

  await page.goto('/ledger')
  await expect(page.getByText('It should be here by now')).toBeVisible()
  await page.getByRole('button', { name: 'MOD-02 was cancelled by the seller' }).click()
  await expect(page.getByRole('heading', { name: 'On order' })).toBeHidden()
  await expect(page.getByText('Sallow Lantern 50').first()).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).last().click()
  await expect(page.getByRole('heading', { name: 'On order' })).toBeVisible()
})
