import { describe, expect, test } from 'vitest'
import type { Store } from '../placed/store.ts'
import { makeInput, makeRole, makeStudio } from '../placed/studio.fixture.ts'
import { findSinglePointsOfFailure, listSinglePoints } from './resilience.ts'

const studio = makeStudio({
  CAM: ['camera', { mount: 'filter-77' }],
  LEN: ['lens', { mount: 'filter-77' }],
  TRI: ['tripod', {}],
  LGT: ['light', {}],
  STD: ['stand', { loadGrams: 8_000 }],
  'LEN-2': ['lens', { mount: 'filter-77' }],
  'LEN-3': ['lens', { mount: 'filter-67' }],
})

const storeOf = (...tags: string[]): Store => ({
  units: tags.flatMap((tag) => {
    const unit = studio.units.get(tag)
    const model = studio.models.get(`m-${tag}`)
    return unit && model ? [{ unit, model, usedBySetups: 0 }] : []
  }),
  stock: [],
  circuits: [],
})

const roles = [
  makeRole('camera', ['CAM', 'LEN', 'TRI']),
  makeRole('lamp', ['LGT', 'STD'], { importance: 'wanted', group: 'light' }),
]
const losses = (store: Store) => findSinglePointsOfFailure(makeInput(studio, roles, { circuit: null }), store)

describe('what a setup would stop without', () => {
  test('is what is essential: the lamp is only wanted, so nothing of it stops anything', () => {
    expect(losses(storeOf()).map((it) => it.tag)).toEqual(['CAM', 'LEN', 'TRI'])
  })

  test('a stand-in is one that was tried and stops nothing: the other mount does not count', () => {
    const lens = losses(storeOf('LEN-2', 'LEN-3')).find((it) => it.tag === 'LEN')
    expect(lens?.standIns.map((it) => it.tag)).toEqual(['LEN-2'])
  })

  test('more in the store never takes a stand-in away', () => {
    const few = losses(storeOf('LEN-2')).map((it) => it.standIns.length)
    const many = losses(storeOf('LEN-2', 'LEN-3')).map((it) => it.standIns.length)
    for (const [at, count] of few.entries()) expect(many[at]).toBeGreaterThanOrEqual(count)
  })
})

test('over all setups, what stops the most comes first, and what can be stood in for is no single point', () => {
  const loss = (tag: string, standIns: string[] = []) => ({
    unitId: tag,
    tag,
    name: tag,
    role: 'r',
    isHandMade: false,
    standIns: standIns.map((it) => ({ unitId: it, tag: it, name: it })),
  })
  const points = listSinglePoints([
    { id: 'a', losses: [loss('REC'), loss('CAM')] },
    { id: 'b', losses: [loss('REC'), loss('MIC', ['MIC-2'])] },
  ])
  expect(points.map((it) => [it.tag, it.setups.map((setup) => setup.id)])).toEqual([
    ['REC', ['a', 'b']],
    ['CAM', ['a']],
  ])
})
