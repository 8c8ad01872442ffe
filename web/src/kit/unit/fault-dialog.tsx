import { type NewFault, SEVERITIES, SEVERITY_LABELS, type Severity } from '@exemplar/core'
import { useState } from 'react'
import { useReportFaultMutation } from '../../foundation/api/api.ts'
import { readProblem } from '../../foundation/api/problem.ts'
import { useAppDispatch } from '../../foundation/api/store.ts'
import { tellDone } from '../../foundation/api/tell-done.ts'
import { FormProblem, NoteField, TextField } from '../../foundation/form/field.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { SheetDialog } from '../../foundation/parts/sheet-dialog.tsx'

export type FaultDraft = Pick<NewFault, 'note' | 'severity' | 'inFile' | 'workAround' | 'workAroundMinutes'>

/** Asks what is wrong, in the crew's words, and whether the thing can still work; the rest where somebody knows it. */
export function FaultForm({
  act,
  problem,
  onSave,
}: {
  act: string
  problem?: string | null
  onSave(draft: FaultDraft): void
}) {
  const [note, setNote] = useState('')
  const [severity, setSeverity] = useState<Severity>('unusable')
  const [rest, setRest] = useState({ inFile: '', workAround: '', minutes: '' })
  const [isAsked, setAsked] = useState(false)
  const isWhole = /^\d{0,3}$/.test(rest.minutes.trim())
  return (
    <form
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        setAsked(true)
        if (!note.trim() || !isWhole) return
        const workAroundMinutes = rest.minutes.trim() === '' ? null : Number(rest.minutes)
        const { inFile, workAround } = rest
        onSave({ note: note.trim(), severity, inFile: inFile.trim(), workAround: workAround.trim(), workAroundMinutes })
      }}
    >
      <NoteField
        label="What is wrong?"
        autoFocus
        value={note}
        problem={isAsked && !note.trim() ? 'Say in a few words what is wrong.' : undefined}
        onChange={(event) => setNote(event.target.value)}
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
              onChange={() => setSeverity(code)}
            />
            {SEVERITY_LABELS[code]}
          </label>
        ))}
      </fieldset>
      {severity === 'unusable' && (
        <p className="text-[13px] text-quiet">It leaves every setup’s reckoning until it is mended.</p>
      )}
      <details>
        <summary className="cursor-pointer text-[13px] font-semibold">More, where you know it</summary>
        <div className="mt-2 grid gap-3">
          <TextField
            label="In which file, and when in it"
            hint="A012, 14:20, sound is gone"
            value={rest.inFile}
            maxLength={200}
            onChange={(event) => setRest({ ...rest, inFile: event.target.value })}
          />
          <TextField
            label="How you get along with it"
            value={rest.workAround}
            maxLength={200}
            onChange={(event) => setRest({ ...rest, workAround: event.target.value })}
          />
          <TextField
            label="Minutes that takes each time"
            inputMode="numeric"
            value={rest.minutes}
            unread={isWhole ? undefined : 'A whole number of minutes.'}
            onChange={(event) => setRest({ ...rest, minutes: event.target.value })}
          />
        </div>
      </details>
      <FormProblem text={problem ?? null} />
      <Button look="act" type="submit" size="thumb" className="w-fit">
        {act}
      </Button>
    </form>
  )
}

export function FaultDialog({
  open,
  tag,
  unitId,
  onClose,
}: {
  open: boolean
  tag: string
  unitId: string
  onClose(): void
}) {
  const [report, { error }] = useReportFaultMutation()
  const dispatch = useAppDispatch()
  return (
    <SheetDialog open={open} onClose={onClose} title={`A fault on ${tag}`}>
      <FaultForm
        act="Report it"
        problem={error ? readProblem(error).detail : null}
        onSave={(draft) =>
          report({ unitId, body: { ...draft, bookingId: null } })
            .unwrap()
            .then((reply) => {
              tellDone(dispatch, `Fault on ${tag} reported.`, reply)
              onClose()
            })
            .catch(() => {})
        }
      />
    </SheetDialog>
  )
}
