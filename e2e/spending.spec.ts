import { expect, settle, test } from './exemplar.ts'

test.use({ demo: true })

test('money comes back of what was paid, never more of it, and the year is lessened by it', async ({ page }) => {
  await page.goto('/ledger')
  await settle(page)
  await page.getByRole('button', { name: 'Record spending' }).click()
  await page.getByLabel('What', { exact: true }).fill('Backdrop, wrong colour')
  await page.getByLabel('Net amount').fill('100')
  await page.getByRole('button', { name: 'Record it' }).click()
  const total = page.getByTestId('year-total')
  const row = page.getByRole('row', { name: /Backdrop, wrong colour/ })
  await expect(row).toBeVisible()
  const before = Number((await total.innerText()).replace(/[^\d.]/g, ''))
  await row.getByRole('button', { name: /^Money back/ }).click()
  const sheet = page.getByRole('dialog')
  await expect(sheet).toContainText('£120 was paid')
  await sheet.getByLabel('Without tax').fill('101')
  await sheet.getByRole('button', { name: 'It came back' }).click()
  await expect(sheet.getByText('No more than £120 was paid, with its tax.').first()).toBeVisible()
  await sheet.getByLabel('Without tax').fill('75')
  await sheet.getByLabel('Tax of it').fill('15')
  await sheet.getByRole('button', { name: 'It came back' }).click()
  await expect(row.filter({ hasText: '£90.00 came back' })).toBeVisible()
  await expect(page.getByRole('row', { name: /^\w+ \d+ \w+ Money back: Backdrop/ })).toContainText('− £90.00')
  expect(Number((await total.innerText()).replace(/[^\d.]/g, ''))).toBeCloseTo(before - 90, 2)
})

test('the shopping list has prices, says what it comes to, and what is bought is recorded by them', async ({
  page,
  baseURL,
}) => {
  const line = { quantity: 2, reason: '', stockId: null, setupId: null }
  for (const item of ['Clamp', 'Apple box']) {
    const headers = { 'x-exemplar-client': 'journey' }
    await page.request.post(`${baseURL}/api/shopping`, { headers, data: { ...line, item } })
  }
  await page.goto('/ledger')
  await settle(page)
  await expect(page.getByLabel('Forecast')).toContainText('by 31 Dec 2026')
  await page.getByRole('button', { name: 'Price of Clamp' }).click()
  const sheet = page.getByRole('dialog')
  await sheet.getByLabel('Amount').fill('12')
  await sheet.getByLabel('Where').fill('Pellets and Sons')
  await sheet.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText('£24.00 (£12.00 each) · seen in a shop, Pellets and Sons, 24 Nov 2026')).toBeVisible()
  await expect(page.getByText('More than £24.00')).toBeVisible()
  await expect(page.getByText('1 of 2 have no price')).toBeVisible()
  await page.getByRole('listitem').filter({ hasText: '2 × Clamp' }).getByRole('button', { name: 'Bought' }).click()
  await expect(sheet.getByLabel('Net amount')).toHaveValue('20')
  await expect(sheet.getByText('£4.00 tax, £24.00 in all')).toBeVisible()
  await sheet.getByRole('button', { name: 'Record it' }).click()
  await expect(page.getByRole('row', { name: /Clamp/ })).toContainText('24.00')
  await expect(page.getByText('More than')).toHaveCount(0)
})
