import { NO_POSITION, type Role } from '@exemplar/core'
import { useState } from 'react'
import { FigureField } from '../../foundation/form/figure-field.tsx'
import { MeasureField } from '../../foundation/form/measures.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { SettingField } from './setting-field.tsx'

/** Where a camera stands and how it is set, as figures; everything else of its card stays. */
export function SetCamera({ role, onSave }: { role: Role; onSave(role: Role): void }) {
  const [draft, setDraft] = useState(role)
  const position = draft.position ?? NO_POSITION
  const card = draft.settings ?? []
  const place = (part: Partial<typeof position>) => setDraft({ ...draft, position: { ...position, ...part } })
  const set = (settings: typeof card) => setDraft({ ...draft, settings })
  return (
    <form
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        onSave(draft)
      }}
    >
      <div className="grid grid-cols-2 gap-3 md:grid-cols-4">
        <MeasureField
          measure="length"
          label="From the face"
          value={position.distanceMm}
          onChange={(distanceMm) => place({ distanceMm })}
        />
        <MeasureField
          measure="length"
          label="Height of the lens"
          value={position.heightMm}
          onChange={(heightMm) => place({ heightMm })}
        />
        <FigureField
          label="To the side, °"
          hint="left below zero"
          least={-180}
          most={180}
          isWhole
          value={position.sideDegrees}
          onChange={(sideDegrees) => place({ sideDegrees })}
        />
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
      </div>
      <Button look="act" type="submit" className="w-fit">
        Save
      </Button>
    </form>
  )
}
