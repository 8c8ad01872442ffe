import { ABILITIES, ABILITY_CODES, type AbilityCode } from '@exemplar/core'
import { SelectField, TextField } from '../../foundation/form/field.tsx'
import { MeasureField } from '../../foundation/form/measures.tsx'
import { Button } from '../../foundation/parts/button.tsx'

export interface AskedAbility {
  code: AbilityCode | ''
  least: number | null
}

/** What something has to be able to do, at most four at once; a figure where the ability has one. */
export function AbilityFields({
  asked,
  onChange,
}: {
  asked: readonly AskedAbility[]
  onChange(asked: AskedAbility[]): void
}) {
  const put = (at: number, part: Partial<AskedAbility>) =>
    onChange(asked.map((it, other) => (other === at ? { ...it, ...part } : it)))
  return (
    <fieldset className="grid gap-3">
      <legend className="mb-1 text-[13.5px] font-semibold">What does it have to do?</legend>
      {asked.map((it, at) => (
        // Rows have nothing else that tells them apart, and none is ever moved.
        // biome-ignore lint/suspicious/noArrayIndexKey: see above
        <div key={at} className="grid grid-cols-2 items-start gap-3">
          <SelectField
            label={at === 0 ? 'It' : 'And it'}
            value={it.code}
            onChange={(event) => put(at, { code: event.target.value as AbilityCode | '', least: null })}
          >
            <option value="">{at === 0 ? 'Choose' : 'Nothing more'}</option>
            {ABILITY_CODES.map((code) => (
              <option key={code} value={code}>
                {ABILITIES[code].label}
              </option>
            ))}
          </SelectField>
          {it.code && <Least code={it.code} least={it.least} onChange={(least) => put(at, { least })} />}
        </div>
      ))}
      {asked.length < 4 && asked.every((it) => it.code !== '') && (
        <Button size="small" className="w-fit" onClick={() => onChange([...asked, { code: '', least: null }])}>
          And something else
        </Button>
      )}
    </fieldset>
  )
}

/** The figure of an ability, where it has one. */
export function Least({
  code,
  least,
  onChange,
}: {
  code: AbilityCode
  least: number | null
  onChange(least: number | null): void
}) {
  const { figure } = ABILITIES[code]
  if (figure === null) return null
  if (figure.unit === 'g' || figure.unit === 'mm') {
    const measure = figure.unit === 'g' ? 'mass' : 'length'
    return <MeasureField key={code} measure={measure} label={figure.label} value={least} onChange={onChange} />
  }
  return (
    <TextField
      label={figure.label}
      inputMode="numeric"
      value={least ?? ''}
      onChange={(event) => onChange(event.target.value === '' ? null : Number(event.target.value.replace(/\D/g, '')))}
    />
  )
}
