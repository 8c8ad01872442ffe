// @vitest-environment jsdom
import { STANDARD_INTERFACES } from '@exemplar/core'
import { expect, it, vi } from 'vitest'
import { show } from '../../foundation/component.fixture.tsx'
import { useRefuseUnread } from '../../foundation/form/refuse-unread.ts'
import { PlaceForm } from './place-form.tsx'

Element.prototype.scrollIntoView ??= () => {}

function Held() {
  useRefuseUnread()
  return <PlaceForm place={null} onClose={vi.fn()} />
}

function showForm() {
  const shown = show(<Held />, {
    'GET /interfaces': STANDARD_INTERFACES,
    'GET /places': [],
    'POST /places': { id: 'p1', version: 1 },
  })
  const sent = () => shown.asked.find((it) => it.method === 'POST')?.body
  return { ...shown, sent }
}

it('[E12] amperes with a comma are amperes, and of no circuit are they nothing', async () => {
  const { hands, page, sent } = showForm()
  await hands.type(page.getByLabelText('Name'), 'Barn')
  await hands.click(page.getByRole('button', { name: 'Add a circuit' }))
  const amps = page.getByLabelText<HTMLInputElement>('Amperes')
  await hands.clear(amps)
  await hands.click(page.getByRole('button', { name: 'Save' }))
  expect(page.getByText('Write a number from 0.5 to 400.')).toBeTruthy()
  expect(sent()).toBeUndefined()
  await hands.type(amps, '13,5')
  await hands.click(page.getByRole('button', { name: 'Save' }))
  await vi.waitFor(() => expect(sent()).toMatchObject({ name: 'Barn', circuits: [{ amps: 13.5, volts: 230 }] }))
})

it('[E2] a bearing that cannot be read is no window to the north, and a door has a width', async () => {
  const { hands, page, sent } = showForm()
  await hands.type(page.getByLabelText('Name'), 'Barn')
  await hands.click(page.getByText('Doors, windows, sockets, bars, fixtures, access'))
  await hands.click(page.getByRole('button', { name: 'Add a window' }))
  const bearing = page.getByLabelText<HTMLInputElement>('Looks to, degrees')
  await hands.clear(bearing)
  await hands.type(bearing, 'south')
  await hands.click(page.getByRole('button', { name: 'Save' }))
  expect(sent()).toBeUndefined()
  expect(bearing.value).toBe('south')
  await hands.clear(bearing)
  await hands.type(bearing, '180')
  const [width] = page.getAllByLabelText<HTMLInputElement>('Width')
  if (!width) throw new Error('A window has no width.')
  await hands.clear(width)
  await hands.click(page.getByRole('button', { name: 'Save' }))
  expect(sent()).toBeUndefined()
  await hands.type(width, '90 cm')
  await hands.click(page.getByRole('button', { name: 'Save' }))
  await vi.waitFor(() =>
    expect(sent()).toMatchObject({ details: { windows: [{ bearingDegrees: 180, widthMm: 900 }] } }),
  )
})
