import {
  ASKED_SPECS,
  type Category,
  exampleOf,
  findSpecMeasure,
  labelSpec,
  SPECS,
  type SpecFacts,
  type SpecKey,
} from '@exemplar/core'
import { useStudioQuery } from '../../foundation/api/api.ts'
import { SelectField, TextField } from '../../foundation/form/field.tsx'
import { UnitPicker } from '../../foundation/form/unit-picker.tsx'
import type { SpecTexts } from './specs.ts'

/** The further figures of a kind of thing. All optional: what is unknown stays unknown. */
export function SpecFields({
  category,
  texts,
  problems,
  onChange,
}: {
  category: Category
  texts: SpecTexts
  problems: Record<string, string>
  onChange(texts: SpecTexts): void
}) {
  const { data: studio } = useStudioQuery()
  const system = studio?.unitSystem ?? 'metric'
  const asked = [...new Set([...(ASKED_SPECS[category] ?? []), ...(Object.keys(texts) as SpecKey[])])]
  return (
    <div className="grid grid-cols-1 gap-3 md:grid-cols-2">
      {asked.map((key) => {
        const facts: SpecFacts = SPECS[key]
        const measure = findSpecMeasure(key)
        const common = { label: labelSpec(key), problem: problems[key], value: texts[key] ?? '' }
        const set = (value: string) => onChange({ ...texts, [key]: value })
        if (facts.kind !== 'choice') {
          return (
            <div key={key}>
              <TextField
                {...common}
                placeholder={measure ? exampleOf(measure, system) : undefined}
                inputMode={facts.kind === 'figure' && !measure ? 'decimal' : undefined}
                onChange={(event) => set(event.target.value)}
              />
              {measure && <UnitPicker label={common.label} text={common.value} measure={measure} onPick={set} />}
            </div>
          )
        }
        return (
          <SelectField key={key} {...common} onChange={(event) => set(event.target.value)}>
            <option value="">Not known</option>
            {facts.options.map((it) => (
              <option key={it} value={it}>
                {it}
              </option>
            ))}
          </SelectField>
        )
      })}
    </div>
  )
}
