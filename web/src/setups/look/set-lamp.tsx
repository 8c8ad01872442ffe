import {
  LIGHT_JOB_CODES,
  LIGHT_JOBS,
  type LightJob,
  NO_POSITION,
  NO_ROLE_LIGHT,
  type Role,
  readLightJob,
} from '@exemplar/core'
import { useState } from 'react'
import { CheckField, SelectField } from '../../foundation/form/field.tsx'
import { FigureField } from '../../foundation/form/figure-field.tsx'
import { MeasureField } from '../../foundation/form/measures.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { SettingField } from './setting-field.tsx'

/** What a lamp is for, where it stands and how it is set. */
export function SetLamp({ role, onSave }: { role: Role; onSave(role: Role): void }) {
  const [draft, setDraft] = useState(role)
  const position = draft.position ?? NO_POSITION
  const light = draft.light ?? NO_ROLE_LIGHT
  const card = draft.settings ?? []
  const place = (part: Partial<typeof position>) => setDraft({ ...draft, position: { ...position, ...part } })
  const shine = (part: Partial<typeof light>) => setDraft({ ...draft, light: { ...light, ...part } })
  const set = (settings: typeof card) => setDraft({ ...draft, settings })
  const assumed = readLightJob({ name: role.name }).job
  return (
    <form
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        onSave(draft)
      }}
    >
      <div className="grid grid-cols-2 gap-3 md:grid-cols-4">
        <SelectField
          label="What it is for"
          value={light.job ?? ''}
          onChange={(event) => shine({ job: (event.target.value || null) as LightJob | null })}
        >
          <option value="">{assumed ? `By its name: ${LIGHT_JOBS[assumed]}` : 'Nobody said'}</option>
          {LIGHT_JOB_CODES.map((job) => (
            <option key={job} value={job}>
              {LIGHT_JOBS[job]}
            </option>
          ))}
        </SelectField>
        <MeasureField
          measure="length"
          label="From what it lights"
          value={position.distanceMm}
          onChange={(distanceMm) => place({ distanceMm })}
        />
        <FigureField
          label="To the side, °"
          hint="0 at the lens, left below zero"
          least={-180}
          most={180}
          isWhole
          value={position.sideDegrees}
          onChange={(sideDegrees) => place({ sideDegrees })}
        />
        <MeasureField
          measure="length"
          label="Height"
          value={position.heightMm}
          onChange={(heightMm) => place({ heightMm })}
        />
        <SettingField label="Level" setting="share" card={card} onChange={set} />
        <SettingField label="Colour" setting="kelvin" card={card} onChange={set} />
        <FigureField
          label="Measured there, lx"
          hint="from this lamp alone"
          least={0.1}
          most={200_000}
          value={light.lux}
          onChange={(lux) => shine({ lux })}
        />
        <FigureField
          label="Lost on the way, stops"
          hint="by bouncing, or through cloth"
          most={10}
          value={light.lossStops}
          onChange={(lossStops) => shine({ lossStops })}
        />
        <FigureField
          label="Tinted by it, mired"
          hint="warmer above zero"
          least={-300}
          most={300}
          isWhole
          value={light.tintMired}
          onChange={(tintMired) => shine({ tintMired })}
        />
      </div>
      <CheckField
        label="Its other colour is meant"
        checked={light.isColourMeant}
        onChange={(event) => shine({ isColourMeant: event.target.checked })}
      />
      <Button look="act" type="submit" className="w-fit">
        Save
      </Button>
    </form>
  )
}
