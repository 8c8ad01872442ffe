import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { computeTippingMoments, computeTippingSafety, findMissingWeight, findTippingEdge } from './tipping.ts'

// Statics: moments about the tipping edge, worked by hand.
describe('what hangs beside a stand', () => {
  test('the edge between two of three legs is at half their radius', () => {
    expect(findTippingEdge(480)).toBeCloseTo(240, 9)
    // Four legs: r · cos(45°).
    expect(findTippingEdge(480, 4)).toBeCloseTo(339.41, 2)
  })

  test('1.7 kg on a boom of 2.1 m and 4.5 kg, on a stand of 5.2 kg with legs of 0.32 m: it goes over', () => {
    const masses = [
      { massGrams: 1_700, offsetMm: 2_100 },
      { massGrams: 4_500, offsetMm: 1_050 },
      { massGrams: 5_200, offsetMm: 0 },
    ]
    // Over: 1.7 · 1.94 + 4.5 · 0.89 = 7.303 kg·m; back: 5.2 · 0.16 = 0.832 kg·m.
    expect(computeTippingMoments(masses, 160)).toEqual({ over: 7_303_000, back: 832_000 })
    expect(computeTippingSafety(masses, 160)).toBeCloseTo(0.1139, 4)
    // 1.5 · 7.303 − 0.832 = 10.1225 kg·m, at 0.16 m.
    expect(findMissingWeight(masses, 160, 1.5)).toBe(63_266)
  })

  test('nothing beyond the edge pulls over nothing; a counterweight holds', () => {
    expect(computeTippingSafety([{ massGrams: 5_000, offsetMm: 160 }], 160)).toBe(Number.POSITIVE_INFINITY)
    const load = { massGrams: 1_000, offsetMm: 1_160 }
    expect(computeTippingSafety([load, { massGrams: 1_000, offsetMm: -840 }], 160)).toBe(1)
  })

  test('[law 17] more mass beyond the edge is never safer, and what is said to be missing is enough and no gram more', () => {
    const mass = fc.record({
      massGrams: fc.integer({ min: 1, max: 20_000 }),
      offsetMm: fc.integer({ min: 0, max: 3_000 }),
    })
    fc.assert(
      fc.property(fc.array(mass, { minLength: 1, maxLength: 5 }), fc.integer({ min: 50, max: 700 }), (masses, edge) => {
        const safety = computeTippingSafety(masses, edge)
        const heavier = [...masses, { massGrams: 500, offsetMm: edge + 300 }]
        expect(computeTippingSafety(heavier, edge)).toBeLessThanOrEqual(safety)
        const missing = findMissingWeight(masses, edge, 1.5)
        const held = (massGrams: number) => computeTippingSafety([...masses, { massGrams, offsetMm: 0 }], edge)
        expect(held(missing)).toBeGreaterThanOrEqual(1.5)
        if (missing > 1) expect(held(missing - 1)).toBeLessThan(1.5)
      }),
    )
  })
})
