// @vitest-environment jsdom
import { STANDARD_INTERFACES } from '@exemplar/core'
import { expect, it, vi } from 'vitest'
import { show } from '../../foundation/component.fixture.tsx'
import { useRefuseUnread } from '../../foundation/form/refuse-unread.ts'
import { BundlePage } from './bundle-page.tsx'

Element.prototype.scrollIntoView ??= () => {}

function Held() {
  useRefuseUnread()
  return <BundlePage />
}

function showPage(answer: unknown = { tags: ['LGT-01', 'LGT-02'], missing: [] }) {
  const shown = show(<Held />, {
    'GET /interfaces': STANDARD_INTERFACES,
    'GET /places': [],
    'POST /bundles': answer,
  })
  const sent = () => shown.asked.find((it) => it.method === 'POST')?.body as { parts: unknown[] } | undefined
  return { ...shown, sent }
}

async function fillHead({ hands, page }: ReturnType<typeof showPage>) {
  await hands.type(page.getByLabelText('What was bought'), 'Lamp kit')
  await hands.clear(page.getByLabelText('Price, net'))
  await hands.type(page.getByLabelText('Price, net'), '100.01')
  await hands.type(page.getByLabelText('On'), '2026-11-02')
  await hands.type(page.getByLabelText('Name of part 1'), 'Hundred')
}

it('a penny that does not divide makes two prices of one', async () => {
  const shown = showPage()
  await fillHead(shown)
  const many = shown.page.getByLabelText('How many of part 1')
  await shown.hands.clear(many)
  await shown.hands.type(many, '3')
  await shown.page.findByText('2 × £33.34, 1 × £33.33')
})

it('[E9] what is told of a part goes with it, and a part without a name is none', async () => {
  const shown = showPage()
  await fillHead(shown)
  await shown.hands.click(shown.page.getByText('What it is, where you know it'))
  await shown.hands.type(shown.page.getByLabelText('Mass'), '1.8 kg')
  await shown.hands.click(shown.page.getByRole('button', { name: 'Take it in' }))
  await vi.waitFor(() => expect(shown.sent()).toBeDefined())
  expect(shown.sent()?.parts).toMatchObject([{ category: 'light', name: 'Hundred', facts: { massGrams: 1_800 } }])
})

it('[E2] what cannot be read of a part, or how many of it, holds the form back at its field', async () => {
  const shown = showPage()
  const { hands, page } = shown
  await fillHead(shown)
  const many = page.getByLabelText<HTMLInputElement>('How many of part 1')
  await hands.clear(many)
  await hands.type(many, 'two')
  await hands.click(page.getByRole('button', { name: 'Take it in' }))
  expect(shown.sent()).toBeUndefined()
  expect(document.activeElement).toBe(many)
  expect(page.getByText('A whole number from 1 to 500.')).toBeTruthy()
  await hands.clear(many)
  await hands.type(many, '2')
  await hands.click(page.getByText('What it is, where you know it'))
  await hands.type(page.getByLabelText('Mass'), 'heavy')
  await hands.click(page.getByRole('button', { name: 'Take it in' }))
  expect(shown.sent()).toBeUndefined()
  expect(page.getByLabelText('Mass').getAttribute('aria-invalid')).toBe('true')
})

it('what the server says of one part stands at the field of that part', async () => {
  const detail = 'Hundred is here already, and recorded with 2 kg.'
  const errors = [{ pointer: '/parts/0/facts/massGrams', message: detail }]
  const shown = showPage({ problem: { status: 422, detail, errors } })
  await fillHead(shown)
  await shown.hands.click(shown.page.getByText('What it is, where you know it'))
  await shown.hands.type(shown.page.getByLabelText('Mass'), '1 kg')
  await shown.hands.click(shown.page.getByRole('button', { name: 'Take it in' }))
  await vi.waitFor(() => expect(shown.page.getByLabelText('Mass').getAttribute('aria-invalid')).toBe('true'))
  expect(shown.page.getByLabelText<HTMLInputElement>('Mass').value).toBe('1 kg')
  // Nobody has to look for it.
  expect(shown.page.getByText('What it is, where you know it').closest('details')?.open).toBe(true)
})
