import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { planReserve } from './reserve.ts'

const ending = (id: string, endsOn: string | null, costMinor: number | null) => ({ id, endsOn, costMinor })

describe('what is to be put by', () => {
  test('one thing in ten months: a tenth each month, and what lies there already less', () => {
    const endings = [ending('a', '2027-10-03', 100_000)]
    expect(planReserve(endings, '2026-12-01')).toMatchObject({ perMonthMinor: 10_000, decidedBy: '2027-10' })
    expect(planReserve(endings, '2026-12-01', 40_000).perMonthMinor).toBe(6_000)
    expect(planReserve(endings, '2026-12-01', 100_000)).toMatchObject({ perMonthMinor: 0, decidedBy: null })
  })

  test('what ends soon decides, though more ends later; what has served its time is wanted within a month', () => {
    const soon = [ending('a', '2027-02-10', 30_000), ending('b', '2029-11-01', 100_000)]
    expect(planReserve(soon, '2026-12-01')).toMatchObject({ perMonthMinor: 15_000, decidedBy: '2027-02' })
    expect(planReserve([ending('old', '2019-05-01', 900)], '2026-12-31').perMonthMinor).toBe(900)
  })

  test('the quarter that it ends in; beyond three years it is not asked for; of what nobody knows nothing is summed', () => {
    const { quarters, unknown, perMonthMinor } = planReserve(
      [
        ending('last', '2029-12-31', 3_600),
        ending('beyond', '2030-01-01', 9_000),
        ending('when', null, 500),
        ending('what', '2027-06-01', null),
      ],
      '2026-12-15',
    )
    expect(quarters).toHaveLength(12)
    expect(quarters.at(-1)).toEqual({ until: '2029-12', minor: 3_600, ids: ['last'] })
    expect([perMonthMinor, unknown]).toEqual([100, ['when', 'what']])
  })

  test('with it nothing comes short in any month, and with a penny less something does', () => {
    const any = fc.array(fc.tuple(fc.integer({ min: 0, max: 40 }), fc.nat(500_000)), { maxLength: 12 })
    fc.assert(
      fc.property(any, fc.nat(300_000), (things, have) => {
        const endings = things.map(([month, cost], at) => {
          const on = `${2026 + Math.floor((11 + month) / 12)}-${String(((11 + month) % 12) + 1).padStart(2, '0')}-09`
          return ending(String(at), on, cost)
        })
        const { perMonthMinor } = planReserve(endings, '2026-12-01', have)
        const holds = (sum: number) =>
          Array.from({ length: 36 }, (_, at) => at + 1).every(
            (month) =>
              have + sum * month >=
              things.reduce((total, [own, cost]) => total + (Math.max(1, own) <= month ? cost : 0), 0),
          )
        expect(holds(perMonthMinor)).toBe(true)
        if (perMonthMinor > 0) expect(holds(perMonthMinor - 1)).toBe(false)
      }),
    )
  })
})
