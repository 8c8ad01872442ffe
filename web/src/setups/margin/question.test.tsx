// @vitest-environment jsdom
import { expect, it } from 'vitest'
import { show } from '../../foundation/component.fixture.tsx'
import { Question } from './question.tsx'

const SETUP = { id: 's1', models: [{ id: 'm1', name: 'Heron One', version: 4 }] }
const MOUNTS = [
  { code: 'mount-larch', label: 'Larch mount', kind: 'mount' },
  { code: 'filter-52', label: '52 mm filter thread', kind: 'mount' },
  { code: 'micro-sd', label: 'microSD card', kind: 'card' },
]
const ANSWERED = { written: { id: 'm1', version: 5 }, changeId: 9 }
const open = (fact: 'mount' | 'mass' | 'card-speed', interfaces: unknown = MOUNTS, answer: unknown = ANSWERED) =>
  show(<Question setupId="s1" modelId="m1" fact={fact} />, {
    'GET /setups/s1': SETUP,
    'GET /interfaces': interfaces,
    'POST /models/m1/facts': answer,
  })

it('offers what can be a mount, and writes down what is chosen', async () => {
  const { hands, asked, page } = open('mount')
  const list = await page.findByLabelText('Which lens mount does it have?')
  expect(Array.from(list.querySelectorAll('option'), (it) => it.textContent)).toEqual([
    'Choose',
    'Larch mount',
    'Another one',
  ])
  await hands.selectOptions(list, 'Larch mount')
  await hands.click(page.getByRole('button', { name: 'Write down' }))
  await expect
    .poll(() => asked.find((it) => it.method === 'POST')?.body)
    .toEqual({ fact: 'mount', answer: { kind: 'interface', code: 'mount-larch' } })
})

it('makes the first mount of a studio that has none, and takes "none" for an answer', async () => {
  const { hands, asked, page } = open('mount', [])
  await hands.type(await page.findByLabelText('Which lens mount does it have?'), 'Heron bayonet{Enter}')
  await expect
    .poll(() => asked.find((it) => it.method === 'POST')?.body)
    .toEqual({ fact: 'mount', answer: { kind: 'new-interface', label: 'Heron bayonet' } })
  await hands.click(page.getByRole('button', { name: 'Its lens is built in' }))
  await expect
    .poll(() => asked.filter((it) => it.method === 'POST').at(-1)?.body)
    .toMatchObject({ answer: { kind: 'none' } })
})

it('reads a mass as people write it, says what it cannot read, and sends nothing then', async () => {
  const { hands, asked, page } = open('mass')
  const field = await page.findByLabelText('What does it weigh?')
  await hands.type(field, 'heavy{Enter}')
  expect(page.getByText('Write it as 1.2 kg or 2 lb 10 oz.')).toBeTruthy()
  expect(asked.some((it) => it.method === 'POST')).toBe(false)
  await hands.clear(field)
  await hands.type(field, '1,4 kg{Enter}')
  await expect
    .poll(() => asked.find((it) => it.method === 'POST')?.body)
    .toEqual({ fact: 'mass', answer: { kind: 'figure', value: 1_400 } })
})

it('shows what the server refuses where it was typed', async () => {
  const { hands, page } = open('card-speed', MOUNTS, { problem: { status: 422, detail: 'This does not answer it.' } })
  await hands.type(await page.findByLabelText('How fast does it write, at least?'), 'V30{Enter}')
  expect(await page.findByText('This does not answer it.')).toBeTruthy()
})
