import { settle, test } from './exemplar.ts'

test.use({ demo: true })
test('look', async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 900 })
  await page.goto('/setups/gi?view=look')
  await settle(page)
  await page.getByLabel('Light over the floor').check()
  await page.waitForTimeout(1500)
  await page.getByRole('region', { name: 'Plan' }).screenshot({ path: '/tmp/a2.png' })
})
