import { expect, test } from 'vitest'
import { readPercent, writePercent } from './percent.ts'

test.each([
  ['17,5 %', 1_750],
  ['8', 800],
  ['8.1%', 810],
  ['0', 0],
  ['100 %', 10_000],
  ['101', null],
  ['-5', null],
  ['a fifth', null],
  ['', null],
])('%s', (text, points) => expect(readPercent(text)).toBe(points))

test('what is shown reads back', () => {
  for (const points of [0, 550, 888, 2_550, 10_000]) expect(readPercent(writePercent(points))).toBe(points)
})
