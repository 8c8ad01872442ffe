import type { Role } from '@exemplar/core'
import { CheckField } from '../../foundation/form/field.tsx'
import { FigureField } from '../../foundation/form/figure-field.tsx'
import { PlaceFields, SetForm, useRoleDraft } from './role-place.tsx'
import { SettingField } from './setting-field.tsx'

/** Where a camera stands and how it is set, as figures; everything else of its card stays. */
export function SetCamera({ role, onSave }: { role: Role; onSave(role: Role): void }) {
  const own = useRoleDraft(role)
  const { draft, position, card, place, set } = own
  return (
    <SetForm
      onSave={() => onSave(draft)}
      foot={
        <CheckField
          label="It hangs above and looks down"
          checked={position.looksDown === true}
          onChange={(event) => place({ looksDown: event.target.checked })}
        />
      }
    >
      <PlaceFields {...own} from="From the face" height="Height of the lens" />
      <FigureField
        label="Focal length, mm"
        hint="of a zoom, as it is set"
        least={1}
        most={2000}
        value={position.focalMm}
        onChange={(focalMm) => place({ focalMm })}
      />
      <SettingField label="Aperture" setting="fNumber" card={card} onChange={set} />
      <SettingField label="Shutter" setting="shutterSeconds" card={card} onChange={set} />
      <SettingField label="ISO" setting="iso" card={card} onChange={set} />
      <SettingField label="Frames a second" setting="framesPerSecond" card={card} onChange={set} />
      <SettingField label="White balance" setting="kelvin" name="White balance" card={card} onChange={set} />
    </SetForm>
  )
}
