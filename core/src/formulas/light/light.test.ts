import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { findCommonRange, findShift, miredOf } from './colour.ts'
import {
  findAlongFloor,
  findDistanceToWall,
  findEvenness,
  findHeadroom,
  findLuxAt,
  findStopsOverDistance,
  findWallFallOff,
} from './fall-off.ts'
import { findAngleBetween, findApparentSize, findElevation, findGaze, findShadow } from './source.ts'

describe('how light falls off', () => {
  // Inverse square law, as in every textbook of photometry.
  test.each([
    [1_000, 1_000],
    [2_000, 250],
    [500, 4_000],
    [1_414.2136, 500],
  ])('1,000 lx at 1 m are %f mm away %f lx', (distance, lux) => {
    expect(findLuxAt(1_000, distance)).toBeCloseTo(lux, 3)
  })

  test('a background as far behind as the lamp is in front gets two stops less', () => {
    expect(findStopsOverDistance(1_500, 3_000)).toBeCloseTo(2, 12)
    expect(findStopsOverDistance(1_000, 1_414.2136)).toBeCloseTo(1, 6)
  })

  // "Twice the watts looks twice as bright": it is one stop.
  test('twice the light is one stop, and half of the level is one stop in reserve', () => {
    expect(Math.log2(2)).toBe(1)
    expect(findHeadroom(0.5)).toBe(1)
    expect(findHeadroom(0.25)).toBe(2)
    expect(findHeadroom(1)).toBeCloseTo(0, 12)
  })

  test('ways in the plan are those of the triangle', () => {
    expect(findDistanceToWall(1_000, 0, 1_000, 0)).toBe(2_000)
    expect(findDistanceToWall(3_000, 90, 4_000, 0)).toBeCloseTo(5_000, 9)
    expect(findDistanceToWall(0, 0, 3_000, 4_000)).toBe(5_000)
    expect(findAlongFloor(5_000, 3_000)).toBe(4_000)
    expect(findAlongFloor(3_000, 3_000)).toBe(null)
  })

  test('farther is never brighter, and the shadow side never gains', () => {
    const length = fc.integer({ min: 100, max: 9_000 })
    fc.assert(
      fc.property(length, length, fc.integer({ min: -80, max: 80 }), (along, behind, side) => {
        expect(findDistanceToWall(along, side, behind, 0)).toBeGreaterThan(along * Math.cos((side * Math.PI) / 180))
        expect(findLuxAt(100, along + behind)).toBeLessThan(findLuxAt(100, along))
      }),
      { seed: 15 },
    )
  })

  // E = I · cos θ / d²: a lamp 2 m up and 1 m before a wall; by hand: floor 1/(√5)³ against 1 at its height.
  test('a lamp from above leaves the foot of a wall darker', () => {
    expect(findWallFallOff(2_000, 1_000, 2_000, 0)).toBeCloseTo(Math.log2(Math.sqrt(5) ** 3), 9)
    expect(findWallFallOff(1_000, 1_000, 2_000, 0)).toBeCloseTo(0, 12)
  })

  test('evenness is between the brightest and the darkest', () => {
    expect(findEvenness([400, 200, 300])).toBe(1)
    expect(findEvenness([250])).toBe(null)
    expect(findEvenness([])).toBe(null)
  })
})

describe('a lamp as it is seen', () => {
  // 2 · atan(r/d).
  test.each([
    [900, 1_200, 41.11],
    [1_000, 500, 90],
    [100, 5_730, 1],
  ])('%i mm across at %i mm looks %f° large', (size, distance, degrees) => {
    expect(findApparentSize(size, distance)).toBeCloseTo(degrees, 1)
  })

  // Similar triangles.
  test('the shadow of a head', () => {
    expect(findShadow(1_000, 0, 500, 2_000)).toEqual({ lowerMm: 1_000, asideMm: 0 })
    const aside = findShadow(1_000, 45, 0, 1_000)
    expect(aside?.asideMm).toBeCloseTo(1_000, 6)
    expect(findShadow(1_000, -45, 0, 1_000)?.asideMm).toBeCloseTo(1_000, 6)
    expect(findShadow(1_000, 0, -200, 2_000)?.lowerMm).toBe(-400)
    expect(findShadow(1_000, 90.01, 500, 2_000)).toBe(null)
    expect(findShadow(1_000, 180, 500, 2_000)).toBe(null)
  })

  test('angles between two directions', () => {
    const level = (sideDegrees: number) => ({ sideDegrees, upDegrees: 0 })
    expect(findAngleBetween(level(0), level(45))).toBeCloseTo(45, 9)
    expect(findAngleBetween(level(-30), level(30))).toBeCloseTo(60, 9)
    expect(findAngleBetween({ sideDegrees: 0, upDegrees: 90 }, level(123))).toBeCloseTo(90, 9)
    expect(findAngleBetween(level(10), level(10))).toBeCloseTo(0, 5)
    expect(findElevation(1_000, 1_000)).toBeCloseTo(45, 9)
  })

  test.each([
    [100, 1_000, 5.71],
    [87.5, 1_000, 5],
    [0, 1_000, 0],
  ])('a screen %f mm beside the lens from %i mm: %f°', (offset, distance, degrees) => {
    expect(findGaze(offset, distance)).toBeCloseTo(degrees, 2)
  })
})

describe('colour', () => {
  // Mired: 10⁶ / K. A full orange conversion from 5,600 K to 3,200 K is 134, made as 131 to 159 (from memory).
  test.each([
    [3_200, 312.5],
    [5_600, 178.57],
    [6_500, 153.85],
    [2_700, 370.37],
  ])('%i K are %f mired', (kelvin, mired) => {
    expect(miredOf(kelvin)).toBeCloseTo(mired, 2)
  })

  test('gels shift by the difference, warmer above nothing', () => {
    expect(findShift(5_600, 3_200)).toBeCloseTo(133.93, 2)
    expect(findShift(3_200, 5_600)).toBeCloseTo(-133.93, 2)
  })

  test('a set can be matched where all ranges meet', () => {
    const range = (kelvinMin: number, kelvinMax: number) => ({ kelvinMin, kelvinMax })
    expect(findCommonRange([range(2_700, 6_500), range(3_200, 5_600)])).toEqual(range(3_200, 5_600))
    expect(findCommonRange([range(2_700, 3_200), range(3_200, 5_600)])).toEqual(range(3_200, 3_200))
    expect(findCommonRange([range(2_700, 3_199), range(3_200, 5_600)])).toBe(null)
    expect(findCommonRange([])).toBe(null)
  })
})
