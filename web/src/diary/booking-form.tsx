import {
  BOOKING_KIND_CODES,
  BOOKING_KINDS,
  type BookingCheck,
  type BookingKind,
  type NewBooking,
  newBookingSchema,
  type Remedy,
  resolvePolicies,
  SKIES,
  SKY_CODES,
  type Sky,
  type StudioSettings,
} from '@exemplar/core'
import { skipToken } from '@reduxjs/toolkit/query/react'
import { useMemo, useState } from 'react'
import { useCheckBookingQuery, usePeopleQuery, useSetupNamesQuery, useSetupQuery } from '../foundation/api/api.ts'
import type { Problem } from '../foundation/api/problem.ts'
import { useMay } from '../foundation/api/session.ts'
import { CheckField, FormProblem, SelectField, TextField } from '../foundation/form/field.tsx'
import { PlaceOptions } from '../foundation/form/options.tsx'
import { Button } from '../foundation/parts/button.tsx'
import { Tag } from '../foundation/parts/page-parts.tsx'
import { useSettled } from '../foundation/parts/use-settled.ts'
import { ThingPicker } from '../kit/entry/thing-picker.tsx'
import { useSetupChanges } from '../setups/use-setup-changes.ts'
import { BookingTroubles } from './booking-troubles.tsx'
import { LetFields } from './let-fields.tsx'
import { SkillsWanted } from './skills-wanted.tsx'

interface Draft {
  kind: BookingKind
  title: string
  setupId: string
  placeId: string
  unitIds: string[]
  personIds: string[]
  date: string
  from: string
  to: string
  endDate: string
  rig: string
  strike: string
  partyId: string
  feeMinor: number | null
  needsFloor: boolean
  sky: Sky | ''
  note: string
}

export function toFormDraft(booking: NewBooking): Draft {
  return {
    kind: booking.kind,
    title: booking.title,
    setupId: booking.setupId ?? '',
    placeId: booking.placeId ?? '',
    unitIds: booking.unitIds,
    personIds: booking.personIds,
    date: booking.startsAt.slice(0, 10),
    from: booking.startsAt.slice(11),
    endDate: booking.endsAt.slice(0, 10),
    to: booking.endsAt.slice(11),
    rig: String(booking.rigMinutes),
    strike: String(booking.strikeMinutes),
    partyId: booking.partyId ?? '',
    feeMinor: booking.feeMinor,
    needsFloor: booking.needsFloor,
    sky: booking.sky ?? '',
    note: booking.note,
  }
}

/** Minutes for rigging and striking by the studio's school: what always stands wants next to none. */
const BUFFERS: Record<string, readonly [rig: string, strike: string]> = {
  packed: ['45', '30'],
  half: ['20', '15'],
  standing: ['5', '5'],
}

export function makeBlankDraft(date: string, setupId: string, studio: StudioSettings): Draft {
  const [rig = '45', strike = '30'] = BUFFERS[resolvePolicies(studio, null).school('standing').way] ?? []
  return {
    kind: 'shoot',
    title: '',
    setupId,
    placeId: '',
    unitIds: [],
    personIds: [],
    date,
    from: '10:00',
    endDate: date,
    to: '12:00',
    rig,
    strike,
    partyId: '',
    feeMinor: null,
    needsFloor: false,
    sky: '',
    note: '',
  }
}

const NO_TAGS: ReadonlyMap<string, string> = new Map()

/** When, what, where and who; what stands in the way shows while it is filled in. */
export function BookingForm({
  initial,
  state,
  except,
  knownTags = NO_TAGS,
  act,
  problem,
  onSave,
}: {
  initial: Draft
  state: NewBooking['state']
  except?: string
  /** Tags of the loose things that the booking has already. */
  knownTags?: ReadonlyMap<string, string>
  act: string
  problem: Problem | null
  onSave(body: NewBooking): void
}) {
  const [draft, setDraft] = useState(initial)
  const [isAsked, setAsked] = useState(false)
  const [wantsThings, setWantsThings] = useState(initial.unitIds.length > 0)
  const { data: setups } = useSetupNamesQuery()
  const { data: people } = usePeopleQuery()
  const [tags, setTags] = useState<ReadonlyMap<string, string>>(new Map())
  const set = (part: Partial<Draft>) => setDraft({ ...draft, ...part })
  const setup = setups?.find((it) => it.id === draft.setupId)
  const { data: whole } = useSetupQuery(draft.setupId, { skip: !draft.setupId })
  const isByWindow = whole?.stage.windows === 'relied' || whole?.stage.windows === 'tamed'

  const reading = useMemo(() => {
    const body = {
      kind: draft.kind,
      title: draft.title.trim() || 'Untitled',
      setupId: draft.setupId || null,
      unitIds: draft.unitIds,
      placeId: draft.placeId || setup?.placeId || null,
      personIds: draft.personIds,
      startsAt: `${draft.date}T${draft.from}`,
      endsAt: `${draft.endDate}T${draft.to}`,
      rigMinutes: Number(draft.rig),
      strikeMinutes: Number(draft.strike),
      state,
      note: draft.note,
      partyId: draft.partyId || null,
      feeMinor: draft.feeMinor,
      needsFloor: draft.needsFloor && draft.placeId !== '',
      sky: draft.sky || null,
    }
    return newBookingSchema.safeParse(body)
  }, [draft, state, setup])
  // What it is called and what it costs stand in nobody's way: they are not asked about.
  const asked = useSettled(reading.success ? { ...reading.data, title: 'Draft', note: '', feeMinor: null } : null)
  const { data: check } = useCheckBookingQuery(asked ? { body: asked, except } : skipToken)
  const busyWith = (personId: string) => {
    const title = check?.busy.find((it) => it.personId === personId)?.title
    return title ? `taken by ${title}` : ''
  }
  const ours: Record<string, string> = {}
  if (!reading.success) for (const issue of reading.error.issues) ours[String(issue.path[0])] ??= issue.message
  if (!draft.title.trim()) ours.title = 'Name it: the film, the talk, the guest.'
  const at = (field: string) => problem?.fields[field] ?? (isAsked || field === 'endsAt' ? ours[field] : undefined)

  return (
    <form
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        setAsked(true)
        if (reading.success && draft.title.trim()) onSave(reading.data)
      }}
    >
      <div className="grid grid-cols-1 gap-3 md:grid-cols-2">
        <TextField
          label="What is it?"
          placeholder="Winter talk"
          autoFocus
          value={draft.title}
          problem={at('title')}
          onChange={(event) => set({ title: event.target.value })}
        />
        <SelectField
          label="Kind"
          value={draft.kind}
          onChange={(event) => set({ kind: event.target.value as BookingKind })}
        >
          {BOOKING_KIND_CODES.map((kind) => (
            <option key={kind} value={kind}>
              {BOOKING_KINDS[kind]}
            </option>
          ))}
        </SelectField>
        <SelectField
          label="Setup"
          value={draft.setupId}
          problem={at('setupId')}
          onChange={(event) => set({ setupId: event.target.value })}
        >
          <option value="">No setup: loose things or a room</option>
          {setups?.map((it) => (
            <option key={it.id} value={it.id}>
              {it.code} {it.name}
            </option>
          ))}
        </SelectField>
        <SelectField
          label="Room"
          value={draft.placeId}
          problem={at('placeId')}
          onChange={(event) => set({ placeId: event.target.value })}
        >
          <PlaceOptions none={setup?.placeId ? 'The setup’s own room' : 'No room'} kind="room" />
        </SelectField>
      </div>
      {draft.kind === 'let' && <LetFields draft={draft} onChange={set} />}
      {isByWindow && (
        <SelectField
          label="Sky, as it is forecast"
          hint="It is filmed by the window."
          value={draft.sky}
          onChange={(event) => set({ sky: event.target.value as Sky | '' })}
        >
          <option value="">Not looked up</option>
          {SKY_CODES.map((code) => (
            <option key={code} value={code}>
              {SKIES[code]}
            </option>
          ))}
        </SelectField>
      )}
      {(draft.kind === 'other-use' || draft.kind === 'let') && draft.placeId !== '' && (
        <CheckField
          label="It wants the floor of the room clear"
          checked={draft.needsFloor}
          onChange={(event) => set({ needsFloor: event.target.checked })}
        />
      )}
      <div className="grid grid-cols-2 gap-3 md:grid-cols-4">
        <TextField
          label="Day"
          type="date"
          value={draft.date}
          problem={at('startsAt')}
          onChange={(event) =>
            set({
              date: event.target.value,
              endDate: draft.endDate === draft.date ? event.target.value : draft.endDate,
            })
          }
        />
        <TextField
          label="From"
          type="time"
          value={draft.from}
          onChange={(event) => set({ from: event.target.value })}
        />
        <TextField
          label="Until day"
          type="date"
          value={draft.endDate}
          problem={at('endsAt')}
          onChange={(event) => set({ endDate: event.target.value })}
        />
        <TextField label="Until" type="time" value={draft.to} onChange={(event) => set({ to: event.target.value })} />
        <TextField
          label="Rig before, min"
          inputMode="numeric"
          value={draft.rig}
          problem={at('rigMinutes')}
          onChange={(event) => set({ rig: event.target.value })}
        />
        <TextField
          label="Strike after, min"
          inputMode="numeric"
          value={draft.strike}
          problem={at('strikeMinutes')}
          onChange={(event) => set({ strike: event.target.value })}
        />
      </div>
      <fieldset className="flex flex-wrap gap-x-5 gap-y-1">
        <legend className="mb-1 text-[12px] font-semibold">Who</legend>
        {people?.map((person) => (
          <CheckField
            key={person.id}
            label={
              <>
                {person.name}{' '}
                <span className="text-quiet">
                  {[person.skills.join(', '), busyWith(person.id)].filter(Boolean).join(' · ')}
                </span>
              </>
            }
            checked={draft.personIds.includes(person.id)}
            onChange={(event) =>
              set({
                personIds: event.target.checked
                  ? [...draft.personIds, person.id]
                  : draft.personIds.filter((id) => id !== person.id),
              })
            }
          />
        ))}
      </fieldset>
      {wantsThings ? (
        <div>
          <p className="mb-1 text-[12px] font-semibold">Loose things</p>
          <p className="mb-1 flex flex-wrap gap-2">
            {draft.unitIds.map((unitId) => (
              <button
                type="button"
                key={unitId}
                title="Take it off"
                className="rounded-paper border border-rule-strong px-1.5"
                onClick={() => set({ unitIds: draft.unitIds.filter((it) => it !== unitId) })}
              >
                <Tag>{tags.get(unitId) ?? knownTags.get(unitId) ?? 'thing'}</Tag> ×
              </button>
            ))}
          </p>
          <ThingPicker
            wants={null}
            taken={new Set(draft.unitIds)}
            withStock={false}
            onPick={(picked) => {
              if (!('unitId' in picked)) return
              setTags(new Map(tags).set(picked.unitId, picked.tag))
              set({ unitIds: [...draft.unitIds, picked.unitId] })
            }}
          />
        </div>
      ) : (
        <Button size="small" className="w-fit" onClick={() => setWantsThings(true)}>
          Add loose things
        </Button>
      )}
      <SkillsWanted skills={setup?.skills ?? []} people={people ?? []} booked={draft.personIds} />
      {reading.success && <Check check={check} title={draft.title} setupId={draft.setupId} />}
      <FormProblem text={problem?.detail ?? null} />
      <Button look="act" type="submit" className="w-fit">
        {act}
      </Button>
    </form>
  )
}

function Check({ check: data, title, setupId }: { check: BookingCheck | undefined; title: string; setupId: string }) {
  const { data: setup } = useSetupQuery(setupId, { skip: !setupId })
  const { carryOut } = useSetupChanges(setup)
  const may = useMay()
  const swap = may('change-setups') ? (remedy: Remedy) => carryOut(remedy, title) : undefined
  if (!data)
    return (
      <p role="status" className="text-[13px] text-quiet">
        Looking at who and what is free …
      </p>
    )
  return <BookingTroubles check={data} setup={setup} onSwap={swap} />
}
