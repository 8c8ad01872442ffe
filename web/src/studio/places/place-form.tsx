import {
  isWallSocket,
  type NewPlace,
  PLACE_KINDS,
  PLUG_SYSTEMS,
  type Place,
  type PlaceDetails,
  type PlaceKind,
} from '@exemplar/core'
import { useState } from 'react'
import { useInterfacesQuery, useStudioQuery } from '../../foundation/api/api.ts'
import { NoteField, SelectField, TextField } from '../../foundation/form/field.tsx'
import { FigureField } from '../../foundation/form/figure-field.tsx'
import { PlaceOptions } from '../../foundation/form/options.tsx'
import { RowsField } from '../../foundation/form/rows-field.tsx'
import { SavingFoot } from '../../foundation/form/saving-foot.tsx'
import { useSaving } from '../../foundation/form/use-saving.ts'
import { useAddPlaceMutation, useChangePlaceMutation } from '../studio-api.ts'
import { AccessFields } from './place-access-fields.tsx'
import { CarryOver } from './place-carry-over.tsx'
import { BLANK_PLACE, toPlaceDraft } from './place-draft.ts'
import { PLACE_NAMES } from './place-names.ts'
import { RoomParts } from './place-room-parts.tsx'
import { SizeFields, SpotFields } from './place-size-fields.tsx'

const newId = () => crypto.randomUUID()

/** All that can be known of a place; what is not known stays empty and is shown as unknown. */
export function PlaceForm({ place: latest, onClose }: { place: Place | null; onClose(): void }) {
  // As it was when the form was opened: live changes must not slip a newer version under an older draft.
  const [place] = useState(latest)
  const { data: interfaces } = useInterfacesQuery()
  const { data: studio } = useStudioQuery()
  const plugs = studio?.plugSystem ?? 'british'
  const [draft, setDraft] = useState<NewPlace>(toPlaceDraft(place ?? BLANK_PLACE))
  const [add] = useAddPlaceMutation()
  const [change] = useChangePlaceMutation()
  const saving = useSaving(onClose)
  const { problem, save } = saving
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
          <SpotFields details={details} onChange={setDetails} />
          <RowsField
            legend="Circuits"
            add="Add a circuit"
            rows={draft.circuits}
            onChange={(circuits) => set({ circuits })}
            blank={() => ({
              id: newId(),
              name: `Circuit ${draft.circuits.length + 1}`,
              volts: studio?.mainsVolts ?? 230,
              amps: PLUG_SYSTEMS[plugs].circuitAmps,
              outlets: 2,
              outletInterface: PLUG_SYSTEMS[plugs].socket,
            })}
          >
            {(row, setRow, at) => (
              <>
                <TextField label="Name" value={row.name} onChange={(event) => setRow({ name: event.target.value })} />
                <FigureField
                  label="Volts"
                  isNeeded
                  isWhole
                  least={1}
                  most={1_000}
                  value={row.volts}
                  problem={problem?.fields.volts && at === 0 ? problem.fields.volts : undefined}
                  onChange={(it) => setRow({ volts: it ?? row.volts })}
                />
                <FigureField
                  label="Amperes"
                  isNeeded
                  least={0.5}
                  most={400}
                  value={row.amps}
                  onChange={(it) => setRow({ amps: it ?? row.amps })}
                />
                <FigureField
                  label="Sockets"
                  isNeeded
                  isWhole
                  most={200}
                  value={row.outlets}
                  onChange={(it) => setRow({ outlets: it ?? row.outlets })}
                />
                <SelectField
                  label="Kind of socket"
                  value={row.outletInterface}
                  onChange={(event) => setRow({ outletInterface: event.target.value })}
                >
                  {interfaces
                    ?.filter((it) => isWallSocket(it.code) || it.code === row.outletInterface)
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
      <SavingFoot saving={saving} act="Save" onMine={submit} onTheirs={onClose} />
    </form>
  )
}
