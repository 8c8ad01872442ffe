import { settle, test } from './exemplar.ts'

test.use({ demo: true })
test('shot', async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 800 })
  await page.goto('/setups/gi?view=look')
  await settle(page)
  await page.waitForTimeout(800)
  await page.screenshot({ path: '/tmp/look1.png', fullPage: true })
  await page.getByRole('button', { name: 'Set Key' }).click()
  await page.screenshot({ path: '/tmp/look2.png' })
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Describe the scene' }).click()
  await page.screenshot({ path: '/tmp/look3.png' })
  await page.keyboard.press('Escape')
  await page.setViewportSize({ width: 390, height: 844 })
  await page.screenshot({ path: '/tmp/look4.png' })
})
