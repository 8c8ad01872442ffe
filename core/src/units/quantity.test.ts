import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  formatLength,
  formatMass,
  formatMinutes,
  formatPower,
  listUnitsMeant,
  type Measure,
  readMeasure,
  readQuantity,
} from './quantity.ts'

describe('quantities as people type them', () => {
  test.each<[string, Measure, number]>([
    ['1,2 kg', 'mass', 1_200],
    ['1.2 kg', 'mass', 1_200],
    ['240 g', 'mass', 240],
    ['8', 'mass', 8_000],
    // International yard and pound agreement of 1959: 1 lb = 0.45359237 kg, 1 in = 25.4 mm.
    ['1 lb', 'mass', 454],
    ['1 lb 8 oz', 'mass', 680],
    [`6'6"`, 'length', 1_981],
    ["6' 6", 'length', 1_981],
    ['2 m', 'length', 2_000],
    ['35cm', 'length', 350],
    ['98Wh', 'energy', 98_000],
    ['0.06 kW', 'power', 60_000],
    ['128 GB', 'data', 128_000],
    ['2 TB', 'data', 2_000_000],
    ['100 Mbit/s', 'bitRate', 100_000],
    ['3.07 Mbit/s', 'bitRate', 3_070],
    ['1 h 30', 'time', 90],
    ['1 h 30 min', 'time', 90],
    ['90', 'time', 90],
    ['1/4 in', 'length', 6],
    ['6 1/2"', 'length', 165],
    ['6½ in', 'length', 165],
    ["20'", 'length', 6_096],
    ['5 feet 3 inches', 'length', 1_600],
    ['3 lb 4 oz', 'mass', 1_474],
    ['3 lb 4', 'mass', 1_474],
    ['2 pounds', 'mass', 907],
    // 14.4 V × 6.8 Ah = 97.92 Wh, and 7.2 V × 2,000 mAh = 14.4 Wh: volts times ampere hours.
    ['14.4 V 6.8 Ah', 'energy', 97_920],
    ['14,4V, 6,8Ah', 'energy', 97_920],
    ['6.8 Ah × 14.4 V', 'energy', 97_920],
    ['2000 mAh 7.2 V', 'energy', 14_400],
  ])('%s', (text, measure, value) => {
    expect(readQuantity(text, measure)).toEqual({ ok: true, value })
  })

  test.each<[string, Measure, string]>([
    ['', 'mass', 'not-a-number'],
    ['heavy', 'mass', 'not-a-number'],
    ['12 parsec', 'length', 'unknown-unit'],
    ['-3 kg', 'mass', 'negative'],
    ['1,2,3 kg', 'mass', 'not-a-number'],
    ['99999999999 kg', 'mass', 'too-large'],
    ['2 kg or so!', 'mass', 'not-a-number'],
  ])('refuses %s', (text, measure, problem) => {
    expect(readQuantity(text, measure)).toMatchObject({ ok: false, problem })
  })

  test('what is shown reads back to the same grams, as far as it is shown', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 5_000_000 }), (grams) => {
        const reading = readQuantity(formatMass(grams).replace(/,(?=\d{3})/g, ''), 'mass')
        expect(reading.ok && Math.abs(reading.value - grams)).toBeLessThanOrEqual(grams < 1000 ? 0 : 5)
      }),
    )
  })

  test('writes minutes and watts for people', () => {
    expect(formatMinutes(95)).toBe('95 min')
    expect(formatMinutes(150)).toBe('2 h 30 min')
    expect(formatPower(2_990_000)).toBe('2,990 W')
  })
})

describe('a bare number', () => {
  test.each<[string, Measure, 'metric' | 'imperial', number | null]>([
    ['2.4', 'length', 'metric', 2_400],
    ['750', 'length', 'metric', null],
    ['8', 'mass', 'metric', 8_000],
    ['750', 'mass', 'metric', null],
    ['8', 'length', 'imperial', null],
    ['8 ft', 'length', 'imperial', 2_438],
    ['8', 'mass', 'imperial', null],
    ['0', 'mass', 'imperial', 0],
    ['2.4 m', 'length', 'imperial', 2_400],
    ['60', 'power', 'imperial', 60_000],
  ])('%s as %s in a %s studio', (text, measure, system, value) => {
    const reading = readMeasure(text, measure, system)
    expect(reading.ok ? reading.value : reading.problem).toBe(value ?? 'no-unit')
  })
})

describe('imperial studios', () => {
  // International yard and pound agreement, 1959: 1 in = 25.4 mm, 1 lb = 453.59237 g.
  test.each([
    [25.4, '1″'],
    [304.8, '1′'],
    [1981.2, '6′ 6″'],
    [2000, '6′ 7″'],
    [150, '6″'],
  ])('%f mm is %s', (mm, text) => expect(formatLength(mm, 'imperial')).toBe(text))

  test.each([
    [28.35, '1 oz'],
    [453.59237, '1 lb'],
    [8000, '17.64 lb'],
  ])('%f g is %s', (grams, text) => expect(formatMass(grams, 'imperial')).toBe(text))

  test('what is shown can be typed again, to the nearest inch', () => {
    for (const mm of [12.7, 305, 1524, 2743, 6096]) {
      const reading = readQuantity(formatLength(mm, 'imperial'), 'length')
      expect(reading.ok && Math.abs(reading.value - mm)).toBeLessThanOrEqual(13)
    }
  })
})

describe('in which unit a bare number is', () => {
  test.each([
    ['4', 'data', 'metric', ['MB', 'GB', 'TB']],
    ['1,5', 'mass', 'metric', ['g', 'kg']],
    ['1.5', 'mass', 'imperial', ['oz', 'lb']],
    ['6', 'length', 'imperial', ['in', 'ft']],
    // A unit was written, or nothing that is a number.
    ['4 TB', 'data', 'metric', []],
    ['', 'data', 'metric', []],
    ['four', 'data', 'metric', []],
  ] as const)('%s of %s in a %s studio', (text, measure, system, units) =>
    expect(listUnitsMeant(text, measure, system)).toEqual(units),
  )
})
