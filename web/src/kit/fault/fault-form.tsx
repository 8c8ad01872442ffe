import {
  type Category,
  FAILING,
  FAILING_CODES,
  listUsualFaults,
  type NewFault,
  SEVERITIES,
  SEVERITY_LABELS,
  sayHazard,
} from '@exemplar/core'
import { useState } from 'react'
import { useMay } from '../../foundation/api/session.ts'
import { CheckField, FormProblem, NoteField, SelectField, TextField } from '../../foundation/form/field.tsx'
import { MoneyField } from '../../foundation/form/money-field.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { Mark } from '../../foundation/parts/mark.tsx'

export type FaultDraft = Omit<NewFault, 'bookingId'>

const NO_FAULT: FaultDraft = {
  note: '',
  severity: 'unusable',
  inFile: '',
  workAround: '',
  workAroundMinutes: null,
  fails: null,
  isNoisy: false,
  isHazard: false,
  valueLossMinor: null,
}

/** Asks what is wrong, in the crew's words or by a tap, and whether the thing can still work; the rest where somebody knows it. */
export function FaultForm({
  act,
  category,
  problem,
  onSave,
}: {
  act: string
  /** What it is, where that is known: such things have faults of their own. */
  category?: Category | null
  problem?: string | null
  onSave(draft: FaultDraft, photo: File | null): void
}) {
  const [draft, setDraft] = useState(NO_FAULT)
  const [minutes, setMinutes] = useState('')
  const [photo, setPhoto] = useState<File | null>(null)
  const [isAsked, setAsked] = useState(false)
  const isWhole = /^\d{0,3}$/.test(minutes.trim())
  const set = (part: Partial<FaultDraft>) => setDraft({ ...draft, ...part })
  const { note, severity, isHazard } = draft
  return (
    <form
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        setAsked(true)
        if (!note.trim() || !isWhole) return
        const workAroundMinutes = minutes.trim() === '' ? null : Number(minutes)
        const said = { note: note.trim(), inFile: draft.inFile.trim(), workAround: draft.workAround.trim() }
        onSave({ ...draft, ...said, workAroundMinutes }, photo)
      }}
    >
      {category && (
        <ul className="flex flex-wrap gap-2" aria-label="What such things usually have">
          {listUsualFaults(category).map((it) => (
            <li key={it.note}>
              <Button onClick={() => set({ fails: null, isNoisy: false, isHazard: false, ...it })}>{it.note}</Button>
            </li>
          ))}
        </ul>
      )}
      <NoteField
        label="What is wrong?"
        autoFocus={!category}
        value={note}
        problem={isAsked && !note.trim() ? 'Say in a few words what is wrong.' : undefined}
        onChange={(event) => set({ note: event.target.value })}
      />
      <fieldset className="grid gap-1">
        <legend className="mb-1 text-[12px] font-semibold">How bad is it?</legend>
        {SEVERITIES.map((code) => (
          <label key={code} className="flex min-h-9 items-center gap-2 text-[14px]">
            <input
              type="radio"
              name="severity"
              className="size-5 accent-(--ink)"
              checked={severity === code}
              onChange={() => set({ severity: code, isHazard: isHazard && code === 'unusable' })}
            />
            {SEVERITY_LABELS[code]}
          </label>
        ))}
      </fieldset>
      <CheckField
        label="It can hurt somebody: swollen, hot, leaking, a bare wire"
        checked={isHazard}
        onChange={(event) => set(event.target.checked ? { isHazard: true, severity: 'unusable' } : { isHazard: false })}
      />
      {isHazard && <Mark level="stop">{sayHazard(category ?? 'lead')}</Mark>}
      {severity === 'unusable' && (
        <p className="text-[13px] text-quiet">It leaves every setup’s reckoning until it is mended.</p>
      )}
      <details>
        <summary className="cursor-pointer text-[13px] font-semibold">More, where you know it</summary>
        <More draft={draft} minutes={minutes} isWhole={isWhole} set={set} setMinutes={setMinutes} setPhoto={setPhoto} />
      </details>
      <FormProblem text={problem ?? null} />
      <Button look="act" type="submit" size="thumb" className="w-fit">
        {act}
      </Button>
    </form>
  )
}

function More({
  draft,
  minutes,
  isWhole,
  set,
  setMinutes,
  setPhoto,
}: {
  draft: FaultDraft
  minutes: string
  isWhole: boolean
  set(part: Partial<FaultDraft>): void
  setMinutes(text: string): void
  setPhoto(file: File | null): void
}) {
  const may = useMay()
  return (
    <div className="mt-2 grid gap-3">
      {may('attach-files') && (
        <label className="grid gap-1 text-[12px] font-semibold">
          A photo of it
          <input
            type="file"
            accept="image/*"
            capture="environment"
            className="text-[13px] font-normal"
            onChange={(event) => setPhoto(event.target.files?.[0] ?? null)}
          />
        </label>
      )}
      {draft.severity !== 'unusable' && (
        <SelectField
          label="What does it no longer do as it should?"
          value={draft.fails ?? ''}
          onChange={(event) => set({ fails: FAILING_CODES.find((it) => it === event.target.value) ?? null })}
        >
          <option value="">Nothing of that kind, or not known</option>
          {FAILING_CODES.map((code) => (
            <option key={code} value={code}>
              {FAILING[code]}
            </option>
          ))}
        </SelectField>
      )}
      <CheckField
        label="It hums, buzzes or rattles"
        checked={draft.isNoisy}
        onChange={(event) => set({ isNoisy: event.target.checked })}
      />
      <TextField
        label="In which file, and when in it"
        hint="A012, 14:20, sound is gone"
        value={draft.inFile}
        maxLength={200}
        onChange={(event) => set({ inFile: event.target.value })}
      />
      <TextField
        label="How you get along with it"
        value={draft.workAround}
        maxLength={200}
        onChange={(event) => set({ workAround: event.target.value })}
      />
      <TextField
        label="Minutes that takes each time"
        inputMode="numeric"
        value={minutes}
        unread={isWhole ? undefined : 'A whole number of minutes.'}
        onChange={(event) => setMinutes(event.target.value)}
      />
      {may('see-money') && (
        <MoneyField
          label="Takes off its worth"
          value={draft.valueLossMinor}
          onChange={(valueLossMinor) => set({ valueLossMinor })}
        />
      )}
    </div>
  )
}
