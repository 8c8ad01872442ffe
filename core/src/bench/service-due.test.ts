import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { addDays } from '../units/wall-time.ts'
import { computeServiceDue, NO_WEAR, type Wear } from './service-due.ts'
import { newServicePlanSchema } from './service-plan.ts'
import { listUsualPlans } from './usual-plans.ts'

const plan = (part: object) => ({ everyDays: null, everyUses: null, everyHours: null, graceDays: 0, ...part })
const wear = (part: Partial<Wear>): Wear => ({ ...NO_WEAR, ...part })
const TODAY = '2026-11-24'
const due = (intervals: object, from: string | null, used: Partial<Wear> = {}, today = TODAY) =>
  computeServiceDue(plan(intervals), from, wear(used), today)

describe('when something is serviced next, against calendars worked out by hand', () => {
  test.each([
    ['a day before', '2026-05-29', '2026-11-25', 1, false],
    ['on its day', '2026-05-28', '2026-11-24', 0, true],
    ['six days past', '2026-05-22', '2026-11-18', -6, true],
    // 180 days over the end of February: 2024 is a leap year, 2026 is none.
    ['over a leap day', '2023-12-15', '2024-06-12', -895, true],
    ['over the end of a month', '2026-08-31', '2027-02-27', 95, false],
  ])('by days alone: %s', (_, from, dueOn, daysLeft, isDue) => {
    expect(due({ everyDays: 180 }, from)).toMatchObject({ by: 'days', dueOn, daysLeft, isDue, isForecast: false })
  })

  test('uses: one short is not due, reached is, and what is past stays due today', () => {
    expect(due({ everyUses: 40 }, null, { uses: 39 }).isDue).toBe(false)
    expect(due({ everyUses: 40 }, null, { uses: 40 })).toMatchObject({
      by: 'uses',
      dueOn: TODAY,
      isDue: true,
      isForecast: false,
    })
    expect(due({ everyUses: 40 }, null, { uses: 47 }).isDue).toBe(true)
  })

  test('forecast by what is booked, then at the pace of the log, its days rounded up', () => {
    const ahead = [
      { day: '2026-11-30', hours: 3 },
      { day: '2026-12-04', hours: 4 },
    ]
    // 38 and two bookings are 40: the second of them reaches it.
    expect(due({ everyUses: 40 }, null, { uses: 38, ahead })).toMatchObject({
      dueOn: '2026-12-04',
      isForecast: true,
      isDue: false,
    })
    // 37 and two are 39; one more at 0.3 a day takes 3.33 days, so 4 after the last of them.
    expect(due({ everyUses: 40 }, null, { uses: 37, ahead, usesPerDay: 0.3 }).dueOn).toBe('2026-12-08')
    // Nothing booked: 10 uses at 0.25 a day are 40 days.
    expect(due({ everyUses: 40 }, null, { uses: 30, usesPerDay: 0.25 }).dueOn).toBe('2027-01-03')
    expect(due({ everyHours: 200 }, null, { hours: 194, ahead }).dueOn).toBe('2026-12-04')
    expect(due({ everyHours: 200 }, null, { hours: 193, ahead }).dueOn).toBe('2026-12-04')
    expect(due({ everyHours: 200 }, null, { hours: 192.9, ahead, hoursPerDay: 1 }).dueOn).toBe('2026-12-05')
  })

  test('whichever comes first; on one day it is told by the calendar', () => {
    const used = { uses: 30, usesPerDay: 1 }
    expect(due({ everyDays: 180, everyUses: 40 }, '2026-05-29', used)).toMatchObject({
      by: 'days',
      dueOn: '2026-11-25',
    })
    expect(due({ everyDays: 365, everyUses: 40 }, '2026-05-29', used)).toMatchObject({
      by: 'uses',
      dueOn: '2026-12-04',
    })
    expect(due({ everyDays: 180, everyUses: 40 }, '2026-05-28', { uses: 40 }).by).toBe('days')
  })

  test('without a day to count from, and without a pace, nobody knows: that is no "not due"', () => {
    const unknown = { dueOn: null, by: null, daysLeft: null, isDue: false, isLate: false, isForecast: false }
    expect(due({ everyDays: 180 }, null)).toEqual(unknown)
    expect(due({ everyUses: 40 }, '2026-01-01', { uses: 3 })).toEqual(unknown)
    expect(due({ everyDays: 180, everyUses: 2 }, null, { uses: 2 }).isDue).toBe(true)
  })

  test('late only after its days of grace', () => {
    const late = (from: string) => due({ everyDays: 100, graceDays: 7 }, from).isLate
    expect(late(addDays(TODAY, -107))).toBe(false)
    expect(late(addDays(TODAY, -108))).toBe(true)
  })

  test('a service never makes the next one earlier, whatever the plan and the wear', () => {
    const every = fc.option(fc.integer({ min: 1, max: 400 }), { nil: null })
    fc.assert(
      fc.property(
        every,
        every,
        every,
        fc.integer({ min: 0, max: 800 }),
        fc.integer({ min: 0, max: 300 }),
        fc.float({ min: 0, max: 2, noNaN: true }),
        (everyDays, everyUses, everyHours, daysAgo, uses, perDay) => {
          const intervals = { everyDays, everyUses, everyHours }
          const pace = { usesPerDay: perDay, hoursPerDay: perDay * 3 }
          const before = due(intervals, addDays(TODAY, -daysAgo), { uses, hours: uses * 3, ...pace })
          const after = due(intervals, TODAY, pace)
          // What is in no sight is later than all that is.
          expect((after.dueOn ?? '9999') >= (before.dueOn ?? '0000')).toBe(true)
        },
      ),
      { seed: 11, numRuns: 2_000 },
    )
  })
})

describe('plans', () => {
  test('one that says not how often is refused at its field', () => {
    const body = { name: 'Clean', subject: { kind: 'category', category: 'camera' }, ...plan({}) }
    const read = newServicePlanSchema.safeParse(body)
    expect(read.success ? [] : read.error.issues.map((it) => [it.path.join('/'), it.message])).toEqual([
      ['everyDays', 'Say how often: in days, uses, hours or charges, or at which health.'],
    ])
  })

  test('the usual ones are of what is here, fit the schema, and are not offered twice', () => {
    const all = listUsualPlans(['camcorder', 'arm', 'panel'], [])
    expect(all.map((it) => it.name)).toContain('Adjust springs and knobs')
    expect(all.some((it) => it.subject.kind === 'category' && it.subject.category === 'backdrop')).toBe(false)
    for (const it of all) expect(newServicePlanSchema.safeParse(it).success).toBe(true)
    const [first, ...rest] = all
    expect(listUsualPlans(['camcorder', 'arm', 'panel'], first ? [first] : [])).toEqual(rest)
    expect(listUsualPlans([], [])).toEqual([])
  })
})
