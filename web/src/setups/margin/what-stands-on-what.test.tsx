// @vitest-environment jsdom
import type { SupportChoice } from '@exemplar/core'
import { expect, it, vi } from 'vitest'
import { show } from '../../foundation/component.fixture.tsx'
import { type OnJoin, WhatStandsOnWhat } from './what-stands-on-what.tsx'

const end = (tag: string, portId: string) => ({ key: tag, tag, name: `${tag} thing`, portId, count: 1 })
const CAMERA: SupportChoice = {
  rider: end('CAM-01', 'foot'),
  on: end('TRI-01', 'top'),
  standing: 'assumed',
  reasons: ['A camera goes on its tripod.'],
  could: [
    { ...end('TRI-01', 'top'), heldBy: null, isTooWeak: false },
    { ...end('TRI-02', 'top'), heldBy: 'LGT-01', isTooWeak: true },
  ],
}
const LAMP: SupportChoice = {
  ...CAMERA,
  rider: end('LGT-01', 'foot'),
  on: end('TRI-02', 'top'),
  standing: 'stated',
  reasons: [],
}
const STATED = {
  from: { unitId: 'LGT-01', portId: 'foot' },
  via: [],
  to: { unitId: 'TRI-02', portId: 'top' },
  neededMm: null,
}

async function open(onJoin: OnJoin, choices: SupportChoice[] = [CAMERA, LAMP]) {
  const shown = show(<WhatStandsOnWhat setupId="s1" bookingId={undefined} links={[STATED]} onJoin={onJoin} />, {
    'GET /setups/s1/supports': choices,
  })
  // It is asked for only by who opens it.
  expect(shown.asked).toEqual([])
  await shown.hands.click(shown.page.getByText('What stands on what'))
  return shown
}

it('says what is assumed and why, and keeps it with one push', async () => {
  const onJoin = vi.fn()
  const { hands, page } = await open(onJoin)
  expect(await page.findByText(/^1 of 2 assumed/)).toBeTruthy()
  expect(page.getByText('A camera goes on its tripod.')).toBeTruthy()
  await hands.click(page.getByRole('button', { name: 'CAM-01 is on TRI-01: that is so', hidden: true }))
  const kept = {
    from: { unitId: 'CAM-01', portId: 'foot' },
    via: [],
    to: { unitId: 'TRI-01', portId: 'top' },
    neededMm: null,
  }
  expect(onJoin).toHaveBeenCalledExactlyOnceWith([STATED, kept], 'CAM-01 stands on TRI-01.')
})

it('puts it elsewhere, tells what is there now and what is too weak, and lets go', async () => {
  const onJoin = vi.fn()
  const { hands, page } = await open(onJoin)
  await hands.click(await page.findByRole('button', { name: 'Put CAM-01 on something else', hidden: true }))
  const list = page.getByLabelText('What CAM-01 stands on')
  expect(Array.from(list.querySelectorAll('option'), (it) => it.textContent)).toEqual([
    'Choose',
    'TRI-02 TRI-02 thing (LGT-01 is there now, bears less than that)',
  ])
  await hands.selectOptions(list, 'TRI-02/top')
  // Of one place only one joint is stated: the lamp gives way.
  expect(onJoin.mock.calls[0]?.[0].map((it: typeof STATED) => it.from.unitId)).toEqual(['CAM-01'])
  await hands.click(page.getByRole('button', { name: 'Let LGT-01 on TRI-02 go', hidden: true }))
  expect(onJoin.mock.calls[1]?.[0]).toEqual([])
})

it('shows what stands on what to who only looks, and says what stands on nothing', async () => {
  const { page } = await open(null, [{ ...CAMERA, on: null, standing: 'open', reasons: [] }])
  expect(await page.findByText('on nothing')).toBeTruthy()
  expect(page.queryAllByRole('button', { hidden: true })).toEqual([])
})
