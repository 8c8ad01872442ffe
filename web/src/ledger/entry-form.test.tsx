// @vitest-environment jsdom
import { expect, it, vi } from 'vitest'
import { show } from '../foundation/component.fixture.tsx'
import { EntryForm, makeBlankEntry } from './entry-form.tsx'

function showForm(currency = 'GBP', problem: Parameters<typeof EntryForm>[0]['problem'] = null) {
  const onSave = vi.fn()
  const shown = show(
    <EntryForm
      currency={currency}
      taxRates={[2000, 500]}
      initial={makeBlankEntry('2026-05-04', '')}
      act="Record it"
      problem={problem}
      onSave={onSave}
    />,
  )
  return { ...shown, onSave }
}

it('says at the field what it cannot read, writes nothing, and keeps what was typed', async () => {
  const { hands, page, onSave } = showForm()
  await hands.type(page.getByLabelText('What'), 'Gel roll')
  await hands.type(page.getByLabelText(/Net amount/), 'about 40')
  await hands.click(page.getByRole('button', { name: 'Record it' }))
  expect(page.getByText(/“about 40” cannot be read/)).toBeTruthy()
  expect(page.getByLabelText(/Net amount/).getAttribute('aria-invalid')).toBe('true')
  expect(page.getByLabelText<HTMLInputElement>('What').value).toBe('Gel roll')
  expect(onSave).not.toHaveBeenCalled()
})

it('asks for what is missing, each at its field', async () => {
  const { hands, page, onSave } = showForm()
  await hands.click(page.getByRole('button', { name: 'Record it' }))
  expect(page.getByText('How much was it?')).toBeTruthy()
  expect(page.getByText('Say what it was for.')).toBeTruthy()
  expect(onSave).not.toHaveBeenCalled()
})

it('writes nothing without saying what it was for', async () => {
  const { hands, page, onSave } = showForm()
  await hands.type(page.getByLabelText(/Net amount/), '12')
  await hands.click(page.getByRole('button', { name: 'Record it' }))
  expect(page.getByText('Say what it was for.')).toBeTruthy()
  expect(onSave).not.toHaveBeenCalled()
})

it.each([
  ['GBP', '86.50', 8650, 1730],
  ['EUR', '1.234,50', 123_450, 24_690],
  ['JPY', '12000', 12_000, 2400],
  ['GBP', '0.03', 3, 1],
])('gives on %s %s in whole minor units, with its tax', async (currency, typed, netMinor, taxMinor) => {
  const { hands, page, onSave } = showForm(currency)
  await hands.type(page.getByLabelText('What'), ' Gel roll ')
  await hands.type(page.getByLabelText(/Net amount/), typed)
  await hands.click(page.getByRole('button', { name: 'Record it' }))
  expect(onSave).toHaveBeenCalledExactlyOnceWith(
    expect.objectContaining({ description: 'Gel roll', date: '2026-05-04', netMinor, taxMinor, unitId: null }),
  )
})

it.each([
  ['8 %', 80],
  ['17,5%', 175],
  ['0', 0],
])('takes any rate of tax as it is written: %s', async (typed, taxMinor) => {
  const { hands, page, onSave } = showForm()
  await hands.type(page.getByLabelText('What'), 'Gel roll')
  await hands.type(page.getByLabelText(/Net amount/), '10')
  await hands.clear(page.getByLabelText('Tax'))
  await hands.type(page.getByLabelText('Tax'), typed)
  await hands.click(page.getByRole('button', { name: 'Record it' }))
  expect(onSave).toHaveBeenCalledExactlyOnceWith(expect.objectContaining({ netMinor: 1_000, taxMinor }))
})

it('a rate that cannot be read is said at its field, and nothing is written', async () => {
  const { hands, page, onSave } = showForm()
  await hands.type(page.getByLabelText('What'), 'Gel roll')
  await hands.type(page.getByLabelText(/Net amount/), '10')
  await hands.clear(page.getByLabelText('Tax'))
  await hands.type(page.getByLabelText('Tax'), 'a fifth')
  await hands.click(page.getByRole('button', { name: 'Record it' }))
  expect(page.getByText(/Write a share/)).toBeTruthy()
  expect(onSave).not.toHaveBeenCalled()
})

it('shows what the server says against a field, at that field', () => {
  const { page } = showForm('GBP', {
    detail: 'The day is not right.',
    fields: { date: 'That day is in a closed year.' },
  } as never)
  const day = page.getByLabelText('Day')
  const told = document.getElementById(day.getAttribute('aria-describedby') ?? '')
  expect(told?.textContent).toContain('That day is in a closed year.')
})

it('[E9] what is bought and new goes into the kit with its price, by the same questions', async () => {
  const onReceive = vi.fn()
  const onSave = vi.fn()
  const { hands, page } = show(
    <EntryForm
      currency="GBP"
      taxRates={[2000]}
      initial={makeBlankEntry('2026-05-04', 'Larch hundred')}
      act="Record it"
      problem={null}
      onSave={onSave}
      onReceive={onReceive}
    />,
  )
  await hands.type(page.getByLabelText(/Net amount/), '400')
  await hands.click(page.getByRole('checkbox', { name: /new thing/ }))
  // What cannot be read holds it back, at its field.
  await hands.type(page.getByLabelText('Mass'), 'heavy')
  await hands.click(page.getByRole('button', { name: 'Record it' }))
  expect(onReceive).not.toHaveBeenCalled()
  expect(page.getByLabelText('Mass').getAttribute('aria-invalid')).toBe('true')
  await hands.clear(page.getByLabelText('Mass'))
  await hands.type(page.getByLabelText('Mass'), '1.8 kg')
  await hands.click(page.getByRole('button', { name: 'Record it' }))
  expect(onSave).not.toHaveBeenCalled()
  expect(onReceive.mock.calls[0]?.[0]).toMatchObject({
    title: 'Larch hundred',
    priceMinor: 40_000,
    taxMinor: 8_000,
    on: '2026-05-04',
    parts: [{ category: 'camera', name: 'Larch hundred', quantity: 1, facts: { massGrams: 1_800 } }],
  })
})

it('asks nothing of the sort where nothing is bought', async () => {
  const { hands, page } = show(
    <EntryForm
      currency="GBP"
      taxRates={[2000]}
      initial={makeBlankEntry('2026-05-04', '')}
      act="Record it"
      problem={null}
      onSave={vi.fn()}
      onReceive={vi.fn()}
    />,
  )
  await hands.selectOptions(page.getByLabelText('Kind'), 'repair')
  expect(page.queryByRole('checkbox', { name: /new thing/ })).toBeNull()
})
