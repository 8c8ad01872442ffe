import {
  ASKED_SPECS,
  type Category,
  exampleOf,
  findSpecMeasure,
  labelSpec,
  type MoreSpecs,
  readSpec,
  SPECS,
  type SpecFacts,
  type SpecKey,
  type UnitSystem,
} from '@exemplar/core'
import { useStudioQuery } from '../../foundation/api/api.ts'
import { SelectField, TextField } from '../../foundation/form/field.tsx'

/** Texts as typed, by figure. */
export type SpecTexts = Partial<Record<SpecKey, string>>

/** Turns what was typed into figures, or says at which field it cannot be read. What was emptied is not there. */
export function readSpecs(
  texts: SpecTexts,
  system: UnitSystem,
): { specs: MoreSpecs; problems: Record<string, string> } {
  const specs: Record<string, number | string> = {}
  const problems: Record<string, string> = {}
  for (const [key, text] of Object.entries(texts) as [SpecKey, string][]) {
    if (text.trim() === '') continue
    const reading = readSpec(key, text, system)
    if (reading.ok) specs[key] = reading.value
    else problems[key] = reading.problem
  }
  return { specs: specs as MoreSpecs, problems }
}

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
            <TextField
              key={key}
              {...common}
              placeholder={measure ? exampleOf(measure, system) : undefined}
              inputMode={facts.kind === 'figure' && !measure ? 'decimal' : undefined}
              onChange={(event) => set(event.target.value)}
            />
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
