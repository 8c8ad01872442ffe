import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { computeTax, findExponent, formatMoney, readMoney } from './money.ts'

describe('money', () => {
  // ISO 4217, list one: minor units of these currencies.
  test.each([
    ['JPY', 0],
    ['GBP', 2],
    ['EUR', 2],
    ['KWD', 3],
    ['CLF', 4],
  ])('ISO 4217 gives %s %i decimals', (currency, decimals) => {
    expect(findExponent(currency)).toBe(decimals)
  })

  test.each([
    ['£1,250', 125_000],
    ['86.50', 8_650],
    ['1.250,00 GBP', 125_000],
    ['1 250,5', 125_050],
    ['-3.07', -307],
    ['0.1', 10],
    ['12,50', 1_250],
  ])('reads %s as pence', (text, minor) => {
    expect(readMoney(text, 'GBP')).toEqual({ ok: true, minor, currency: 'GBP' })
  })

  test.each([
    ['', 'not-a-number'],
    ['a lot', 'not-a-number'],
    ['1,2,3', 'not-a-number'],
    ['1.0055', 'too-many-decimals'],
    ['$40', 'other-currency'],
    ['9999999999999', 'too-large'],
  ])('refuses %s', (text, problem) => {
    expect(readMoney(text, 'GBP')).toMatchObject({ ok: false, problem })
  })

  test('yen have no decimals and dinars have three', () => {
    expect(readMoney('1,250', 'JPY')).toMatchObject({ minor: 1_250 })
    expect(readMoney('12.5', 'JPY')).toMatchObject({ ok: false, problem: 'too-many-decimals' })
    expect(readMoney('1.234', 'KWD')).toMatchObject({ minor: 1_234 })
  })

  test('every amount written out reads back the same', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -1e9, max: 1e9 }),
        fc.constantFrom('GBP', 'JPY', 'EUR', 'USD'),
        (minor, currency) => {
          expect(readMoney(formatMoney(minor, currency), currency)).toMatchObject({ minor })
        },
      ),
    )
  })

  // Half away from zero: 20 % of 2.025 is 0.405, so 41 pence; and the same below zero.
  test.each([
    [8_650, 2_000, 1_730],
    [202, 2_500, 51],
    [-202, 2_500, -51],
    [199, 700, 14],
    [0, 2_000, 0],
  ])('tax on %i at %i basis points is %i', (net, rate, tax) => {
    expect(computeTax(net, rate)).toBe(tax)
  })
})
