// @vitest-environment jsdom
import { STANDARD_INTERFACES } from '@exemplar/core'
import { expect, it, vi } from 'vitest'
import { show } from '../../foundation/component.fixture.tsx'
import { StockForm } from './stock-form.tsx'

function showForm(row: Parameters<typeof StockForm>[0]['row'] = null) {
  const onClose = vi.fn()
  const shown = show(<StockForm row={row} onClose={onClose} />, {
    'GET /interfaces': STANDARD_INTERFACES,
    'GET /places': [{ id: 'p1', name: 'Case 3', kind: 'case' }],
    'POST /stock': { id: 's1', tag: 'CEL-01', version: 1 },
    'PATCH /stock/s1': { id: 's1', version: 3 },
  })
  const sent = (method: string) => shown.asked.find((it) => it.method === method)?.body
  return { ...shown, onClose, sent }
}

it('[E4] a new kind is asked what such a thing is asked, and a 9 V cell is no AA cell', async () => {
  const { hands, page, sent } = showForm()
  await hands.type(page.getByRole('combobox', { name: 'Kind' }), 'cell{Enter}')
  await hands.type(page.getByLabelText('Name'), 'Blocks')
  await hands.type(page.getByRole('combobox', { name: 'Size of the cell' }), '9 V{Enter}')
  const many = page.getByLabelText('How many are there')
  await hands.clear(many)
  await hands.type(many, '12')
  await hands.type(page.getByRole('combobox', { name: 'Where it lies' }), 'Case 3{Enter}')
  await hands.click(page.getByRole('button', { name: 'Save' }))
  await vi.waitFor(() => expect(sent('POST')).toBeDefined())
  expect(sent('POST')).toMatchObject({
    category: 'cell',
    name: 'Blocks',
    quantity: 12,
    placeId: 'p1',
    facts: { battery: 'cell-9v' },
  })
})

it('without a name nothing is sent, and what was typed stays', async () => {
  const { hands, page, asked } = showForm()
  const many = page.getByLabelText<HTMLInputElement>('How many are there')
  await hands.clear(many)
  await hands.type(many, '12')
  await hands.click(page.getByRole('button', { name: 'Save' }))
  expect(page.getByText('Give it a name, even a nickname.')).toBeTruthy()
  expect(many.value).toBe('12')
  expect(asked.some((it) => it.method === 'POST')).toBe(false)
})

it('of a stock that is there only its place and when to buy more are asked', async () => {
  const supply = { expiresOn: null, leadDays: 5, source: 'the shop', secondSource: '', perUse: 2 }
  const row = {
    id: 's1',
    tag: 'CEL-01',
    modelId: 'm1',
    quantity: 4,
    reorderLevel: 2,
    placeId: 'p1',
    supply,
    version: 2,
  }
  const { hands, page, sent } = showForm({
    ...row,
    name: 'Blocks',
    category: 'cell',
    place: 'Case 3',
    archivedAt: null,
  } as never)
  expect(page.queryByLabelText('Name')).toBeNull()
  const level = page.getByLabelText('Buy more when so many are left')
  await hands.clear(level)
  await hands.type(level, '6')
  await hands.click(page.getByRole('button', { name: 'Save' }))
  await vi.waitFor(() => expect(sent('PATCH')).toEqual({ reorderLevel: 6, placeId: 'p1', supply }))
})
