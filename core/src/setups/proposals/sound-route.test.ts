import { describe, expect, test } from 'vitest'
import type { Category } from '../../kit/model/category.ts'
import { makeModelFromTemplate } from '../../kit/template/template.ts'
import type { TemplateFacts } from '../../kit/template/template-facts.ts'
import { INTERFACES } from '../placed/things.fixture.ts'
import type { Conduit } from './cable-finder.ts'
import { listSoundRoutes, type SoundDevice } from './sound-route.ts'

const device = (tag: string, kind: Category, isInSetup = true, facts: Partial<TemplateFacts> = {}): SoundDevice => ({
  unitId: tag,
  tag,
  isInSetup,
  model: { ...makeModelFromTemplate(kind, 'Maker', tag, facts), id: tag, version: 1 },
})
const conduit = (tag: string, kind: Category, endA: string, endB: string): Conduit => ({
  unitId: tag,
  tag,
  model: { ...makeModelFromTemplate(kind, '', tag, { endA, endB }), id: tag, version: 1 },
  usedBySetups: 0,
})
const XLR = conduit('XLR', 'cable', 'xlr-3', 'xlr-3')
const DOWN = conduit('DOWN', 'cable-adapter', 'xlr-3', 'trs-35')

function routes(devices: SoundDevice[], conduits: Conduit[], own: string[] = []) {
  const [camera, recorder, both] = listSoundRoutes({
    microphone: device('MIC', 'shotgun'),
    devices: [device('MIC', 'shotgun'), ...devices],
    conduits,
    own: new Set(own),
    interfaces: INTERFACES,
    plannedMinutes: 60,
  })
  if (!camera || !recorder || !both) throw new Error('Three ways are expected.')
  return { camera, recorder, both }
}

describe('ways for the sound', () => {
  const camera = device('CAM', 'camera')
  const recorder = device('REC', 'recorder')

  test('straight into the camera takes an adapter and nothing afterwards; apart takes a sync', () => {
    const ways = routes([camera, recorder], [XLR, DOWN], ['XLR'])
    expect(ways.camera).toMatchObject({ missing: null, recordings: 1, afterwardsMinutes: 0 })
    expect(ways.camera.parts.map((it) => it.tag)).toEqual(['DOWN'])
    expect(ways.recorder.parts.map((it) => [it.tag, it.isInSetup])).toEqual([['XLR', true]])
    expect(ways.recorder.afterwardsMinutes).toBeGreaterThan(0)
  })

  test('both records twice, the camera with its own for bringing together', () => {
    expect(routes([camera, recorder], [XLR], ['XLR']).both).toMatchObject({ recordings: 2, isScratch: true })
    expect(routes([recorder], [XLR], ['XLR']).both).toMatchObject({ recordings: 1, isScratch: false })
  })

  test('what is missing is named: the cable by its ends, or the device', () => {
    expect(routes([camera, recorder], []).recorder.missing).toEqual({
      from: 'XLR, 3 pin socket',
      to: 'XLR, 3 pin plug',
    })
    expect(routes([recorder], [XLR]).camera.missing).toEqual({ device: 'camera' })
    expect(routes([], []).recorder.missing).toEqual({ device: 'recorder' })
  })

  test('a recorder of the store is a part that has to be rigged; one that is here is not', () => {
    const [own, fetched] = [true, false].map((isHere) => routes([device('REC', 'recorder', isHere)], [XLR]).recorder)
    expect(own?.parts.map((it) => it.tag)).toEqual(['XLR'])
    expect(fetched?.parts.map((it) => it.tag)).toEqual(['XLR', 'REC'])
    expect(fetched?.rigMinutes).toBeGreaterThan(own?.rigMinutes ?? 99)
  })

  test('a pack or a cell is one more thing that can stop', () => {
    const fed = device('REC', 'recorder', true, { battery: 'cell-aa', batteryCount: 2 })
    const [plain, celled] = [recorder, fed].map((it) => routes([it], [XLR]).recorder.failurePoints)
    expect(celled).toBe((plain ?? 0) + 1)
  })
})
