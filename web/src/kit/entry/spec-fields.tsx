import { ASKED_SPECS, type Category, type MoreSpecs, SPECS, type SpecFacts, type SpecKey } from '@exemplar/core'
import { SelectField, TextField } from '../../foundation/form/field.tsx'

/** Texts as typed, by figure. */
export type SpecTexts = Partial<Record<SpecKey, string>>

/** Turns what was typed into figures, or says at which field it cannot be read. */
export function readSpecs(texts: SpecTexts): { specs: MoreSpecs; problems: Record<string, string> } {
  const specs: Record<string, number | string> = {}
  const problems: Record<string, string> = {}
  for (const [key, text] of Object.entries(texts) as [SpecKey, string][]) {
    const facts: SpecFacts = SPECS[key]
    const value = text.trim()
    if (value === '') continue
    if (facts.kind !== 'figure') {
      specs[key] = value
      continue
    }
    const figure = Number(value.replace(',', '.'))
    if (Number.isFinite(figure)) specs[key] = figure
    else problems[key] = `Write a number${facts.unit ? ` in ${facts.unit}` : ''}.`
  }
  return { specs: specs as MoreSpecs, problems }
}

export function writeSpecs(specs: MoreSpecs): SpecTexts {
  return Object.fromEntries(Object.entries(specs).map(([key, value]) => [key, String(value)]))
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
  const asked = [...new Set([...(ASKED_SPECS[category] ?? []), ...(Object.keys(texts) as SpecKey[])])]
  return (
    <div className="grid grid-cols-1 gap-3 md:grid-cols-2">
      {asked.map((key) => {
        const facts: SpecFacts = SPECS[key]
        const unit = facts.kind === 'figure' && facts.unit ? `, ${facts.unit}` : ''
        const common = { label: `${facts.label}${unit}`, problem: problems[key], value: texts[key] ?? '' }
        const set = (value: string) => onChange({ ...texts, [key]: value })
        if (facts.kind !== 'choice') {
          return (
            <TextField
              key={key}
              {...common}
              inputMode={facts.kind === 'figure' ? 'decimal' : undefined}
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
