import { formatMoney, readMoney } from '@exemplar/core'
import { useState } from 'react'
import { useStudioQuery } from '../api/api.ts'
import { TextField } from './field.tsx'

/** An amount typed as people write it, given on in whole minor units; null for nothing. */
export function MoneyField({
  label,
  value,
  isLabelHidden,
  hint,
  problem,
  onChange,
  onUnread,
}: {
  label: string
  hint?: string
  problem?: string
  isLabelHidden?: boolean
  value: number | null
  onChange(minor: number | null): void
  /** What is typed cannot be read: for who shows something of the amount at once. */
  onUnread?(): void
}) {
  const { data: studio } = useStudioQuery()
  const currency = studio?.currency ?? 'GBP'
  const [text, setText] = useState(value === null ? '' : formatMoney(value, currency, 'column'))
  const reading = text.trim() ? readMoney(text, currency) : null
  return (
    <TextField
      label={label}
      isLabelHidden={isLabelHidden}
      hint={hint}
      problem={problem}
      inputMode="decimal"
      value={text}
      unread={reading && !reading.ok ? `Write an amount, such as ${formatMoney(12_000, currency)}.` : undefined}
      onChange={(event) => {
        setText(event.target.value)
        const next = event.target.value.trim() ? readMoney(event.target.value, currency) : null
        if (next === null) onChange(null)
        else if (next.ok) onChange(next.minor)
        else onUnread?.()
      }}
    />
  )
}
