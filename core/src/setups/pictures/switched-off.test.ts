import { describe, expect, test } from 'vitest'
import { makeScene } from '../checks/scene.ts'
import { makeInput, makeRole, makeStudio } from '../placed/studio.fixture.ts'
import { drawPicture } from './draw-picture.ts'
import type { Picture } from './picture.ts'
import { findSwitchedOff, listShutDown } from './switched-off.ts'

const LAMP = { inlet: 'iec-c13', milliwatts: 100_000, massGrams: 1_000 } as const
const NO_LEVELS = { rig: new Map(), signals: new Map(), power: new Map() }

/** Lamps with a lead each, some of them on a strip, and a camera on a pack. */
function drawPower(strips: number, lamps: number): Picture {
  const studio = makeStudio({
    ...Object.fromEntries(Array.from({ length: strips }, (_, at) => [`STR-${at}`, ['strip', { outlets: 2 }] as const])),
    ...Object.fromEntries(
      Array.from({ length: lamps }, (_, at) => [
        [`LGT-${at}`, ['light', LAMP] as const],
        [`LED-${at}`, ['lead', { inlet: 'iec-c13' }] as const],
      ]).flat(),
    ),
    CAM: ['camcorder', { battery: 'pack-a', milliwatts: 9_000 }],
    REC: ['recorder', { battery: 'cell-aa', batteryCount: 2 }],
    PAK: ['pack', { battery: 'pack-a', energyMilliwattHours: 50_000 }],
  } as never)
  const input = makeInput(studio, [makeRole('All', [...studio.units.keys()])])
  // One socket in the wall, so that what is on the strip is sure.
  const circuit = input.circuit && { ...input.circuit, outlets: Math.max(1, strips) }
  return drawPicture('power', makeScene({ ...input, circuit }), NO_LEVELS)
}

describe('[D11] one switch kills all set lights', () => {
  test('what is on the strip goes off with it, what runs on packs goes on', () => {
    const power = drawPower(1, 2)
    expect(findSwitchedOff(power, 'STR-0')).toEqual({ goesOff: ['LGT-0', 'LGT-1'], goesOn: ['REC', 'CAM'] })
    expect(findSwitchedOff(power, 'LED-0')).toMatchObject({ goesOff: ['LGT-0'], goesOn: ['LGT-1', 'REC', 'CAM'] })
    expect(findSwitchedOff(power, 'PAK').goesOff).toEqual(['CAM'])
    expect(findSwitchedOff(power, 'CAM').goesOff).toEqual([])
  })

  test('the step of shutting down names the switch, and what is on none', () => {
    expect(listShutDown(drawPower(1, 2))).toEqual({
      switches: [{ key: 'STR-0', tag: 'STR-0', goesOff: ['LGT-0', 'LGT-1'] }],
      byThemselves: ['REC', 'CAM'],
    })
  })

  test('what is not there, or only there in case, is switched by nobody', () => {
    const power = drawPower(1, 2)
    const lamps = power.groups.flatMap((it) => it.nodes.filter(({ tag }) => tag.startsWith('LGT')))
    const groups = power.groups.map((it) => ({ ...it, nodes: it.nodes.filter((node) => !lamps.includes(node)) }))
    for (const root of ['away', 'spare'] as const) {
      const apart = { ...power, groups: [...groups, { root, nodes: lamps, joints: [] }] }
      expect(listShutDown(apart)).toEqual({ switches: [], byThemselves: ['REC', 'CAM'] })
      expect(findSwitchedOff(apart, 'STR-0').goesOff).toEqual([])
    }
  })

  test('without a strip everything is switched off by itself; what is not fed as well, as somebody will feed it', () => {
    expect(listShutDown(drawPower(0, 1))).toEqual({ switches: [], byThemselves: ['LGT-0', 'REC', 'CAM'] })
    expect(listShutDown(drawPower(0, 2)).byThemselves).toEqual(['LGT-0', 'LGT-1', 'REC', 'CAM'])
  })
})
