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
  return lightAt(aim(source), xMm, yMm, zMm)
}

/** A source with what is the same for every point of it: its axis one long, and how fast it fades beside that. */
interface Aimed {
  source: LightSource
  axis: readonly [number, number, number]
  /** Half beam angles for each radian; null for a flat surface. */
  halvesPerRadian: number | null
}

/** Null for what is aimed at where it stands itself. */
function aim(source: LightSource): Aimed | null {
  const { xMm, yMm, zMm, atXMm, atYMm, atZMm, spread } = source
  const length = Math.hypot(atXMm - xMm, atYMm - yMm, atZMm - zMm)
  if (length === 0) return null
  return {
    source,
    axis: [(atXMm - xMm) / length, (atYMm - yMm) / length, (atZMm - zMm) / length],
    halvesPerRadian: spread.kind === 'beam' ? 360 / Math.PI / spread.degrees : null,
  }
}

function lightAt(aimed: Aimed | null, xMm: number, yMm: number, zMm: number): number {
  if (!aimed) return 0
  const { source, axis, halvesPerRadian } = aimed
  const [px, py, pz] = [xMm - source.xMm, yMm - source.yMm, zMm - source.zMm]
  const squared = px * px + py * py + pz * pz
  if (squared === 0) return 0
  const cosine = (px * axis[0] + py * axis[1] + pz * axis[2]) / Math.sqrt(squared)
  if (cosine <= 0) return 0
  const light = (source.luxAtOneMetre * 1_000_000) / squared
  if (halvesPerRadian === null) return light * cosine
  const off = Math.acos(Math.min(1, cosine)) * halvesPerRadian
  return light * Math.exp(-Math.LN2 * off * off)
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
  const aimed = sources.map(aim)
  for (let column = 0; column < columns; column += 1) {
    const x = leftMm + ((column + 0.5) * widthMm) / columns
    let sum = 0
    for (const it of aimed) sum += lightAt(it, x, y, zMm)
    sums[column] = sum
  }
  return sums
}
