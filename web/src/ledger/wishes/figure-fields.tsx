import type { CalculatorField } from '@exemplar/core'
import { useState } from 'react'
import { TextField } from '../../foundation/form/field.tsx'
import { MoneyField } from '../../foundation/form/money-field.tsx'

/** A figure of a calculator, typed as its kind is; null where nobody said. */
export function CalculatorInput({
  field,
  value,
  onChange,
}: {
  field: CalculatorField
  value: number | null
  onChange(value: number | null): void
}) {
  if (field.kind === 'money')
    return (
      <div>
        <MoneyField label={field.label} value={value} onChange={onChange} />
        {field.hint && <p className="mt-1 text-[12px] text-quiet">{field.hint}</p>}
      </div>
    )
  return <NumberInput field={field} value={value} onChange={onChange} />
}

/** A whole number, or a share with one point or comma in it. */
function readNumber(text: string, { kind, most = 1e9 }: CalculatorField): number | null {
  const clean = text.trim().replace(',', '.')
  const isNumber = kind === 'percent' ? /^\d{1,3}(\.\d{1,3})?$/.test(clean) : /^\d{1,9}$/.test(clean)
  return isNumber && Number(clean) <= most ? Number(clean) : null
}

function NumberInput({
  field,
  value,
  onChange,
}: {
  field: CalculatorField
  value: number | null
  onChange(value: number | null): void
}) {
  const [text, setText] = useState(value === null ? '' : String(value))
  const isUnread = text.trim() !== '' && readNumber(text, field) === null
  return (
    <TextField
      label={field.label}
      hint={field.hint}
      inputMode="decimal"
      value={text}
      unread={isUnread ? `A number from 0 to ${field.most ?? 'as many as you like'}.` : undefined}
      onChange={(event) => {
        setText(event.target.value)
        onChange(readNumber(event.target.value, field))
      }}
    />
  )
}
