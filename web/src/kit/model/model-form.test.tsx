// @vitest-environment jsdom
import { type Model, makeModelFromTemplate, markUsual, STANDARD_INTERFACES } from '@exemplar/core'
import { expect, it, vi } from 'vitest'
import { show } from '../../foundation/component.fixture.tsx'
import { ModelForm } from './model-form.tsx'

const STUDIO = { name: 'Larkmoor', currency: 'USD', zone: 'America/New_York', now: 0, plugSystem: 'american' }
const STAND: Model = {
  ...makeModelFromTemplate(
    'stand',
    'Brindle',
    'Tall',
    { loadGrams: 8_001, massGrams: 1_237 },
    { more: { heightMaxMm: 2_613 } },
  ),
  id: 'm1',
  version: 4,
}

function showForm(model: Model = STAND, unitSystem: 'metric' | 'imperial' = 'imperial') {
  const onClose = vi.fn()
  const shown = show(<ModelForm model={model} onClose={onClose} />, {
    'GET /studio': { ...STUDIO, unitSystem },
    'GET /interfaces': STANDARD_INTERFACES,
    'GET /models': [],
    'PUT /models/m1': { ...model, version: 5 },
  })
  const sent = () => shown.asked.find((it) => it.method === 'PUT')?.body as Model | undefined
  return { ...shown, onClose, sent }
}

it('what nobody touched is sent as it is recorded, to the gram, whatever it is rounded to on screen', async () => {
  const { hands, page, sent } = showForm()
  await hands.type(await page.findByLabelText('Maker'), 's')
  await hands.click(page.getByRole('button', { name: 'Save' }))
  await vi.waitFor(() => expect(sent()).toBeDefined())
  const { id: _, version: __, ...rest } = STAND
  expect(sent()).toEqual({ ...rest, maker: 'Brindles' })
})

it('asks in the words of entry, and changes what follows from the answer', async () => {
  const { hands, page, sent } = showForm()
  const bears = await page.findByLabelText('Bears')
  await hands.clear(bears)
  await hands.type(bears, '22 lb')
  await hands.click(page.getByRole('button', { name: 'Save' }))
  await vi.waitFor(() => expect(sent()).toBeDefined())
  expect(sent()?.ports[0]?.rating).toEqual({ quantity: 'loadGrams', value: 9_979 })
  expect(sent()?.specs).toEqual(STAND.specs)
})

it('a figure without its unit is asked about in an imperial studio, and nothing is sent', async () => {
  const { hands, page, asked } = showForm()
  const mass = await page.findByLabelText('Mass')
  await hands.clear(mass)
  await hands.type(mass, '12')
  await hands.click(page.getByRole('button', { name: 'Save' }))
  expect(page.getByText(/Write it like 18 lb or 12 oz/)).toBeTruthy()
  expect(asked.some((it) => it.method === 'PUT')).toBe(false)
})

it('what was only usual is recorded once somebody tells it', async () => {
  const { hands, page, sent } = showForm({ ...STAND, ...markUsual(STAND, ['loadGrams', 'massGrams']) }, 'metric')
  const bears = await page.findByLabelText('Bears')
  await hands.clear(bears)
  await hands.type(bears, '5 kg')
  await hands.click(page.getByRole('button', { name: 'Save' }))
  await vi.waitFor(() => expect(sent()).toBeDefined())
  expect(sent()?.specs.usual).toEqual(['massGrams'])
})

it('an end is a sentence, and its side is told by what it is', async () => {
  const { hands, page, sent } = showForm(STAND, 'metric')
  await page.findByText('Ends, ways to power it and ways to record')
  expect(await page.findByText(/16 mm spigot, for a receiver, good for 8 kg/)).toBeTruthy()
  await hands.click(page.getByRole('button', { name: 'Change carries', hidden: true }))
  await hands.selectOptions(page.getByLabelText('It has the'), '16 mm spigot receiver, for a spigot')
  await hands.click(page.getByRole('button', { name: 'Save' }))
  await vi.waitFor(() => expect(sent()?.ports[0]?.side).toBe('guest'))
})
