import Papa from 'papaparse'

export type Cell = string | number | boolean | null

/**
 * A table as CSV (RFC 4180). Text that a spreadsheet would run as a formula gets an apostrophe in front; numbers are
 * left as they are, negative ones too.
 */
export function writeCsv(columns: readonly string[], rows: readonly (readonly Cell[])[]): string {
  return Papa.unparse({ fields: [...columns], data: rows.map((row) => row.map(defuse)) }, { newline: '\r\n' })
}

function defuse(cell: Cell): Cell {
  return typeof cell === 'string' && /^[=+\-@\t\r]/.test(cell) ? `'${cell}` : cell
}

/** A cell as it was before `writeCsv` put its apostrophe in front. */
export function readDefused(cell: string): string {
  return /^'[=+\-@\t\r]/.test(cell) ? cell.slice(1) : cell
}
