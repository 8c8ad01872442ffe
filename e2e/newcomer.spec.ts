import type { Page } from '@playwright/test'
import { expect, test } from './exemplar.ts'
import { type Hands, makeKeys, makePointer } from './hands.ts'

/** What somebody has who begins with a phone: the first letters by which it is chosen, and what it is called. */
const THINGS = [
  ['Smart', 'Smartphone'],
  ['Clamp for a', 'Clamp for a phone'],
  ['Overhead', 'Overhead arm with its base'],
  ['LED panel on', 'LED panel on mains'],
  ['Light stand, 2', 'Light stand, 2.6 m'],
  ['Mains lead, C7', 'Mains lead, C7'],
  ['Plain table', 'Plain table'],
] as const
const LEFT_EMPTY = ['Top lens', 'Fill', 'Main microphone', 'Recorder', 'Monitor']

/** From an empty Exemplar to a top-down setup that is ready, without help and without a manual. */
async function begin(page: Page, hands: Hands): Promise<void> {
  const { push, type, choose, find, tick } = hands
  const dialog = page.getByRole('dialog')
  await page.goto('/')
  await push(page.getByRole('main').getByRole('link', { name: 'Add a thing' }))
  for (const [at, [letters, name]] of THINGS.entries()) {
    await find(dialog.getByLabel('Kind'), letters)
    await expect(dialog.getByLabel('Name or model')).toHaveValue(name)
    const isLast = at === THINGS.length - 1
    await push(dialog.getByRole('button', { name: isLast ? 'Add it' : 'Add and another' }))
    if (!isLast) await expect(dialog.getByLabel('Name or model')).toHaveValue('')
  }
  await expect(dialog).toBeHidden()

  await push(page.getByRole('link', { name: 'Studio' }).first())
  await push(page.getByRole('link', { name: 'Places', exact: true }))
  await push(page.getByRole('button', { name: 'Add a place' }))
  await type(dialog.getByLabel('Name'), 'Kitchen')
  await push(dialog.getByRole('button', { name: 'Add a circuit' }))
  await type(dialog.getByLabel('Amperes'), '16')
  await push(dialog.getByRole('button', { name: 'Save' }))
  await expect(dialog).toBeHidden()

  await push(page.getByRole('link', { name: 'Setups' }).first())
  await push(page.getByRole('button', { name: 'New setup' }))
  await type(dialog.getByLabel('Name'), 'Kitchen table')
  await choose(dialog.getByLabel('What it is for'), 'Top-down')
  await expect(dialog.getByText('Starts with 9 roles')).toBeVisible()
  await choose(dialog.getByLabel('Room'), 'Kitchen')
  await choose(dialog.getByLabel('Circuit that feeds it'), 'Circuit 1')
  await push(dialog.getByRole('button', { name: 'Make it' }))

  await push(page.getByRole('button', { name: 'Choose for me' }))
  await push(dialog.getByRole('button', { name: 'Put 4 in' }))
  await expect(dialog).toBeHidden()
  for (const role of LEFT_EMPTY) {
    await push(page.getByRole('button', { name: new RegExp(`^${role}(?!:)`) }))
    await tick(dialog.getByLabel('Left empty on purpose'))
    await push(dialog.getByRole('button', { name: 'Save the role' }))
    await expect(dialog).toBeHidden()
  }
  await push(page.getByRole('button', { name: 'Connect for me' }))
  await expect(dialog.getByRole('status')).toHaveText('With these everything is joined.')
  await push(dialog.getByRole('button', { name: 'Take them' }))
  await expect(dialog).toBeHidden()
  // What nobody can know of a phone is asked in the margin, and answered there.
  await expect(page.getByRole('heading', { name: 'Cannot tell yet: 1 question.' })).toBeVisible()
  await type(page.getByLabel('How much memory of its own is free to record on?'), '64 GB')
  await push(page.getByRole('button', { name: 'Write down' }))
  await expect(page.getByRole('heading', { name: 'Ready to run.' })).toBeVisible()
  expect(hands.actions()).toBeLessThanOrEqual(60)
}

test('a newcomer has a top-down setup ready in at most 60 actions', async ({ page }) => {
  await begin(page, makePointer())
})

test('and the same by keyboard alone', async ({ page }) => {
  test.setTimeout(180_000)
  await begin(page, makeKeys(page))
})
