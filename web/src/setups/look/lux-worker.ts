import { type LightSource, type LuxGrid, sumLuxRow } from '@exemplar/core'

/** Sums the light over the floor away from the page, row by row, and says how far it has come. Whoever wants no more of it ends it. */

export interface LuxRequest {
  sources: LightSource[]
  grid: LuxGrid
}

const ROWS_AT_ONCE = 20

self.onmessage = ({ data: { sources, grid } }: MessageEvent<LuxRequest>) => {
  const lux = new Float32Array(grid.columns * grid.rows)
  for (let row = 0; row < grid.rows; row += 1) {
    lux.set(sumLuxRow(sources, grid, row), row * grid.columns)
    if ((row + 1) % ROWS_AT_ONCE === 0) self.postMessage({ done: (row + 1) / grid.rows })
  }
  self.postMessage({ lux }, { transfer: [lux.buffer] })
}
