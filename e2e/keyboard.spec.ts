import { resolve } from 'node:path'
import type { Locator, Page } from '@playwright/test'
import { expect, test } from './exemplar.ts'
import { makeKeys, openWays } from './hands.ts'

const INVENTORY = resolve(import.meta.dirname, '../docs/examples/inventory.csv')

test.use({ role: null })

test('the whole path by keyboard alone: from the door and an inventory file to a spending figure', async ({ page }) => {
  test.setTimeout(240_000)
  const { press, push, type, choose, tick, reach } = makeKeys(page)
  const button = (name: string | RegExp, within: Page | Locator = page) =>
    within.getByRole('button', { name, exact: typeof name === 'string' })
  const dialog = page.getByRole('dialog')
  const margin = page.getByRole('complementary', { name: 'Readiness' })

  await page.goto('/')
  await type(page.getByLabel('Your name'), 'Mira Dunn')
  await type(page.getByLabel('Sign-in name'), 'mira')
  await type(page.getByLabel('Password'), 'ferns behind the glass')
  await press('Enter')
  await expect(page.getByRole('heading', { name: 'Exemplar is empty' })).toBeVisible()

  // 1. Take stock.
  await push(page.getByRole('link', { name: 'Import a list' }))
  const chooser = page.waitForEvent('filechooser')
  await push(page.getByLabel('Inventory file'))
  await (await chooser).setFiles(INVENTORY)
  await type(page.getByLabel('acquired on of line 40'), '2025-05-14')
  await push(button('Put right'))
  await expect(page.getByText('every line is right')).toBeVisible()
  await push(button('Bring in 40 lines'))
  await expect(page.getByText('36 things of 28 models')).toBeVisible()

  // The room that feeds it, found by its name.
  await press('Control+k')
  await page.keyboard.type('places')
  await expect(page.getByRole('option').first()).toContainText('Places')
  await press('Enter')
  await push(button('Add a place'))
  await type(dialog.getByLabel('Name').first(), 'Herbarium')
  await push(button('Add a circuit', dialog))
  await type(dialog.getByLabel('Amperes'), '10')
  await push(button('Save', dialog))
  await expect(page.getByText('Circuit 1 230 V 10 A')).toBeVisible()
  await expect(dialog).toBeHidden()

  // 2. Compose.
  await press('3')
  await push(button('New setup'))
  await type(dialog.getByLabel('Name'), 'Herbarium macro')
  await choose(dialog.getByLabel('Room'), 'Herbarium')
  await choose(dialog.getByLabel('Circuit that feeds it'), 'Circuit 1')
  await type(dialog.getByLabel('Planned recording, minutes'), '80')
  await push(button('Make it', dialog))
  await expect(page.getByText('Nothing in it yet.')).toBeVisible()
  for (const [name, group, things] of [
    ['Top-down camera', 'Camera', ['HCA-01', 'HLE-01', 'HCD-01', 'HTR-01']],
    ['Key', 'Light', ['HLI-01', 'HST-01']],
  ] as const) {
    await push(button('Add a role'))
    await type(dialog.getByLabel('Role', { exact: true }), name)
    await choose(dialog.getByLabel('Group'), group)
    for (const tag of things) {
      await type(dialog.getByLabel('Find a thing'), tag)
      await push(button(`Put ${tag} in`, dialog))
      await expect(dialog.getByLabel('Find a thing')).toBeFocused()
    }
    await push(button('Save the role', dialog))
    await expect(dialog).toBeHidden()
  }

  // 3. The verdict, its working, and the ways out.
  // A list says at which rate it records, and not on which card: that is asked, and answered where it stands.
  const asked = margin.getByRole('group', { name: 'Which card does it record on?' })
  await choose(asked.getByLabel('Which card does it record on?'), 'SD')
  await push(asked.getByRole('button', { name: 'Write down' }))
  await expect(margin).toContainText('The cards in HCA-01 end 4 min early')
  await push(margin.getByText('How this was worked out').first())
  await expect(margin).toContainText('100 Mbit/s × 0.45 = 45 GB/h')
  for (const [finding, way] of [
    [/No Wend pack/, 'Take HPA-01 too'],
    [/No mains lead/, 'Take HLD-01 too'],
    [/The cards in HCA-01/, 'Take HCD-02 too'],
    [/Packs.* of Wend/, 'Take HPA-02 too'],
  ] as const) {
    await openWays(margin, finding, push)
    await push(button(way, margin))
    // Only once it is gone is the next one first, and its ways stand open by themselves.
    await expect(margin.getByRole('heading', { name: finding })).toHaveCount(0)
  }
  await expect(margin).toContainText('Ready to run.')

  // 4. Book it, for a day and a person.
  await push(page.getByRole('link', { name: 'Book it' }))
  await type(dialog.getByLabel('What is it?'), 'Pressed ferns')
  await reach(dialog.getByLabel('Day', { exact: true }))
  await page.keyboard.type('11262026')
  await tick(dialog.getByLabel(/Mira Dunn/))
  await expect(dialog).toContainText('Everything and everybody is free')
  await push(button('Book it', dialog))
  await expect(page.getByRole('heading', { name: 'Pressed ferns' })).toBeVisible()

  // 5. and 6. The sheet, out, and back with a fault.
  await expect(page.getByRole('row', { name: /HCA-01 Wend K5 body/ })).toBeVisible()
  await push(page.getByRole('link', { name: 'Take out' }))
  await push(button('Tick all'))
  await push(button(/^Take out \d/))
  await push(page.getByRole('link', { name: 'Bring back' }))
  await push(button('Fault on HCA-01'))
  await type(page.getByLabel('What is wrong?'), 'Shutter sticks')
  await push(button('It is back, with this fault'))
  await expect(dialog).toBeHidden()
  const left = page.getByRole('button', { name: /^\S+ back$/ })
  for (let count = await left.count(); count > 0; count--) {
    await push(left.first())
    await expect(left).toHaveCount(count - 1)
  }
  await push(button('Finish'))
  await expect(page.getByText(/Shutter sticks/).first()).toBeVisible()

  // The bench, and what it cost.
  await press('5')
  await push(page.getByRole('listitem').filter({ hasText: 'Shutter sticks' }).getByRole('button', { name: 'Mended' }))
  await expect(page.getByText('No open fault.')).toBeVisible()
  await press('6')
  await push(button('Record spending'))
  await type(dialog.getByLabel(/^What/).first(), 'Shutter mended')
  await type(dialog.getByLabel('Net amount'), '40')
  await push(button('Record it', dialog))
  await expect(page.getByText(/Shutter mended/).first()).toBeVisible()
  await expect(page.getByText(/£4[08].*spent/).first()).toBeVisible()
})
