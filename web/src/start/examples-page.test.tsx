// @vitest-environment jsdom
import { EXAMPLE_STUDIOS } from '@exemplar/core'
import { within } from '@testing-library/react'
import { expect, it } from 'vitest'
import { show } from '../foundation/component.fixture.tsx'
import { ExamplesPage } from './examples-page.tsx'

const ROOM = { id: 'p1', name: 'Glasshouse', kind: 'room' }
const ME = { person: null, role: 'manager', may: ['change-settings'] }

it('shows each with what it takes, and starts from one in a room that is here', async () => {
  const { hands, page, asked } = show(<ExamplesPage />, {
    'GET /places': [ROOM, { id: 'p2', name: 'Shelf', kind: 'shelf' }],
    'GET /access/me': ME,
    'POST /examples/phone-only': { written: { setupId: 's9', things: 7 }, changeId: 12 },
  })
  expect(page.getAllByRole('button', { name: /^Look at / })).toHaveLength(EXAMPLE_STUDIOS.length)
  await hands.click(page.getByRole('button', { name: 'Look at Phone only' }))
  const sheet = within(await page.findByRole('dialog'))
  expect(sheet.getByText('Lark phone, Clamp for a phone, Tripod with head')).toBeTruthy()
  const where = await sheet.findByLabelText('Where does it stand?')
  expect(Array.from(where.querySelectorAll('option'), (it) => it.textContent)).toEqual([
    'In a room of its own, made for it',
    'Glasshouse',
  ])
  await hands.selectOptions(where, 'Glasshouse')
  await hands.click(sheet.getByRole('button', { name: 'Start from this' }))
  expect(asked.find((it) => it.method === 'POST')).toMatchObject({
    path: '/examples/phone-only',
    body: { placeId: 'p1' },
  })
})

it('says what the server refuses, and keeps the choice', async () => {
  const { hands, page } = show(<ExamplesPage />, {
    'GET /places': [ROOM],
    'GET /access/me': ME,
    'POST /examples/phone-only': { problem: { status: 422, detail: 'There is no such room.' } },
  })
  await hands.click(page.getByRole('button', { name: 'Look at Phone only' }))
  await hands.click(await page.findByRole('button', { name: 'Start from this' }))
  expect(await page.findByText('There is no such room.')).toBeTruthy()
})
