import { expect, test } from 'vitest'
import { readWarranty, sayWarranty } from './warranty.ts'

test.each([
  ['ten years, three of them used', '2033-11-24', '2026-11-24', '7 years left'],
  ['and some months', '2033-10-23', '2026-11-24', '6 years 10 months left'],
  ['a month and a day', '2026-12-25', '2026-11-24', '1 month 1 day left'],
  ['over the end of February', '2027-03-01', '2027-02-28', '1 day left'],
  ['its last day', '2026-11-24', '2026-11-24', 'ends today'],
  ['the day after', '2026-11-23', '2026-11-24', 'over for 1 day'],
  ['long over', '2024-05-20', '2026-11-24', 'over for 2 years 6 months'],
])('%s: until %s, on %s: %s', (_, until, today, says) => {
  expect(sayWarranty(until, today)).toBe(says)
})

test('it ends soon from sixty days before to its last day, and not a day after', () => {
  const isEnding = (until: string) => readWarranty(until, '2026-11-24').isEnding
  expect(['2027-01-23', '2027-01-24', '2026-11-24', '2026-11-23'].map(isEnding)).toEqual([true, false, true, false])
})
