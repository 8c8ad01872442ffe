import { describe, expect, test } from 'vitest'
import { writeImperial, writeImperialAround } from './imperial.ts'

describe('a sentence as an imperial studio writes it', () => {
  // International yard and pound agreement, 1959: 1 lb = 0.45359237 kg, 1 ft = 0.3048 m.
  test.each([
    ['STD-01 holds 8 kg, this head weighs 9.4 kg.', 'STD-01 holds 17.64 lb, this head weighs 20.72 lb.'],
    ['0.28 of 6 kg', '9.9 oz of 13.23 lb'],
    ['2.44 m up, 40 cm under it', '8′ up, 1′ 4″ under it'],
    ['1,200 g', '2.65 lb'],
    ['20 m²', '215 sq ft'],
    ['a 50 mm lens on a 16 mm spigot', 'a 50 mm lens on a 16 mm spigot'],
    ['30 min at 100 Mbit/s and 2 m/s', '30 min at 100 Mbit/s and 2 m/s'],
    ['1 to 3 m away', '3′ 3″ to 9′ 10″ away'],
  ])('%s', (metric, imperial) => expect(writeImperial(metric)).toBe(imperial))

  test('names stay as somebody gave them', () => {
    expect(writeImperialAround('Light stand, 2.6 m holds 6 kg, not 2.6 m.', ['Light stand, 2.6 m'])).toBe(
      'Light stand, 2.6 m holds 13.23 lb, not 8′ 6″.',
    )
  })
})
