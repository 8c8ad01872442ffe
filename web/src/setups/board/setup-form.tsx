import {
  ASK_CODES,
  ASKS,
  applyTemplate,
  DEMAND_CODES,
  DEMANDS,
  type NewSetup,
  PURPOSE_CODES,
  PURPOSE_TEMPLATES,
  PURPOSES,
  type Purpose,
  SHOT_CODES,
  SHOTS,
  type Shot,
  suggestIdentity,
  TAPES,
  type Tape,
} from '@exemplar/core'
import { useState } from 'react'
import { usePlacesQuery, useSetupNamesQuery } from '../../foundation/api/api.ts'
import type { Problem } from '../../foundation/api/problem.ts'
import { CheckField, FormProblem, SelectField, TextField } from '../../foundation/form/field.tsx'
import { PlaceOptions } from '../../foundation/form/options.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { TapeStrip } from '../../foundation/parts/tape.tsx'
import { TAPE_NAMES } from '../setup-draft.ts'

/** A small whole number, or nothing. */
const isCount = (text: string) => /^\d{0,2}$/.test(text.trim())

const makeId = () => crypto.randomUUID()

/** Name, purpose, room, circuit and planned time of a setup; used to make one and to change one. */
export function SetupForm({
  draft,
  act,
  isNew = false,
  problem,
  onSave,
}: {
  draft: NewSetup
  act: string
  isNew?: boolean
  problem: Problem | null
  onSave(draft: NewSetup): void
}) {
  const { data: places } = usePlacesQuery()
  const { data: setups } = useSetupNamesQuery()
  const [now, setNow] = useState(draft)
  const [minutes, setMinutes] = useState(String(draft.plannedMinutes))
  const [speakers, setSpeakers] = useState(draft.speakers === null ? '' : String(draft.speakers))
  const [carriers, setCarriers] = useState(draft.carriers === 0 ? '' : String(draft.carriers))
  const [skills, setSkills] = useState(draft.skills.join(', '))
  const [isNamed, setNamed] = useState(draft.name !== '')
  const set = (part: Partial<NewSetup>) => setNow({ ...now, ...part })
  /** A new setup starts with what its purpose usually takes; one that has roles keeps them. */
  const choosePurpose = (purposeKind: Purpose) => {
    if (!isNew) return set({ purposeKind })
    const next = applyTemplate({ ...now, roles: [], demands: [], asks: [], skills: [] }, purposeKind, makeId)
    setMinutes(String(next.plannedMinutes))
    setSkills(next.skills.join(', '))
    setCarriers(next.carriers === 0 ? '' : String(next.carriers))
    setNow(next)
  }
  const room = places?.find((it) => it.id === now.placeId)
  const rename = (name: string) => set({ name, ...(isNamed ? {} : suggestIdentity(name, setups ?? [])) })
  const minutesProblem = /^\d{1,4}$/.test(minutes) ? problem?.fields.plannedMinutes : 'Write whole minutes.'
  const speakersProblem = isCount(speakers) ? problem?.fields.speakers : 'Write a whole number.'
  return (
    <form
      className="grid gap-3 md:grid-cols-2"
      onSubmit={(event) => {
        event.preventDefault()
        const list = skills.split(',').flatMap((it) => it.trim() || [])
        if (!/^\d{1,4}$/.test(minutes) || !isCount(speakers) || !isCount(carriers)) return
        const heard = speakers.trim() === '' ? null : Number(speakers)
        onSave({ ...now, skills: list, plannedMinutes: Number(minutes), speakers: heard, carriers: Number(carriers) })
      }}
    >
      <TextField
        label="Name"
        autoFocus
        value={now.name}
        problem={problem?.fields.name}
        onChange={(event) => rename(event.target.value)}
      />
      <TextField
        label="In a few words"
        placeholder="Two-person interview"
        value={now.purpose}
        onChange={(event) => set({ purpose: event.target.value })}
      />
      <SelectField
        label={isNew ? 'What it is for' : 'Follows the policies for'}
        value={now.purposeKind}
        onChange={(event) => choosePurpose(event.target.value as Purpose)}
      >
        {PURPOSE_CODES.map((code) => (
          <option key={code} value={code}>
            {PURPOSES[code]}
          </option>
        ))}
      </SelectField>
      {isNew && now.purposeKind !== 'other' && (
        <div className="border-l-4 border-rule-strong py-1 pl-3 text-[13px] md:col-span-2" role="status">
          <p className="font-semibold">{PURPOSE_TEMPLATES[now.purposeKind].advice}</p>
          {now.roles.length > 0 && (
            <p className="text-quiet">
              Starts with {now.roles.length} roles: {now.roles.map((role) => role.name).join(', ')}.
            </p>
          )}
          <Button
            size="small"
            className="mt-1"
            onClick={() => (now.roles.length > 0 ? set({ roles: [] }) : choosePurpose(now.purposeKind))}
          >
            {now.roles.length > 0 ? 'Start without roles' : 'Start with its roles'}
          </Button>
        </div>
      )}
      <TextField
        label="Code on the tape"
        maxLength={2}
        value={now.code}
        problem={problem?.fields.code}
        onChange={(event) => {
          setNamed(true)
          set({ code: event.target.value.toUpperCase() })
        }}
      />
      <SelectField
        label="Tape"
        value={now.tape}
        onChange={(event) => {
          setNamed(true)
          set({ tape: event.target.value as Tape })
        }}
      >
        {TAPES.map((tape) => (
          <option key={tape} value={tape}>
            {TAPE_NAMES[tape]}
          </option>
        ))}
      </SelectField>
      <SelectField
        label="Room"
        value={now.placeId ?? ''}
        problem={problem?.fields.placeId}
        onChange={(event) => set({ placeId: event.target.value || null, circuitId: null })}
      >
        <PlaceOptions none="No room" kind="room" />
      </SelectField>
      <SelectField
        label="Circuit that feeds it"
        hint={
          room && room.circuits.length === 0 ? 'No circuit is recorded for this room; add one under Studio.' : undefined
        }
        value={now.circuitId ?? ''}
        problem={problem?.fields.circuitId}
        onChange={(event) => set({ circuitId: event.target.value || null })}
      >
        <option value="">Not chosen</option>
        {room?.circuits.map((it) => (
          <option key={it.id} value={it.id}>
            {it.name}, {it.volts} V {it.amps} A
          </option>
        ))}
      </SelectField>
      <TextField
        label="Planned recording, minutes"
        inputMode="numeric"
        value={minutes}
        problem={minutesProblem}
        onChange={(event) => setMinutes(event.target.value)}
      />
      <details className="md:col-span-2">
        <summary className="text-[13px] font-semibold">What it asks of people and things</summary>
        <div className="mt-2 grid gap-3 md:grid-cols-2">
          <TextField
            label="Skills somebody has to have"
            placeholder="switcher, sound"
            value={skills}
            onChange={(event) => setSkills(event.target.value)}
          />
          <SelectField
            label="How much of a person is seen"
            value={now.shot ?? ''}
            onChange={(event) => set({ shot: (event.target.value || null) as Shot | null })}
          >
            <option value="">Nobody said</option>
            {SHOT_CODES.map((shot) => (
              <option key={shot} value={shot}>
                {SHOTS[shot]}
              </option>
            ))}
          </SelectField>
          <TextField
            label="How many people speak"
            inputMode="numeric"
            value={speakers}
            problem={speakersProblem}
            onChange={(event) => setSpeakers(event.target.value)}
          />
          <TextField
            label="How many people hold or wear something"
            inputMode="numeric"
            value={carriers}
            problem={isCount(carriers) ? problem?.fields.carriers : 'Write a whole number.'}
            onChange={(event) => setCarriers(event.target.value)}
          />
          <span className="self-end pb-2">
            <CheckField
              label="The picture is turned round, as in a mirror"
              checked={now.isMirrored}
              onChange={(event) => set({ isMirrored: event.target.checked })}
            />
          </span>
          <fieldset className="flex flex-wrap gap-x-5 gap-y-1 md:col-span-2">
            <legend className="mb-1 text-[12px] font-semibold">What it asks of the people</legend>
            {ASK_CODES.map((ask) => (
              <CheckField
                key={ask}
                label={ASKS[ask]}
                checked={now.asks.includes(ask)}
                onChange={(event) =>
                  set({ asks: event.target.checked ? [...now.asks, ask] : now.asks.filter((it) => it !== ask) })
                }
              />
            ))}
          </fieldset>
          <fieldset className="flex flex-wrap gap-x-5 gap-y-1 md:col-span-2">
            <legend className="mb-1 text-[12px] font-semibold">What its content demands of the things</legend>
            {DEMAND_CODES.map((demand) => (
              <CheckField
                key={demand}
                label={DEMANDS[demand]}
                checked={now.demands.includes(demand)}
                onChange={(event) =>
                  set({
                    demands: event.target.checked
                      ? [...now.demands, demand]
                      : now.demands.filter((it) => it !== demand),
                  })
                }
              />
            ))}
          </fieldset>
        </div>
      </details>
      <div className="self-end pb-1">
        <TapeStrip code={now.code || '··'} tape={now.tape} name={now.name || 'Setup'} />
      </div>
      <div className="grid gap-3 md:col-span-2">
        <FormProblem text={problem?.detail ?? null} />
        <Button look="act" type="submit" className="w-fit">
          {act}
        </Button>
      </div>
    </form>
  )
}
