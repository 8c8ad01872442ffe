import { readFileSync } from 'node:fs'
import { settle, test } from './exemplar.ts'
import { listAmerican } from '../core/src/kit/import/kept-lists.fixture.ts'
test.use({ demo: true })
test('x', async ({ page, exemplar }) => {
  test.setTimeout(120000)
  await page.goto('/kit')
  const headers = { 'x-exemplar-client': 'journey', 'content-type': 'image/png' }
  for (const id of ['LGT-06', 'CAM-02']) await page.request.post(`${exemplar}/api/attachments?subjectType=unit&subjectId=${id}&name=p.png`, { headers, data: readFileSync('docs/screenshots/today.png') })
  await page.setViewportSize({ width: 390, height: 844 })
  await page.goto('/diary/b-graft/take-out')
  await settle(page)
  await page.waitForTimeout(600)
  await page.screenshot({ path: 'test-results/z1.png' })
  await page.setViewportSize({ width: 1280, height: 800 })
  await page.goto('/setups/gi')
  await settle(page)
  await page.getByRole('button', { name: /^Key/ }).first().click()
  await page.waitForTimeout(600)
  await page.screenshot({ path: 'test-results/z2.png' })
  await page.goto('/kit/import')
  await page.getByLabel('Inventory file').setInputFiles({ name: 'l.csv', mimeType: 'text/csv', buffer: Buffer.from(listAmerican().csv) })
  await page.waitForTimeout(1500)
  await page.screenshot({ path: 'test-results/z3.png' })
  await page.setViewportSize({ width: 390, height: 844 })
  await page.waitForTimeout(300)
  await page.screenshot({ path: 'test-results/z4.png' })
})
