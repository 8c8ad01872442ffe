// @vitest-environment jsdom
import { DEFAULT_SETTINGS } from '@exemplar/core'
import { expect, it, vi } from 'vitest'
import { show } from '../../foundation/component.fixture.tsx'
import { SettingsPage } from './settings-page.tsx'

function showSettings() {
  const studio = { ...DEFAULT_SETTINGS, version: 3, now: 0 }
  const shown = show(<SettingsPage />, { 'GET /studio': studio, 'PUT /studio': { ...studio, version: 4 } })
  const sent = () => shown.asked.find((it) => it.method === 'PUT')?.body as typeof DEFAULT_SETTINGS | undefined
  return { ...shown, sent }
}

it('a country brings its sockets, voltage, currency, zone and measures, and each can be changed before it is saved', async () => {
  const { hands, page, sent } = showSettings()
  await hands.selectOptions(await page.findByLabelText('Country'), 'United States')
  expect(page.getByLabelText<HTMLInputElement>('Currency').value).toBe('USD')
  expect(page.getByLabelText<HTMLInputElement>('Volts of a socket').value).toBe('120')
  expect(page.getByLabelText<HTMLSelectElement>('Hertz').value).toBe('60')
  await hands.selectOptions(page.getByLabelText('Measures'), 'Metres and kilograms')
  await hands.click(page.getByRole('button', { name: 'Save the settings' }))
  await vi.waitFor(() => expect(sent()).toBeDefined())
  expect(sent()).toMatchObject({
    country: 'US',
    plugSystem: 'american',
    currency: 'USD',
    zone: 'America/New_York',
    mainsVolts: 120,
    mainsHertz: 60,
    unitSystem: 'metric',
  })
})

it('a studio may keep its currency and mix its sockets', async () => {
  const { hands, page, sent } = showSettings()
  await hands.selectOptions(await page.findByLabelText('Sockets of the house'), 'Swiss, three round pins')
  await hands.click(page.getByRole('button', { name: 'Save the settings' }))
  await vi.waitFor(() => expect(sent()).toBeDefined())
  expect(sent()).toMatchObject({ country: 'GB', plugSystem: 'swiss', currency: 'GBP', mainsVolts: 230 })
})

it('what is no number is said at its field, and nothing is sent', async () => {
  const { hands, page, asked } = showSettings()
  const volts = await page.findByLabelText('Volts of a socket')
  await hands.clear(volts)
  await hands.type(volts, '9')
  await hands.click(page.getByRole('button', { name: 'Save the settings' }))
  expect(volts.getAttribute('aria-invalid')).toBe('true')
  expect(asked.some((it) => it.method === 'PUT')).toBe(false)
})
