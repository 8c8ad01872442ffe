import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { findRoom } from '../../studio/places/place-findings.ts'
import { addDays } from '../../units/wall-time.ts'
import { type Fill, forecastSpace } from '../unit/archive-space.ts'
import { checkSeason, isInSeason, saySeason } from '../unit/season.ts'
import { judgeSoftware } from '../unit/software-fit.ts'
import { softwareSchema } from '../unit/unit.ts'
import { saySoftwareFinding, saySpaceWorking } from '../unit/unit-words.ts'

describe('how full a drive is', () => {
  const TB = 1_000_000
  test('1 TB in 100 days of 4 TB: 10 GB a day, full in 200 days more', () => {
    const fills = [
      { on: '2026-01-01', usedMegabytes: TB },
      { on: '2026-04-11', usedMegabytes: 2 * TB },
    ]
    expect(forecastSpace(4 * TB, fills, '2026-04-11')).toEqual({
      usedMegabytes: 2 * TB,
      freeMegabytes: 2 * TB,
      perDayMegabytes: 10_000,
      perMonthMegabytes: 304_400,
      daysLeft: 200,
      monthsLeft: 7,
      fullOn: '2026-10-28',
      level: 'ok',
      first: fills[0],
      last: fills[1],
    })
    // The order in which readings were written down does not matter; the forecast is counted from today.
    expect(forecastSpace(4 * TB, fills.reverse(), '2026-04-21')?.daysLeft).toBe(190)
  })
  test('within a quarter of a year it warns, and the sums can be opened with their figures', () => {
    const fills = [
      { on: '2026-01-01', usedMegabytes: TB },
      { on: '2026-04-11', usedMegabytes: 2 * TB },
    ]
    const levelOn = (today: string) => forecastSpace(4 * TB, fills, today)?.level
    expect([levelOn('2026-07-27'), levelOn('2026-07-28')]).toEqual(['ok', 'warn'])
    const space = forecastSpace(4 * TB, fills, '2026-04-11')
    const sums = space && saySpaceWorking(space, String)?.lines.map((it) => it.sum)
    expect(sums?.[2]).toBe('1 TB / 100 days = 10 GB')
    expect(sums?.[3]).toBe('2 TB free / 10 GB a day, from 2026-04-11: 2026-10-28')
    const young = forecastSpace(TB, [fills[0] ?? { on: '', usedMegabytes: 0 }], '2026-04-11')
    expect(young && saySpaceWorking(young, String)).toBeNull()
  })
  test('no reading, one reading, or two within a fortnight tell nothing of when', () => {
    expect(forecastSpace(TB, [], '2026-01-01')).toBeNull()
    const one = { on: '2026-01-01', usedMegabytes: 5 }
    expect(forecastSpace(TB, [one], '2026-01-01')?.daysLeft).toBeNull()
    expect(forecastSpace(TB, [one, { on: '2026-01-14', usedMegabytes: 50 }], '2026-02-01')?.perDayMegabytes).toBeNull()
  })
  test('what is emptied never fills; a day begun counts whole; what is over its date is full today', () => {
    const at = (on: string, usedMegabytes: number): Fill => ({ on, usedMegabytes })
    expect(forecastSpace(TB, [at('2026-01-01', 9), at('2026-03-01', 4)], '2026-03-01')?.daysLeft).toBeNull()
    const slow = [at('2026-01-01', 0), at('2026-01-31', 30)]
    expect(forecastSpace(41, slow, '2026-01-31')?.daysLeft).toBe(11)
    expect(forecastSpace(41, slow, '2026-06-01')?.daysLeft).toBe(0)
  })
  test('[M8] a full drive is full, with one reading, with two alike, and when it was emptied no more', () => {
    const at = (on: string, usedMegabytes: number): Fill => ({ on, usedMegabytes })
    const full = { daysLeft: 0, fullOn: '2026-03-01', level: 'warn' }
    expect(forecastSpace(TB, [at('2026-03-01', TB)], '2026-03-05')).toMatchObject(full)
    expect(forecastSpace(TB, [at('2026-01-01', TB), at('2026-03-01', TB)], '2026-03-05')).toMatchObject(full)
    expect(forecastSpace(TB, [at('2026-01-01', TB), at('2026-03-01', TB - 1)], '2026-03-05')?.level).toBe('ok')
  })
  test('a larger drive is never full sooner', () => {
    fc.assert(
      fc.property(
        fc.nat(1e6),
        fc.integer({ min: 1, max: 1e6 }),
        fc.integer({ min: 14, max: 900 }),
        (used, more, days) => {
          const fills = [
            { on: '2024-01-01', usedMegabytes: 0 },
            { on: addDays('2024-01-01', days), usedMegabytes: used },
          ]
          const left = (capacity: number) => forecastSpace(capacity, fills, '2024-01-01')?.daysLeft ?? Infinity
          expect(left(1e6 + more)).toBeGreaterThanOrEqual(left(1e6))
        },
      ),
    )
  })
})

describe('programs against what runs them', () => {
  const program = (rest: object) =>
    softwareSchema.parse({ kind: 'app', name: 'Lens desk', version: '2', where: '', ...rest })
  const device = { tag: 'CAM-01', more: { wireless: 'no' } }
  const laptop = { tag: 'COM-01', more: { memoryGigabytes: 8, discDrive: 'no' } }
  test.each([
    ['talks by wireless to a camera without', { needsWireless: true }, 'no-wireless', 'has none'],
    ['comes on a disc that nothing reads', { media: 'disc' }, 'no-disc-drive', 'COM-01 has no drive'],
    [
      'asks for more memory than there is',
      { minimumMemoryGigabytes: 16 },
      'little-memory',
      '16 GB of working memory; COM-01 has 8 GB',
    ],
  ])('%s', (_, rest, code, words) => {
    const [finding, ...others] = judgeSoftware(program(rest), device, laptop)
    expect([finding?.code, finding?.level, others.length]).toEqual([code, 'warn', 0])
    expect(finding && saySoftwareFinding(finding)).toContain(words)
  })
  test('exactly enough is enough, what nobody recorded is a question, and without a computer nothing is asked of one', () => {
    expect(judgeSoftware(program({ minimumMemoryGigabytes: 8 }), device, laptop)).toEqual([])
    const [asked] = judgeSoftware(program({ minimumMemoryGigabytes: 8 }), device, { tag: 'COM-02', more: {} })
    expect([asked?.code, asked?.level]).toEqual(['memory-unknown', 'unknown'])
    const graphics = (graphicsGigabytes: number) =>
      judgeSoftware(program({ minimumGraphicsGigabytes: 6 }), device, { tag: 'COM-03', more: { graphicsGigabytes } })
    expect(graphics(6)).toEqual([])
    expect(graphics(4)).toMatchObject([{ code: 'little-memory', of: 'graphics', haveGigabytes: 4, wantedGigabytes: 6 }])
    expect(judgeSoftware(program({ minimumMemoryGigabytes: 8, media: 'disc' }), device, null)).toEqual([])
    expect(judgeSoftware(program({ needsWireless: true }), { tag: 'CAM-02', more: {} }, null)).toEqual([])
  })
})

describe('seasons', () => {
  const winter = { from: 11, to: 1 }
  test('go over the new year, both months included', () => {
    const months = Array.from({ length: 12 }, (_, at) => `2026-${String(at + 1).padStart(2, '0')}-15`)
    expect(months.filter((day) => isInSeason(winter, day))).toEqual(['2026-01-15', '2026-11-15', '2026-12-15'])
    expect(months.filter((day) => isInSeason({ from: 5, to: 5 }, day))).toEqual(['2026-05-15'])
    expect([saySeason(winter), saySeason({ from: 5, to: 5 })]).toEqual(['November to January', 'May'])
  })
  test('what stands out of season is put away, what lies in season is put out', () => {
    expect(checkSeason(winter, '2026-12-01', false)).toBe('put-out')
    expect(checkSeason(winter, '2026-02-01', true)).toBe('put-away')
    expect([checkSeason(winter, '2026-12-01', true), checkSeason(winter, '2026-06-01', false)]).toEqual([null, null])
  })
})

test('the room of a bag in a case on a shelf, and none for what lies nowhere or in a ring', () => {
  const place = (id: string, kind: 'room' | 'shelf' | 'bag', parentId: string | null) =>
    [id, { id, name: id, kind, parentId }] as const
  const places = new Map([place('hall', 'room', null), place('shelf', 'shelf', 'hall'), place('bag', 'bag', 'shelf')])
  expect(findRoom('bag', places)?.id).toBe('hall')
  expect([findRoom(null, places), findRoom('attic', places)]).toEqual([null, null])
  const ring = new Map([place('a', 'shelf', 'b'), place('b', 'shelf', 'a')])
  expect(findRoom('a', ring)).toBeNull()
})
