// @vitest-environment jsdom
import type { FilmStanding } from '@exemplar/core'
import { expect, it } from 'vitest'
import { show } from '../../foundation/component.fixture.tsx'
import { ArchivePage } from './archive-page.tsx'

const film = (standing: FilmStanding, states: string[]) => ({
  id: 'f1',
  title: 'Ferns, a year',
  on: '2026-11-01',
  setupId: null,
  version: 1,
  standing,
  copies: states.map((state, at) => ({ unitId: `d${at}`, tag: `DRV-0${at + 1}`, folder: '/ferns', state })),
})

it.each<[FilmStanding, string[], RegExp | null]>([
  ['unknown', [], /nobody knows where/],
  ['gone', ['Lost'], /no copy is left/],
  ['away', ['Lent'], /no copy is here/],
  ['one', ['In service', 'Lost'], /on one drive only/],
  ['safe', ['In service', 'Standby'], null],
])('[M9] a film that lies %s on drives that are %j says so', async (standing, states, said) => {
  const { page } = show(<ArchivePage />, { 'GET /films': [film(standing, states)] })
  await page.findByText('Ferns, a year')
  const row = page.getByRole('listitem')
  if (said) expect(row.textContent).toMatch(said)
  else expect(row.textContent).not.toMatch(/copy|one drive|nobody/)
  // What is not simply there is said beside its drive.
  expect(/lost|lent/.test(row.textContent ?? '')).toBe(states.some((it) => it !== 'In service' && it !== 'Standby'))
})
