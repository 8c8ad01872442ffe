// @vitest-environment jsdom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { show } from '../foundation/component.fixture.tsx'
import { FirstHourPage } from './first-hour-page.tsx'

beforeEach(() => {
  vi.stubGlobal('scrollTo', () => {})
})
afterEach(() => sessionStorage.clear())

const EMPTY_SETUP = { id: 's1', version: 1, code: 'TH', name: 'Talking head', tape: 'fern', roles: [], links: [] }

function showPage(answers: Record<string, unknown> = {}, units = 0) {
  return show(<FirstHourPage />, {
    'GET /units/count': { units, models: units },
    'POST /first-hour': { setupIds: ['s1'], things: 3 },
    'GET /setups/s1': { ...EMPTY_SETUP, units: [], stock: [], models: [] },
    'GET /setups/s1/choose': { choices: [], left: [], remedies: [] },
    'GET /setups/s1/connect': { status: 'nothing-open', taken: [], open: [], remedies: [] },
    'PUT /setups/s1': EMPTY_SETUP,
    ...answers,
  })
}

type Shown = ReturnType<typeof showPage>
const next = (page: Shown['page'], name: RegExp) => page.findByRole('button', { name })

describe('the three questions', () => {
  it('asks for what is missing at each step, and goes on when it is told', async () => {
    const { hands, page } = showPage()
    await hands.click(await next(page, /your room/))
    expect(page.getByRole('alert').textContent).toBe('Choose at least one.')
    await hands.click(page.getByLabelText(/One person talks to camera/))
    await hands.click(await next(page, /your room/))
    expect(page.getByRole('heading', { name: 'Where do you film?' })).toBeTruthy()
    await hands.clear(page.getByLabelText('The room in which you film'))
    await hands.click(await next(page, /your things/))
    expect(page.getByText('Give it a name.')).toBeTruthy()
    expect(page.getByRole('heading', { name: 'Where do you film?' })).toBeTruthy()
    await hands.type(page.getByLabelText('The room in which you film'), 'Loft')
    await hands.click(await next(page, /your things/))
    await hands.click(await next(page, /See what can run/))
    expect(page.getByRole('alert').textContent).toMatch(/at least one thing/)
  })

  it('sends the answers in one go, and fills the setups that came of it', async () => {
    const { hands, page, asked } = showPage()
    await hands.click(page.getByLabelText(/One person talks to camera/))
    await hands.click(await next(page, /your room/))
    await hands.type(page.getByRole('combobox', { name: 'Country' }), 'Japan{Enter}')
    expect(page.getByText(/100 V, JPY/)).toBeTruthy()
    await hands.click(await next(page, /your things/))
    await hands.click(page.getByRole('button', { name: 'One Smartphone more' }))
    await hands.click(page.getByRole('button', { name: 'One Smartphone more' }))
    await hands.click(page.getByRole('button', { name: 'One Smartphone less' }))
    await hands.click(page.getByRole('button', { name: /^Light/ }))
    await hands.click(page.getByRole('button', { name: 'One LED panel on mains more' }))
    await hands.click(await next(page, /See what can run/))
    await vi.waitFor(() => expect(asked.some((it) => it.path === '/setups/s1/connect')).toBe(true))
    expect(asked.find((it) => it.path === '/first-hour')?.body).toEqual({
      purposes: ['talking-head'],
      country: 'JP',
      room: { name: 'Studio', size: null },
      things: [
        { starter: 'Smartphone', count: 1 },
        { starter: 'LED panel on mains', count: 1 },
      ],
    })
  })

  it('keeps what was answered when the page is loaded again', async () => {
    const first = showPage()
    await first.hands.click(first.page.getByLabelText(/Two people talk/))
    await vi.waitFor(() => expect(first.asked.some((it) => it.path.startsWith('/units/count'))).toBe(true))
    first.unmount()
    const again = showPage()
    expect(again.page.getByLabelText<HTMLInputElement>(/Two people talk/).checked).toBe(true)
  })

  it('says what could not be written, and keeps the answers', async () => {
    const { hands, page } = showPage({
      'POST /first-hour': { problem: { status: 422, detail: 'There is no such room.' } },
    })
    await hands.click(page.getByLabelText(/Voice only/))
    await hands.click(await next(page, /your room/))
    await hands.click(await next(page, /your things/))
    await hands.click(page.getByRole('button', { name: 'One Smartphone more' }))
    await hands.click(await next(page, /See what can run/))
    expect(await page.findByText('There is no such room.')).toBeTruthy()
    expect(page.getByRole('button', { name: /^Camera\s*1/ })).toBeTruthy()
  })

  it('asks no country where things are recorded already, and says that it comes beside them', async () => {
    const { hands, page } = showPage({}, 88)
    expect(await page.findByText(/There are 88 things here already/)).toBeTruthy()
    await hands.click(page.getByLabelText(/Voice only/))
    await hands.click(await next(page, /your room/))
    expect(page.queryByRole('combobox', { name: 'Country' })).toBeNull()
  })

  it('finds a thing by its name in whichever group it is', async () => {
    const { hands, page } = showPage()
    await hands.click(page.getByLabelText(/Voice only/))
    await hands.click(await next(page, /your room/))
    await hands.click(await next(page, /your things/))
    await hands.type(page.getByLabelText('Find by name'), 'gaffer')
    expect(page.getByRole('button', { name: 'One Gaffer tape, 50 mm more' })).toBeTruthy()
    expect(page.queryByRole('button', { name: 'One Smartphone more' })).toBeNull()
    await hands.type(page.getByLabelText('Find by name'), ' submarine')
    expect(page.getByText(/Nothing of that name is among the common things/)).toBeTruthy()
  })
})
