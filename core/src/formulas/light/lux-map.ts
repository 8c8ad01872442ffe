import { degreesOf } from './fall-off.ts'

/** How a source spreads its light: within a beam, or as a flat bright surface does. */
export type Spread = { kind: 'beam'; degrees: number } | { kind: 'surface' }

/** One source as it is set. Lengths in millimetres, in a system in which up is up. */
export interface LightSource {
  xMm: number
  yMm: number
  zMm: number
  /** What it is aimed at. */
  atXMm: number
  atYMm: number
  atZMm: number
  /** On its axis, at one metre, as it is set and after what is lost on the way. */
  luxAtOneMetre: number
  spread: Spread
}

/**
 * Light of one source at a point, in lux, on a surface that is turned to it: the inverse square of a point source, by how far the point
 * lies off its axis. A beam angle is that between the directions in which half is left, as lamps are described; between and beyond a bell
 * curve is taken. A flat surface, such as the cloth of a softbox, gives the cosine of the angle (Lambert's law), and nothing behind it.
 */
export function findLuxOf(source: LightSource, xMm: number, yMm: number, zMm: number): number {
  const { xMm: sx, yMm: sy, zMm: sz } = source
  const [px, py, pz] = [xMm - sx, yMm - sy, zMm - sz]
  const [ax, ay, az] = [source.atXMm - sx, source.atYMm - sy, source.atZMm - sz]
  const squared = px * px + py * py + pz * pz
  const axis = Math.sqrt(ax * ax + ay * ay + az * az)
  if (squared === 0 || axis === 0) return 0
  const cosine = (px * ax + py * ay + pz * az) / (Math.sqrt(squared) * axis)
  return (source.luxAtOneMetre * 1_000_000 * findShare(source.spread, cosine)) / squared
}

function findShare(spread: Spread, cosine: number): number {
  if (cosine <= 0) return 0
  if (spread.kind === 'surface') return cosine
  const off = degreesOf(Math.acos(Math.min(1, cosine))) / (spread.degrees / 2)
  return 0.5 ** (off * off)
}

/** A rectangle of the floor with so many points along each side, seen at a height. */
export interface LuxGrid {
  leftMm: number
  topMm: number
  widthMm: number
  depthMm: number
  zMm: number
  columns: number
  rows: number
}

/** The sums of all sources along one row of points, each in the middle of its cell; the first row is the topmost. */
export function sumLuxRow(sources: readonly LightSource[], grid: LuxGrid, row: number): Float32Array {
  const { leftMm, topMm, widthMm, depthMm, zMm, columns, rows } = grid
  const y = topMm + ((row + 0.5) * depthMm) / rows
  const sums = new Float32Array(columns)
  for (let column = 0; column < columns; column += 1) {
    const x = leftMm + ((column + 0.5) * widthMm) / columns
    let sum = 0
    for (const source of sources) sum += findLuxOf(source, x, y, zMm)
    sums[column] = sum
  }
  return sums
}
