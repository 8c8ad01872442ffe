import type { InventoryColumn } from './inventory-columns.ts'

interface AskedLine {
  line: number
  name: string
  problems: readonly { column: InventoryColumn | null; received: string; text: string }[]
}

/** Answers to these are one line's own: no two things have the same tag or serial number. */
const OF_ONE_LINE: ReadonlySet<InventoryColumn> = new Set(['tag', 'serial'])

const flatten = (name: string) => name.toLowerCase().replace(/\s+/g, ' ').trim()

export interface AlikeLines {
  /** Lines that the same answer puts right for certain: the same cell, and for a kind of the same name. */
  same: number[]
  /** Of a kind: all lines with that word, whatever their names. It may be one kind, or a word for the rest. */
  sameWord: number[]
}

/** Lines that are put right by the same answer as this one, which is among them. */
export function listAlikeLines(
  lines: readonly AskedLine[],
  { line, name }: Pick<AskedLine, 'line' | 'name'>,
  { column, received, text }: AskedLine['problems'][number],
): AlikeLines {
  if (column === null || OF_ONE_LINE.has(column)) return { same: [line], sameWord: [line] }
  const asked = lines.filter((it) =>
    it.problems.some((own) => own.column === column && own.text === text && own.received === received),
  )
  const named = asked.filter((it) => column !== 'category' || flatten(it.name) === flatten(name))
  const numbersOf = (those: readonly AskedLine[]) => those.map((it) => it.line)
  return { same: numbersOf(named), sameWord: numbersOf(received === '' ? named : asked) }
}
