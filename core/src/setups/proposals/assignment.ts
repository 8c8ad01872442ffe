/**
 * Gives each row one column of its own at the least cost, or leaves it without at the cost of its penalty. `null` is a column
 * that a row cannot have. Gives the column of each row, -1 for none. Successive shortest paths with potentials (Kuhn, Naval
 * Research Logistics Quarterly 2, 1955; in the form for rectangles by Jonker and Volgenant, Computing 38, 1987): rows² ·
 * columns steps. The same input gives the same answer, ties to the first column.
 */
export function assignAtLeastCost(
  costs: readonly (readonly (number | null)[])[],
  penalties: readonly number[],
): number[] {
  const rows = costs.length
  const real = Math.max(0, ...costs.map((row) => row.length))
  // Each row has a column of its own behind the real ones, which stands for having none.
  const columns = real + rows
  const costOf = (row: number, column: number): number => {
    if (column >= real) return column - real === row ? (penalties[row] ?? 0) : Number.POSITIVE_INFINITY
    return costs[row]?.[column] ?? Number.POSITIVE_INFINITY
  }
  const rowOf = new Int32Array(columns).fill(-1)
  const columnOf = new Int32Array(rows).fill(-1)
  const ofRow = new Float64Array(rows)
  const ofColumn = new Float64Array(columns)
  for (let row = 0; row < rows; row++) growMutably(row, { columns, costOf, rowOf, columnOf, ofRow, ofColumn })
  return [...columnOf].map((column) => (column >= real ? -1 : column))
}

interface Growing {
  columns: number
  costOf(row: number, column: number): number
  rowOf: Int32Array
  columnOf: Int32Array
  ofRow: Float64Array
  ofColumn: Float64Array
}

/** One more row, by the shortest path from it to a free column in reduced costs; potentials keep the rest optimal. */
function growMutably(start: number, { columns, costOf, rowOf, columnOf, ofRow, ofColumn }: Growing): void {
  const distance = new Float64Array(columns).fill(Number.POSITIVE_INFINITY)
  const cameFrom = new Int32Array(columns).fill(-1)
  const isDone = new Uint8Array(columns)
  let row = start
  let reached = 0
  let sink = -1
  while (sink < 0) {
    let nearest = -1
    for (let column = 0; column < columns; column++) {
      if (isDone[column]) continue
      const step = reached + costOf(row, column) - (ofRow[row] ?? 0) - (ofColumn[column] ?? 0)
      if (step < (distance[column] ?? 0)) {
        distance[column] = step
        cameFrom[column] = row
      }
      if (nearest < 0 || (distance[column] ?? 0) < (distance[nearest] ?? 0)) nearest = column
    }
    isDone[nearest] = 1
    reached = distance[nearest] ?? 0
    const holder = rowOf[nearest] ?? -1
    if (holder < 0) sink = nearest
    else row = holder
  }
  ofRow[start] = (ofRow[start] ?? 0) + reached
  for (let column = 0; column < columns; column++) {
    if (!isDone[column] || column === sink) continue
    const change = reached - (distance[column] ?? 0)
    ofColumn[column] = (ofColumn[column] ?? 0) - change
    const holder = rowOf[column] ?? -1
    if (holder >= 0) ofRow[holder] = (ofRow[holder] ?? 0) + change
  }
  for (let column = sink; column >= 0; ) {
    const from = cameFrom[column] ?? -1
    const before = columnOf[from] ?? -1
    rowOf[column] = from
    columnOf[from] = column
    if (from === start) return
    column = before
  }
}
