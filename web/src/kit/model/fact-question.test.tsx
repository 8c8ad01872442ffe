// @vitest-environment jsdom
import { expect, it } from 'vitest'
import { show } from '../../foundation/component.fixture.tsx'
import { FactQuestion } from './fact-question.tsx'

const MODEL = { id: 'm1', name: 'Heron One', version: 4 }
const MOUNTS = [
  { code: 'mount-larch', label: 'Larch mount', kind: 'mount' },
  { code: 'filter-52', label: '52 mm filter thread', kind: 'mount' },
  { code: 'micro-sd', label: 'microSD card', kind: 'card' },
]
const ANSWERED = { written: { id: 'm1', version: 5 }, changeId: 9 }
const open = (fact: 'mount' | 'mass' | 'card-speed', interfaces: unknown = MOUNTS, answer: unknown = ANSWERED) =>
  show(<FactQuestion model={MODEL} fact={fact} />, {
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

it.each([
  ['amps', 'How many amperes is it good for?', '10 A', 10_000],
  ['volts', 'How many volts has it?', '14,4 V', 14_400],
  ['card-speed', 'How fast does it write, at least?', 'V30', 30],
] as const)('reads %s with its unit or without', async (fact, label, typed, value) => {
  const { hands, asked, page } = show(<FactQuestion model={MODEL} fact={fact} />, {
    'POST /models/m1/facts': ANSWERED,
  })
  await hands.type(await page.findByLabelText(label), `${typed}{Enter}`)
  await expect
    .poll(() => asked.find((it) => it.method === 'POST')?.body)
    .toEqual({ fact, answer: { kind: 'figure', value } })
})

it('gives examples in the units of the studio, and in no others', async () => {
  const { page } = show(<FactQuestion model={MODEL} fact="load-limit" />, {
    'GET /studio': { unitSystem: 'imperial' },
  })
  expect(await page.findByText('18 lb or 12 oz')).toBeTruthy()
  expect(page.queryByText(/kg/)).toBeNull()
})

it('reads a mass as people write it, says what it cannot read, and sends nothing then', async () => {
  const { hands, asked, page } = open('mass')
  const field = await page.findByLabelText('What does it weigh?')
  await hands.type(field, 'heavy{Enter}')
  expect(page.getByText('Write it as 8 kg or 750 g.')).toBeTruthy()
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
