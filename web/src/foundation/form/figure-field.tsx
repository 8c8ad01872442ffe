import { useState } from 'react'
import { TextField } from './field.tsx'

/** A plain number typed as people write it, with a comma or a point; gives null on for nothing. */
export function FigureField({
  label,
  hint,
  value,
  least = 0,
  most = Number.POSITIVE_INFINITY,
  isWhole = false,
  isNeeded = false,
  problem,
  onChange,
}: {
  label: string
  hint?: string
  value: number | null
  /** Below zero only where this is. */
  least?: number
  most?: number
  isWhole?: boolean
  /** Left empty it holds the form back, and what was there stays. */
  isNeeded?: boolean
  /** What the server said. */
  problem?: string
  onChange(value: number | null): void
}) {
  const [text, setText] = useState(value === null ? '' : String(value))
  const read = (typed: string) => Number(typed.trim().replace(',', '.'))
  const isEmpty = (typed: string) => typed.trim() === ''
  const isFine = (typed: string) => {
    const figure = read(typed)
    return Number.isFinite(figure) && figure >= least && figure <= most && (!isWhole || Number.isInteger(figure))
  }
  const isReadable = isEmpty(text) ? !isNeeded : isFine(text)
  return (
    <TextField
      label={label}
      hint={hint}
      inputMode={isWhole ? 'numeric' : 'decimal'}
      value={text}
      problem={problem}
      unread={isReadable ? undefined : sayWanted(least, most, isWhole)}
      onChange={(event) => {
        const typed = event.target.value
        setText(typed)
        if (isEmpty(typed)) {
          if (!isNeeded) onChange(null)
        } else if (isFine(typed)) onChange(read(typed))
      }}
    />
  )
}

function sayWanted(least: number, most: number, isWhole: boolean): string {
  const what = isWhole ? 'a whole number' : 'a number'
  if (Number.isFinite(most)) return `Write ${what} from ${least} to ${most}.`
  return least > 0 ? `Write ${what}, at least ${least}.` : `Write ${what}.`
}
