import type { ReactNode } from 'react'
import { Button } from '../parts/button.tsx'

/** Rows of one kind in a form: each with its fields, one to add and a way to remove. */
export function RowsField<T extends { id: string }>({
  legend,
  add,
  rows,
  blank,
  onChange,
  children,
}: {
  legend: string
  add: string
  rows: readonly T[]
  blank: () => T
  onChange(rows: T[]): void
  children(row: T, set: (part: Partial<T>) => void, at: number): ReactNode
}) {
  return (
    <fieldset className="grid gap-2">
      <legend className="mb-1 text-[12px] font-semibold">{legend}</legend>
      {rows.map((row, at) => (
        <div key={row.id} className="grid grid-cols-2 gap-2 border-l-4 border-rule pl-3 md:grid-cols-4">
          {children(row, (part) => onChange(rows.map((it) => (it.id === row.id ? { ...it, ...part } : it))), at)}
          <Button
            size="small"
            className="w-fit self-end"
            onClick={() => onChange(rows.filter((it) => it.id !== row.id))}
          >
            Remove
          </Button>
        </div>
      ))}
      <Button size="small" className="w-fit" onClick={() => onChange([...rows, blank()])}>
        {add}
      </Button>
    </fieldset>
  )
}
