import { resolve } from 'node:path'
import type { Locator, Page } from '@playwright/test'
import { expect, test } from './exemplar.ts'
import { findChoice, openWays } from './hands.ts'

const INVENTORY = resolve(import.meta.dirname, '../docs/examples/inventory.csv')
const PHONE = { width: 390, height: 844 }
const DESK = { width: 1280, height: 800 }

const margin = (page: Page): Locator => page.getByRole('complementary', { name: 'Readiness' })

async function addRole(page: Page, name: string, group: string, kind: string, tags: string[]): Promise<void> {
  await page.getByRole('button', { name: 'Add a role' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Role', { exact: true }).fill(name)
  await dialog.getByLabel('Group').selectOption({ label: group })
  await findChoice(dialog.getByLabel('Filled by'), kind)
  for (const tag of tags) {
    const narrow = dialog.getByLabel(/^only /)
    if (await narrow.isChecked()) await narrow.uncheck()
    await dialog.getByLabel('Find a thing').fill(tag)
    await dialog.getByRole('button', { name: `Put ${tag} in` }).click()
  }
  await dialog.getByRole('button', { name: 'Save the role' }).click()
  await expect(dialog).toBeHidden()
}

test('from an inventory file to a spending figure', async ({ page }) => {
  // 1. Take stock: the file, its bad line put right, and one thing by three fields.
  await page.goto('/')
  await expect(page.getByRole('heading', { name: 'Exemplar is empty' })).toBeVisible()
  await page.getByRole('link', { name: 'Import a list' }).click()
  await page.getByLabel('Inventory file').setInputFiles(INVENTORY)
  await expect(page.getByText('one line needs you')).toBeVisible()
  await expect(
    page.getByText('“14 May”').or(page.getByText('"14 May" in column "acquired on" cannot be read.')),
  ).toBeVisible()
  await expect(page.getByRole('button', { name: /Bring in/ })).toBeDisabled()
  await page.getByLabel('acquired on of line 40').fill('2025-05-14')
  await page.getByRole('button', { name: 'Put right' }).click()
  await expect(page.getByText('every line is right')).toBeVisible()
  await page.getByRole('button', { name: 'Bring in 40 lines' }).click()
  await expect(page.getByText('36 things of 28 models')).toBeVisible()
  await page.getByRole('button', { name: 'Add a thing' }).click()
  await findChoice(page.getByLabel('Kind'), 'Tripod')
  await page.getByLabel('Name or model').fill('Old wooden tripod')
  await findChoice(page.getByLabel('Where it lives'), 'Herbarium case')
  await page.getByRole('button', { name: 'Add it' }).click()
  await expect(page.getByText('TRI-01 is in the kit.').first()).toBeVisible()

  // The room that feeds it.
  await page.getByRole('link', { name: 'Studio' }).first().click()
  await expect(page.getByText('Mira Dunn').first()).toBeVisible()
  await page.getByRole('link', { name: 'Places', exact: true }).click()
  await page.getByRole('button', { name: 'Add a place' }).click()
  const place = page.getByRole('dialog')
  await place.getByLabel('Name').fill('Herbarium')
  await place.getByRole('button', { name: 'Add a circuit' }).click()
  await place.getByLabel('Amperes').fill('10')
  await place.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText('Circuit 1 230 V 10 A')).toBeVisible()
  // Keys for the rooms are silent while a dialog is open.
  await expect(page.getByRole('dialog')).toBeHidden()

  // 2. Compose.
  await page.keyboard.press('3')
  await page.getByRole('button', { name: 'New setup' }).click()
  const setup = page.getByRole('dialog')
  await setup.getByLabel('Name').fill('Herbarium macro')
  await expect(setup.getByLabel('Code on the tape')).toHaveValue('HM')
  await setup.getByLabel('Room').selectOption({ label: 'Herbarium' })
  await setup.getByLabel('Circuit that feeds it').selectOption({ index: 1 })
  await setup.getByLabel('Planned recording, minutes').fill('80')
  await setup.getByRole('button', { name: 'Make it' }).click()
  await expect(page.getByText('Nothing in it yet.')).toBeVisible()
  await addRole(page, 'Top-down camera', 'Camera', 'Camera body', ['HCA-01', 'HLE-01', 'HCD-01', 'HTR-01'])
  await addRole(page, 'Key', 'Light', 'Light', ['HLI-01', 'HST-01'])

  // 3. Readiness: what is missing, the sums, how they were worked out, and ways out that work.
  await expect(margin(page)).toContainText('No Wend pack for HCA-01')
  await expect(margin(page)).toContainText('No mains lead for HLI-01')
  // A list says at which rate it records, and not on which card: that is asked, and answered where it stands.
  const asked = margin(page).getByRole('group', { name: 'Which card does it record on?' })
  await asked.getByLabel('Which card does it record on?').selectOption({ label: 'SD card' })
  await asked.getByRole('button', { name: 'Write down' }).click()
  await expect(margin(page)).toContainText('The cards in HCA-01 end 4 min early')
  await expect(margin(page)).toContainText('76 of 80 min')
  await margin(page).getByText('How this was worked out').first().click()
  await expect(margin(page)).toContainText('100 Mbit/s × 0.45 = 45 GB/h')
  await openWays(margin(page), /No Wend pack/)
  await margin(page).getByRole('button', { name: 'Take HPA-01 too' }).click()
  await expect(margin(page)).not.toContainText('No Wend pack')
  await openWays(margin(page), /No mains lead/)
  await margin(page).getByRole('button', { name: 'Take HLD-01 too' }).click()
  await expect(margin(page)).not.toContainText('No mains lead')
  await openWays(margin(page), /The cards in HCA-01/)
  await margin(page).getByRole('button', { name: 'Take HCD-02 too' }).click()
  await expect(margin(page)).not.toContainText('end 4 min early')
  await expect(margin(page)).toContainText('Can run.')
  await page.getByRole('button', { name: 'Undo' }).last().click()
  await expect(margin(page)).toContainText('The cards in HCA-01 end 4 min early')
  await openWays(margin(page), /The cards in HCA-01/)
  await margin(page).getByRole('button', { name: 'Take HCD-02 too' }).click()
  // What comes next opens by itself once this one is gone.
  await expect(margin(page)).not.toContainText('end 4 min early')
  await openWays(margin(page), /Packs.* of Wend/)
  await margin(page).getByRole('button', { name: 'Take HPA-02 too' }).click()
  await expect(margin(page)).toContainText('Ready to run.')
  await expect(margin(page)).toContainText('60 of 2,300 W')

  // 4. Book it, and book against it: the collision shows at once, with what is free instead.
  await page.getByRole('link', { name: 'Book it' }).click()
  const booking = page.getByRole('dialog')
  await booking.getByLabel('What is it?').fill('Pressed ferns')
  await booking.getByLabel('Day', { exact: true }).fill('2026-11-26')
  await booking.getByLabel('Mira Dunn').check()
  await expect(booking).toContainText('Everything and everybody is free')
  await booking.getByRole('button', { name: 'Book it' }).click()
  await expect(page.getByRole('heading', { name: 'Pressed ferns' })).toBeVisible()
  const first = page.url()
  await page.goto('/diary?add=booking')
  await booking.getByLabel('What is it?').fill('Seed drawers')
  await booking.getByLabel('Setup', { exact: true }).selectOption({ label: 'HM Herbarium macro' })
  await booking.getByLabel('Day', { exact: true }).fill('2026-11-26')
  await booking.getByLabel('From').fill('11:00')
  await expect(booking).toContainText('booked for Pressed ferns')
  await expect(booking).toContainText('Use HCA-02 in the setup')
  await expect(booking).toContainText('Herbariumbooked for Pressed ferns')
  await page.keyboard.press('Escape')

  // 5. The sheet, on screen and on paper.
  await page.goto(first)
  await expect(page.getByText('Pack sheet')).toBeVisible()
  await expect(page.getByRole('row', { name: /HCA-01 Wend K5 body/ })).toBeVisible()
  await page.emulateMedia({ media: 'print' })
  await expect(page.getByRole('navigation', { name: 'Rooms' })).toBeHidden()
  await expect(page.getByRole('row', { name: /HCA-01 Wend K5 body/ })).toBeVisible()
  expect((await page.pdf({ format: 'A4' })).length).toBeGreaterThan(10_000)
  await page.emulateMedia({ media: 'screen' })

  // 6. Out and back on a phone, with a fault.
  await page.setViewportSize(PHONE)
  await page.getByRole('link', { name: 'Take out' }).click()
  await page.getByRole('button', { name: 'Tick all' }).click()
  await page.getByRole('button', { name: 'Leave HLI-01' }).click()
  await page.getByRole('button', { name: /^Take out/ }).click()
  await page.getByRole('link', { name: 'Bring back' }).click()
  await page.getByRole('button', { name: 'Fault on HCA-01' }).click()
  await page.getByLabel('What is wrong?').fill('Shutter sticks')
  await page.getByRole('button', { name: 'It is back, with this fault' }).click()
  while ((await page.getByRole('button', { name: /^\S+ back$/ }).count()) > 0) {
    await page
      .getByRole('button', { name: /^\S+ back$/ })
      .first()
      .click()
  }
  await page.getByRole('button', { name: 'Finish', exact: true }).click()
  await expect(page.getByText(/Shutter sticks/).first()).toBeVisible()

  // The fault takes the thing out of the reckoning, and the setup says so.
  await page.setViewportSize(DESK)
  await page.goto('/setups')
  await page.getByRole('link', { name: /Herbarium macro/ }).click()
  await expect(margin(page)).toContainText('HCA-01 is not there')
  await expect(margin(page)).toContainText('Shutter sticks')
  await openWays(margin(page), 'HCA-01 is not there')
  await margin(page).getByRole('button', { name: 'Use HCA-02 instead' }).click()
  await expect(margin(page)).toContainText('Can run. 1 thing to check.')

  // What came back was worked from: it is charged, and said so by a tick.
  await expect(margin(page)).toContainText('2 things to charge first')
  const board = page.url()
  await page.goto(`${board}/start`)
  await page.getByText('Charge HPA-01 and HPA-02').click()
  await expect(page.getByText('HPA-01 and HPA-02 are charged', { exact: true })).toBeVisible()
  await page.goto(board)
  await expect(margin(page)).toContainText('Ready to run.')

  // A service date, and what is due.
  await expect(page.getByRole('dialog')).toBeHidden()
  await page.keyboard.press('5')
  const due = page.getByRole('listitem').filter({ hasText: /Service.*HCA-01 Wend K5 body/ })
  await expect(due).toContainText('14 Mar 2026, 255 days ago')

  // 7. Spend, against the year's budget.
  await page.keyboard.press('6')
  await page.getByRole('button', { name: 'Set the budget' }).click()
  await page.getByLabel('Amount in GBP').fill('£1,000')
  await page.getByRole('dialog').getByRole('button', { name: 'Save' }).click()
  await page.getByRole('button', { name: 'Record spending' }).click()
  const entry = page.getByRole('dialog')
  await entry.getByLabel('Kind').selectOption({ label: 'Repair' })
  await entry.getByLabel('What', { exact: true }).fill('HCA-01 shutter')
  await entry.getByLabel('Net amount').fill('86.50')
  await expect(entry).toContainText('£17.30 tax, £103.80 in all')
  await entry.getByRole('button', { name: 'Choose a thing' }).click()
  await entry.getByLabel('Find a thing').fill('hca-01')
  await entry.getByRole('button', { name: 'Put HCA-01 in' }).click()
  await entry.getByRole('button', { name: 'Record it' }).click()
  await expect(entry).toBeHidden()
  await expect(page.getByText('£896.20 left of £1,000')).toBeVisible()
  await expect(page.getByTestId('year-total')).toHaveText('£103.80')
  await expect(page.getByRole('img', { name: /Spending by month/ })).toBeVisible()

  // 8. Today.
  await page.keyboard.press('1')
  await expect(page.getByText('HCA-01 Wend K5 body: mend or replace')).toBeVisible()
  await expect(page.getByText('Service HCA-02 Wend K5 body')).toBeVisible()
})
