import { expect, settle, test } from './exemplar.ts'

test.use({ demo: true })

const PHONE = { width: 390, height: 844 }
const DESK = { width: 1280, height: 800 }

test('a fault on the phone changes everything that counts on the thing; its repair brings it back, and the lesson stays', async ({
  page,
}) => {
  test.setTimeout(90_000)
  const main = page.getByRole('main')
  const visit = async (path: string) => {
    await page.goto(path)
    await settle(page)
  }
  await page.setViewportSize(PHONE)
  await visit('/setups/gi')
  await expect(main).not.toContainText('No sound')

  // Two taps: what such things usually have, and report it.
  await visit('/kit/MIC-01')
  await main.getByRole('button', { name: 'Report a fault' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByRole('button', { name: 'No sound' }).click()
  await dialog.getByRole('button', { name: 'Report it' }).click()
  await expect(dialog).toBeHidden()

  await visit('/setups/gi')
  await expect(main).toContainText('MIC-01')
  await expect(main).toContainText('No sound')
  await visit('/today')
  await expect(main).toContainText(/MIC-01 .*: mend or replace/)
  await expect(main).toContainText(/MIC-01 .* cannot go to Head gardener/)
  await visit('/diary/b-head')
  await expect(main).toContainText('No sound')

  await page.setViewportSize(DESK)
  await visit('/bench')
  const fault = main.getByRole('listitem').filter({ hasText: 'No sound' }).first()
  await fault.getByRole('button', { name: 'Send for repair' }).click()
  await dialog.getByLabel('Whom to ask').selectOption({ index: 1 })
  await dialog.getByRole('button', { name: 'Ask for it' }).click()
  await expect(dialog).toBeHidden()
  const repair = main.getByRole('listitem').filter({ hasText: 'MIC-01' }).filter({ hasText: 'It goes on' })
  const goOn = async (stage: string, change: () => Promise<void> = async () => {}) => {
    await repair.getByRole('button', { name: 'It goes on' }).click()
    await dialog.getByLabel('It is now').selectOption(stage)
    await change()
    await dialog.getByRole('button', { name: 'Save' }).click()
    await expect(dialog).toBeHidden()
  }
  await goOn('sent', () => dialog.getByLabel('Hoped back on').fill('2026-11-30'))
  await expect(repair).toContainText('hoped back')
  await goOn('back')
  await visit('/today')
  await expect(main).toContainText(/Try MIC-01 .*: it is back from its repair/)
  await visit('/bench')
  await goOn('done', () => dialog.getByLabel('What it cost, net').fill('40'))
  await visit('/setups/gi')
  await expect(main).not.toContainText('No sound')
  await visit('/diary/b-head')
  await expect(main).not.toContainText('No sound')
  await visit('/ledger')
  await expect(main).toContainText('Repair of MIC-01')

  // What is learned stands on the start list of that setup, and of no other.
  await visit('/bench')
  await main.getByRole('button', { name: 'Something happened' }).click()
  await dialog.getByLabel('What happened?').fill('The microphone lay in the rain')
  await dialog.getByLabel('The lesson, as a line of the start list').fill('Cover on before the door opens')
  await dialog.getByLabel('It stands on the start list of').selectOption('setup')
  await dialog.getByLabel('Which setup').selectOption('gi')
  await dialog.getByRole('button', { name: 'Write it down' }).click()
  await expect(dialog).toBeHidden()
  await visit('/setups/gi/start')
  await expect(main).toContainText('Cover on before the door opens')
  await visit('/setups/pb/start')
  await expect(main).not.toContainText('Cover on before the door opens')
})

test('devices that behave badly are told so, and count for nothing', async ({ page }) => {
  await page.goto('/bench/readings')
  await settle(page)
  const main = page.getByRole('main')
  await main.getByLabel('What is in it').selectOption({ label: 'PAK-A6 A 48 Wh' })
  await main.getByLabel('It holds, Wh').fill('45')
  const tell = async (behaviour: string, says: string) => {
    await main.getByLabel('How it behaves').selectOption(behaviour)
    await main.getByRole('button', { name: 'Let it tell' }).click()
    await expect(main.getByRole('status')).toHaveText(says)
  }
  await tell('twice', 'Taken · Told before: counted once')
  await tell('unplugged', 'Taken out before it was full: counted for nothing')
  await tell('late', 'Came late: kept, changes nothing newer')
  await tell('absurd', 'Cannot be: kept, counted for nothing')
  await page.goto('/kit/PAK-A6')
  await settle(page)
  // Once, and what cannot be is not there.
  await expect(main.getByText(', told by a charger')).toHaveCount(1)
  await expect(main).toContainText('44.6 Wh')
})

test('what a season may cost is worked out, and comes out the same again', async ({ page }) => {
  test.setTimeout(90_000)
  await page.goto('/bench/reliability')
  const main = page.getByRole('main')
  await expect(main.getByRole('heading', { name: 'The shoots ahead' })).toBeVisible({ timeout: 60_000 })
  await expect(main).toContainText(/Of \d+ shoots ahead/)
  await expect(main.getByRole('heading', { name: 'Which spare helps most' })).toBeVisible()
  await main.getByRole('button', { name: 'Go through it' }).click()
  await expect(main).toContainText(/of such seasons no shoot is lost/)
  const first = await main.getByText(/of such seasons no shoot is lost/).textContent()
  await main.getByRole('button', { name: 'Go through it' }).click()
  await expect(main.getByText(/of such seasons no shoot is lost/)).toHaveText(first ?? '')
})
