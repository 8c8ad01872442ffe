import type { Page } from '@playwright/test'
import { expect, test } from './exemplar.ts'

/** Something is pressed that offers a common thing; its price is typed, and it may be chosen. */
async function offer(page: Page, name: string, price: string, grade?: string): Promise<void> {
  const button = page.getByRole('button', { name: `Add: ${name}`, exact: true }).first()
  const form = page.getByRole('dialog')
  // The kits are worked out anew after each thing, and the buttons with them.
  await expect(async () => {
    if (!(await form.isVisible())) await button.click({ timeout: 3_000 })
    await expect(form).toBeVisible({ timeout: 3_000 })
  }).toPass({ timeout: 30_000 })
  await expect(form.getByLabel('What it is called')).toHaveValue(name)
  await form.getByLabel('Amount').fill(price)
  if (grade) await form.getByLabel('How good it is').selectOption(grade)
  await form.getByRole('button', { name: 'It may be chosen' }).click()
  await expect(form).toBeHidden()
}

for (const [on, size] of [
  ['a desk', { width: 1280, height: 800 }],
  ['a phone', { width: 390, height: 844 }],
] as const) {
  test(`a podcast for two from nothing, at three sums, and one of them taken on, on ${on}`, async ({ page }) => {
    test.setTimeout(240_000)
    await page.setViewportSize(size)
    await page.goto('/ledger/kits')
    await page.getByRole('button', { name: 'Plan a kit' }).click()
    const dialog = page.getByRole('dialog')
    await dialog.getByLabel('What it is called').fill('Podcast for two')
    await dialog.getByLabel('For', { exact: true }).selectOption({ label: 'Interview' })
    await dialog.getByRole('button', { name: 'Plan it' }).click()

    // What has to be there and is not among the things to choose from is asked for, role by role.
    await expect(page.getByText('Nothing to choose from for A camera')).toBeVisible()
    await offer(page, 'Camcorder with zoom', '500')
    await expect(page.getByText('Nothing to choose from for A camera')).toBeHidden()
    await offer(page, 'LED panel on mains', '120', '2')
    await offer(page, 'Clip microphone', '30')
    await offer(page, 'Tripod with head', '90')
    // Then what those want themselves, by the name of the end.
    await expect(page.getByText(/^Clip microphone wants something that none of these gives/)).toBeVisible()
    await offer(page, 'Pocket recorder', '80')
    for (const name of ['Light stand, 2.6 m', 'Mains lead, C7', 'AA cell']) {
      if (await page.getByText('A whole kit of these begins at').isVisible()) break
      const button = page.getByRole('button', { name: `Add: ${name}`, exact: true }).first()
      if (await button.isVisible()) await offer(page, name, '9')
    }
    await expect(page.getByText('A whole kit of these begins at')).toBeVisible()

    // Sums come of the list itself; one kit for each, side by side, with what they share and what is lost between them.
    await page.getByRole('button', { name: /^Begin with / }).click()
    const first = page.getByRole('region', { name: 'To begin with' })
    await expect(first.getByText('In all, tax in')).toBeVisible()
    await expect(first.getByText('Camcorder with zoom', { exact: true })).toBeVisible()
    await expect(first.getByText('to the penny')).toBeVisible()
    // What nobody told of common things could still stop it: it is never said to be whole.
    await expect(first.getByText(/^Whole as far as is known/)).toBeVisible()
    const all = page.getByRole('region', { name: 'All that is worth it' })
    await expect(all.getByText('also in', { exact: false }).first()).toBeVisible()

    await first.getByRole('button', { name: 'Take this kit on' }).click()
    await expect(page.getByRole('heading', { name: /^Taken on: To begin with/ })).toBeVisible()
    await expect(page.getByRole('button', { name: 'Take this kit on' })).toHaveCount(0)
    await page.getByRole('link', { name: 'Order and receive it among the wishes' }).click()
    await expect(page.getByText('Camcorder with zoom').first()).toBeVisible()
  })
}
