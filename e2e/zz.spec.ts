import { settle, test } from './exemplar.ts'

test.use({ demo: true })
for (const [name, path, size] of [
  ['w', '/ledger/wishes', [1280, 800]],
  ['p', '/ledger/plan', [1280, 800]],
  ['h', '/ledger/hindrances', [1280, 800]],
  ['wp', '/ledger/wishes', [390, 844]],
  ['pp', '/ledger/plan', [390, 844]],
  ['wa', '/ledger/wishes?add=wish', [1280, 800]],
] as const)
  test(`shot ${name}`, async ({ page }) => {
    await page.setViewportSize({ width: size[0], height: size[1] })
    await page.goto(path)
    await settle(page)
    await page.waitForTimeout(4000)
    await page.screenshot({ path: `/tmp/shot-${name}.png`, fullPage: name !== 'wa' })
  })
