import { formatLength, formatMass, type Measure, readQuantity } from '@exemplar/core'
import { useState } from 'react'
import { useStudioQuery } from '../api/api.ts'
import { TextField } from './field.tsx'

/** Lengths and masses as this studio writes them. */
export function useMeasures() {
  const { data } = useStudioQuery()
  const system = data?.unitSystem ?? 'metric'
  return {
    sayLength: (mm: number) => formatLength(mm, system),
    sayMass: (grams: number) => formatMass(grams, system),
  }
}

const SHOWN: Partial<Record<Measure, (value: number) => string>> = {
  length: (mm) => `${mm / 1000} m`,
  mass: (grams) => `${grams / 1000} kg`,
  power: (milliwatts) => `${milliwatts / 1000} W`,
}
const EXAMPLES: Partial<Record<Measure, string>> = {
  length: '2.4 m, 90 cm or 6′ 6″',
  mass: '8 kg or 12 lb',
  power: '500 W',
}

/** A measure typed as people write it. Gives the whole unit on, null for nothing, and says what it cannot read. */
export function MeasureField({
  measure,
  label,
  value,
  problem,
  hint,
  onChange,
}: {
  measure: 'length' | 'mass' | 'power'
  label: string
  value: number | null
  problem?: string
  hint?: string
  onChange(value: number | null): void
}) {
  const [text, setText] = useState(value === null ? '' : (SHOWN[measure]?.(value) ?? ''))
  const reading = text.trim() ? readQuantity(text, measure) : null
  const unread = reading && !reading.ok ? `Write it as ${EXAMPLES[measure]}.` : undefined
  return (
    <TextField
      label={label}
      hint={hint}
      value={text}
      problem={unread ?? problem}
      onChange={(event) => {
        setText(event.target.value)
        const next = event.target.value.trim() ? readQuantity(event.target.value, measure) : null
        if (next === null) onChange(null)
        else if (next.ok) onChange(next.value)
      }}
    />
  )
}
