// @vitest-environment jsdom
import type { CableRun, PictureChange, Readiness } from '@exemplar/core'
import { within } from '@testing-library/react'
import { expect, it, vi } from 'vitest'
import { show } from '../../foundation/component.fixture.tsx'
import { CAMERA, NO_PICTURE, RIG } from './picture.fixture.ts'
import { SetupPicture } from './setup-picture.tsx'

const READINESS = {
  level: 'stop',
  counts: { stop: 1, 'unknown-stop': 0, warn: 0, unknown: 0, advise: 0, ok: 0 },
  findings: [],
  joints: RIG.groups.flatMap((it) => it.joints),
  workings: [],
  usual: [],
  follows: {},
} as unknown as Readiness
const STATED: CableRun = {
  from: { unitId: 'LGT-01', portId: 'foot' },
  via: [],
  to: { unitId: 'STD-01', portId: 'top' },
  neededMm: null,
}
const ANSWERS = {
  'GET /setups/s1/pictures': { rig: RIG, signals: NO_PICTURE, power: { ...NO_PICTURE, kind: 'power' } },
  'GET /setups/s1/joints?key=CAM-01': CAMERA,
  'GET /interfaces': [],
}
const run = (guest: string, host: string): CableRun => ({
  from: { unitId: guest, portId: 'foot' },
  via: [],
  to: { unitId: host, portId: 'top' },
  neededMm: null,
})

function open(onJoin: ((links: CableRun[], told: string) => void) | null, answers: object = {}) {
  return show(
    <SetupPicture
      kind="rig"
      setupId="s1"
      bookingId={undefined}
      next={null}
      readiness={READINESS}
      isBeside
      links={[STATED]}
      onJoin={onJoin}
    />,
    { ...ANSWERS, ...answers },
  )
}

it('is a nested list for who does not see the lines: what carries, what is on it, with figures and standing', async () => {
  const { page } = open(null)
  const floor = await page.findByRole('region', { name: 'Floor' })
  const [tripod, stand] = within(floor)
    .getAllByRole('listitem')
    .filter((it) => it.parentElement?.parentElement === floor)
  expect(
    tripod && within(tripod).getByRole('button', { name: /TRI-01.*4\.9 kg of 4 kg: 0\.9 kg too much|900 g too much/ }),
  ).toBeTruthy()
  expect(tripod && within(tripod).getByRole('button', { name: /^CAM-01.*assumed$/ })).toBeTruthy()
  expect(stand && within(stand).getByRole('button', { name: /^LGT-01.*as stated$/ })).toBeTruthy()
  expect(page.getByRole('region', { name: 'Joined to nothing' })).toBeTruthy()
  expect(page.getByText('What stands on what. Dashed is assumed: 1 of 2.')).toBeTruthy()
  // Who only looks is offered nothing to change.
  expect(page.queryByRole('button', { name: /Accept/ })).toBeNull()
})

it('accepts all that is assumed in one step, beside what was stated', async () => {
  const onJoin = vi.fn()
  const { hands, page } = open(onJoin)
  await hands.click(await page.findByRole('button', { name: 'Accept it' }))
  expect(onJoin).toHaveBeenCalledExactlyOnceWith([STATED, run('CAM-01', 'TRI-01')], 'The joint is as stated now.')
})

it('opens a thing by its push: accepts, puts elsewhere by typing, and says why the rest could not', async () => {
  const onJoin = vi.fn()
  const { hands, page } = open(onJoin)
  await hands.click(await page.findByRole('button', { name: /^CAM-01/ }))
  const sheet = within(await page.findByRole('dialog'))
  expect(await sheet.findByText('A camera goes on its tripod.')).toBeTruthy()
  expect(sheet.getByText('STD-01 takes none of what CAM-01 has.')).toBeTruthy()
  // The end of another picture is not asked about here.
  expect(sheet.getAllByRole('heading', { level: 3 }).map((it) => it.textContent)).toEqual([
    '1/4-20 thread hole, for a screw',
  ])
  await hands.click(sheet.getByRole('button', { name: 'CAM-01 and TRI-01: that is so' }))
  expect(onJoin.mock.calls[0]).toEqual([[STATED, run('CAM-01', 'TRI-01')], 'CAM-01 and TRI-01: as stated now.'])
  await hands.click(sheet.getByRole('button', { name: 'Put something else than TRI-01 there' }))
  await hands.type(sheet.getByRole('combobox', { name: 'Instead of TRI-01' }), 'STD-02')
  await hands.click(
    await sheet.findByRole('option', { name: /STD-02 thing \(LGT-02 is there now, bears less than that\)/ }),
  )
  expect(onJoin.mock.calls[1]).toEqual([[STATED, run('CAM-01', 'STD-02')], 'CAM-01 is on STD-02.'])
})

it('says of what is not there why it joins nothing, and asks the server nothing about it', async () => {
  const { hands, page, asked } = open(vi.fn())
  await hands.click(await page.findByRole('button', { name: /^TRI-09/ }))
  const sheet = within(await page.findByRole('dialog'))
  expect(sheet.getByText(/^It is not there on this occasion/)).toBeTruthy()
  expect(sheet.queryByRole('button', { name: /Try again/ })).toBeNull()
  expect(asked.some((it) => it.path.includes('/joints'))).toBe(false)
})

it('says what is otherwise in another setup, and marks it', async () => {
  const change: PictureChange = {
    added: [{ key: 'STD-02', tag: 'STD-02' }],
    gone: [{ key: 'TRI-09', tag: 'TRI-09' }],
    moved: [{ key: 'CAM-01', tag: 'CAM-01', from: ['TRI-09'], to: ['TRI-01'] }],
  }
  const { hands, page } = open(null, {
    'GET /setup-names': [
      { id: 's1', code: 'AA', name: 'Own' },
      { id: 's2', code: 'BB', name: 'Other' },
    ],
    'GET /setups/s1/picture-changes?otherId=s2': { rig: change, signals: change, power: change },
  })
  await hands.click(await page.findByRole('button', { name: 'Compare' }))
  await hands.selectOptions(page.getByLabelText('Compared with'), await page.findByRole('option', { name: 'BB Other' }))
  expect(await page.findByText('New: STD-02. Moved: CAM-01. Not here: TRI-09.')).toBeTruthy()
  expect(page.getByRole('button', { name: /^CAM-01.*moved, was on TRI-09$/ })).toBeTruthy()
  expect(page.queryByRole('option', { name: 'AA Own' })).toBeNull()
})

it('tells what it lacks where nothing is in the setup, and goes on trying where the server does not answer', async () => {
  const { page } = open(null, {
    'GET /setups/s1/pictures': { rig: { ...NO_PICTURE, kind: 'rig' }, signals: NO_PICTURE, power: NO_PICTURE },
  })
  expect(await page.findByText('Nothing to see here yet')).toBeTruthy()
  expect(page.getByText('What stands on what. Nothing is joined here.')).toBeTruthy()
})

it('shows the reason where the server refuses, with a way on', async () => {
  const { page } = open(null, { 'GET /setups/s1/pictures': { problem: { status: 500, detail: 'Something broke.' } } })
  expect(await page.findByText('Something broke.')).toBeTruthy()
  expect(page.getByRole('button', { name: 'Try again' })).toBeTruthy()
})
