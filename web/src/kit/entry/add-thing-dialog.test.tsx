// @vitest-environment jsdom
import { STANDARD_INTERFACES } from '@exemplar/core'
import { expect, it, vi } from 'vitest'
import { show } from '../../foundation/component.fixture.tsx'
import { useRefuseUnread } from '../../foundation/form/refuse-unread.ts'
import { AddThingDialog } from './add-thing-dialog.tsx'

Element.prototype.scrollIntoView ??= () => {}

function Page({ onClose }: { onClose(): void }) {
  useRefuseUnread()
  return <AddThingDialog open onClose={onClose} />
}

function showDialog(unitSystem: 'metric' | 'imperial' = 'metric') {
  const onClose = vi.fn()
  const shown = show(<Page onClose={onClose} />, {
    'GET /studio': { name: 'Larkmoor', currency: 'GBP', zone: 'Europe/London', now: 0, unitSystem },
    'GET /interfaces': STANDARD_INTERFACES,
    'GET /places': [],
    'POST /places': { id: 'p1', name: 'Cupboard' },
    'POST /units': { id: 'u1', tag: 'STD-01', version: 1 },
  })
  const sent = () => shown.asked.filter((it) => it.method === 'POST' && it.path === '/units').map((it) => it.body)
  return { ...shown, onClose, sent }
}

it('asks what the kind is asked, and sends what was told in whole units', async () => {
  const { hands, page, sent, onClose } = showDialog()
  await hands.type(page.getByRole('combobox', { name: 'Kind' }), 'light stand{Enter}')
  await hands.type(page.getByLabelText('Name or model'), 'Tall one')
  await hands.type(page.getByLabelText('Bears'), '8 kg')
  await hands.clear(page.getByLabelText('How many'))
  await hands.type(page.getByLabelText('How many'), '3')
  await hands.click(page.getByRole('button', { name: 'Add it' }))
  await vi.waitFor(() => expect(onClose).toHaveBeenCalledOnce())
  expect(sent()).toEqual([
    expect.objectContaining({ category: 'stand', name: 'Tall one', count: 3, facts: { loadGrams: 8_000 }, usual: [] }),
  ])
})

it('a common thing brings what is usual, marked as no more than that; what is changed of it is told', async () => {
  const { hands, page, sent } = showDialog()
  await hands.type(page.getByRole('combobox', { name: 'Kind' }), 'Tripod with head{Enter}')
  expect(page.getByLabelText<HTMLInputElement>('Name or model').value).toBe('Tripod with head')
  expect(page.getAllByText(/^As is usual/)).toHaveLength(2)
  await hands.clear(page.getByLabelText('Bears'))
  await hands.type(page.getByLabelText('Bears'), '5 kg')
  expect(page.getAllByText(/^As is usual/)).toHaveLength(1)
  await hands.click(page.getByRole('button', { name: 'Add it' }))
  await vi.waitFor(() => expect(sent()).toHaveLength(1))
  expect(sent()[0]).toMatchObject({ facts: { loadGrams: 5_000, massGrams: 3_200 }, usual: ['massGrams'] })
})

it.each(['Add it', 'Add and another'])(
  '“%s” sends nothing while a field cannot be read, and keeps it',
  async (button) => {
    const { hands, page, sent } = showDialog('imperial')
    await hands.type(page.getByLabelText('Name or model'), 'Body')
    const mount = page.getByRole<HTMLInputElement>('combobox', { name: 'Lens mount' })
    await hands.type(mount, 'larch')
    await hands.tab()
    await hands.click(page.getByRole('button', { name: button }))
    expect(sent()).toEqual([])
    expect(mount.value).toBe('larch')
    expect(page.getByText(/“larch” is not in it/)).toBeTruthy()
  },
)

it('what both kinds are asked stays when another kind is chosen', async () => {
  const { hands, page } = showDialog()
  await hands.type(page.getByRole('combobox', { name: 'Kind' }), 'tripod{Enter}')
  await hands.type(page.getByLabelText('Bears'), '6 kg')
  await hands.type(page.getByRole('combobox', { name: 'Kind' }), 'c-stand{Enter}')
  expect(page.getByLabelText<HTMLInputElement>('Bears').value).toBe('6 kg')
})

it('what was told of one thing is no answer for the next: only the kind and the place stay', async () => {
  const { hands, page, sent } = showDialog()
  await hands.type(page.getByRole('combobox', { name: 'Kind' }), 'tripod{Enter}')
  await hands.type(page.getByLabelText('Name or model'), 'Tall one')
  await hands.type(page.getByLabelText('Bears'), '6 kg')
  await hands.type(page.getByLabelText('Maker'), 'Stoop')
  await hands.click(page.getByRole('button', { name: 'Add and another' }))
  await vi.waitFor(() => expect(sent()).toHaveLength(1))
  await hands.type(page.getByRole('combobox', { name: 'Kind' }), 'c-stand{Enter}')
  await hands.type(page.getByLabelText('Name or model'), 'Other one')
  await hands.click(page.getByRole('button', { name: 'Add and another' }))
  await vi.waitFor(() => expect(sent()).toHaveLength(2))
  const told = { name: 'Other one', nickname: '', placeId: null, count: 1, facts: {}, specs: {}, usual: [] }
  expect(sent()[1]).toEqual({ category: 'c-stand', maker: '', ...told })
})

it('Escape in an open list closes the list, and not the form round it', async () => {
  const { hands, page, onClose } = showDialog()
  await hands.type(page.getByLabelText('Name or model'), 'Tall one')
  await hands.type(page.getByRole('combobox', { name: 'Kind' }), 'sta{Escape}')
  expect(onClose).not.toHaveBeenCalled()
  expect(page.getByLabelText<HTMLInputElement>('Name or model').value).toBe('Tall one')
  expect(page.getByRole<HTMLInputElement>('combobox', { name: 'Kind' }).value).toBe('Camera body')
})
