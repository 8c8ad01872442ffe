import { type LightSource, type LuxGrid, sumLuxRow } from '@exemplar/core'

/** Sums the light over the floor away from the page, row by row, and says how far it has come. Whoever wants no more of it ends it. */

export interface LuxRequest {
  sources: LightSource[]
  grid: LuxGrid
}

/** Nobody reads what is said more often. */
const SAID_EVERY_MS = 100

self.onmessage = ({ data: { sources, grid } }: MessageEvent<LuxRequest>) => {
  const lux = new Float32Array(grid.columns * grid.rows)
  let saidAt = performance.now()
  for (let row = 0; row < grid.rows; row += 1) {
    lux.set(sumLuxRow(sources, grid, row), row * grid.columns)
    if (performance.now() - saidAt < SAID_EVERY_MS) continue
    saidAt = performance.now()
    self.postMessage({ done: (row + 1) / grid.rows })
  }
  self.postMessage({ lux }, { transfer: [lux.buffer] })
}
