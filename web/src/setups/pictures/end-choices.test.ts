import { describe, expect, it } from 'vitest'
import { countEndIn, describeEndChoice, findDrop } from './end-choices.ts'
import { CAMERA, end, FOOT } from './picture.fixture.ts'

describe('dropping one thing on another', () => {
  it('puts it there instead of where it is', () => {
    expect(findDrop(CAMERA, 'rig', 'STD-02')).toEqual({
      change: {
        was: { host: { key: 'TRI-01', portId: 'top' }, guest: { key: 'CAM-01', portId: 'foot' } },
        next: { host: { key: 'STD-02', portId: 'top' }, guest: { key: 'CAM-01', portId: 'foot' } },
      },
      told: 'CAM-01 is on STD-02.',
    })
  })

  it('leaves what is there where another place is left, and takes an end that hangs open first', () => {
    const roomy = { ...FOOT, end: end('CAM-01', 'foot', 2) }
    expect(findDrop({ ...CAMERA, ends: [roomy] }, 'rig', 'STD-02')).toMatchObject({ change: { was: null } })
    const free = { ...FOOT, end: end('CAM-01', 'side'), joined: [] }
    expect(findDrop({ ...CAMERA, ends: [FOOT, free] }, 'rig', 'STD-02')).toMatchObject({
      change: { was: null, next: { guest: { portId: 'side' } } },
    })
  })

  it('takes the other way round where only that goes: a stand under a lamp', () => {
    const top = { ...FOOT, side: 'host' as const, joined: [], end: end('CAM-01', 'shoe') }
    expect(findDrop({ ...CAMERA, ends: [top] }, 'rig', 'STD-02')).toMatchObject({
      change: { next: { host: { key: 'CAM-01', portId: 'shoe' }, guest: { key: 'STD-02', portId: 'top' } } },
      told: 'STD-02 is on CAM-01.',
    })
  })

  it('says why not, and what is joined already', () => {
    expect(findDrop(CAMERA, 'rig', 'STD-01')).toBe('STD-01 takes none of what CAM-01 has.')
    expect(findDrop(CAMERA, 'rig', 'TRI-01')).toBe('CAM-01 and TRI-01 are joined already.')
    expect(findDrop(CAMERA, 'rig', 'LGT-09')).toBe('CAM-01 does not go there.')
    // Of another picture nothing is joined here.
    expect(findDrop(CAMERA, 'signals', 'STD-02')).toBe('CAM-01 does not go there.')
  })
})

it('counts ends that the choices name, and one of all others', () => {
  const count = countEndIn({
    ...CAMERA,
    ends: [{ ...FOOT, could: [{ ...end('STR-01', 'out', 6), heldBy: null, isTooWeak: false }] }],
  })
  expect([count(end('STR-01', 'out')), count(end('TRI-01', 'top')), count(end('X', 'y'))]).toEqual([6, 1, 1])
})

it('tells of an end who is there now and that it bears less', () => {
  const [could] = FOOT.could
  expect(could && describeEndChoice(FOOT, could).label).toBe(
    'STD-02 STD-02 thing (LGT-02 is there now, bears less than that)',
  )
})
