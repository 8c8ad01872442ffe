import { expect, test } from './exemplar.ts'

test.use({ demo: true })

const HEADERS = { 'x-exemplar-client': 'journey' }

test('after a change of one thing an open setup asks for at most three things', async ({ page }) => {
  await page.goto('/setups/gi')
  const margin = page.getByRole('complementary', { name: 'Readiness' })
  await expect(margin).toContainText('The store has none free.')
  await page.waitForLoadState('networkidle')
  const asked: string[] = []
  page.on('request', (request) => {
    const { pathname } = new URL(request.url())
    if (pathname.startsWith('/api/') && pathname !== '/api/live') asked.push(pathname)
  })
  // Somebody else finds the lens out of order: the page hears of it and judges anew.
  const unit = await (await page.request.get('/api/units/LEN-02')).json()
  await page.request.patch('/api/units/LEN-02', {
    data: { state: 'in-repair' },
    headers: { ...HEADERS, 'if-match': `"${unit.version}"` },
  })
  await expect(margin).toContainText('LEN-02 is not there')
  await page.waitForLoadState('networkidle')
  expect(new Set(asked)).toEqual(new Set(['/api/setups/gi', '/api/setups/gi/readiness', '/api/setups/gi/remedies']))
  expect(asked.length).toBeLessThanOrEqual(3)
})

test('a booking that is typed is checked once it is settled, and not again for its title', async ({ page }) => {
  const asked: string[] = []
  page.on('request', (request) => {
    if (request.url().includes('/api/bookings/check')) asked.push(request.url())
  })
  await page.goto('/diary?add=booking&setup=gi')
  const dialog = page.getByRole('dialog')
  await expect(dialog).toContainText(/is free|is taken|booked for|in repair/)
  const before = asked.length
  await dialog.getByLabel('What is it?').pressSequentially('A long title, letter by letter', { delay: 15 })
  await dialog.getByLabel('From', { exact: true }).fill('09:30')
  await expect.poll(() => asked.length).toBe(before + 1)
  expect(before).toBeLessThanOrEqual(2)
})
