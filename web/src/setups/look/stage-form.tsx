import {
  BACKGROUND_CODES,
  BACKGROUNDS,
  type Background,
  DAYLIGHT_CODES,
  DAYLIGHTS,
  type Daylight,
  IN_PICTURE,
  IN_PICTURE_CODES,
  MOVE_CODES,
  MOVES,
  type Move,
  POSTURE_CODES,
  POSTURES,
  type Posture,
  type Stage,
  WINDOW_WAY_CODES,
  WINDOW_WAYS,
  type WindowWay,
} from '@exemplar/core'
import { useState } from 'react'
import { CheckField, NoteField, SelectField, TextField } from '../../foundation/form/field.tsx'
import { FigureField } from '../../foundation/form/figure-field.tsx'
import { MeasureField } from '../../foundation/form/measures.tsx'
import { RowsField } from '../../foundation/form/rows-field.tsx'
import { Button } from '../../foundation/parts/button.tsx'

interface HouseLight {
  id: string
  name: string
  kelvin: number | null
}

type SetStage = (part: Partial<Stage>) => void

/** Who and what is before the lens and behind, and what somebody measured there. */
export function StageForm({
  stage,
  placeId,
  houseLights,
  cameras,
  stampWhite,
  onSave,
}: {
  stage: Stage
  /** The room of the setup; null where none is chosen. */
  placeId: string | null
  cameras: readonly { roleId: string; role: string }[]
  /** White balance as it is taken now, with all lights as they will be saved. */
  stampWhite(stage: Stage, kelvin: number): NonNullable<Stage['whiteBalance']>
  houseLights: readonly HouseLight[]
  onSave(stage: Stage): void
}) {
  const [draft, setDraft] = useState(stage)
  const [isTaken, setTaken] = useState(false)
  const set: SetStage = (part) => setDraft({ ...draft, ...part })
  return (
    <form
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        const { whiteBalance } = draft
        const isStamped = whiteBalance !== null && (isTaken || whiteBalance.kelvin !== stage.whiteBalance?.kelvin)
        onSave(isStamped ? { ...draft, whiteBalance: stampWhite(draft, whiteBalance.kelvin) } : draft)
      }}
    >
      <div className="grid grid-cols-2 gap-3 md:grid-cols-4">
        <People stage={draft} set={set} />
        <Behind stage={draft} set={set} />
      </div>
      <InTheRoom stage={draft} placeId={placeId} set={set} />
      <HouseLights stage={draft} lights={houseLights} set={set} />
      <fieldset className="flex flex-wrap gap-x-5 gap-y-1">
        <legend className="mb-1 text-[12px] font-semibold">Worn or shown</legend>
        {IN_PICTURE_CODES.map((code) => (
          <CheckField
            key={code}
            label={IN_PICTURE[code]}
            checked={draft.inPicture.includes(code)}
            onChange={(event) =>
              set({
                inPicture: event.target.checked
                  ? [...draft.inPicture, code]
                  : draft.inPicture.filter((it) => it !== code),
              })
            }
          />
        ))}
      </fieldset>
      <Readings stage={draft} set={set} />
      <Eyesores stage={draft} cameras={cameras} set={set} />
      <Agreed stage={draft} set={set} isTaken={isTaken} onTaken={setTaken} />
      <NoteField
        label="Composition"
        hint="What leads the eye: lines, shelves, colours."
        maxLength={400}
        value={draft.composition}
        onChange={(event) => set({ composition: event.target.value })}
      />
      <Button look="act" type="submit" className="w-fit">
        Save
      </Button>
    </form>
  )
}

function People({ stage, set }: { stage: Stage; set: SetStage }) {
  return (
    <>
      <SelectField
        label="They are"
        value={stage.posture ?? ''}
        onChange={(event) => set({ posture: (event.target.value || null) as Posture | null })}
      >
        <option value="">Nobody said</option>
        {POSTURE_CODES.map((code) => (
          <option key={code} value={code}>
            {POSTURES[code].label}
          </option>
        ))}
      </SelectField>
      <MeasureField
        measure="length"
        label="Eyes above the floor"
        hint="measured; else as usual"
        value={stage.eyeMm}
        onChange={(eyeMm) => set({ eyeMm })}
      />
      <SelectField
        label="The camera"
        value={stage.move ?? ''}
        onChange={(event) => set({ move: (event.target.value || null) as Move | null })}
      >
        <option value="">Nobody said</option>
        {MOVE_CODES.map((code) => (
          <option key={code} value={code}>
            {MOVES[code]}
          </option>
        ))}
      </SelectField>
      <MeasureField
        measure="length"
        label="Something is held up"
        hint="so far before the face"
        value={stage.productMm}
        onChange={(productMm) => set({ productMm })}
      />
      <FigureField
        label="Measured at the face, lx"
        hint="everything on"
        least={0.1}
        most={200_000}
        value={stage.faceLux}
        onChange={(faceLux) => set({ faceLux })}
      />
    </>
  )
}

function Behind({ stage, set }: { stage: Stage; set: SetStage }) {
  return (
    <>
      <SelectField
        label="The background is to be"
        value={stage.background ?? ''}
        onChange={(event) => set({ background: (event.target.value || null) as Background | null })}
      >
        <option value="">Nobody said</option>
        {BACKGROUND_CODES.map((code) => (
          <option key={code} value={code}>
            {BACKGROUNDS[code]}
          </option>
        ))}
      </SelectField>
      <MeasureField
        measure="length"
        label="Behind the person"
        hint="to the background"
        value={stage.backdropMm}
        onChange={(backdropMm) => set({ backdropMm })}
      />
      <FigureField
        label="Measured behind, lx"
        hint="everything on"
        least={0.1}
        most={200_000}
        value={stage.backgroundLux}
        onChange={(backgroundLux) => set({ backgroundLux })}
      />
      <SelectField
        label="Light of the window"
        value={stage.windows ?? ''}
        onChange={(event) => set({ windows: (event.target.value || null) as WindowWay | null })}
      >
        <option value="">Nobody said</option>
        {WINDOW_WAY_CODES.map((code) => (
          <option key={code} value={code}>
            {WINDOW_WAYS[code]}
          </option>
        ))}
      </SelectField>
      <SelectField
        label="Daylight, outdoors"
        hint="in a room, measure it"
        value={stage.daylight ?? ''}
        onChange={(event) => set({ daylight: (event.target.value || null) as Daylight | null })}
      >
        <option value="">Nobody said</option>
        {DAYLIGHT_CODES.map((code) => (
          <option key={code} value={code}>
            {DAYLIGHTS[code].label}
          </option>
        ))}
      </SelectField>
    </>
  )
}

/** Eight ways to face in a room, clockwise from its front wall as its plan is drawn. */
const FACES = [
  [0, 'The front wall'],
  [45, 'The corner of front and left'],
  [90, 'The left wall'],
  [135, 'The corner of left and back'],
  [180, 'The back wall'],
  [225, 'The corner of back and right'],
  [270, 'The right wall'],
  [315, 'The corner of right and front'],
] as const

/** Where they are in the room: with all three everything is held against its walls. */
function InTheRoom({ stage, placeId, set }: { stage: Stage; placeId: string | null; set: SetStage }) {
  const isElsewhere = stage.inPlaceId !== placeId && stage.inPlaceId !== null
  const here = isElsewhere ? { fromLeftMm: null, fromFrontMm: null, facesDegrees: null } : stage
  // What is said here begins anew: what was said of another room goes with it.
  const say = (part: Partial<Stage>) =>
    set({
      fromLeftMm: here.fromLeftMm,
      fromFrontMm: here.fromFrontMm,
      facesDegrees: here.facesDegrees,
      ...part,
      inPlaceId: placeId,
    })
  if (!placeId) return null
  const isOther = here.facesDegrees !== null && !FACES.some(([degrees]) => degrees === here.facesDegrees)
  return (
    <fieldset className="grid grid-cols-2 gap-3 md:grid-cols-4">
      <legend className="mb-1 text-[12px] font-semibold">Where they are in the room</legend>
      <MeasureField
        measure="length"
        label="From the left wall"
        value={here.fromLeftMm}
        onChange={(fromLeftMm) => say({ fromLeftMm })}
      />
      <MeasureField
        measure="length"
        label="From the front wall"
        hint="as the plan of the room has it"
        value={here.fromFrontMm}
        onChange={(fromFrontMm) => say({ fromFrontMm })}
      />
      <SelectField
        label="They face"
        value={here.facesDegrees === null ? '' : String(here.facesDegrees)}
        onChange={(event) => say({ facesDegrees: event.target.value === '' ? null : Number(event.target.value) })}
      >
        <option value="">Nobody said</option>
        {FACES.map(([degrees, label]) => (
          <option key={degrees} value={degrees}>
            {label}
          </option>
        ))}
        {isOther && <option value={String(here.facesDegrees)}>{here.facesDegrees}° from the front wall</option>}
      </SelectField>
      {isElsewhere && (
        <p className="self-end pb-2 text-[12px] text-quiet">What was said is of another room: it is not used here.</p>
      )}
    </fieldset>
  )
}

function HouseLights({ stage, lights, set }: { stage: Stage; lights: readonly HouseLight[]; set: SetStage }) {
  if (lights.length === 0) return null
  const turn = (id: string, state: string) => {
    const { [id]: _, ...others } = stage.houseLights
    set({ houseLights: state === 'on' || state === 'off' ? { ...others, [id]: state } : others })
  }
  return (
    <fieldset className="grid gap-3 md:grid-cols-3">
      <legend className="mb-1 text-[12px] font-semibold">Lights of the house</legend>
      {lights.map(({ id, name, kelvin }) => (
        <SelectField
          key={id}
          label={kelvin === null ? name : `${name}, ${kelvin} K`}
          value={stage.houseLights[id] ?? ''}
          onChange={(event) => turn(id, event.target.value)}
        >
          <option value="">Nobody said</option>
          <option value="on">On while it is filmed</option>
          <option value="off">Off while it is filmed</option>
        </SelectField>
      ))}
    </fieldset>
  )
}

function Readings({ stage, set }: { stage: Stage; set: SetStage }) {
  return (
    <RowsField
      legend="Points of the background, measured"
      add="Add a point"
      rows={stage.readings}
      onChange={(readings) => set({ readings })}
      blank={() => ({ id: crypto.randomUUID(), name: `Point ${stage.readings.length + 1}`, lux: 100 })}
    >
      {(row, change) => (
        <>
          <TextField
            label="Where"
            value={row.name}
            unread={row.name.trim() ? undefined : 'Say which point.'}
            onChange={(event) => change({ name: event.target.value })}
          />
          <FigureField
            label="Lux"
            least={0.1}
            most={200_000}
            isNeeded
            value={row.lux}
            onChange={(it) => change({ lux: it ?? row.lux })}
          />
        </>
      )}
    </RowsField>
  )
}

function Eyesores({
  stage,
  cameras,
  set,
}: {
  stage: Stage
  cameras: readonly { roleId: string; role: string }[]
  set: SetStage
}) {
  return (
    <RowsField
      legend="In the picture, and not to be seen"
      add="Add an eyesore"
      rows={stage.eyesores}
      onChange={(eyesores) => set({ eyesores })}
      blank={() => ({ id: crypto.randomUUID(), what: '', cure: '', roleId: null })}
    >
      {(row, change) => (
        <>
          <TextField
            label="What"
            placeholder="a light switch"
            value={row.what}
            unread={row.what.trim() ? undefined : 'Say what it is.'}
            onChange={(event) => change({ what: event.target.value })}
          />
          <TextField
            label="What is done about it"
            placeholder="a plant before it"
            maxLength={200}
            value={row.cure}
            onChange={(event) => change({ cure: event.target.value })}
          />
          <SelectField
            label="Who sees it"
            value={row.roleId ?? ''}
            onChange={(event) => change({ roleId: event.target.value || null })}
          >
            <option value="">Every camera</option>
            {cameras.map((it) => (
              <option key={it.roleId} value={it.roleId}>
                {it.role}
              </option>
            ))}
          </SelectField>
        </>
      )}
    </RowsField>
  )
}

/** What was found good once and is held against what is there. */
function Agreed({
  stage,
  set,
  isTaken,
  onTaken,
}: {
  stage: Stage
  set: SetStage
  isTaken: boolean
  onTaken(isTaken: boolean): void
}) {
  const { whiteBalance } = stage
  return (
    <div className="grid grid-cols-2 items-start gap-3 md:grid-cols-4">
      <FigureField
        label="White balance by card, K"
        hint="kept with the lights as they are"
        least={1000}
        most={20_000}
        isWhole
        value={whiteBalance?.kelvin ?? null}
        onChange={(kelvin) =>
          set({
            whiteBalance: kelvin === null ? null : { ...(whiteBalance ?? { on: '2000-01-01', lights: '' }), kelvin },
          })
        }
      />
      <FigureField
        label="Key over fill, stops"
        hint="as it was found good"
        least={-3}
        most={8}
        value={stage.ratioStops}
        onChange={(ratioStops) => set({ ratioStops })}
      />
      <FigureField
        label="Correcting colours, min"
        hint="afterwards, for each film"
        most={2000}
        isWhole
        value={stage.correctionMinutes}
        onChange={(correctionMinutes) => set({ correctionMinutes })}
      />
      {whiteBalance && (
        <span className="self-center md:col-span-2">
          <CheckField
            label="White balance was taken now, with all lights on"
            checked={isTaken}
            onChange={(event) => onTaken(event.target.checked)}
          />
        </span>
      )}
    </div>
  )
}
