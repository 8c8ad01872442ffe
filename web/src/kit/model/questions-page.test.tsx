// @vitest-environment jsdom
import { expect, it } from 'vitest'
import { show } from '../../foundation/component.fixture.tsx'
import { QuestionsPage } from './questions-page.tsx'

const ME = { role: 'manager' }

it('lists what nobody recorded by kind, and takes the answer where it stands', async () => {
  const { hands, asked, page } = show(<QuestionsPage />, {
    'GET /access/me': ME,
    'GET /models/questions': [
      { id: 'm1', version: 3, name: 'Slab', category: 'phone', fact: 'memory', things: 2 },
      { id: 'm2', version: 1, name: 'Brick', category: 'pack', fact: 'energy', things: 1 },
    ],
    'GET /interfaces': [],
    'POST /models/m1/facts': { written: { id: 'm1', version: 4 }, changeId: 9 },
  })
  expect(await page.findByText('2 of them')).toBeTruthy()
  expect(page.getAllByRole('region').map((it) => it.getAttribute('aria-label'))).toEqual(['Battery pack', 'Phone'])
  expect(page.getByText('2 things')).toBeTruthy()
  const field = await page.findByLabelText('How much memory of its own is free to record on?')
  await hands.type(field, '64 GB{Enter}')
  await expect
    .poll(() => asked.find((it) => it.method === 'POST')?.body)
    .toEqual({ fact: 'memory', answer: { kind: 'figure', value: 64_000 } })
})

it('shows the questions to who only looks, without a field', async () => {
  const { page } = show(<QuestionsPage />, {
    'GET /models/questions': [{ id: 'm2', version: 1, name: 'Brick', category: 'pack', fact: 'energy', things: 1 }],
  })
  expect(await page.findByText('How much does it hold?')).toBeTruthy()
  expect(page.queryByRole('textbox')).toBeNull()
})

it('says so where nothing is left to ask', async () => {
  const { page } = show(<QuestionsPage />, { 'GET /models/questions': [] })
  expect(await page.findByText(/Of everything in the kit is recorded/)).toBeTruthy()
})
