import { describe, expect, test } from 'vitest'
import { makeDice } from '../../laws/law-cases.fixture.ts'
import { findLuxOf, type LightSource, type LuxGrid, sumLuxRow } from './lux-map.ts'

const SOURCE: LightSource = {
  xMm: 0,
  yMm: 0,
  zMm: 2_000,
  atXMm: 0,
  atYMm: 3_000,
  atZMm: 2_000,
  luxAtOneMetre: 900,
  spread: { kind: 'beam', degrees: 60 },
}

describe('light of one source', () => {
  test('on its axis the inverse square: 900 lx at one metre are 225 at two and 100 at three', () => {
    expect([1, 2, 3].map((metres) => findLuxOf(SOURCE, 0, metres * 1_000, 2_000))).toEqual([900, 225, 100])
  })

  test('half is left at half the beam angle to each side, as lamps are described', () => {
    const at = (degrees: number) => {
      const angle = (degrees * Math.PI) / 180
      return findLuxOf(SOURCE, 1_000 * Math.sin(angle), 1_000 * Math.cos(angle), 2_000)
    }
    expect(at(30)).toBeCloseTo(450, 6)
    expect(at(-30)).toBeCloseTo(450, 6)
    expect(at(10)).toBeGreaterThan(at(20))
    expect(at(100)).toBe(0)
  })

  // Johann Heinrich Lambert, Photometria, 1760: a flat bright surface gives the cosine of the angle to its normal.
  test('a surface gives the cosine, and nothing behind it', () => {
    const cloth: LightSource = { ...SOURCE, spread: { kind: 'surface' } }
    const at = (degrees: number) => {
      const angle = (degrees * Math.PI) / 180
      return findLuxOf(cloth, 1_000 * Math.sin(angle), 1_000 * Math.cos(angle), 2_000)
    }
    expect([at(0), at(60), at(90), at(120)].map((it) => Number(it.toFixed(6)))).toEqual([900, 450, 0, 0])
  })

  test('where it is itself, or aimed at nothing, there is no figure and no fault', () => {
    expect(findLuxOf(SOURCE, 0, 0, 2_000)).toBe(0)
    expect(findLuxOf({ ...SOURCE, atYMm: 0 }, 0, 1_000, 2_000)).toBe(0)
  })
})

describe('light over the floor', () => {
  const GRID: LuxGrid = {
    leftMm: -3_000,
    topMm: -2_000,
    widthMm: 6_000,
    depthMm: 5_000,
    zMm: 1_200,
    columns: 200,
    rows: 200,
  }

  const throwSources = (): LightSource[] => {
    const dice = makeDice(7)
    return Array.from({ length: 12 }, (_, at) => ({
      xMm: dice.upTo(6_000) - 3_000,
      yMm: dice.upTo(5_000) - 2_000,
      zMm: 1_000 + dice.upTo(1_500),
      atXMm: 0,
      atYMm: 0,
      atZMm: 1_200,
      luxAtOneMetre: 100 + dice.upTo(3_000),
      spread: at % 2 === 0 ? { kind: 'beam' as const, degrees: 20 + dice.upTo(90) } : { kind: 'surface' as const },
    }))
  }

  test('at 200 points by chance it is the sum of the sources there, worked out by angles', () => {
    const sources = throwSources()
    const dice = makeDice(8)
    for (let n = 0; n < 200; n += 1) {
      const [row, column] = [dice.upTo(GRID.rows - 1), dice.upTo(GRID.columns - 1)]
      const x = GRID.leftMm + ((column + 0.5) * GRID.widthMm) / GRID.columns
      const y = GRID.topMm + ((row + 0.5) * GRID.depthMm) / GRID.rows
      const expected = sources.reduce((sum, it) => sum + lightByAngles(it, x, y, GRID.zMm), 0)
      const found = sumLuxRow(sources, GRID, row)[column] ?? 0
      expect(Math.abs(found - expected) / Math.max(expected, 1)).toBeLessThan(1e-5)
    }
  })

  test('it is symmetric where the scene is', () => {
    const one = { ...SOURCE, xMm: -1_500, atXMm: 0, atYMm: 500 }
    const sources = [one, { ...one, xMm: 1_500 }]
    for (const row of [0, 40, 120, 199]) {
      const sums = [...sumLuxRow(sources, GRID, row)]
      const turned = [...sums].reverse()
      expect(Math.max(...sums.map((it, at) => Math.abs(it - (turned[at] ?? 0)) / Math.max(it, 1)))).toBeLessThan(1e-5)
    }
  })
})

/** The same by bearing and elevation instead of products: independent of how the product does it. */
function lightByAngles(it: LightSource, x: number, y: number, z: number): number {
  const [bearing, axis] = [Math.atan2(x - it.xMm, y - it.yMm), Math.atan2(it.atXMm - it.xMm, it.atYMm - it.yMm)]
  const up = Math.atan2(z - it.zMm, Math.hypot(x - it.xMm, y - it.yMm))
  const axisUp = Math.atan2(it.atZMm - it.zMm, Math.hypot(it.atXMm - it.xMm, it.atYMm - it.yMm))
  // The spherical law of cosines.
  const cosine = Math.sin(up) * Math.sin(axisUp) + Math.cos(up) * Math.cos(axisUp) * Math.cos(bearing - axis)
  const off = (Math.acos(Math.min(1, Math.max(-1, cosine))) * 180) / Math.PI
  const metres = Math.hypot(x - it.xMm, y - it.yMm, z - it.zMm) / 1_000
  if (off >= 90) return 0
  const share =
    it.spread.kind === 'surface'
      ? Math.cos((off * Math.PI) / 180)
      : Math.exp(-Math.LN2 * (off / (it.spread.degrees / 2)) ** 2)
  return (it.luxAtOneMetre / metres ** 2) * share
}
