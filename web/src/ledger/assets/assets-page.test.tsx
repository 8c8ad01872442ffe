// @vitest-environment jsdom
import { expect, test } from 'vitest'
import { show } from '../../foundation/component.fixture.tsx'
import { AssetsPage } from './assets-page.tsx'

const STUDIO = {
  ...{ name: 'Larkmoor', currency: 'GBP', zone: 'Europe/London', schools: { numbers: 'figures' } },
  now: Date.UTC(2026, 10, 24, 8),
}
const row = (tag: string, part: object) => ({
  ...{ id: tag, tag, name: tag, kind: 'Lamp', group: 'light', serial: null, acquisition: 'bought-new' },
  ...{ isOthers: false, acquiredOn: '2025-10-02', place: null, priceMinor: null, valueMinor: null },
  ...{ insuredMinor: null, warrantyUntil: null, replacementMinor: null, healthPercent: null },
  ...part,
})
const ROWS = [
  row('LMP-01', { priceMinor: 1_000_000, replacementMinor: 960_000 }),
  row('GFT-01', { acquisition: 'gift', priceMinor: 0, valueMinor: 600_000 }),
  row('LMP-02', { priceMinor: 50_000, acquiredOn: null }),
  row('BOR-01', { priceMinor: 77_700, isOthers: true }),
]

test('what is left of each thing, a gift at its value; what nobody knows is in no sum, and what is others’ is not there', async () => {
  const { page, hands } = show(<AssetsPage />, { 'GET /studio': STUDIO, 'GET /kit-schedule': { rows: ROWS } })
  const cells = (tag: string) => {
    const books = page.getByText('In all').closest('table')
    const line = [...(books?.querySelectorAll('tbody tr') ?? [])].find((it) => it.textContent?.startsWith(tag))
    return [...(line?.querySelectorAll('td') ?? [])].slice(3).map((it) => it.textContent)
  }
  await page.findByText('In all')
  // Three months of 2025, all of 2026: 500 and 2,000 of 10,000 are off.
  expect(cells('LMP-01')).toEqual(['£10,000.00', '£2,000.00', '£7,500.00'])
  expect(cells('GFT-01')).toEqual(['£6,000.00', '£1,200.00', '£4,500.00'])
  expect(page.getByText('In all').closest('tr')?.textContent).toContain('£16,000.00£3,200.00£12,000.00')
  expect(page.getByText(/^Of 1 thing nobody recorded a price/).textContent).toContain('LMP-02')
  expect(page.queryByText('BOR-01')).toBeNull()
  await hands.selectOptions(page.getByLabelText('Written off'), 'macrs-5')
  expect(cells('LMP-01')).toEqual(['£10,000.00', '£3,200.00', '£4,800.00'])
})

test('what is to be put by: the least even sum with which nothing comes short, for as long as such things serve', async () => {
  const { page, hands } = show(<AssetsPage />, { 'GET /studio': STUDIO, 'GET /kit-schedule': { rows: [ROWS[0]] } })
  await page.findByText('In all')
  // A lamp serves eight years: it ends beyond three.
  expect(page.getByText('Nothing is to be put by.')).toBeDefined()
  const years = page.getByLabelText('Light, years')
  await hands.clear(years)
  await hands.type(years, '2')
  // October 2027, eleven months on, another costs 9,600.
  expect(page.getByRole('status').textContent).toContain('£872.73 a month')
  await hands.type(page.getByLabelText('Put by already'), '9600')
  expect(page.getByText('Nothing is to be put by.')).toBeDefined()
})

test('what was given for nothing costs something the next time, and of what nobody knows nothing is promised', async () => {
  const gift = (tag: string, part: object) =>
    row(tag, { acquisition: 'gift', priceMinor: 0, acquiredOn: '2010-01-01', ...part })
  const rows = [gift('GFT-02', { valueMinor: 24_000 }), gift('GFT-03', {})]
  const { page } = show(<AssetsPage />, { 'GET /studio': STUDIO, 'GET /kit-schedule': { rows } })
  await page.findByText('In all')
  // Its time is over: another is wanted within a month.
  expect(page.getByRole('status').textContent).toContain('£240 a month')
  expect(page.getByText(/^Of 1 thing nobody knows since when/).textContent).toContain('GFT-03')
  expect(page.getByText(/^Of 1 thing nobody recorded a price/).textContent).toContain('GFT-03')
})

test('nothing known is not nothing to be put by', async () => {
  const rows = [row('LMP-04', { acquiredOn: null, priceMinor: 5_000 })]
  const { page } = show(<AssetsPage />, { 'GET /studio': STUDIO, 'GET /kit-schedule': { rows } })
  await page.findByText('In all')
  expect(page.getByRole('status').textContent).toContain('Nothing is to be put by for what is known.')
})
