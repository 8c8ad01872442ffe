import { useState } from 'react'
import { TextField } from './field.tsx'

/** A number as it is typed: whole, or with up to three decimals after a point or comma; null for what is none, too small or too large. */
function readNumber(text: string, least: number, most: number, isWhole: boolean): number | null {
  const clean = text.trim().replace(',', '.')
  const isNumber = isWhole ? /^\d{1,9}$/.test(clean) : /^\d{1,9}(\.\d{1,3})?$/.test(clean)
  return isNumber && Number(clean) >= least && Number(clean) <= most ? Number(clean) : null
}

/** A number that may be left open; what cannot be read is said at the field, and holds its form back. */
export function NumberField({
  label,
  hint,
  value,
  least = 0,
  most,
  isWhole = true,
  onChange,
  onUnread,
}: {
  label: string
  hint?: string
  value: number | null
  least?: number
  most: number
  isWhole?: boolean
  onChange(value: number | null): void
  /** What is typed cannot be read: for who shows something of the number at once. */
  onUnread?(): void
}) {
  const [text, setText] = useState(value === null ? '' : String(value))
  const isUnread = text.trim() !== '' && readNumber(text, least, most, isWhole) === null
  return (
    <TextField
      label={label}
      hint={hint}
      inputMode={isWhole ? 'numeric' : 'decimal'}
      value={text}
      unread={isUnread ? `A ${isWhole ? 'whole number' : 'number'} from ${least} to ${most}.` : undefined}
      onChange={(event) => {
        setText(event.target.value)
        const next = readNumber(event.target.value, least, most, isWhole)
        if (next !== null || event.target.value.trim() === '') onChange(next)
        else onUnread?.()
      }}
    />
  )
}
