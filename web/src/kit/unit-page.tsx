import { LIFE_STATE_CODES, LIFE_STATES, type LifeState } from '@exemplar/core'
import { useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import { FaultDialog } from '../bench/fault-dialog.tsx'
import {
  useArchiveUnitMutation,
  useChangeUnitMutation,
  useEventsQuery,
  useMendFaultMutation,
  usePeopleQuery,
  useRecordServiceMutation,
  useUnitQuery,
} from '../foundation/api.ts'
import { Button, ButtonLink } from '../foundation/button.tsx'
import { CheckField, NoteField, SelectField, TextField } from '../foundation/field.tsx'
import { PlaceOptions } from '../foundation/options.tsx'
import { PageHead, Section, Tag, Waiting } from '../foundation/page-parts.tsx'
import type { UnitPage as Page } from '../foundation/replies.ts'
import { SavingFoot } from '../foundation/saving-foot.tsx'
import { useMay } from '../foundation/session.ts'
import { SheetDialog } from '../foundation/sheet-dialog.tsx'
import { useTimeWords } from '../foundation/time-words.ts'
import { useSaving } from '../foundation/use-saving.ts'
import { useTold } from '../foundation/use-told.ts'
import { Attachments } from '../studio/attachments.tsx'
import { sayEvent } from './event-words.ts'
import { Software } from './software.tsx'
import { UnitFacts } from './unit-facts.tsx'

export function UnitPage() {
  const { id = '' } = useParams()
  const { data, error, refetch } = useUnitQuery(id)
  const [open, setOpen] = useState<'edit' | 'fault' | null>(null)
  const [mend] = useMendFaultMutation()
  const [service] = useRecordServiceMutation()
  const [archive] = useArchiveUnitMutation()
  const run = useTold()
  const navigate = useNavigate()
  const { today } = useTimeWords()
  const may = useMay()
  if (!data) return <Waiting what="the thing" error={error} onRetry={refetch} />
  const { unit } = data
  const openFaults = data.faults.filter((fault) => fault.mendedAt === null)
  return (
    <>
      <PageHead
        title={
          <>
            <Tag>{unit.tag}</Tag> {data.name}
          </>
        }
      >
        <ButtonLink to={`/kit/labels?find=${unit.tag}`}>Label</ButtonLink>
        {may('change-kit') && <Button onClick={() => setOpen('edit')}>Change</Button>}
        {unit.serviceEveryDays !== null && may('mend') && (
          <Button
            onClick={() =>
              run(
                service({ id, version: data.version, body: { on: today, note: '' } }).unwrap(),
                `${unit.tag} serviced today.`,
              )
            }
          >
            Serviced today
          </Button>
        )}
        {may('report-fault') && (
          <Button look="act" onClick={() => setOpen('fault')}>
            Report a fault
          </Button>
        )}
      </PageHead>
      <div className="grid gap-8 px-4 pt-3 pb-8 md:px-5 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
        <div>
          <UnitFacts page={data} />
          {(may('mend') ? openFaults : []).map((fault) => (
            <Button
              key={fault.id}
              className="mr-2"
              onClick={() =>
                run(
                  mend({ id: fault.id, version: fault.version, body: { note: '' } }).unwrap(),
                  `Closed: ${fault.note}`,
                )
              }
            >
              Mended: {fault.note.slice(0, 30)}
            </Button>
          ))}
        </div>
        <div>
          <Software unit={unit} version={data.version} />
          <Attachments subjectType="unit" subjectId={id} />
          <History unitId={id} />
          <div className={may('change-kit') ? 'mt-6' : 'hidden'}>
            <Button
              size="small"
              onClick={() =>
                run(
                  archive({ id, version: data.version })
                    .unwrap()
                    .then(() => navigate('/kit')),
                  `${unit.tag} is archived; its history stays.`,
                )
              }
            >
              Archive this thing
            </Button>
          </div>
        </div>
      </div>
      <SheetDialog open={open === 'edit'} onClose={() => setOpen(null)} title={`Change ${unit.tag}`}>
        <EditForm page={data} onClose={() => setOpen(null)} />
      </SheetDialog>
      <FaultDialog open={open === 'fault'} tag={unit.tag} unitId={id} onClose={() => setOpen(null)} />
    </>
  )
}

function History({ unitId }: { unitId: string }) {
  const { data } = useEventsQuery({ subjectType: 'unit', subjectId: unitId })
  const words = useTimeWords()
  return (
    <Section title="History">
      <ol>
        {data?.map((event) => (
          <li key={event.id} className="flex gap-3 border-b border-rule py-1.5 text-[13px]">
            <span className="w-28 shrink-0 text-quiet">{words.sayInstant(event.at)}</span>
            <span className={`flex-1 ${event.isUndone ? 'text-quiet line-through' : ''}`}>{sayEvent(event)}</span>
            <span className="text-quiet">{event.person}</span>
          </li>
        ))}
      </ol>
    </Section>
  )
}

function EditForm({ page: latest, onClose }: { page: Page; onClose(): void }) {
  // As it was when the form was opened: live changes must not slip a newer version under an older draft.
  const [page] = useState(latest)
  const { unit } = page
  const [change] = useChangeUnitMutation()
  const { data: people } = usePeopleQuery()
  const saving = useSaving(onClose)
  const { problem, save } = saving
  const [draft, setDraft] = useState({
    state: unit.state as LifeState,
    placeId: unit.placeId ?? '',
    serial: unit.serial ?? '',
    dueOn: unit.dueOn ?? '',
    healthPercent: unit.healthPercent === null ? '' : String(unit.healthPercent),
    serviceEveryDays: unit.serviceEveryDays === null ? '' : String(unit.serviceEveryDays),
    lastServicedOn: unit.lastServicedOn ?? '',
    note: unit.note,
    ownerId: unit.ownerId ?? '',
    ownerAgreed: unit.ownerAgreed,
  })
  const set = (part: Partial<typeof draft>) => setDraft({ ...draft, ...part })
  const submit = (version = page.version) => {
    const { state, note } = draft
    const work = () =>
      change({
        id: unit.id,
        version,
        body: {
          state,
          note,
          ownerId: draft.ownerId || null,
          ownerAgreed: draft.ownerId !== '' && draft.ownerAgreed,
          placeId: draft.placeId || null,
          serial: draft.serial || null,
          dueOn: draft.dueOn || null,
          healthPercent: draft.healthPercent === '' ? null : Number(draft.healthPercent),
          serviceEveryDays: draft.serviceEveryDays === '' ? null : Number(draft.serviceEveryDays),
          lastServicedOn: draft.lastServicedOn || null,
        },
      }).unwrap()
    return save(work, `${unit.tag} changed.`)
  }
  return (
    <form
      className="grid gap-3 md:grid-cols-2"
      onSubmit={(event) => {
        event.preventDefault()
        submit()
      }}
    >
      <SelectField
        label="State"
        value={draft.state}
        onChange={(event) => set({ state: event.target.value as LifeState })}
      >
        {LIFE_STATE_CODES.map((code) => (
          <option key={code} value={code}>
            {LIFE_STATES[code].label}
          </option>
        ))}
      </SelectField>
      <SelectField
        label="Where it lives"
        value={draft.placeId}
        onChange={(event) => set({ placeId: event.target.value })}
      >
        <PlaceOptions none="Not known yet" />
      </SelectField>
      <TextField
        label="Due back on"
        type="date"
        hint="A loan’s end, or a repair’s return"
        value={draft.dueOn}
        problem={problem?.fields.dueOn}
        onChange={(event) => set({ dueOn: event.target.value })}
      />
      <TextField
        label="Serial"
        value={draft.serial}
        problem={problem?.fields.serial}
        onChange={(event) => set({ serial: event.target.value })}
      />
      <TextField
        label="Service every … days"
        inputMode="numeric"
        value={draft.serviceEveryDays}
        problem={problem?.fields.serviceEveryDays}
        onChange={(event) => set({ serviceEveryDays: event.target.value })}
      />
      <TextField
        label="Last serviced on"
        type="date"
        value={draft.lastServicedOn}
        problem={problem?.fields.lastServicedOn}
        onChange={(event) => set({ lastServicedOn: event.target.value })}
      />
      {page.model.category === 'pack' && (
        <TextField
          label="Health, % of new"
          inputMode="numeric"
          value={draft.healthPercent}
          problem={problem?.fields.healthPercent}
          onChange={(event) => set({ healthPercent: event.target.value })}
        />
      )}
      <SelectField
        label="Belongs to somebody of the team"
        hint="A phone or laptop of their own"
        value={draft.ownerId}
        onChange={(event) => set({ ownerId: event.target.value })}
      >
        <option value="">No, to the studio</option>
        {people?.map((it) => (
          <option key={it.id} value={it.id}>
            {it.name}
          </option>
        ))}
      </SelectField>
      {draft.ownerId && (
        <span className="self-end pb-2">
          <CheckField
            label="They agreed that it works here"
            checked={draft.ownerAgreed}
            onChange={(event) => set({ ownerAgreed: event.target.checked })}
          />
        </span>
      )}
      <div className="md:col-span-2">
        <NoteField
          label="What the crew says"
          value={draft.note}
          onChange={(event) => set({ note: event.target.value })}
        />
      </div>
      <div className="grid gap-3 md:col-span-2">
        <SavingFoot saving={saving} act="Save" onMine={submit} onTheirs={onClose} />
      </div>
    </form>
  )
}
