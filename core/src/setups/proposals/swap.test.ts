import { describe, expect, test } from 'vitest'
import { makePort } from '../../kit/model/port.ts'
import type { CarriedLoad } from '../checks/rigging/carried-load.ts'
import { listPlacedItems } from '../placed/placed-item.ts'
import { makeInput, makeRole, makeStudio } from '../placed/studio.fixture.ts'
import { compareWorkings } from '../verdict/assessment-change.ts'
import { assessSetup } from '../verdict/readiness.ts'
import { listOrphans, swapThing } from './swap.ts'

/** A filter on a lens, and another lens with or without its thread. */
function makeKit(threadOfSecond: string) {
  const studio = makeStudio({
    CAM: ['camera', { mount: 'mount-x', battery: 'pack-a', milliwatts: 10_000 }],
    PAK: ['pack', { battery: 'pack-a', energyMilliwattHours: 20_000 }],
    LN1: ['lens', { mount: 'mount-x', massGrams: 400 }],
    LN2: ['lens', { mount: 'mount-x', massGrams: 900 }],
    FIL: ['filter', { mount: 'filter-67' }],
    TRI: ['tripod', { loadGrams: 3_000 }],
  })
  const thread = (tag: string, code: string) => {
    const model = studio.models.get(`m-${tag}`)
    if (!model) return
    const front = makePort({ id: 'front', interfaces: code, side: 'host', importance: 'optional' })
    studio.models.set(model.id, { ...model, ports: [...model.ports, front] })
  }
  thread('LN1', 'filter-67')
  thread('LN2', threadOfSecond)
  return studio
}

function swap(threadOfSecond: string) {
  const studio = makeKit(threadOfSecond)
  const input = makeInput(studio, [makeRole('A', ['CAM', 'PAK', 'LN1', 'FIL', 'TRI'])])
  const swapped = { ...input, setup: swapThing(input.setup, { unitId: 'LN1', byUnitId: 'LN2' }) }
  const [before, after] = [assessSetup(input), assessSetup(swapped)]
  return { before, after, orphans: listOrphans(listPlacedItems(swapped.setup, studio, null), before, after) }
}

describe('another thing in the place of one', () => {
  test('a filter that was on the old lens is left over where the thread is another', () => {
    expect(swap('filter-77').orphans.map((it) => it.tag)).toEqual(['FIL'])
    expect(swap('filter-67').orphans).toEqual([])
  })

  test('the setup is as before but for the one thing', () => {
    const { setup } = makeInput(makeKit('filter-67'), [makeRole('A', ['CAM', 'LN1'])])
    expect(swapThing(setup, { unitId: 'LN1', byUnitId: 'LN2' }).roles[0]?.things.map((it) => it.unitId)).toEqual([
      'CAM',
      'LN2',
    ])
    expect(swapThing(swapThing(setup, { unitId: 'LN1', byUnitId: 'LN2' }), { unitId: 'LN2', byUnitId: 'LN1' })).toEqual(
      setup,
    )
  })

  test('sums of which a figure is otherwise, and no others', () => {
    const { before, after } = swap('filter-67')
    const changed = compareWorkings(before.workings, after.workings)
    expect(changed.every((it) => JSON.stringify(it.before) !== JSON.stringify(it.after))).toBe(true)
    expect(compareWorkings(before.workings, before.workings)).toEqual([])
    const less = compareWorkings(before.workings, [])
    expect(less.map((it) => it.after)).toEqual(before.workings.map(() => null))
  })

  test('a support is one support whatever rides on it, and other riders of the same mass are no other figure', () => {
    const load = (tag: string, rider: string, totalGrams: number) =>
      ({
        formula: 'carried-load',
        tag,
        riders: [{ tag: rider }],
        totalGrams,
        ratedGrams: 8_000,
      }) as unknown as CarriedLoad
    const changed = compareWorkings(
      [load('TRI', 'CAM-01', 1_380), load('STD', 'LGT-01', 990)],
      [load('TRI', 'CAM-02', 1_120), load('STD', 'LGT-02', 990)],
    )
    expect(changed).toMatchObject([{ before: { tag: 'TRI', totalGrams: 1_380 }, after: { totalGrams: 1_120 } }])
  })
})
