// @vitest-environment jsdom
import { expect, it } from 'vitest'
import { show } from '../../foundation/component.fixture.tsx'
import { AblePage } from './able-page.tsx'

const thing = (part: object) => ({
  id: 'u1',
  kind: 'unit',
  tag: 'TEL-01',
  name: 'Old one',
  place: 'Cellar',
  free: null,
  usedBySetups: 0,
  absence: null,
  unsaid: [],
  ...part,
})
const STUDIO = { unitSystem: 'imperial', zone: 'Europe/London' }

it('[A02.1] asks what it has to do, in the measures of the studio, and names what could do it and where it is', async () => {
  const { hands, asked, page } = show(<AblePage />, {
    'GET /access/me': { role: 'manager' },
    'GET /studio': STUDIO,
    'GET /able': {
      able: [thing({}), thing({ id: 's1', kind: 'stock', tag: 'BOX-01', name: 'Boxes', free: 3 })],
      perhaps: [
        thing({ id: 'u2', tag: 'HOU-01', name: 'Tray', unsaid: ['how much it holds'] }),
        thing({ id: 'u3', tag: 'HOU-02', name: 'Tray', unsaid: ['how much it holds'] }),
      ],
    },
  })
  await hands.selectOptions(await page.findByLabelText('It'), 'holds')
  await hands.type(page.getByLabelText('At least'), '2 lb')
  await expect
    .poll(() => asked.some((it) => it.path.includes('holds%3A907') || it.path.includes('holds:907')))
    .toBe(true)
  expect((await page.findByText('TEL-01')).closest('a')?.getAttribute('href')).toBe('/kit/u1')
  expect(page.getByText('BOX-01').closest('a')?.getAttribute('href')).toBe('/kit/stock/s1')
  expect(page.getByText('3 free', { exact: false })).toBeTruthy()
  // What is alike stands once, with both tags.
  expect(page.getAllByText('Nobody wrote down how much it holds.')).toHaveLength(1)
})

it('[A02.1] what is to be bought says why what is here will not do, and what was typed stays where that is refused', async () => {
  const { hands, asked, page } = show(<AblePage />, {
    'GET /access/me': { role: 'manager' },
    'GET /studio': STUDIO,
    'GET /able': { able: [thing({})], perhaps: [] },
    'POST /shopping': {
      problem: {
        status: 422,
        detail: 'TEL-01 could do it.',
        errors: [{ pointer: '/noneBecause', message: 'TEL-01 could do it. Take it from there.' }],
      },
    },
  })
  const put = await page.findByRole('button', { name: 'Put it on the shopping list' })
  await hands.type(page.getByLabelText('What'), 'A screen')
  expect(put.hasAttribute('disabled')).toBe(true)
  expect(page.getByText('Say above what it has to do, or that it is used up.')).toBeTruthy()
  await hands.selectOptions(page.getByLabelText('It'), 'picture-in')
  await page.findByLabelText('Why it will not do')
  await hands.click(put)
  expect(await page.findByText('TEL-01 could do it. Take it from there.')).toBeTruthy()
  expect((page.getByLabelText('What') as HTMLInputElement).value).toBe('A screen')
  expect(asked.find((it) => it.method === 'POST')?.body).toMatchObject({
    wants: [{ code: 'picture-in', least: 0 }],
    noneBecause: '',
  })
})
