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
