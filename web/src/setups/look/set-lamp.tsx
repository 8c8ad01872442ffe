import { LIGHT_JOB_CODES, LIGHT_JOBS, type LightJob, NO_ROLE_LIGHT, type Role, suggestLightJob } from '@exemplar/core'
import { CheckField, SelectField } from '../../foundation/form/field.tsx'
import { FigureField } from '../../foundation/form/figure-field.tsx'
import { PlaceFields, SetForm, useRoleDraft } from './role-place.tsx'
import { SettingField } from './setting-field.tsx'

function withJob(role: Role): Role {
  if (role.light) return role
  const job = suggestLightJob(role.name)
  return job ? { ...role, light: { ...NO_ROLE_LIGHT, job } } : role
}

/** What a lamp is for, where it stands and how it is set. */
export function SetLamp({ role, onSave }: { role: Role; onSave(role: Role): void }) {
  // What a role of that name is likely for stands there from the beginning, and is said once it is saved.
  const own = useRoleDraft(withJob(role))
  const { draft, card, change, set } = own
  const light = draft.light ?? NO_ROLE_LIGHT
  const shine = (part: Partial<typeof light>) => change({ light: { ...light, ...part } })
  return (
    <SetForm
      onSave={() => onSave(draft)}
      foot={
        <CheckField
          label="Its other colour is meant"
          checked={light.isColourMeant}
          onChange={(event) => shine({ isColourMeant: event.target.checked })}
        />
      }
    >
      <SelectField
        label="What it is for"
        value={light.job ?? ''}
        onChange={(event) => shine({ job: (event.target.value || null) as LightJob | null })}
      >
        <option value="">Nobody said</option>
        {LIGHT_JOB_CODES.map((job) => (
          <option key={job} value={job}>
            {LIGHT_JOBS[job]}
          </option>
        ))}
      </SelectField>
      <PlaceFields {...own} from="From what it lights" height="Height" />
      <SettingField label="Level" setting="share" card={card} onChange={set} />
      <SettingField label="Colour" setting="kelvin" card={card} onChange={set} />
      <FigureField
        label="Measured there, lx"
        hint="from this role alone"
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
    </SetForm>
  )
}
