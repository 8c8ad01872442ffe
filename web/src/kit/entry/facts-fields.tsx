import { ASKED_FACTS, type Category } from '@exemplar/core'
import { useInterfacesQuery } from '../../foundation/api/api.ts'
import { SelectField, TextField } from '../../foundation/form/field.tsx'
import { FACTS, type FactTexts } from './facts.ts'

/** The facts worth asking for about a kind of thing. All optional: what is unknown stays unknown. */
export function FactsFields({
  category,
  texts,
  problems,
  onChange,
}: {
  category: Category
  texts: FactTexts
  problems: Record<string, string>
  onChange(texts: FactTexts): void
}) {
  const { data: interfaces } = useInterfacesQuery()
  const asked = ASKED_FACTS[category] ?? ['massGrams']
  return (
    <div className="grid grid-cols-1 gap-3 md:grid-cols-2">
      {asked.map((key) => {
        const spec = FACTS[key]
        const common = { label: spec.label, problem: problems[key], value: texts[key] ?? '' }
        const set = (value: string) => onChange({ ...texts, [key]: value })
        if (spec.kind !== 'interface') {
          const placeholder = spec.kind === 'measure' ? spec.example : undefined
          return (
            <TextField key={key} {...common} placeholder={placeholder} onChange={(event) => set(event.target.value)} />
          )
        }
        return (
          <SelectField key={key} {...common} onChange={(event) => set(event.target.value)}>
            <option value="">Not known</option>
            {interfaces
              ?.filter((it) => spec.of.includes(it.kind))
              .map((it) => (
                <option key={it.code} value={it.code}>
                  {it.label}
                </option>
              ))}
          </SelectField>
        )
      })}
    </div>
  )
}
