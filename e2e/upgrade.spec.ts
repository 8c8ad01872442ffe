import type { APIRequestContext } from '@playwright/test'
import { expect, settle, test } from './exemplar.ts'

const HEADERS = { 'x-exemplar-client': 'journey' }

async function send(request: APIRequestContext, path: string, data: object) {
  const reply = await request.post(`/api${path}`, { data, headers: HEADERS })
  if (!reply.ok()) throw new Error(`${path}: ${await reply.text()}`)
  return reply.json()
}

/** A talk that wants a seat and a desk, and has neither; it is filmed once in December. */
async function plan(request: APIRequestContext): Promise<string> {
  const role = (id: string, name: string, wants: string) => ({
    ...{ id, name, wants, group: 'set', importance: 'essential', detail: '', intentionallyEmpty: false, things: [] },
  })
  const { id } = await send(request, '/setups', {
    ...{ code: 'TA', name: 'Talk', tape: 'fern', purpose: '', placeId: null, circuitId: null },
    ...{ plannedMinutes: 30, note: '', roles: [role('r0', 'Seat', 'furniture'), role('r1', 'Desk', 'table')] },
  })
  await send(request, '/bookings', {
    ...{ kind: 'shoot', title: 'Winter talk', setupId: id, unitIds: [], placeId: null, personIds: [] },
    ...{ startsAt: '2026-12-10T10:00', endsAt: '2026-12-10T12:00', rigMinutes: 0, strikeMinutes: 0 },
    ...{ state: 'confirmed', note: '', partyId: null, feeMinor: null },
  })
  return id
}

for (const [on, size] of [
  ['a desk', { width: 1280, height: 800 }],
  ['a phone', { width: 390, height: 844 }],
] as const) {
  test(`from what holds us back over a plan to orders, one cancelled, all here in the end, on ${on}`, async ({
    page,
  }) => {
    await page.setViewportSize(size)
    const id = await plan(page.request)
    await page.goto('/ledger/hindrances')
    await expect(page.getByText('The role “Seat” is empty')).toBeVisible()
    await page.getByRole('link', { name: 'Wish for something' }).click()

    // The seat by hand: what it is, where it would serve, what it costs.
    const form = page.getByRole('dialog')
    await form.getByLabel('Kind of thing').fill('Furniture')
    await page
      .getByRole('option', { name: /^Furniture/ })
      .first()
      .click()
    await form.getByLabel('What it is called').fill('Plain seat')
    await form.getByLabel('Seat of TA: nothing there yet').check()
    await form.getByLabel('Amount').fill('36')
    await form.getByRole('button', { name: 'Wish for it' }).click()
    await expect(form).toBeHidden()
    await expect(page.getByText('1 stop instead of 2')).toBeVisible()
    await send(page.request, '/wishes', {
      it: { category: 'table', name: 'Plain desk' },
      defect: 'missing',
      uses: [{ setupId: id, roleId: 'r1', insteadOfId: null }],
      prices: [{ kind: 'quote', netMinor: 4_000, taxMinor: 800, on: '2026-11-20', source: '' }],
    })

    // A penny too little buys neither, as one without the other frees no shoot.
    await page.goto('/ledger/plan')
    await page.getByLabel('Money now').fill('83.99')
    await expect(page.getByText('Nothing here is worth buying with £83.99.')).toBeVisible()
    await page.getByLabel('Money now').fill('84')
    await expect(page.getByText('£84.00 of £84.00: nothing stops 1 of 1 shoot, 1 more than now.')).toBeVisible()
    await page.getByRole('button', { name: 'Order all 2' }).click()
    await expect(page.getByText('Nothing to plan with')).toBeVisible()

    // The seller will not deliver the desk; the seat comes.
    await page.goto('/ledger/wishes')
    const row = (name: string) => page.getByRole('listitem').filter({ hasText: name })
    await row('Plain desk').getByRole('button', { name: 'Cancelled by the seller' }).click()
    await expect(row('Plain desk').getByRole('button', { name: 'Order' })).toBeVisible()
    await row('Plain seat').getByRole('button', { name: 'It is here' }).click()
    await page.getByRole('dialog').getByRole('button', { name: 'It is here' }).click()
    await expect(page.getByRole('dialog')).toBeHidden()
    const verdict = async () => (await (await page.request.get(`/api/setups/${id}/readiness`)).json()).counts.stop
    expect(await verdict()).toBe(1)

    // Ordered once more and here: the bill says a penny more.
    await row('Plain desk').getByRole('button', { name: 'Order' }).click()
    await page.getByRole('dialog').getByRole('button', { name: 'Order it' }).click()
    await expect(page.getByRole('dialog')).toBeHidden()
    await row('Plain desk').getByRole('button', { name: 'It is here' }).click()
    await page.getByRole('dialog').getByLabel('Tax on the bill').fill('8.01')
    await page.getByRole('dialog').getByRole('button', { name: 'It is here' }).click()
    await expect(page.getByRole('dialog')).toBeHidden()
    expect(await verdict()).toBe(0)
    await page.goto('/ledger')
    await expect(page.getByText('£84.01 spent')).toBeVisible()
    await page.goto('/ledger/hindrances')
    await settle(page)
    await expect(page.getByText('Nothing does')).toBeVisible()
  })
}

test('a question about money is reckoned, kept with its reason, and stands there the next time', async ({ page }) => {
  await page.goto('/ledger/decide')
  await page.getByLabel('Question').selectOption('When has it paid for itself?')
  await page.getByLabel('What it costs').fill('400')
  await expect(
    page.getByText('Nothing can be told without: earned or saved each session and sessions a month.'),
  ).toBeVisible()
  await page.getByLabel('Earned or saved each session').fill('50')
  await page.getByLabel('Sessions a month').fill('3')
  await expect(page.getByText('After 8 sessions, in about 3 months.')).toBeVisible()
  await page.getByLabel('What it is about').fill('A grid')
  await page.getByLabel('Decided').selectOption('Buy it')
  await page.getByRole('button', { name: 'Keep the decision' }).click()
  await expect(page.getByText('Say why.', { exact: true })).toBeVisible()
  await page.getByLabel('Why').fill('Back by spring.')
  await page.getByRole('button', { name: 'Keep the decision' }).click()
  await expect(page.getByText('A grid: Buy it')).toBeVisible()
  await page.reload()
  await expect(page.getByText('A grid: Buy it')).toBeVisible()
})
