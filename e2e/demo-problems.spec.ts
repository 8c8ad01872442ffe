import { expect, test } from './exemplar.ts'
import { openWays } from './hands.ts'

test.use({ demo: true })

test('the seven problems of the demo are on screen with their figures', async ({ page }) => {
  const margin = page.getByRole('complementary', { name: 'Readiness' })

  await page.goto('/setups/gi')
  await expect(margin).toContainText('No 9 V cell for MIC-02')
  await expect(margin).toContainText('Holm L1 lavalier wants one 9 V cell.')
  await expect(margin).toContainText('The store has none free.')

  await page.goto('/setups/pb')
  await expect(margin).toContainText('No mains lead for LGT-03')
  await expect(margin).toContainText('LGT-03 and LGT-04 want the same, and there is only LED-05.')

  await page.goto('/diary')
  const collisions = page.getByRole('complementary', { name: 'Collisions' })
  await expect(collisions).toContainText('TRI-01 Brindle F8 tripod, fluid head')
  await expect(collisions).toContainText('Thu 26 Nov 10:00 to Thu 26 Nov 12:30')

  await page.goto('/setups/lr')
  await expect(margin).toContainText('The cards in CAM-03 end 19 min early')
  await expect(margin).toContainText('76 of 95 min')
  await expect(margin).toContainText('Packs of Fenn B: 2 short')
  await expect(margin).toContainText('4 of 6 packs')
  await expect(margin).toContainText('LEN-05 is not there')
  await expect(margin).toContainText('in repair, hoped back on Sun 6 Dec')

  await page.goto('/diary/b-seedheads')
  await expect(page.getByLabel('What stands in the way')).toContainText(
    'goes back to its owner on Wed 25 Nov, but is wanted until Thu 26 Nov',
  )

  await page.goto('/today')
  await expect(
    page.getByText('goes back Wed 25 Nov, yet booked for Seed heads, close on Thu 26 Nov 14:00'),
  ).toBeVisible()
  await expect(page.getByText('Buy 1 × 9 V cell')).toBeVisible()
})

test('a way out is carried out, the finding goes, and it can be taken back', async ({ page }) => {
  await page.goto('/setups/lr')
  const margin = page.getByRole('complementary', { name: 'Readiness' })
  await openWays(margin, 'LEN-05 is not there')
  await margin.getByRole('button', { name: 'Use LEN-06 instead' }).click()
  await expect(margin).not.toContainText('LEN-05 is not there')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(margin).toContainText('LEN-05 is not there')
  await openWays(margin, /The cards in CAM-03/)
  await margin.getByRole('button', { name: 'Record CAM-03 at 100 Mbit/s' }).click()
  await expect(margin).not.toContainText('The cards in CAM-03')
})

test('what is short goes on the shopping list, is bought, and the microphone has its cell', async ({ page }) => {
  const margin = page.getByRole('complementary', { name: 'Readiness' })
  await page.goto('/setups/gi')
  await openWays(margin, 'No 9 V cell for MIC-02')
  await margin.getByRole('button', { name: 'Put 1 on the shopping list' }).click()
  await expect(page.getByText('1 × 9 V cell is on the shopping list.').first()).toBeVisible()
  await page.goto('/ledger')
  await page.getByRole('button', { name: 'Bought' }).click()
  const entry = page.getByRole('dialog')
  await entry.getByLabel('Net amount').fill('2.40')
  await entry.getByRole('button', { name: 'Record it' }).click()
  await page.goto('/setups/gi')
  await openWays(margin, 'No 9 V cell for MIC-02')
  await margin.getByRole('button', { name: 'Take 1 9 V cell from stock' }).click()
  await expect(margin).not.toContainText('No 9 V cell')
})

test('somebody else was faster: nothing is written, both versions stand side by side, and one’s own can go on top', async ({
  page,
  context,
  baseURL,
}) => {
  await page.goto('/setups/pb')
  await page.getByRole('button', { name: 'Change', exact: true }).click()
  const dialog = page.getByRole('dialog')
  await expect(dialog.getByLabel('In a few words')).toHaveValue('Table demonstration from above')
  const body = await (await context.request.get(`${baseURL}/api/setups/pb`)).json()
  const elsewhere = await context.request.put(`${baseURL}/api/setups/pb`, {
    data: { ...body, purpose: 'Changed elsewhere' },
    headers: { 'If-Match': `"${body.version}"`, 'x-exemplar-client': 'journey' },
  })
  expect(elsewhere.status()).toBe(200)
  // The page behind shows theirs at once; what is typed stays, and is not written over theirs unasked.
  await expect(page.getByText('Changed elsewhere')).toBeVisible()
  await dialog.getByLabel('In a few words').fill('Changed here')
  await dialog.getByRole('button', { name: 'Save' }).click()
  await expect(dialog.getByRole('alert')).toContainText('Somebody else changed this while you were at it.')
  await expect(dialog.getByRole('row', { name: /purpose/ })).toContainText('Changed elsewhere')
  await expect(dialog.getByRole('row', { name: /purpose/ })).toContainText('Changed here')
  await expect(dialog.getByLabel('In a few words')).toHaveValue('Changed here')
  await dialog.getByRole('button', { name: 'Save mine over theirs' }).click()
  await expect(dialog).toBeHidden()
  await expect(page.getByText(/Changed here/).first()).toBeVisible()
})
