import {
  FIXTURE_KIND_CODES,
  FIXTURE_KINDS,
  type FixtureKind,
  listMissed,
  type NewPlace,
  PLACE_KINDS,
  type Place,
  type PlaceDetails,
  type PlaceKind,
} from '@exemplar/core'
import { useState } from 'react'
import { useInterfacesQuery, usePlacesQuery, useStudioQuery } from '../foundation/api.ts'
import { Button } from '../foundation/button.tsx'
import { ConflictPanel } from '../foundation/conflict.tsx'
import { CheckField, FormProblem, NoteField, SelectField, TextField } from '../foundation/field.tsx'
import { MeasureField } from '../foundation/measures.tsx'
import { MoneyField } from '../foundation/money-field.tsx'
import { PlaceOptions } from '../foundation/options.tsx'
import { useSaving } from '../foundation/use-saving.ts'
import { BLANK_PLACE, toPlaceDraft } from './place-draft.ts'
import { PLACE_NAMES } from './place-names.ts'
import { RowsField } from './rows-field.tsx'
import { useAddPlaceMutation, useChangePlaceMutation } from './studio-api.ts'

const newId = () => crypto.randomUUID()

/** All that can be known of a place; what is not known stays empty and is shown as unknown. */
export function PlaceForm({ place: latest, onClose }: { place: Place | null; onClose(): void }) {
  // As it was when the form was opened: live changes must not slip a newer version under an older draft.
  const [place] = useState(latest)
  const { data: interfaces } = useInterfacesQuery()
  const { data: studio } = useStudioQuery()
  const [draft, setDraft] = useState<NewPlace>(toPlaceDraft(place ?? BLANK_PLACE))
  const [add] = useAddPlaceMutation()
  const [change] = useChangePlaceMutation()
  const { problem, conflict, isSaving, save, clear } = useSaving(onClose)
  const { details } = draft
  const set = (part: Partial<NewPlace>) => setDraft({ ...draft, ...part })
  const setDetails = (part: Partial<PlaceDetails>) => set({ details: { ...details, ...part } })
  const isRoom = draft.kind === 'room'
  const submit = (version: number | undefined = place?.version) =>
    save(
      () => (place ? change({ id: place.id, version: version ?? 1, body: draft }).unwrap() : add(draft).unwrap()),
      place ? `${draft.name} changed.` : `${draft.name} added.`,
    )
  return (
    <form
      className="grid gap-4"
      onSubmit={(event) => {
        event.preventDefault()
        submit()
      }}
    >
      <div className="grid grid-cols-2 gap-3 md:grid-cols-3">
        <TextField
          label="Name"
          autoFocus
          value={draft.name}
          problem={problem?.fields.name}
          onChange={(event) => set({ name: event.target.value })}
        />
        <SelectField
          label="Kind"
          value={draft.kind}
          onChange={(event) => set({ kind: event.target.value as PlaceKind })}
        >
          {PLACE_KINDS.map((kind) => (
            <option key={kind} value={kind}>
              {PLACE_NAMES[kind]}
            </option>
          ))}
        </SelectField>
        <SelectField
          label="Inside"
          value={draft.parentId ?? ''}
          problem={problem?.fields.parentId}
          onChange={(event) => set({ parentId: event.target.value || null })}
        >
          <PlaceOptions none="Nothing" without={place?.id} />
        </SelectField>
      </div>
      <SizeFields details={details} onChange={setDetails} withMass={!isRoom} />
      {isRoom && (
        <>
          <RowsField
            legend="Circuits"
            add="Add a circuit"
            rows={draft.circuits}
            onChange={(circuits) => set({ circuits })}
            blank={() => ({
              id: newId(),
              name: `Circuit ${draft.circuits.length + 1}`,
              volts: studio?.mainsVolts ?? 230,
              amps: 16,
              outlets: 2,
              outletInterface: interfaces?.find((it) => it.kind === 'mains')?.code ?? 'mains-bs1363',
            })}
          >
            {(row, setRow, at) => (
              <>
                <TextField label="Name" value={row.name} onChange={(event) => setRow({ name: event.target.value })} />
                <TextField
                  label="Volts"
                  inputMode="numeric"
                  value={row.volts || ''}
                  problem={problem?.fields.volts && at === 0 ? problem.fields.volts : undefined}
                  onChange={(event) => setRow({ volts: Number(event.target.value) || 0 })}
                />
                <TextField
                  label="Amperes"
                  inputMode="decimal"
                  value={row.amps || ''}
                  onChange={(event) => setRow({ amps: Number(event.target.value) || 0 })}
                />
                <TextField
                  label="Sockets"
                  inputMode="numeric"
                  value={row.outlets || ''}
                  onChange={(event) => setRow({ outlets: Number(event.target.value) || 0 })}
                />
                <SelectField
                  label="Kind of socket"
                  value={row.outletInterface}
                  onChange={(event) => setRow({ outletInterface: event.target.value })}
                >
                  {interfaces
                    ?.filter((it) => it.kind === 'mains')
                    .map((it) => (
                      <option key={it.code} value={it.code}>
                        {it.label}
                      </option>
                    ))}
                </SelectField>
              </>
            )}
          </RowsField>
          <details className="border-t border-rule pt-3" open={place !== null}>
            <summary className="text-[13px] font-semibold">Doors, windows, sockets, bars, fixtures, access</summary>
            <div className="mt-3 grid gap-4">
              <RoomParts draft={draft} onChange={setDetails} />
              <AccessFields details={details} problem={problem?.fields ?? {}} onChange={setDetails} />
              {place && <CarryOver draft={draft} placeId={place.id} onChange={setDetails} />}
            </div>
          </details>
        </>
      )}
      <NoteField label="Note" value={draft.note} onChange={(event) => set({ note: event.target.value })} />
      {conflict && (
        <ConflictPanel
          conflict={conflict}
          onMine={submit}
          onTheirs={() => {
            clear()
            onClose()
          }}
        />
      )}
      <FormProblem text={problem?.detail ?? null} />
      <Button look="act" type="submit" className="w-fit" disabled={isSaving}>
        Save
      </Button>
    </form>
  )
}

interface DetailsProps {
  details: PlaceDetails
  onChange(part: Partial<PlaceDetails>): void
}

/** Width, depth and height stand or fall together: a size that is known by half is not known. */
function SizeFields({ details, onChange, withMass }: DetailsProps & { withMass: boolean }) {
  const [size, setSize] = useState<Partial<NonNullable<PlaceDetails['size']>>>(details.size ?? {})
  const put = (part: Record<string, number | null>) => {
    const next = Object.fromEntries(Object.entries({ ...size, ...part }).filter(([, it]) => it !== null))
    setSize(next)
    const { widthMm, depthMm, heightMm } = next as NonNullable<PlaceDetails['size']>
    onChange({ size: widthMm && depthMm && heightMm ? { widthMm, depthMm, heightMm } : null })
  }
  return (
    <div className="grid grid-cols-2 gap-3 md:grid-cols-4">
      <MeasureField
        measure="length"
        label="Width inside"
        value={size.widthMm ?? null}
        onChange={(it) => put({ widthMm: it })}
      />
      <MeasureField
        measure="length"
        label="Depth inside"
        value={size.depthMm ?? null}
        onChange={(it) => put({ depthMm: it })}
      />
      <MeasureField
        measure="length"
        label="Height"
        value={size.heightMm ?? null}
        onChange={(it) => put({ heightMm: it })}
      />
      {withMass && (
        <MeasureField
          measure="mass"
          label="Bears at most"
          value={details.massLimitGrams}
          onChange={(massLimitGrams) => onChange({ massLimitGrams })}
        />
      )}
    </div>
  )
}

function RoomParts({ draft, onChange }: { draft: NewPlace; onChange(part: Partial<PlaceDetails>): void }) {
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
              value={row.widthMm}
              onChange={(it) => set({ widthMm: it ?? 0 })}
            />
            <MeasureField
              measure="length"
              label="Height"
              value={row.heightMm}
              onChange={(it) => set({ heightMm: it ?? 0 })}
            />
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
            <TextField
              label="Looks to, degrees"
              hint="0 north, 90 east"
              inputMode="numeric"
              value={row.bearingDegrees}
              onChange={(event) => set({ bearingDegrees: Number(event.target.value) || 0 })}
            />
            <MeasureField
              measure="length"
              label="Width"
              value={row.widthMm}
              onChange={(it) => set({ widthMm: it ?? 0 })}
            />
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
              value={row.xMm}
              onChange={(it) => set({ xMm: it ?? 0 })}
            />
            <MeasureField
              measure="length"
              label="From the front"
              value={row.yMm}
              onChange={(it) => set({ yMm: it ?? 0 })}
            />
            <MeasureField
              measure="length"
              label="Above the floor"
              value={row.zMm}
              onChange={(it) => set({ zMm: it ?? 0 })}
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
              value={row.heightMm}
              onChange={(it) => set({ heightMm: it ?? 0 })}
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
        legend="House lights, noise, heat, obstacles"
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
              <TextField
                label="Kelvin"
                inputMode="numeric"
                value={row.kelvin ?? ''}
                onChange={(event) => set({ kelvin: Number(event.target.value) || null })}
              />
            )}
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

function AccessFields({ details, problem, onChange }: DetailsProps & { problem: Record<string, string> }) {
  const [colours, setColours] = useState(details.colours.join(' '))
  return (
    <div className="grid grid-cols-1 gap-3 md:grid-cols-2">
      <TextField
        label="Other uses"
        placeholder="Potting on Mondays"
        maxLength={200}
        value={details.otherUses}
        onChange={(event) => onChange({ otherUses: event.target.value })}
      />
      <TextField
        label="On which terms it may be used"
        maxLength={200}
        value={details.accessTerms}
        onChange={(event) => onChange({ accessTerms: event.target.value })}
      />
      <TextField
        label="Last day it may be used"
        type="date"
        hint="Bookings after it are stopped."
        value={details.accessUntil ?? ''}
        problem={problem.accessUntil}
        onChange={(event) => onChange({ accessUntil: event.target.value || null })}
      />
      <TextField
        label="Its colours, as #rrggbb"
        placeholder="#e9e4d8 #4a7546"
        value={colours}
        problem={/^(#[0-9a-f]{6}\s*)*$/i.test(colours.trim()) ? undefined : 'Write each colour as #rrggbb.'}
        onChange={(event) => {
          setColours(event.target.value)
          const list = event.target.value.split(/[\s,]+/).filter((it) => /^#[0-9a-f]{6}$/i.test(it))
          onChange({ colours: list })
        }}
      />
    </div>
  )
}

/** What another place has that this one lacks, carried over as open wishes. */
function CarryOver({
  draft,
  placeId,
  onChange,
}: {
  draft: NewPlace
  placeId: string
  onChange(part: Partial<PlaceDetails>): void
}) {
  const { data: places } = usePlacesQuery()
  const [fromId, setFromId] = useState('')
  const from = places?.find((it) => it.id === fromId)
  const missed = from ? listMissed(from, draft) : []
  return (
    <div className="grid gap-2">
      <SelectField
        label="Compare with the place you come from"
        value={fromId}
        onChange={(event) => setFromId(event.target.value)}
      >
        <PlaceOptions none="No comparison" kind="room" without={placeId} />
      </SelectField>
      {from && missed.length === 0 && <p className="text-[13px] text-quiet">Nothing is missed here.</p>}
      {missed.length > 0 && (
        <>
          <ul className="list-disc pl-5 text-[13px]">
            {missed.map((it) => (
              <li key={it.text}>{it.text}</li>
            ))}
          </ul>
          <Button
            size="small"
            className="w-fit"
            onClick={() =>
              onChange({
                wishes: [
                  ...draft.details.wishes,
                  ...missed.map((it) => ({ id: newId(), text: it.text, costMinor: null, isDone: false })),
                ],
              })
            }
          >
            Put them down as what this place should have
          </Button>
        </>
      )}
      <RowsField
        legend="What it should have"
        add="Add a wish"
        rows={draft.details.wishes}
        onChange={(wishes) => onChange({ wishes })}
        blank={() => ({ id: newId(), text: '', costMinor: null, isDone: false })}
      >
        {(row, set) => (
          <>
            <TextField label="What" value={row.text} onChange={(event) => set({ text: event.target.value })} />
            <MoneyField label="Cost, about" value={row.costMinor} onChange={(costMinor) => set({ costMinor })} />
          </>
        )}
      </RowsField>
    </div>
  )
}
