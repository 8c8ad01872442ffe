import { exampleOf, formatArea, formatLength, formatMass, readMeasure, type UnitSystem } from '@exemplar/core'
import { useState } from 'react'
import { useStudioQuery } from '../api/api.ts'
import { TextField } from './field.tsx'
import { UnitPicker } from './unit-picker.tsx'

/** Lengths and masses as this studio writes them. */
export function useMeasures() {
  const { data } = useStudioQuery()
  const system = data?.unitSystem ?? 'metric'
  return {
    sayLength: (mm: number) => formatLength(mm, system),
    sayMass: (grams: number) => formatMass(grams, system),
    sayArea: (squareMm: number) => formatArea(squareMm, system),
  }
}

type Typed = 'length' | 'mass' | 'power'

/** A measure typed as people write it. Gives the whole unit on, null for nothing, and says what it cannot read. */
export function MeasureField({
  measure,
  label,
  value,
  problem,
  hint,
  system: given,
  isNeeded = false,
  onChange,
}: {
  measure: Typed
  label: string
  value: number | null
  problem?: string
  hint?: string
  /** In which measures, where that is not the studio's yet. */
  system?: UnitSystem
  /** Left empty it holds the form back, as what cannot be read does: nothing is not a measure of nothing. */
  isNeeded?: boolean
  onChange(value: number | null): void
}) {
  const { data: studio } = useStudioQuery()
  const system = given ?? studio?.unitSystem ?? 'metric'
  const example = exampleOf(measure, system)
  const shown = (own: number) =>
    ({
      length: (mm: number) => formatLength(mm, system),
      mass: (grams: number) => formatMass(grams, system),
      power: (milliwatts: number) => `${milliwatts / 1000} W`,
    })[measure](own)
  // Until somebody types it stands as the studio writes it, also where that is known only later.
  const [typed, setTyped] = useState<string | null>(null)
  const text = typed ?? (value === null ? '' : shown(value))
  const reading = typed?.trim() ? readMeasure(typed, measure, system) : null
  const isMissing = isNeeded && text.trim() === ''
  const unread = isMissing || (reading && !reading.ok) ? `Write it as ${example}.` : undefined
  const type = (now: string) => {
    setTyped(now)
    const next = now.trim() ? readMeasure(now, measure, system) : null
    if (next === null) {
      if (!isNeeded) onChange(null)
    } else if (next.ok) onChange(next.value)
  }
  return (
    <div>
      <TextField
        label={label}
        hint={hint}
        value={text}
        unread={unread}
        problem={problem}
        onChange={(event) => type(event.target.value)}
      />
      <UnitPicker label={label} text={text} measure={measure} onPick={type} />
    </div>
  )
}
