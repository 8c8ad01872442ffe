import { COUNTRIES, COUNTRY_CODES, PLUG_SYSTEMS } from '@exemplar/core'
import { ComboField } from '../foundation/form/combo-field.tsx'
import { TextField } from '../foundation/form/field.tsx'
import { MeasureField } from '../foundation/form/measures.tsx'
import type { Answers } from './first-answers.ts'

const SIDES = [
  ['widthMm', 'Width'],
  ['depthMm', 'Depth'],
  ['heightMm', 'Height of the ceiling'],
] as const

/** The room, roughly, and the country with all that it brings. */
export function WhereYouFilm({
  answers,
  hasCountry,
  onChange,
}: {
  answers: Answers
  /** Whether the studio has settled where it is: then the settings say so, and nothing is asked. */
  hasCountry: boolean
  onChange(part: Partial<Answers>): void
}) {
  const { plugSystem, currency, unitSystem } = COUNTRIES[answers.country]
  const { volts, label } = PLUG_SYSTEMS[plugSystem]
  return (
    <div className="grid gap-4 py-4">
      {!hasCountry && (
        <ComboField
          label="Country"
          value={answers.country}
          choices={COUNTRY_CODES.map((code) => ({ value: code, label: COUNTRIES[code].name }))}
          hint={`${label}, ${volts} V, ${currency}, ${unitSystem === 'metric' ? 'metres and kilograms' : 'feet and pounds'}. Each can be changed in the settings.`}
          onChange={(code) => onChange({ country: COUNTRY_CODES.find((it) => it === code) ?? answers.country })}
        />
      )}
      <TextField
        label="The room in which you film"
        value={answers.room}
        problem={answers.room.trim() ? undefined : 'Give it a name.'}
        onChange={(event) => onChange({ room: event.target.value })}
      />
      <fieldset className="grid grid-cols-1 gap-3 sm:grid-cols-3">
        <legend className="mb-2 text-[13px] text-quiet">About is fine, and it can wait.</legend>
        {SIDES.map(([side, name]) => (
          <MeasureField
            key={side}
            measure="length"
            label={name}
            system={unitSystem}
            value={answers.size[side]}
            onChange={(value) => onChange({ size: { ...answers.size, [side]: value } })}
          />
        ))}
      </fieldset>
    </div>
  )
}
