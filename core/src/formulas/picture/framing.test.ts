import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  findAngleOfView,
  findCropFactor,
  findDistance,
  findFocalLength,
  findFrameWidth,
  findLikeFraming,
  fitImageCircle,
} from './framing.ts'

const width = fc.double({ min: 5, max: 60, noNaN: true })
const focal = fc.double({ min: 8, max: 300, noNaN: true })
const frame = fc.double({ min: 100, max: 20_000, noNaN: true })

describe('what a lens shows', () => {
  // Crop factors of sensor sizes as handbooks print them (36 × 24 mm has a diagonal of 43.267 mm).
  test.each([
    [23.6, 15.6, 1.53],
    [22.3, 14.9, 1.61],
    [17.3, 13, 2],
    [13.2, 8.8, 2.73],
  ])('%f × %f mm is cropped by %f', (w, h, crop) => expect(findCropFactor(w, h)).toBeCloseTo(crop, 2))

  // Angles of view at infinity, 2 · atan(d / 2f), as optics handbooks tabulate them for 36 × 24 mm.
  test.each([
    [36, 50, 39.6],
    [24, 50, 26.99],
    [43.267, 50, 46.79],
    [36, 24, 73.74],
    [36, 85, 23.91],
  ])('%f mm across a %f mm lens is %f°', (w, f, angle) => expect(findAngleOfView(w, f)).toBeCloseTo(angle, 2))

  test('width, distance and focal length undo each other', () => {
    fc.assert(
      fc.property(width, focal, frame, (d, f, w) => {
        const distance = findDistance(d, f, w)
        expect(findFrameWidth(d, f, distance)).toBeCloseTo(w, 3)
        expect(findFocalLength(d, distance, w)).toBeCloseTo(f, 6)
      }),
    )
  })

  test('nearer than its focal length a lens frames nothing', () => {
    expect(findFrameWidth(36, 50, 50)).toBeNull()
    expect(findFrameWidth(36, 50, 2050)).toBeCloseTo(1440, 6)
  })

  test('a circle as large as the diagonal covers it; a smaller one leaves the square of its share', () => {
    expect(fitImageCircle(Math.hypot(36, 24), 36, 24)).toEqual({
      isCovered: true,
      usedShare: 1,
      resolutionShare: 1,
      extraCrop: 1,
    })
    const small = fitImageCircle(28.3, 36, 24)
    expect(small.isCovered).toBe(false)
    expect(small.extraCrop).toBeCloseTo(1.53, 2)
    expect(small.resolutionShare).toBeCloseTo(0.43, 2)
  })

  describe('framing alike on another body', () => {
    const from = { activeWidthMm: 36, focalMm: 85 }
    const prime = (tag: string, mm: number) => ({ tag, name: tag, focalMinMm: mm, focalMaxMm: mm })

    test('half the width wants half the focal length, from a zoom exactly', () => {
      const zoom = { tag: 'Z', name: 'Z', focalMinMm: 18, focalMaxMm: 90 }
      expect(findLikeFraming(from, 18, [prime('A', 50), zoom])).toEqual({
        tag: 'Z',
        name: 'Z',
        focalMm: 42.5,
        errorPercent: 0,
      })
    })

    test('of fixed lenses the nearest, with its error', () => {
      const like = findLikeFraming(from, 23.6, [prime('A', 35), prime('B', 50), prime('C', 85)])
      expect(like?.tag).toBe('B')
      expect(like?.errorPercent).toBeCloseTo(11.4, 1)
    })

    test('without a lens there is none', () => expect(findLikeFraming(from, 23.6, [])).toBeNull())
  })
})
