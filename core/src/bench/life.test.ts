import { describe, expect, test } from 'vitest'
import { type LifeFacts, tellLife } from './life.ts'

const NOTHING: LifeFacts = { from: null, until: '2026-11-24', uses: [], faults: [], services: [], costs: [] }
const EMPTY = { uses: 0, faults: 0, failures: 0, services: 0, costMinor: 0 }

describe('the life of a thing', () => {
  test('month by month from the one in which it came, empty ones too, over the turn of a year', () => {
    const life = tellLife({
      ...NOTHING,
      from: '2026-09-30',
      uses: [
        { day: '2026-10-01', uses: 1 },
        { day: '2026-10-31', uses: 2 },
      ],
      faults: [
        { day: '2026-11-02', isFailure: true },
        { day: '2026-11-03', isFailure: false },
      ],
      services: ['2026-11-24'],
      costs: [
        { day: '2026-09-30', minor: 50_000 },
        { day: '2026-11-10', minor: -1_000 },
      ],
    })
    expect(life).toEqual([
      { ...EMPTY, month: '2026-09', costMinor: 50_000 },
      { ...EMPTY, month: '2026-10', uses: 3 },
      { ...EMPTY, month: '2026-11', faults: 2, failures: 1, services: 1, costMinor: -1_000 },
    ])
    expect(
      tellLife({ ...NOTHING, from: '2025-12-31' })
        .map((it) => it.month)
        .slice(0, 2),
    ).toEqual(['2025-12', '2026-01'])
  })

  test('of what nobody knows when it came its first happening begins it; of nothing there is nothing', () => {
    expect(tellLife({ ...NOTHING, services: ['2026-10-05'] }).map((it) => it.month)).toEqual(['2026-10', '2026-11'])
    expect(tellLife(NOTHING)).toEqual([])
    // What is to come is none of it yet.
    expect(tellLife({ ...NOTHING, uses: [{ day: '2026-12-01', uses: 1 }] })).toEqual([])
  })

  test('the latest four years', () => {
    const life = tellLife({ ...NOTHING, from: '2010-01-01' })
    expect([life.length, life[0]?.month]).toEqual([48, '2022-12'])
  })
})
