import { describe, expect, test } from 'vitest'
import { formatMoney } from '../../units/money.ts'
import { CALCULATOR_CODES, CALCULATORS, type CalculatorCode, listLacking, reckon } from './calculators.ts'

const say = (minor: number) => formatMoney(minor, 'GBP')
const says = (code: CalculatorCode, figures: Record<string, number | null>) => reckon(code, figures, say)?.says

describe('worked by hand', () => {
  test('cheap again: 30 for 10 months is 3 a month; good once 100 less 10 for 45 months is 2; even after 30 months', () => {
    const figures = { cheap: 3_000, cheapMonths: 10, good: 10_000, goodMonths: 45, goodResale: 1_000 }
    expect(says('cheap-or-good', figures)).toBe(
      'Good once costs less: £2.00 a month against £3.00. The good one is even once it lasts 30 months.',
    )
    expect(says('cheap-or-good', { ...figures, goodMonths: 30 })).toMatch(/^Both cost £3\.00 a month\./)
    expect(says('cheap-or-good', { ...figures, goodMonths: 20 })).toMatch(/^Cheap again costs less: £3\.00/)
    expect(says('cheap-or-good', { ...figures, goodMonths: 0 })).toBeUndefined()
  })

  test('rent or buy: 800 less 200 and 4 × 50 is 800; at 40 a day even from 5 uses a year', () => {
    const figures = { price: 80_000, resale: 20_000, upkeep: 5_000, years: 4, rent: 4_000, uses: 5 }
    expect(says('rent-or-buy', figures)).toBe('Both cost £800 over 4 years. Buying pays from 5 uses a year on.')
    expect(says('rent-or-buy', { ...figures, uses: 6 })).toMatch(/^Buying costs less: £800 over 4 years against £960/)
    expect(says('rent-or-buy', { ...figures, uses: 0 })).toMatch(/^Renting costs less: £0\.00/)
  })

  test('a licence of 300 with an upgrade of 100 every 24 months against 20 a month: even after 15 months', () => {
    const figures = { licence: 30_000, upgrade: 10_000, upgradeMonths: 24, monthly: 2_000, months: 36 }
    expect(says('licence', figures)).toBe(
      'The licence costs less: £400 over 36 months against £720. From 15 months on the licence costs no more.',
    )
    expect(says('licence', { ...figures, months: 12 })).toMatch(/^The subscription costs less: £240/)
    // Wanted for exactly as long as an upgrade lasts, none is bought.
    expect(says('licence', { ...figures, months: 24 })).toMatch(/£300 over 24 months/)
    expect(says('licence', { ...figures, monthly: 100 })).toMatch(/not even within 50 years\.$/)
  })

  test('an upgrade puts it behind once more: even is told from when on it stays so', () => {
    // At 12 months 312 against 300; the upgrade of 300 that month later puts it behind until 600 is paid at 24, and so on.
    const figures = { licence: 30_000, upgrade: 30_000, upgradeMonths: 12, monthly: 2_600, months: 12 }
    expect(says('licence', figures)).toMatch(/From \d+ months on the licence costs no more\.$/)
    const from = Number(/From (\d+) months/.exec(says('licence', figures) ?? '')?.[1])
    const owning = (at: number) => 30_000 + Math.floor((at - 1) / 12) * 30_000
    expect(owning(from - 1)).toBeGreaterThan(2_600 * (from - 1))
    for (let at = from; at <= 600; at++) expect(owning(at)).toBeLessThanOrEqual(2_600 * at)
  })

  test('keep or sell: 400 now, 300 in a year, 80 upkeep is 180; another is 250 a year', () => {
    const figures = { resaleNow: 40_000, resaleLater: 30_000, upkeep: 8_000, price: 100_000, years: 3 }
    expect(says('keep-or-sell', { ...figures, newUpkeep: 5_000, newResale: 40_000 })).toBe(
      'Keep it: next year costs £180, a year of another £250.',
    )
    expect(says('keep-or-sell', { ...figures, upkeep: 15_001, newUpkeep: 5_000, newResale: 40_000 })).toMatch(
      /^Sell it/,
    )
  })

  test('pay-back: 400 at 50 less 10 a session is ten sessions, at three a month four months; what brings nothing never', () => {
    expect(says('pay-back', { cost: 40_000, earning: 5_000, spending: 1_000, sessions: 3 })).toBe(
      'After 10 sessions, in about 4 months.',
    )
    expect(says('pay-back', { cost: 40_000, earning: 5_000, spending: 5_000, sessions: 3 })).toMatch(/^Never/)
    expect(says('pay-back', { cost: 40_000, earning: 4_000, spending: 0, sessions: 0 })).toBe('After 10 sessions.')
  })

  test('cover: 5 % of 900 is 45 a year; a premium of 60 is more, and even at 6.7 %', () => {
    const figures = { value: 100_000, excess: 10_000, premium: 6_000, risk: 5 }
    expect(says('cover', figures)).toBe(
      'Cover costs more than it pays on average: £60.00 a year against £45.00. Even at 6.7 % a year. Worth it where £900 at once could not be borne.',
    )
    expect(says('cover', { ...figures, premium: 4_000 })).toMatch(/^Cover costs less/)
    expect(says('cover', { ...figures, excess: 100_000 })).toMatch(/It would pay nothing\.$/)
  })

  test('a rival: a quarter dearer and twice the light is one stop more, and more for the money', () => {
    const figures = { one: 20_000, other: 25_000, oneOutput: 5_000, otherOutput: 10_000 }
    expect(says('rival-price', figures)).toBe(
      'The rival costs £50.00 more, 25 % and gives 1 stop more. For the money the rival gives more.',
    )
    expect(says('rival-price', { ...figures, oneOutput: 0 })).toBe('The rival costs £50.00 more, 25 %.')
    expect(says('rival-price', { ...figures, other: 10_000, otherOutput: 2_500 })).toBe(
      'The rival costs £100 less, 50 % and gives 1 stop less. Both give the same for the money.',
    )
  })

  test('a modifier of 60 for a lamp of 240 is a fifth of the whole', () => {
    expect(says('accessories', { price: 24_000, accessories: 6_000 })).toBe(
      '£300 in all: for every 100 of the thing another 25 for what goes on it, 20 % of the whole.',
    )
  })

  test('a gift worth 500 that one would have paid 300 for, taxed at 20 % and worked five hours for, costs 50', () => {
    const figures = { value: 50_000, wouldPay: 30_000, tax: 20, hours: 5, hour: 5_000 }
    expect(says('gift', figures)).toBe('It costs £50.00. To you it is worth £300, not £500.')
    expect(says('gift', { ...figures, hours: 0 })).toBe('It leaves £200. To you it is worth £300, not £500.')
    expect(says('gift', { ...figures, wouldPay: 0 })).toBe('It costs £350. You would not have bought it.')
  })
})

describe('for every calculator', () => {
  test.each(CALCULATOR_CODES)(
    '%s: an amount that nobody said is no zero, and no figure makes it say nonsense',
    (code) => {
      const fields = Object.entries(CALCULATORS[code].fields)
      expect(reckon(code, {}, say)).toBeNull()
      expect(listLacking(code, {}).length).toBeGreaterThan(0)
      for (const [key, field] of fields) {
        const full = Object.fromEntries(fields.map(([name]) => [name, 7]))
        expect(reckon(code, full, say)?.says).not.toMatch(/NaN|Infinity|undefined|null/)
        if (field.start === null) expect(listLacking(code, { ...full, [key]: null })).toEqual([field.label])
        for (const value of [0, 1, field.most ?? 1e12]) {
          expect(reckon(code, { ...full, [key]: value }, say)?.says ?? '').not.toMatch(/NaN|Infinity|undefined|null/)
        }
      }
    },
  )
})
