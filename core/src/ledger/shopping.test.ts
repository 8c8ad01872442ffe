import { expect, test } from 'vitest'
import { rankShopping, sumShopping } from './shopping.ts'

const line = (item: string, group: 'sound' | 'light' | 'camera' | null) => ({ item, group })
const LIST = [line('Tape', null), line('Lens', 'camera'), line('Lamp', 'light'), line('Microphone', 'sound')]

test.each([
  ['sound', ['Microphone', 'Lamp', 'Lens', 'Tape']],
  ['light', ['Lamp', 'Microphone', 'Lens', 'Tape']],
  ['body', ['Lens', 'Lamp', 'Microphone', 'Tape']],
])('%s first', (way, items) => expect(rankShopping(LIST, way).map((it) => it.item)).toEqual(items))

test('a school that is not known leaves the order of names, and the list itself is left alone', () => {
  expect(rankShopping(LIST, 'none').map((it) => it.item)).toEqual(['Lamp', 'Lens', 'Microphone', 'Tape'])
  expect(LIST[0]?.item).toBe('Tape')
})

const price = (netMinor: number, taxMinor: number, on: string) => ({
  ...{ kind: 'seen' as const, source: '' },
  ...{ netMinor, taxMinor, on },
})

test('a list comes to its priced lines, tax in, times how many; what has no price and what is old is counted', () => {
  const lines = [
    { quantity: 3, price: price(1_000, 200, '2026-11-24') },
    { quantity: 1, price: price(0, 0, '2026-08-24') },
    { quantity: 2, price: price(333, 67, '2026-08-23') },
    { quantity: 9, price: null },
  ]
  // From 24 August to 24 November are 92 days.
  expect(sumShopping(lines, '2026-11-24')).toEqual({ minor: 3_600 + 0 + 800, unpriced: 1, stale: 1 })
  expect(sumShopping([], '2026-11-24')).toEqual({ minor: 0, unpriced: 0, stale: 0 })
})
