import { PLACE_KINDS, type Place, type PlaceKind, type StudioSettings, studioSettingsSchema } from '@exemplar/core'
import { useState } from 'react'
import {
  useAddPersonMutation,
  useAddPlaceMutation,
  useChangePlaceMutation,
  useChangeStudioMutation,
  useInterfacesQuery,
  usePartiesQuery,
  usePeopleQuery,
  usePlacesQuery,
  useStudioQuery,
} from '../foundation/api.ts'
import { Button } from '../foundation/button.tsx'
import { FormProblem, NoteField, SelectField, TextField } from '../foundation/field.tsx'
import { PlaceOptions } from '../foundation/options.tsx'
import { PageHead, Section, Waiting } from '../foundation/page-parts.tsx'
import { readProblem } from '../foundation/problem.ts'
import type { StudioReply } from '../foundation/replies.ts'
import { SheetDialog } from '../foundation/sheet-dialog.tsx'
import { useAppDispatch } from '../foundation/store.ts'
import { tell } from '../foundation/toasts.ts'

type PlaceDraft = Omit<Place, 'id' | 'version'>

const KIND_NAMES: Record<PlaceKind, string> = { room: 'Room', store: 'Store', shelf: 'Shelf', case: 'Case', bag: 'Bag' }

export function StudioPage() {
  const { data: studio, error, refetch } = useStudioQuery()
  const { data: people } = usePeopleQuery()
  const { data: places } = usePlacesQuery()
  const { data: parties } = usePartiesQuery()
  const [open, setOpen] = useState<'person' | { place: Place | null } | null>(null)
  if (!studio) return <Waiting what="the studio" error={error} onRetry={refetch} />
  const nameOf = (id: string | null) => places?.find((it) => it.id === id)?.name
  return (
    <>
      <PageHead title="Studio" aside={studio.name} />
      <div className="grid gap-x-10 px-4 pb-8 md:px-5 lg:grid-cols-2">
        <Section title="How this studio reckons">
          <SettingsForm key={studio.version} studio={studio} />
        </Section>
        <div>
          <Section title="People" aside={people && `${people.length}`}>
            <ul>
              {people?.map((person) => (
                <li key={person.id} className="border-b border-rule py-2">
                  <b>{person.name}</b>{' '}
                  <span className="text-[13px] text-quiet">
                    {[person.skills.join(', '), person.note].filter(Boolean).join(' · ')}
                  </span>
                </li>
              ))}
            </ul>
            <Button className="mt-2" size="small" onClick={() => setOpen('person')}>
              Add a person
            </Button>
          </Section>
          <Section title="Places" aside={places && `${places.length}`}>
            <ul>
              {places?.map((place) => (
                <li key={place.id} className="flex items-center gap-3 border-b border-rule py-1.5">
                  <span className="flex-1">
                    <b>{place.name}</b>{' '}
                    <span className="text-[13px] text-quiet">
                      {[
                        KIND_NAMES[place.kind].toLowerCase(),
                        nameOf(place.parentId) && `in ${nameOf(place.parentId)}`,
                        ...place.circuits.map((it) => `${it.name} ${it.volts} V ${it.amps} A`),
                      ]
                        .filter(Boolean)
                        .join(' · ')}
                    </span>
                  </span>
                  <Button size="small" aria-label={`Change ${place.name}`} onClick={() => setOpen({ place })}>
                    Change
                  </Button>
                </li>
              ))}
            </ul>
            <Button className="mt-2" size="small" onClick={() => setOpen({ place: null })}>
              Add a place
            </Button>
          </Section>
          <Section title="Vendors, lenders, repairers">
            {parties?.length === 0 && <p className="py-2 text-[13px] text-quiet">None recorded.</p>}
            <ul>
              {parties?.map((party) => (
                <li key={party.id} className="border-b border-rule py-2">
                  <b>{party.name}</b> <span className="text-[13px] text-quiet">{party.kind}</span>
                </li>
              ))}
            </ul>
          </Section>
        </div>
      </div>
      <SheetDialog open={open === 'person'} onClose={() => setOpen(null)} title="Add a person">
        <PersonForm onClose={() => setOpen(null)} />
      </SheetDialog>
      <SheetDialog
        open={open !== null && open !== 'person'}
        onClose={() => setOpen(null)}
        title={typeof open === 'object' && open?.place ? `Change ${open.place.name}` : 'Add a place'}
      >
        {typeof open === 'object' && open && <PlaceForm place={open.place} onClose={() => setOpen(null)} />}
      </SheetDialog>
    </>
  )
}

const NUMBERS = [
  ['continuousLoadPercent', 'Load of a circuit for three hours or more, %', '100 turns the 80 % rule off.'],
  ['cardHeadroomPercent', 'Kept free on every card, %', 'Common practice is 10.'],
  ['sparePacks', 'Spare packs of each family', 'Beyond what the sum of the devices says.'],
  ['packEfficiencyPercent', 'Share of a pack that reaches the device, %', 'Losses in plates and converters.'],
  ['serviceNoticeDays', 'Services are shown so many days ahead', ''],
] as const

function SettingsForm({ studio }: { studio: StudioReply }) {
  const [draft, setDraft] = useState<Record<keyof StudioSettings, string>>({
    name: studio.name,
    currency: studio.currency,
    zone: studio.zone,
    continuousLoadPercent: String(studio.continuousLoadPercent),
    cardHeadroomPercent: String(studio.cardHeadroomPercent),
    sparePacks: String(studio.sparePacks),
    packEfficiencyPercent: String(studio.packEfficiencyPercent),
    serviceNoticeDays: String(studio.serviceNoticeDays),
  })
  const [problems, setProblems] = useState<Record<string, string>>({})
  const [change, { error }] = useChangeStudioMutation()
  const dispatch = useAppDispatch()
  const save = async () => {
    const numbers = Object.fromEntries(NUMBERS.map(([key]) => [key, Number(draft[key])]))
    const reading = studioSettingsSchema.safeParse({ ...draft, ...numbers })
    if (!reading.success) {
      setProblems(Object.fromEntries(reading.error.issues.map((it) => [String(it.path[0]), it.message])))
      return
    }
    setProblems({})
    await change({ version: studio.version, body: reading.data }).unwrap()
    dispatch(tell('Saved. Every verdict follows these settings now.'))
  }
  const field = (key: keyof StudioSettings, label: string, hint: string) => (
    <TextField
      key={key}
      label={label}
      hint={hint || undefined}
      value={draft[key]}
      problem={problems[key]}
      onChange={(event) => setDraft({ ...draft, [key]: event.target.value })}
    />
  )
  return (
    <form
      className="mt-3 grid max-w-[460px] gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        save().catch(() => {})
      }}
    >
      {field('name', 'Name of the studio', '')}
      <div className="grid grid-cols-2 gap-3">
        {field('currency', 'Currency', 'Three letters, such as GBP.')}
        {field('zone', 'Time zone', 'Such as Europe/London.')}
      </div>
      {NUMBERS.map(([key, label, hint]) => field(key, label, hint))}
      <FormProblem text={error ? readProblem(error).detail : null} />
      <Button look="act" type="submit" className="w-fit">
        Save the settings
      </Button>
    </form>
  )
}

function PersonForm({ onClose }: { onClose(): void }) {
  const [name, setName] = useState('')
  const [skills, setSkills] = useState('')
  const [add, { error }] = useAddPersonMutation()
  const problem = error ? readProblem(error) : null
  return (
    <form
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        const list = skills
          .split(',')
          .map((it) => it.trim())
          .filter(Boolean)
        add({ name, skills: list, note: '' })
          .unwrap()
          .then(onClose)
          .catch(() => {})
      }}
    >
      <TextField
        label="Name"
        autoFocus
        value={name}
        problem={problem?.fields.name}
        onChange={(event) => setName(event.target.value)}
      />
      <TextField
        label="Skills, with commas between"
        placeholder="camera, sound"
        value={skills}
        onChange={(event) => setSkills(event.target.value)}
      />
      <FormProblem text={problem?.detail ?? null} />
      <Button look="act" type="submit" className="w-fit">
        Add
      </Button>
    </form>
  )
}

function PlaceForm({ place, onClose }: { place: Place | null; onClose(): void }) {
  const { data: interfaces } = useInterfacesQuery()
  const [draft, setDraft] = useState<PlaceDraft>(
    place ?? { name: '', kind: 'room', parentId: null, circuits: [], note: '' },
  )
  const [add, adding] = useAddPlaceMutation()
  const [change, changing] = useChangePlaceMutation()
  const failed = adding.error ?? changing.error
  const problem = failed ? readProblem(failed) : null
  const set = (part: Partial<PlaceDraft>) => setDraft({ ...draft, ...part })
  const setCircuit = (at: number, part: Partial<PlaceDraft['circuits'][number]> | null) =>
    set({ circuits: draft.circuits.flatMap((it, index) => (index === at ? (part ? [{ ...it, ...part }] : []) : [it])) })
  const save = async () => {
    const { name, kind, parentId, circuits, note } = draft
    const body = { name, kind, parentId, circuits, note }
    if (place) await change({ id: place.id, version: place.version, body }).unwrap()
    else await add(body).unwrap()
    onClose()
  }
  return (
    <form
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        save().catch(() => {})
      }}
    >
      <TextField
        label="Name"
        autoFocus
        value={draft.name}
        problem={problem?.fields.name}
        onChange={(event) => set({ name: event.target.value })}
      />
      <div className="grid grid-cols-2 gap-3">
        <SelectField
          label="Kind"
          value={draft.kind}
          onChange={(event) => set({ kind: event.target.value as PlaceKind })}
        >
          {PLACE_KINDS.map((kind) => (
            <option key={kind} value={kind}>
              {KIND_NAMES[kind]}
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
      <fieldset className="grid gap-2">
        <legend className="mb-1 text-[12px] font-semibold">Circuits</legend>
        {draft.circuits.map((circuit, at) => (
          <div key={circuit.id} className="grid grid-cols-2 gap-2 border-l-4 border-rule pl-3 md:grid-cols-3">
            <TextField
              label="Name"
              value={circuit.name}
              onChange={(event) => setCircuit(at, { name: event.target.value })}
            />
            <TextField
              label="Volts"
              inputMode="numeric"
              value={circuit.volts || ''}
              onChange={(event) => setCircuit(at, { volts: Number(event.target.value) || 0 })}
            />
            <TextField
              label="Amperes"
              inputMode="decimal"
              value={circuit.amps || ''}
              onChange={(event) => setCircuit(at, { amps: Number(event.target.value) || 0 })}
            />
            <TextField
              label="Sockets"
              inputMode="numeric"
              value={circuit.outlets || ''}
              onChange={(event) => setCircuit(at, { outlets: Number(event.target.value) || 0 })}
            />
            <SelectField
              label="Kind of socket"
              value={circuit.outletInterface}
              onChange={(event) => setCircuit(at, { outletInterface: event.target.value })}
            >
              {interfaces
                ?.filter((it) => it.kind === 'mains')
                .map((it) => (
                  <option key={it.code} value={it.code}>
                    {it.label}
                  </option>
                ))}
            </SelectField>
            <Button size="small" className="self-end" onClick={() => setCircuit(at, null)}>
              Remove
            </Button>
          </div>
        ))}
        <Button
          size="small"
          className="w-fit"
          onClick={() =>
            set({
              circuits: [
                ...draft.circuits,
                {
                  id: crypto.randomUUID(),
                  name: `Circuit ${draft.circuits.length + 1}`,
                  volts: 230,
                  amps: 16,
                  outlets: 2,
                  outletInterface: 'mains-bs1363',
                },
              ],
            })
          }
        >
          Add a circuit
        </Button>
      </fieldset>
      <NoteField label="Note" value={draft.note} onChange={(event) => set({ note: event.target.value })} />
      <FormProblem text={problem?.detail ?? null} />
      <Button look="act" type="submit" className="w-fit">
        Save
      </Button>
    </form>
  )
}
