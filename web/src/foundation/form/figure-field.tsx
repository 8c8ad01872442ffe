import { useState } from 'react'
import { TextField } from './field.tsx'

/** A plain number typed as people write it, with a comma or a point; gives null on for nothing. */
export function FigureField({
  label,
  hint,
  value,
  least = 0,
  onChange,
}: {
  label: string
  hint?: string
  value: number | null
  /** Below zero only where this is. */
  least?: number
  onChange(value: number | null): void
}) {
  const [text, setText] = useState(value === null ? '' : String(value))
  const read = (typed: string) => Number(typed.trim().replace(',', '.'))
  const isEmpty = (typed: string) => typed.trim() === ''
  const isFine = (typed: string) => Number.isFinite(read(typed)) && read(typed) >= least
  return (
    <TextField
      label={label}
      hint={hint}
      inputMode="decimal"
      value={text}
      unread={isEmpty(text) || isFine(text) ? undefined : 'Write a number.'}
      onChange={(event) => {
        const typed = event.target.value
        setText(typed)
        if (isEmpty(typed)) onChange(null)
        else if (isFine(typed)) onChange(read(typed))
      }}
    />
  )
}
