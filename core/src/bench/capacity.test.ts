import { describe, expect, test } from 'vitest'
import { type CapacityRun, judgePack, reckonRun } from './capacity.ts'
import { judgeReading, type Reading, type ReadingContext } from './reading.ts'

let next = 0
const run = (on: string, milliwattHours: number, cycles: number | null = null): CapacityRun => ({
  id: `r${next++}`,
  on,
  milliwattHours,
  cycles,
  source: 'run',
  note: '',
})

describe('what a pack gave', () => {
  // 20 W for 2 h 24 min are 48 Wh.
  test('watts and minutes', () => {
    expect(reckonRun(20_000, 144)).toBe(48_000)
  })

  test('health is the last measurement by its day, not the best nor the last typed', () => {
    const runs = [run('2026-06-01', 40_000), run('2026-01-01', 48_000), run('2026-03-01', 30_000)]
    expect(judgePack(runs, 50_000).healthPercent).toBe(80)
    expect(judgePack([], 50_000)).toMatchObject({ healthPercent: null, isSpent: false })
    expect(judgePack(runs, null)).toMatchObject({ healthPercent: null, isSpent: false })
  })

  test('at 80 % of its rating it is spent, over it not', () => {
    expect(judgePack([run('2026-01-01', 40_000)], 50_000).isSpent).toBe(true)
    expect(judgePack([run('2026-01-01', 40_001)], 50_000).isSpent).toBe(false)
    expect(judgePack([run('2026-01-01', 60_000)], 50_000).healthPercent).toBe(100)
  })

  // By hand: 1 % for ten cycles, ten cycles in 50 days: 80 % after 200 cycles, 1,000 days after the first.
  test('its end by the line and the pace', () => {
    const runs = [0, 50, 100].map((cycles) =>
      run(['2026-01-01', '2026-09-08', '2027-05-16'][cycles / 50] ?? '', 50_000 - cycles * 50, cycles),
    )
    const { fade, endOn, endFrom, endUntil } = judgePack(runs, 50_000)
    expect(fade?.endCycles).toBe(200)
    expect(endOn).toBe('2028-09-27')
    expect([endFrom, endUntil]).toEqual(['2028-09-27', '2028-09-27'])
  })

  test('cycles that nobody counted, or all in a month, give no day', () => {
    expect(
      judgePack([run('2026-01-01', 50_000), run('2026-05-01', 45_000), run('2026-09-01', 42_000)], 50_000),
    ).toMatchObject({
      fade: null,
      endOn: null,
    })
    const month = [run('2026-01-01', 50_000, 1), run('2026-01-10', 49_000, 9), run('2026-01-20', 48_000, 20)]
    expect(judgePack(month, 50_000)).toMatchObject({ endOn: null })
    expect(judgePack(month, 50_000).fade).not.toBeNull()
  })
})

describe('what devices tell', () => {
  const full: Reading = { kind: 'charger', state: 'full', milliwattHours: 45_000, cycles: 12 }
  const context = (part: Partial<ReadingContext> = {}): ReadingContext => ({
    at: 1_000_000_000,
    now: 1_000_000_000,
    newestAt: null,
    ratedMilliwattHours: 48_000,
    knownCycles: 12,
    ...part,
  })
  const judge = (reading: Partial<Reading>, part: Partial<ReadingContext> = {}) =>
    judgeReading({ ...full, ...reading } as Reading, context(part))

  test('taken; late when something newer or as new is known; unplugged counts for nothing', () => {
    expect(judge({})).toBe('taken')
    expect(judge({}, { newestAt: 1_000_000_000 })).toBe('late')
    expect(judge({}, { newestAt: 999_999_999 })).toBe('taken')
    expect(judge({ state: 'unplugged' })).toBe('unplugged')
  })

  test.each([
    ['more than it can hold', { milliwattHours: 62_401 }, {}],
    ['nothing', { milliwattHours: 0 }, {}],
    ['fewer charges than before', { cycles: 11 }, {}],
    ['out of the future', {}, { now: 1_000_000_000 - 5 * 60_000 - 1 }],
  ] as const)('%s cannot be', (_, reading, part) => {
    expect(judge(reading, part)).toBe('absurd')
  })

  test('just possible is possible; of a pack of which nobody knows the rating any capacity is', () => {
    expect(judge({ milliwattHours: 62_400 })).toBe('taken')
    expect(judge({ milliwattHours: 900_000 }, { ratedMilliwattHours: null })).toBe('taken')
    expect(judge({ cycles: 12 })).toBe('taken')
    expect(judge({}, { now: 1_000_000_000 - 5 * 60_000 })).toBe('taken')
  })

  test('a socket: what it draws and how long it is on', () => {
    const socket = (milliwatts: number, onSeconds: number) =>
      judgeReading({ kind: 'socket', milliwatts, onSeconds }, context())
    expect(socket(86_000, 3_600)).toBe('taken')
    expect(socket(-1, 3_600)).toBe('absurd')
    expect(socket(86_000, -1)).toBe('absurd')
    expect(socket(20_000_001, 1)).toBe('absurd')
    // On since before there was time.
    expect(socket(86_000, 1_000_001)).toBe('absurd')
  })
})
