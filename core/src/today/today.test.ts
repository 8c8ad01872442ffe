import { describe, expect, test } from 'vitest'
import { arrangeToday, type TodayItem } from './today.ts'
import { sayTodayItem } from './words.ts'

const WORDS = {
  sayInstant: (ms: number) => `@${ms}`,
  sayDay: (date: string) => date,
  sayWall: (wall: string) => wall,
  sayMoney: (minor: number) => `£${minor / 100}`,
}

const loan: TodayItem = {
  key: 'loan/r',
  level: 'stop',
  section: 'out',
  code: 'loan',
  unitId: 'r',
  tag: 'RAI-01',
  name: 'Macro rail',
  owner: 'the herbarium',
  dueOn: '2026-11-25',
  daysLeft: 1,
  bookedFor: { bookingId: 'b', title: 'Seed heads', startsAt: '2026-11-26T14:00' },
}
const shoot = (key: string, startsAt: string, level: TodayItem['level']): TodayItem => ({
  key,
  level,
  section: 'next',
  code: 'shoot',
  bookingId: key,
  setupId: null,
  title: key,
  startsAt,
  place: 'Studio',
  people: ['Bram', 'Yusra'],
  stops: 0,
  checks: 0,
  state: 'confirmed',
})
const buy = (item: string, level: TodayItem['level']): TodayItem => ({
  key: item,
  level,
  section: 'before',
  code: 'buy',
  item,
  quantity: 1,
  reason: 'why',
  lineId: null,
})

describe('today', () => {
  test('shoots stand by time, everything else by how bad it is', () => {
    const sections = arrangeToday([
      shoot('late', '2026-11-27T09:00', 'stop'),
      buy('tape', 'advise'),
      loan,
      shoot('soon', '2026-11-25T09:00', 'ok'),
      buy('cell', 'stop'),
    ])
    expect(sections.next.map((it) => it.key)).toEqual(['soon', 'late'])
    expect(sections.before.map((it) => it.key)).toEqual(['cell', 'tape'])
    expect(sections.collides).toEqual([])
  })

  test('the order does not hang on the order in which items were found', () => {
    const items = [loan, buy('a', 'advise'), buy('b', 'advise'), buy('c', 'stop')]
    expect(arrangeToday([...items].reverse())).toEqual(arrangeToday(items))
  })

  test('says what stands behind an item', () => {
    expect(sayTodayItem(loan, WORDS)).toEqual({
      title: 'RAI-01 Macro rail, borrowed from the herbarium',
      text: 'goes back 2026-11-25, yet booked for Seed heads on 2026-11-26T14:00',
    })
    expect(sayTodayItem(shoot('x', '2026-11-25T09:00', 'ok'), WORDS).text).toBe('Studio · Bram and Yusra')
  })
})
