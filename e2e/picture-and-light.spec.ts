import { expect, settle, test } from './exemplar.ts'

test.use({ demo: true })

for (const [name, width, height] of [
  ['a desk', 1280, 800],
  ['a phone', 390, 844],
] as const) {
  test(`a grey background is found and mended on ${name}`, async ({ page }) => {
    await page.setViewportSize({ width, height })
    await page.goto('/setups/gi?view=look')
    await settle(page)
    const scene = page.getByRole('region', { name: 'The scene' })
    await expect(scene).toContainText('90 lx, measured: 1.5 stops less than on the face')
    // White goes grey there: it is told, with how much is lacking.
    await page.getByRole('button', { name: 'Describe the scene' }).click()
    const dialog = page.getByRole('dialog')
    await dialog.getByLabel('The background is to be').selectOption({ label: 'White that stays white' })
    await dialog.getByRole('button', { name: 'Save' }).click()
    await expect(page.getByText('The white behind would turn grey')).toBeVisible()
    // What cannot be read is held back, and nothing is lost.
    await page.getByRole('button', { name: 'Set Key' }).click()
    await dialog.getByLabel('Level').fill('bright')
    await dialog.getByRole('button', { name: 'Save' }).click()
    await expect(dialog.getByText('Write it as 50 %.')).toBeVisible()
    await dialog.getByLabel('Level').fill('25')
    await dialog.getByRole('button', { name: 'Save' }).click()
    await expect(page.getByRole('region', { name: 'Key', exact: true })).toContainText('2 stops, at 25 %')
    // Lit by itself, and measured again.
    await page.getByRole('button', { name: 'Describe the scene' }).click()
    await dialog.getByLabel('Measured behind, lx').fill('260')
    await dialog.getByRole('button', { name: 'Save' }).click()
    await expect(page.getByText('The white behind would turn grey')).toBeHidden()
    await expect(scene).toContainText('as much as on the face')
    await expect(page.getByRole('img', { name: /^Plan from above/ })).toBeVisible()
    expect(await page.evaluate('document.documentElement.scrollWidth <= window.innerWidth')).toBe(true)
  })
}
