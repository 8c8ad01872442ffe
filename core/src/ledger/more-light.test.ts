import { expect, test } from 'vitest'
import { compareLight } from './more-light.ts'

test('twice the light is one stop, at 71 % of the distance the smaller gives as much', () => {
  const found = compareLight({ light: 5_000, priceMinor: 20_000 }, { light: 10_000, priceMinor: 26_000 }, 100)
  expect(found).toMatchObject({ times: 2, stops: 1, moreMinor: 6_000, perStopMinor: 6_000 })
  expect(found.perMoney.map((it) => Number(it.toFixed(2)))).toEqual([25, 38.46])
  expect(found.nearerShare).toBeCloseTo(Math.SQRT1_2, 12)
})

test('what gives no more costs nothing for a stop, and what gives less loses stops', () => {
  const even = compareLight({ light: 100, priceMinor: 100 }, { light: 100, priceMinor: 200 }, 100)
  expect([even.stops, even.perStopMinor]).toEqual([0, null])
  expect(compareLight({ light: 400, priceMinor: 100 }, { light: 100, priceMinor: 50 }, 100).stops).toBe(-2)
})
