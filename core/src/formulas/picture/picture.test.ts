import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  APERTURES,
  findBlurDisc,
  findCircleOfConfusion,
  findFNumberFor,
  findHyperfocal,
  findSharpRange,
} from './depth-of-field.ts'
import {
  findLuxOfValue,
  findSafeShutter,
  findShutterAngle,
  findStops,
  findStopsBetween,
  findWantedLux,
  isFlickerSafe,
  listSafeShutters,
} from './exposure.ts'
import {
  findAngleOfView,
  findClosestWidth,
  findCropFactor,
  findDistance,
  findFocalLength,
  findFocalLengthFilling,
  findFrameWidth,
  findSeenWidth,
} from './framing.ts'

describe('sensors and lenses', () => {
  // Diagonals against 36 × 24 mm; the usual sensor sizes, as every handbook lists them.
  test.each([
    [23.6, 15.6, 1.53],
    [22.3, 14.9, 1.61],
    [17.3, 13, 2.0],
    [13.2, 8.8, 2.73],
    [36, 24, 1],
  ])('%f × %f mm: crop %f by diagonal', (width, height, crop) => {
    expect(findCropFactor(width, height)).toBeCloseTo(crop, 2)
  })

  // 17.3 × 13 cut to 16 : 9: 43.27 / hypot(17.3, 9.73), and by width alone 36 / 17.3.
  test('a picture of 16 to 9 from 17.3 mm is 2.18 times by diagonal of itself and 2.08 by width', () => {
    expect(findCropFactor(17.3, (17.3 * 9) / 16)).toBeCloseTo(2.18, 2)
    expect(36 / 17.3).toBeCloseTo(2.08, 2)
  })

  // The claim that a 25 mm lens there "is a 35 mm": it frames as 52 mm.
  test('25 mm on 17.3 mm frames as 52 mm would', () => {
    expect((25 * 36) / 17.3).toBeCloseTo(52.02, 2)
  })

  // Published tables of angles of view on 36 × 24 mm, at infinity.
  test.each([
    [24, 73.74],
    [35, 54.43],
    [50, 39.6],
    [85, 23.91],
    [135, 15.19],
  ])('%i mm sees %f° across', (focal, degrees) => {
    expect(findAngleOfView(36, focal)).toBeCloseTo(degrees, 2)
  })

  test('forward and inverse agree on 5,000 seeded cases', () => {
    const width = fc.double({ min: 4, max: 54, noNaN: true })
    const focal = fc.double({ min: 4, max: 600, noNaN: true })
    const distance = fc.double({ min: 700, max: 50_000, noNaN: true })
    fc.assert(
      fc.property(width, focal, distance, (w, f, d) => {
        const frame = findFrameWidth(w, f, d) ?? Number.NaN
        expect(findDistance(w, f, frame) / d).toBeCloseTo(1, 9)
        expect(findFocalLength(w, d, frame) / f).toBeCloseTo(1, 9)
        expect(findSeenWidth(w, findFocalLengthFilling(w, d, frame), d) / frame).toBeCloseTo(1, 9)
        // What is seen whatever is focused is never less than what is framed.
        expect(findSeenWidth(w, f, d)).toBeGreaterThan(frame)
      }),
      { numRuns: 5_000, seed: 15 },
    )
  })

  // An independent pinhole: project the edges of a plane through the centre of the lens onto the sensor at its image distance.
  test('the framed width projects onto the whole width of the sensor', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 4, max: 54, noNaN: true }),
        fc.double({ min: 8, max: 300, noNaN: true }),
        fc.double({ min: 1_000, max: 20_000, noNaN: true }),
        (w, f, d) => {
          const image = 1 / (1 / f - 1 / d)
          const frame = findFrameWidth(w, f, d) ?? Number.NaN
          const [left, right] = [-frame / 2, frame / 2].map((x) => (-x * image) / d) as [number, number]
          expect((left - right) / w).toBeCloseTo(1, 9)
        },
      ),
      { numRuns: 500, seed: 15 },
    )
  })

  // A paper roll 2.72 m wide (a common trade width) fills a 36 mm wide frame at 24 mm surely only up to 1.81 m.
  test('a roll of 2.72 m at 24 mm', () => {
    expect(findSeenWidth(36, 24, 1_813)).toBeCloseTo(2_719.5, 1)
    expect(findFocalLengthFilling(36, 1_813, 2_720)).toBeLessThan(24)
    expect(findFocalLengthFilling(36, 1_815, 2_720)).toBeGreaterThan(24)
  })

  // Half life size: a lens of 50 mm is at 225 mm from sensor to subject, f · (2 + m + 1/m); life size at 4 f.
  test('closest focus is counted from the sensor', () => {
    expect(findClosestWidth(36, 50, 225)).toBeCloseTo(72, 6)
    expect(findClosestWidth(36, 50, 200)).toBeCloseTo(36, 6)
    expect(findClosestWidth(36, 50, 199)).toBe(null)
  })
})

describe('what is sharp', () => {
  // Handbook tables of depth of field for 36 × 24 mm with 0.030 mm.
  test('50 mm at f/2.8 and 3 m: 2.729 to 3.330 m', () => {
    const range = findSharpRange(50, 2.8, 0.03, 3_000)
    expect(range?.nearMm).toBeCloseTo(2_729, 0)
    expect(range?.farMm).toBeCloseTo(3_330, 0)
  })

  test.each([
    [50, 8, 10_467],
    [35, 8, 5_139],
    [24, 11, 1_769],
    [85, 4, 60_293],
  ])('%i mm at f/%i: hyperfocal %i mm', (focal, fNumber, expected) => {
    expect(findHyperfocal(focal, fNumber, 0.03)).toBeCloseTo(expected, 0)
  })

  test('from the hyperfocal distance on it is sharp to infinity, and from half of it', () => {
    const hyperfocal = findHyperfocal(35, 8, 0.03)
    const at = findSharpRange(35, 8, 0.03, hyperfocal)
    expect(at?.farMm).toBe(null)
    expect(at?.nearMm).toBeCloseTo(hyperfocal / 2, 6)
    expect(findSharpRange(35, 8, 0.03, hyperfocal - 1)?.farMm).not.toBe(null)
    expect(findSharpRange(50, 8, 0.03, 50)).toBe(null)
  })

  test('the circle of confusion is as much smaller as the sensor', () => {
    expect(findCircleOfConfusion(36, 24)).toBeCloseTo(0.03, 6)
    expect(findCircleOfConfusion(23.6, 15.6)).toBeCloseTo(0.0196, 4)
    expect(findCircleOfConfusion(17.3, 13)).toBeCloseTo(0.015, 4)
  })

  test('a smaller aperture takes in what a wider one does', () => {
    for (const [at, fNumber] of APERTURES.entries()) {
      const before = APERTURES[at - 1]
      if (before === undefined) continue
      const wide = findSharpRange(50, before, 0.03, 2_000)
      const small = findSharpRange(50, fNumber, 0.03, 2_000)
      expect(small?.nearMm).toBeLessThan(wide?.nearMm ?? 0)
    }
  })

  test('the aperture that takes in two things does, and the next wider one does not', () => {
    const between = 2 / (1 / 1_500 + 1 / 2_000)
    const found = findFNumberFor(50, 0.03, between, 1_500, 2_000)
    const at = APERTURES.indexOf(found ?? 0)
    const takesIn = (fNumber: number) => {
      const range = findSharpRange(50, fNumber, 0.03, between)
      return range !== null && range.nearMm <= 1_500 && (range.farMm ?? Infinity) >= 2_000
    }
    expect(takesIn(APERTURES[at] ?? 0)).toBe(true)
    expect(takesIn(APERTURES[at - 1] ?? 0)).toBe(false)
    expect(findFNumberFor(200, 0.03, 900, 600, 1_800)).toBe(null)
  })

  // "Same blur at any focal length" from the same place is wrong: with the square of it.
  test('24 mm and 70 mm at f/2.8, 1 m to the face and 2.5 m to the background', () => {
    const wide = findBlurDisc(24, 2.8, 1_000, 2_500) ?? 0
    const long = findBlurDisc(70, 2.8, 1_000, 2_500) ?? 0
    expect(wide).toBeCloseTo(0.126, 3)
    expect(long).toBeCloseTo(1.129, 3)
    expect(long / wide).toBeCloseTo(8.93, 2)
    expect(findBlurDisc(50, 2, 1_000, 999)).toBe(null)
  })
})

describe('exposure', () => {
  // ISO 2720, C = 250.
  test('f/2.8, 1/50 s, ISO 800 want 122.5 lx', () => {
    expect(findWantedLux(2.8, 1 / 50, 800)).toBeCloseTo(122.5, 6)
  })

  // Exposure value 15 is a sunny day: f/16 at 1/125 and ISO 125 (the sunny rule, common practice); 2.5 · 2^15 = 81,920 lx.
  test('full sun is 81,920 lx, and the sunny rule is within a third of a stop of it', () => {
    expect(findLuxOfValue(15)).toBe(81_920)
    expect(Math.abs(findStops(findLuxOfValue(15), findWantedLux(16, 1 / 125, 125)))).toBeLessThan(0.4)
    expect(findLuxOfValue(0)).toBe(2.5)
  })

  test.each([
    [2.8, 4, 1.03],
    [1.4, 2, 1.03],
    [3.5, 5.6, 1.36],
    [2, 2, 0],
  ])('from f/%f to f/%f are %f stops', (wide, small, stops) => {
    expect(findStopsBetween(wide, small)).toBeCloseTo(stops, 2)
  })

  test.each([
    [1 / 50, 25, 180],
    [1 / 48, 24, 180],
    [1 / 100, 25, 90],
    [1 / 60, 30, 180],
    [1 / 25, 25, 360],
  ])('%f s at %i frames: %i°', (seconds, fps, angle) => {
    expect(findShutterAngle(seconds, fps)).toBeCloseTo(angle, 6)
  })

  // 1/100 s at 50 Hz and 1/120 s at 60 Hz are one pulse; 1/50 and 1/60 two. Common practice.
  test.each([
    [1 / 50, 50, true],
    [1 / 100, 50, true],
    [1 / 25, 50, true],
    [1 / 60, 50, false],
    [1 / 125, 50, false],
    [1 / 48, 50, false],
    [1 / 60, 60, true],
    [1 / 120, 60, true],
    [1 / 40, 60, true],
    [1 / 50, 60, false],
    [1 / 250, 60, false],
  ])('%f s under %i Hz is safe: %s', (seconds, hertz, isSafe) => {
    expect(isFlickerSafe(seconds, hertz)).toBe(isSafe)
  })

  test('the safe time nearest to 180°', () => {
    expect(findSafeShutter(25, 50)).toBeCloseTo(1 / 50, 9)
    expect(findSafeShutter(24, 50)).toBeCloseTo(1 / 50, 9)
    expect(findSafeShutter(30, 50)).toBeCloseTo(1 / 50, 9)
    expect(findSafeShutter(24, 60)).toBeCloseTo(1 / 40, 9)
    expect(findSafeShutter(30, 60)).toBeCloseTo(1 / 60, 9)
    expect(findSafeShutter(120, 50)).toBe(null)
    expect(listSafeShutters(25, 50).map((it) => Math.round(1 / it))).toEqual([25, 33, 50, 100])
  })
})
