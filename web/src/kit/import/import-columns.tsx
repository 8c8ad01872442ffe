import { type ImportReport, INVENTORY_COLUMNS, type InventoryColumn } from '@exemplar/core'
import { useState } from 'react'

/** What each heading of the list is read as: guessed, or as it was the last time, and open to be said otherwise. */
export function ImportColumns({
  report: { headings, columns, fileProblems },
  onChange,
}: {
  report: ImportReport
  onChange(columns: (InventoryColumn | '')[]): void
}) {
  const [isOpen, setOpen] = useState(false)
  if (headings.length === 0) return null
  const unread = headings.filter((heading, at) => heading !== '' && columns[at] === '')
  const set = (at: number, column: string) =>
    onChange(columns.map((it, index) => (index === at ? (column as InventoryColumn | '') : it === column ? '' : it)))
  return (
    <details
      className="mt-3 border-y border-rule py-2"
      open={isOpen || fileProblems.length > 0}
      onToggle={(event) => setOpen(event.currentTarget.open)}
    >
      <summary className="text-[13px]">
        <b>{columns.filter((it) => it !== '').length} columns are read</b>
        {unread.length > 0 && <span className="text-quiet">, not read: {unread.join(', ')}</span>}
      </summary>
      <ul className="mt-2 grid gap-x-6 gap-y-1 sm:grid-cols-2 lg:grid-cols-3">
        {headings.map((heading, at) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a column is its place in the list, and two may have one heading
          <li key={at}>
            <label className="flex items-center justify-between gap-3 text-[13px]">
              <span className="min-w-0 truncate">{heading || 'no heading'}</span>
              <select
                className="h-8 w-40 rounded-paper border border-rule-strong bg-sheet px-2"
                value={columns[at] ?? ''}
                onChange={(event) => set(at, event.target.value)}
              >
                <option value="">not read</option>
                {INVENTORY_COLUMNS.map((column) => (
                  <option key={column} value={column}>
                    {column}
                  </option>
                ))}
              </select>
            </label>
          </li>
        ))}
      </ul>
    </details>
  )
}
