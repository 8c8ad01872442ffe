// @vitest-environment jsdom
import type { Role } from '@exemplar/core'
import { screen } from '@testing-library/react'
import { expect, it, vi } from 'vitest'
import { show } from '../../foundation/component.fixture.tsx'
import { SetCamera } from './set-camera.tsx'

const ROLE: Role = {
  id: 'r1',
  group: 'camera',
  name: 'A camera',
  importance: 'essential',
  wants: 'camera',
  detail: '',
  intentionallyEmpty: false,
  settings: [
    { name: 'White balance', value: 'Auto' },
    { name: 'Picture style', value: 'flat' },
  ],
  things: [],
}

it('what is on the card in words stays and holds nothing back; figures are written beside it', async () => {
  const onSave = vi.fn()
  const { hands } = show(<SetCamera role={ROLE} onSave={onSave} />)
  expect(screen.getByLabelText('White balance')).toHaveProperty('value', 'Auto')
  await hands.type(screen.getByLabelText('Aperture'), '2.8')
  await hands.click(screen.getByRole('button', { name: 'Save' }))
  expect(onSave.mock.calls[0]?.[0].settings).toEqual([...(ROLE.settings ?? []), { name: 'Aperture', value: 'f/2.8' }])
})

it('what cannot be read is said at its field, and the card keeps what it had', async () => {
  const onSave = vi.fn()
  const { hands } = show(<SetCamera role={ROLE} onSave={onSave} />)
  await hands.type(screen.getByLabelText('ISO'), 'high')
  expect(screen.getByText('Write it as 800.')).toBeDefined()
  expect(screen.getByLabelText('ISO').getAttribute('data-unread')).toBe('true')
})
