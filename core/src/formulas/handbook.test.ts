import { describe, expect, test } from 'vitest'
import { readCardSpeed, SUSTAINED_WRITE } from '../kit/model/card-speed.ts'
import { classifyForLuggage } from '../kit/worth/air-travel.ts'
import { computeOffloadMinutes } from './media/offload.ts'
import { checkVoltageDrop, computeVoltageDrop, findGaugeDiameter } from './power/voltage-drop.ts'

describe('handbook values', () => {
  // IEC 60228, class 5: 13.3 Ω/km for 1.5 mm², so 30 m there and back at 10 A lose 7.98 V.
  test('voltage drop along a lead', () => {
    expect(computeVoltageDrop(30_000, 10, '1.5')).toBeCloseTo(7.98, 10)
    expect(computeVoltageDrop(10_000, 13, '0.75')).toBeCloseTo(6.76, 10)
    expect(computeVoltageDrop(50_000, 16, '2.5')).toBeCloseTo(12.768, 10)
    expect(computeVoltageDrop(30_000, 10, '6')).toBe(null)
  })

  // BS 7671, appendix 4: 3 % for lighting, 5 % for other uses.
  test.each([
    [6.9, 'ok'],
    [6.91, 'advise'],
    [11.5, 'advise'],
    [11.51, 'warn'],
  ])('%f V of 230 V: %s', (drop, level) => {
    expect(checkVoltageDrop(drop, 230)).toBe(level)
  })

  // ASTM B258, table of solid conductors: 36 AWG 0.127 mm, 14 AWG 1.628 mm, 12 AWG 2.053 mm, 10 AWG 2.588 mm.
  test.each([
    [36, 0.127],
    [14, 1.628],
    [12, 2.053],
    [10, 2.588],
  ])('%i AWG is %f mm', (gauge, millimetres) => {
    expect(findGaugeDiameter(gauge)).toBeCloseTo(millimetres, 3)
  })

  // ICAO Technical Instructions, IATA Dangerous Goods Regulations: 100 Wh and 160 Wh, both still within.
  test.each([
    [98_000, 'free'],
    [100_000, 'free'],
    [100_001, 'with-approval'],
    [160_000, 'with-approval'],
    [160_001, 'not-carried'],
  ])('a pack of %i mWh: %s', (energy, travels) => {
    expect(classifyForLuggage(energy)).toBe(travels)
  })

  // SD Association: minimum sustained write in MB/s.
  test.each([
    ['V6', 6],
    ['V10', 10],
    ['V30', 30],
    ['V60', 60],
    ['V90', 90],
    ['U1', 10],
    ['U3', 30],
    ['C10', 10],
  ])('%s sustains %i MB/s', (name, speed) => {
    expect(SUSTAINED_WRITE[name]).toBe(speed)
    expect(readCardSpeed(name.toLowerCase())).toBe(speed)
  })

  test('card speeds as people write them', () => {
    expect(readCardSpeed('60 MB/s')).toBe(60)
    expect(readCardSpeed(' 45 ')).toBe(45)
    for (const text of ['UHS-I', 'fast', 'V7', '']) expect(readCardSpeed(text)).toBe(null)
  })

  // Data over rate: 115.2 GB through a reader of 90 MB/s take 21 min 20 s, however fast card and disk are.
  test('copying goes at the pace of the slowest', () => {
    expect(computeOffloadMinutes(115_200, [260, 90, 450])).toBeCloseTo(21.333, 3)
  })
})
