import {
  FIXTURE_KIND_CODES,
  FIXTURE_KINDS,
  type FixtureKind,
  type NewPlace,
  type PlaceDetails,
  WALL_CODES,
  WALLS,
  type Wall,
} from '@exemplar/core'
import { CheckField, SelectField, TextField } from '../../foundation/form/field.tsx'
import { FigureField } from '../../foundation/form/figure-field.tsx'
import { MeasureField } from '../../foundation/form/measures.tsx'
import { RowsField } from '../../foundation/form/rows-field.tsx'

const newId = () => crypto.randomUUID()

/** Doors, windows, sockets, bars and fixtures of a room. */
export function RoomParts({ draft, onChange }: { draft: NewPlace; onChange(part: Partial<PlaceDetails>): void }) {
  const { details } = draft
  return (
    <>
      <RowsField
        legend="Doors"
        add="Add a door"
        rows={details.doors}
        onChange={(doors) => onChange({ doors })}
        blank={() => ({ id: newId(), name: 'Door', widthMm: 800, heightMm: 2000 })}
      >
        {(row, set) => (
          <>
            <TextField label="Name" value={row.name} onChange={(event) => set({ name: event.target.value })} />
            <MeasureField
              measure="length"
              label="Width"
              isNeeded
              value={row.widthMm}
              onChange={(it) => set({ widthMm: it ?? row.widthMm })}
            />
            <MeasureField
              measure="length"
              label="Height"
              isNeeded
              value={row.heightMm}
              onChange={(it) => set({ heightMm: it ?? row.heightMm })}
            />
            <InWall row={row} set={set} />
          </>
        )}
      </RowsField>
      <RowsField
        legend="Windows"
        add="Add a window"
        rows={details.windows}
        onChange={(windows) => onChange({ windows })}
        blank={() => ({ id: newId(), name: 'Window', bearingDegrees: 180, widthMm: 1200, heightMm: 1200 })}
      >
        {(row, set) => (
          <>
            <TextField label="Name" value={row.name} onChange={(event) => set({ name: event.target.value })} />
            <FigureField
              label="Looks to, degrees"
              hint="0 north, 90 east"
              isNeeded
              isWhole
              most={359}
              value={row.bearingDegrees}
              onChange={(it) => set({ bearingDegrees: it ?? row.bearingDegrees })}
            />
            <MeasureField
              measure="length"
              label="Width"
              isNeeded
              value={row.widthMm}
              onChange={(it) => set({ widthMm: it ?? row.widthMm })}
            />
            <InWall row={row} set={set} />
          </>
        )}
      </RowsField>
      <RowsField
        legend="Sockets in the plan, from the front left corner"
        add="Add a socket"
        rows={details.sockets}
        onChange={(sockets) => onChange({ sockets })}
        blank={() => ({
          id: newId(),
          name: 'Socket',
          circuitId: draft.circuits[0]?.id ?? null,
          xMm: 0,
          yMm: 0,
          zMm: 300,
        })}
      >
        {(row, set) => (
          <>
            <TextField label="Name" value={row.name} onChange={(event) => set({ name: event.target.value })} />
            <SelectField
              label="Circuit"
              value={row.circuitId ?? ''}
              onChange={(event) => set({ circuitId: event.target.value || null })}
            >
              <option value="">Not known</option>
              {draft.circuits.map((it) => (
                <option key={it.id} value={it.id}>
                  {it.name}
                </option>
              ))}
            </SelectField>
            <MeasureField
              measure="length"
              label="From the left"
              isNeeded
              value={row.xMm}
              onChange={(it) => set({ xMm: it ?? row.xMm })}
            />
            <MeasureField
              measure="length"
              label="From the front"
              isNeeded
              value={row.yMm}
              onChange={(it) => set({ yMm: it ?? row.yMm })}
            />
            <MeasureField
              measure="length"
              label="Above the floor"
              isNeeded
              value={row.zMm}
              onChange={(it) => set({ zMm: it ?? row.zMm })}
            />
          </>
        )}
      </RowsField>
      <RowsField
        legend="Bars and ceiling clips"
        add="Add a bar or clip"
        rows={details.bars}
        onChange={(bars) => onChange({ bars })}
        blank={() => ({ id: newId(), name: 'Bar', kind: 'bar' as const, heightMm: 2400, loadGrams: null })}
      >
        {(row, set) => (
          <>
            <TextField label="Name" value={row.name} onChange={(event) => set({ name: event.target.value })} />
            <SelectField
              label="Kind"
              value={row.kind}
              onChange={(event) => set({ kind: event.target.value as 'bar' | 'clip' })}
            >
              <option value="bar">Bar</option>
              <option value="clip">Ceiling clip</option>
            </SelectField>
            <MeasureField
              measure="length"
              label="Height"
              isNeeded
              value={row.heightMm}
              onChange={(it) => set({ heightMm: it ?? row.heightMm })}
            />
            <MeasureField
              measure="mass"
              label="Bears"
              hint="Empty: nobody knows"
              value={row.loadGrams}
              onChange={(loadGrams) => set({ loadGrams })}
            />
          </>
        )}
      </RowsField>
      <RowsField
        legend="Lights of the house, noise, heat, obstacles"
        add="Add a fixture"
        rows={details.fixtures}
        onChange={(fixtures) => onChange({ fixtures })}
        blank={() => ({
          id: newId(),
          name: 'Ceiling light',
          kind: 'light' as const,
          kelvin: null,
          canSwitchOff: true,
          note: '',
        })}
      >
        {(row, set) => (
          <>
            <TextField label="Name" value={row.name} onChange={(event) => set({ name: event.target.value })} />
            <SelectField
              label="What it does"
              value={row.kind}
              onChange={(event) => set({ kind: event.target.value as FixtureKind })}
            >
              {FIXTURE_KIND_CODES.map((kind) => (
                <option key={kind} value={kind}>
                  {FIXTURE_KINDS[kind]}
                </option>
              ))}
            </SelectField>
            {row.kind === 'light' && (
              <FigureField
                label="Kelvin"
                isWhole
                least={1_000}
                most={20_000}
                value={row.kelvin}
                onChange={(kelvin) => set({ kelvin })}
              />
            )}
            <MeasureField
              measure="length"
              label="From the left"
              value={row.xMm ?? null}
              onChange={(xMm) => set({ xMm })}
            />
            <MeasureField
              measure="length"
              label="From the front"
              value={row.yMm ?? null}
              onChange={(yMm) => set({ yMm })}
            />
            <span className="self-end pb-2">
              <CheckField
                label="Can be switched off"
                checked={row.canSwitchOff}
                onChange={(event) => set({ canSwitchOff: event.target.checked })}
              />
            </span>
          </>
        )}
      </RowsField>
    </>
  )
}

interface Opening {
  wall?: Wall | null
  fromMm?: number | null
}

/** In which wall a door or a window is, and where; with both it is drawn in plans. */
function InWall({ row, set }: { row: Opening; set(part: Opening): void }) {
  return (
    <>
      <SelectField
        label="In"
        value={row.wall ?? ''}
        onChange={(event) => set({ wall: (event.target.value || null) as Wall | null })}
      >
        <option value="">Nobody said</option>
        {WALL_CODES.map((wall) => (
          <option key={wall} value={wall}>
            {WALLS[wall]}
          </option>
        ))}
      </SelectField>
      <MeasureField
        measure="length"
        label={row.wall === 'left' || row.wall === 'right' ? 'From the front' : 'From the left'}
        hint="to its nearer end"
        value={row.fromMm ?? null}
        onChange={(fromMm) => set({ fromMm })}
      />
    </>
  )
}
