// @vitest-environment jsdom
import { type Model, makeModelFromTemplate, markUsual, STANDARD_INTERFACES } from '@exemplar/core'
import { expect, it } from 'vitest'
import { show } from '../../foundation/component.fixture.tsx'
import { ModelFigures } from './model-figures.tsx'

const asModel = (model: ReturnType<typeof makeModelFromTemplate>): Model => ({ ...model, id: 'm1', version: 1 })

function showFigures(model: Model, unitSystem: 'metric' | 'imperial' = 'metric') {
  return show(<ModelFigures model={model} />, {
    'GET /studio': { name: 'Larkmoor', currency: 'GBP', zone: 'Europe/London', now: 0, unitSystem },
    'GET /interfaces': STANDARD_INTERFACES,
  })
}

const TABLE = asModel(
  makeModelFromTemplate('table', '', 'Bench', { widthMinMm: 1_400, depthMm: 700, loadGrams: 40_000 }),
)

it('shows what was told and has no place yet, and names what was not told', async () => {
  const { page } = showFigures(TABLE)
  expect((await page.findByText('Width, at its narrowest')).nextSibling?.textContent).toBe('1.4 m')
  expect(page.getByText('Bears').nextSibling?.textContent).toBe('40 kg')
  expect(page.getByText(/^Not recorded: /).textContent).toBe('Not recorded: width, at its widest, height, mass.')
})

it('speaks the measures of the studio', async () => {
  const { page } = showFigures(TABLE, 'imperial')
  expect((await page.findByText('4′ 7″')).previousSibling?.textContent).toBe('Width, at its narrowest')
  expect(page.getByText('Bears').nextSibling?.textContent).toBe('88.18 lb')
})

it('tells what is only usual, and each way of powering that draws otherwise', async () => {
  const both = makeModelFromTemplate('panel', '', 'Panel', {
    inlet: 'iec-c7',
    battery: 'cell-aa',
    milliwatts: 60_000,
    massGrams: 900,
  })
  const [mains, cells] = both.powerModes
  const powerModes = [mains, { ...cells, milliwatts: null }] as Model['powerModes']
  const { page } = showFigures({ ...asModel(markUsual(both, ['massGrams'])), powerModes })
  expect((await page.findByText('Mass')).nextSibling?.textContent).toBe('900 g, as is usual')
  expect(page.getByText('Draws, mains lead').nextSibling?.textContent).toBe('60 W')
  expect(page.getByText('Draws, one cell').nextSibling?.textContent).toBe('not recorded')
  expect(page.queryByText('Draws')).toBeNull()
})

it('asks nothing that was answered by “it has none”', async () => {
  const body = makeModelFromTemplate('camera', '', 'Body', { massGrams: 700, videoOut: 'none' })
  const model = {
    ...asModel(body),
    specs: { ...body.specs, none: ['mount', 'medium', 'power'] as Model['specs']['none'] },
  }
  const { page } = showFigures(model)
  const open = (await page.findByText(/^Not recorded: /)).textContent ?? ''
  for (const word of ['lens mount', 'card,', 'battery', 'inlet', 'picture comes out']) expect(open).not.toContain(word)
  expect(page.getByText('Picture comes out at').nextSibling?.textContent).toBe('none')
})
