import { useState } from 'react'
import { useReportFaultMutation } from '../../foundation/api/api.ts'
import { readProblem } from '../../foundation/api/problem.ts'
import { useAppDispatch } from '../../foundation/api/store.ts'
import { tellDone } from '../../foundation/api/tell-done.ts'
import { CheckField, FormProblem, NoteField } from '../../foundation/form/field.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { SheetDialog } from '../../foundation/parts/sheet-dialog.tsx'

export interface FaultDraft {
  note: string
  severity: 'usable' | 'unusable'
}

/** Asks what is wrong, in the crew's words, and whether the thing can still work. */
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
  const [isUsable, setUsable] = useState(false)
  const [isAsked, setAsked] = useState(false)
  return (
    <form
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        setAsked(true)
        if (note.trim()) onSave({ note: note.trim(), severity: isUsable ? 'usable' : 'unusable' })
      }}
    >
      <NoteField
        label="What is wrong?"
        autoFocus
        value={note}
        problem={isAsked && !note.trim() ? 'Say in a few words what is wrong.' : undefined}
        onChange={(event) => setNote(event.target.value)}
      />
      <CheckField
        label="It can still be used"
        checked={isUsable}
        onChange={(event) => setUsable(event.target.checked)}
      />
      {!isUsable && <p className="text-[13px] text-quiet">It leaves every setup’s reckoning until it is mended.</p>}
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
