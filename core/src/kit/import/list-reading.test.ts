import { describe, expect, test } from 'vitest'
import { CATEGORY_CODES, isKindOf, listKindsOf } from '../model/category.ts'
import { guessCategory } from '../model/category-words.ts'
import { findDoubts } from '../model/plausibility.ts'
import { sayDoubt } from '../model/plausibility-words.ts'
import { moreSpecsSchema, SPECS } from '../model/spec.ts'
import { saySpecValue } from '../model/spec-words.ts'
import { findHeadingUnit, guessColumns } from './column-guess.ts'
import { findDateOrder, readListDate } from './list-dates.ts'
import { findNearWords, measureSlips, splitWords } from './near-words.ts'

describe('kinds in other words', () => {
  // Common practice: what such things are called.
  test.each([
    ['LED panel, bicolour', 'panel'],
    ['SD card reader', 'reader'],
    ['Camera bag', 'case'],
    ['Bag for camera', 'case'],
    ['Softbox for COB light', 'softbox'],
    ['Tripod with fluid head', 'tripod'],
    ['mic stands', 'mic-stand'],
    ['Lav mics', 'lavalier'],
    ['kettle lead', 'lead'],
    ['HDMI cable', 'cable'],
    ['grey card', 'colour-card'],
    ['Batteries', 'pack'],
    ['AA batteries', 'cell'],
    ['hard drives', 'drive'],
    ['Whatsit', null],
    ['', null],
  ])('%s', (text, code) => expect(guessCategory(text)).toBe(code))

  test('a narrower kind serves whoever wants the wider, not the other way round', () => {
    expect([isKindOf('tube', 'light'), isKindOf('light', 'tube'), isKindOf('tube', 'tube')]).toEqual([
      true,
      false,
      true,
    ])
    for (const code of CATEGORY_CODES) expect(listKindsOf(code)).toContain(code)
  })
})

describe('headings', () => {
  test('each column goes to the heading that means it most certainly', () => {
    expect(guessColumns(['Description', 'Name', 'Catagory', 'Weight (kg)', 'S/N', 'Colour'])).toEqual([
      '',
      'model',
      'category',
      'mass',
      'serial',
      '',
    ])
    expect(guessColumns(['tag', 'asset tag'])).toEqual(['tag', ''])
    expect(findHeadingUnit('Weight (kg)')).toBe('kg')
    expect(findHeadingUnit('Weight')).toBe(null)
  })
})

describe('dates as lists have them', () => {
  test.each([
    ['2024-03-14', 'day-first', '2024-03-14'],
    ['2024-03-14T09:30:00Z', 'day-first', '2024-03-14'],
    ['14.3.2024', 'month-first', '2024-03-14'],
    ['3/4/2024', 'day-first', '2024-04-03'],
    ['3/4/2024', 'month-first', '2024-03-04'],
    ['3/14/24', 'day-first', '2024-03-14'],
    ['3/3/2024', 'mixed', '2024-03-03'],
    ['3/4/2024', 'mixed', null],
    ['14 Mar 2024', 'mixed', '2024-03-14'],
    ['March 14th, 2024', 'mixed', '2024-03-14'],
    ['31.2.2024', 'day-first', null],
    ['March 2024', 'day-first', null],
    ['soon', 'day-first', null],
  ] as const)('%s, %s', (text, order, date) => expect(readListDate(text, order)).toBe(date))

  test('the order is told by the dates that can be read one way only', () => {
    expect(findDateOrder(['3/4/2024', '13/4/2024'])).toBe('day-first')
    expect(findDateOrder(['3/4/2024', '4/13/2024'])).toBe('month-first')
    expect(findDateOrder(['3/4/2024', '4/5/2024'])).toBe('unclear')
    expect(findDateOrder(['13/4/2024', '4/13/2024'])).toBe('mixed')
  })

  // ECMA-376 Part 1, 18.17.4.1: in the 1900 date system serial 1 is 1 January 1900 and 2958465 is 31 December 9999 (from
  // memory); with its false 29 February 1900, serial 43831 is 1 January 2020.
  test('bare day numbers of a spreadsheet', () => expect(readListDate('43831', 'mixed')).toBe('2020-01-01'))
})

describe('near words', () => {
  // Published: Damerau, A technique for computer detection and correction of spelling errors (1964): one letter wrong,
  // missing, extra, or two transposed.
  test.each([
    ['tripod', 'tripod', 0],
    ['tripod', 'tripid', 1],
    ['tripod', 'tripd', 1],
    ['tripod', 'triipod', 1],
    ['tripod', 'tirpod', 1],
    ['ca', 'abc', 3],
  ])('%s and %s are %i slips apart, either way', (a, b, slips) => {
    expect([measureSlips(a, b), measureSlips(b, a)]).toEqual([slips, slips])
  })

  test('what begins alike comes first; figures and short words are meant as they stand', () => {
    expect(findNearWords('pane', ['panel', 'plane', 'lamp'])).toEqual(['panel', 'plane'])
    expect(findNearWords('128', ['129', '1280'])).toEqual(['1280'])
    expect(splitWords('Étui CAM-02, 7 kg')).toEqual(['etui', 'cam', '02', '7', 'kg'])
  })
})

describe('what can hardly be right', () => {
  const codes = (...args: Parameters<typeof findDoubts>) => findDoubts(...args).map((it) => it.code)

  test('a prime with two focal lengths, a zoom with one, a range turned round, a sensor stood on end', () => {
    expect(codes('lens', { more: { lensKind: 'prime', focalMinMm: 24, focalMaxMm: 70 } })).toEqual(['prime-with-two'])
    expect(codes('lens', { more: { lensKind: 'zoom', focalMinMm: 50, focalMaxMm: 50 } })).toEqual(['zoom-with-one'])
    expect(codes('light', { more: { kelvinMin: 6500, kelvinMax: 2700 } })).toEqual(['turned-round'])
    expect(codes('camera', { more: { sensorWidthMm: 13, sensorHeightMm: 17.3 } })).toEqual(['sensor-not-wide'])
    expect(codes('lens', { more: { lensKind: 'zoom', focalMinMm: 24, focalMaxMm: 70 } })).toEqual([])
  })

  test('gigabytes for terabytes, grams for kilograms: by kind, at both ends', () => {
    expect(codes('drive', { capacityMegabytes: 4_000 })).toEqual(['out-of-bounds'])
    expect(codes('drive', { capacityMegabytes: 4_000_000 })).toEqual([])
    expect(codes('nas', { capacityMegabytes: 4_000 })).toEqual(['out-of-bounds'])
    expect(codes('card', { capacityMegabytes: 128_000_000 })).toEqual(['out-of-bounds'])
    expect(codes('tube', {}, { milliwatts: 20_000_000 })).toEqual(['out-of-bounds'])
    expect(codes('light', {}, { milliwatts: 350_000 })).toEqual([])
  })

  test('each is asked in a sentence that ends as a question', () => {
    const doubts = [
      ...findDoubts('lens', { massGrams: 1, more: { lensKind: 'prime', focalMinMm: 2, focalMaxMm: 70 } }),
      ...findDoubts('camera', {
        energyMilliwattHours: 1,
        capacityMegabytes: 1,
        more: { sensorWidthMm: 9, sensorHeightMm: 12 },
      }),
      ...findDoubts('lens', {
        more: { lensKind: 'zoom', focalMinMm: 50, focalMaxMm: 50, kelvinMin: 9_000, kelvinMax: 3_000 },
      }),
    ]
    expect(doubts).toHaveLength(8)
    for (const doubt of doubts) expect(sayDoubt(doubt)).toMatch(/^[A-Z“].*\?$/)
  })

  test('specs are figures, words of a list, or words', () => {
    expect(moreSpecsSchema.safeParse({ focalMinMm: 24, lensKind: 'zoom', season: 'winter' }).success).toBe(true)
    for (const wrong of [{ focalMinMm: '24' }, { lensKind: 'fisheye' }, { season: 3 }, { spell: 1 }]) {
      expect(moreSpecsSchema.safeParse(wrong).success).toBe(false)
    }
    expect(saySpecValue('focalMinMm', 24, 'imperial')).toBe('24 mm')
    expect(saySpecValue('heightMaxMm', 2_438, 'imperial')).toBe('8′')
    expect(saySpecValue('heightMaxMm', 2_400, 'metric')).toBe('2.4 m')
    expect(saySpecValue('widestAperture', 2.8, 'metric')).toBe('f/2.8')
    expect(saySpecValue('lensKind', 'zoom', 'metric')).toBe('zoom')
    for (const facts of Object.values(SPECS)) {
      if (facts.kind === 'figure') expect(facts.plausible[0]).toBeLessThan(facts.plausible[1])
    }
  })
})
