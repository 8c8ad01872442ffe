import Papa from 'papaparse'
import { type ColumnMapping, guessColumns } from './column-guess.ts'
import type { InventoryColumn } from './inventory-columns.ts'

export const MOST_IMPORT_ROWS = 20_000
export const MOST_IMPORT_COLUMNS = 200
/** A heading is some words; what is longer is read no further. */
export const MOST_HEADING_LETTERS = 200

export type ImportProblemCode =
  | 'empty-file'
  | 'not-text'
  | 'open-quote'
  | 'no-rows'
  | 'too-many-rows'
  | 'too-many-columns'
  | 'missing-column'
  | 'repeated-column'
  | 'too-many-cells'
  | 'missing-value'
  | 'unknown-category'
  | 'unknown-acquisition'
  | 'unknown-state'
  | 'tag-of-other'
  | 'serial-twice'
  | 'bad-tag'
  | 'tag-in-use'
  | 'tag-twice'
  | 'bad-number'
  | 'bad-money'
  | 'bad-date'
  | 'bad-measure'
  | 'too-long'
  | 'bad-characters'

export interface ImportProblem {
  code: ImportProblemCode
  column: InventoryColumn | null
  received: string
  /** What would be right: units, an example, the limit. */
  expected: string
}

/** Rows with the line of the file each starts on, or why the file cannot be read as a table. */
export type Rows = { rows: { line: number; cells: string[] }[] } | { problem: ImportProblem }

/** Reads a CSV file (RFC 4180, and semicolons or tabs) into rows; blank ones are left out. */
export function readRows(csv: string): Rows {
  const text = csv.replace(/^\uFEFF/, '')
  if (text.trim() === '') return fail('empty-file', null, '', 'a heading and at least one line')
  // biome-ignore lint/suspicious/noControlCharactersInRegex: a NUL byte tells a spreadsheet file from a text file
  if (/[\u0000\uFFFD]/.test(text)) return fail('not-text', null, '', 'a text file in UTF-8, saved as CSV')
  const rows: { line: number; cells: string[] }[] = []
  let line = 1
  let consumed = 0
  let problem: ImportProblem | null = null
  Papa.parse<string[]>(text, {
    delimiter: findDelimiter(text),
    step: ({ data, errors, meta }, parser) => {
      const quote = errors.find((error) => error.type === 'Quotes')
      if (quote) {
        problem = { code: 'open-quote', column: null, received: `line ${line}`, expected: 'a closing quotation mark' }
        parser.abort()
        return
      }
      // Whatever comes after the first thing that is too much is not even read.
      const excess = findExcess(data, rows.length)
      if (excess) {
        problem = excess
        parser.abort()
        return
      }
      if (data.some((cell) => cell.trim() !== '')) rows.push({ line, cells: data })
      line += countLineEnds(text.slice(consumed, meta.cursor))
      consumed = meta.cursor
    },
  })
  if (problem) return { problem }
  if (rows.length < 2) return fail('no-rows', null, '', 'at least one line below the heading')
  return { rows }
}

function findExcess(data: readonly string[], read: number): ImportProblem | null {
  if (data.length > MOST_IMPORT_COLUMNS) {
    const expected = `at most ${MOST_IMPORT_COLUMNS} columns`
    return { code: 'too-many-columns', column: null, received: String(data.length), expected }
  }
  if (read <= MOST_IMPORT_ROWS) return null
  const expected = `at most ${MOST_IMPORT_ROWS} lines at once`
  return { code: 'too-many-rows', column: null, received: `more than ${MOST_IMPORT_ROWS}`, expected }
}

function fail(code: ImportProblemCode, column: InventoryColumn | null, received: string, expected: string) {
  return { problem: { code, column, received, expected } }
}

/** Comma unless the heading has more semicolons or tabs. */
function findDelimiter(text: string): string {
  const heading = text.slice(0, (text.indexOf('\n') + 1 || text.length + 1) - 1)
  const counts = [',', ';', '\t'].map((mark) => ({ mark, count: heading.split(mark).length }))
  return counts.sort((a, b) => b.count - a.count)[0]?.mark ?? ','
}

function countLineEnds(text: string): number {
  return (text.match(/\r\n|\n|\r/g) ?? []).length
}

/** What the headings mean: as somebody said for this file, or as they are guessed. `model` has to be among them. */
export function readHeading(
  cells: readonly string[],
  said: ColumnMapping | null,
  remembered: Readonly<Record<string, string>>,
): { columns: ColumnMapping } | { columns: ColumnMapping; problem: ImportProblem } {
  const columns = said && said.length === cells.length ? said : guessColumns(cells, remembered)
  const twice = columns.find((column, at) => column !== '' && columns.indexOf(column) !== at)
  if (twice) return { columns, ...fail('repeated-column', twice, twice, 'each column once') }
  if (columns.includes('model')) return { columns }
  const received = cells
    .filter((it) => it.trim() !== '')
    .join(', ')
    .slice(0, 80)
  return { columns, ...fail('missing-column', 'model', received, 'a column that names the things') }
}
