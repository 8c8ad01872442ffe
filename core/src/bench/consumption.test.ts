import { describe, expect, test } from 'vitest'
import { type ConsumptionFacts, judgeConsumption } from './consumption.ts'

const facts = (part: Partial<ConsumptionFacts> = {}): ConsumptionFacts => ({
  quantity: 10,
  reorderLevel: 4,
  saidPerUse: 3,
  usedUp: 0,
  sessions: 0,
  ahead: ['2026-12-01', '2026-12-05', '2026-12-10', '2026-12-20'],
  leadDays: 5,
  expiresOn: null,
  ...part,
})
const judge = (part: Partial<ConsumptionFacts> = {}, today = '2026-11-24') => judgeConsumption(facts(part), today)

describe('how long it lasts', () => {
  // By hand: 10, 7, 4, 1, −2.
  test('taken off at each session: low at the second, short at the fourth, two are missing', () => {
    expect(judge()).toMatchObject({ lowOn: '2026-12-05', shortOn: '2026-12-20', missing: 2, orderBy: '2026-12-15' })
  })

  test('the last day to order is due on that day', () => {
    expect(judge({}, '2026-12-14').isOrderDue).toBe(false)
    expect(judge({}, '2026-12-15').isOrderDue).toBe(true)
  })

  test('just enough is enough', () => {
    expect(judge({ quantity: 12 })).toMatchObject({ shortOn: null, missing: 0, orderBy: null, isOrderDue: false })
    expect(judge({ quantity: 11 })).toMatchObject({ shortOn: '2026-12-20', missing: 1 })
  })

  test('the log tells after three sessions; what somebody said comes first; otherwise nobody knows', () => {
    expect(judge({ saidPerUse: null, usedUp: 5, sessions: 2 })).toMatchObject({
      perUse: null,
      basis: null,
      shortOn: null,
    })
    expect(judge({ saidPerUse: null, usedUp: 15, sessions: 3 })).toMatchObject({ perUse: 5, basis: 'log', missing: 10 })
    expect(judge({ usedUp: 15, sessions: 3 })).toMatchObject({ perUse: 3, basis: 'said' })
  })

  test('nothing is used up at 0 a session, and no lead time gives no day to order', () => {
    expect(judge({ saidPerUse: 0 })).toMatchObject({ shortOn: null, lowOn: null, missing: 0 })
    expect(judge({ leadDays: null })).toMatchObject({ shortOn: '2026-12-20', orderBy: null, isOrderDue: false })
  })

  test('good on its last day, expired on the next, and said before the session that it would fail', () => {
    expect(judge({ expiresOn: '2026-12-05' }, '2026-12-05')).toMatchObject({
      isExpired: false,
      expiresBefore: '2026-12-10',
    })
    expect(judge({ expiresOn: '2026-12-05' }, '2026-12-06').isExpired).toBe(true)
    expect(judge({ expiresOn: '2026-12-20' }).expiresBefore).toBeNull()
  })

  test('a third of a piece a session counts up at the end', () => {
    expect(judge({ quantity: 1, saidPerUse: 1 / 3 })).toMatchObject({ missing: 1, shortOn: '2026-12-20' })
  })
})
