import { useEffect, useState } from 'react'
import { onConfirmationWanted, settleConfirmation } from '../../foundation/api/confirmation.ts'
import { readProblem } from '../../foundation/api/problem.ts'
import { useConfirmMutation, useMeQuery } from '../../foundation/api/session.ts'
import { FormProblem, TextField } from '../../foundation/form/field.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { SheetDialog } from '../../foundation/parts/sheet-dialog.tsx'

/** Asks once more who it is, whatever page wants it; then that page's request goes on by itself. */
export function ConfirmSheet() {
  const [isWanted, setWanted] = useState(false)
  useEffect(() => onConfirmationWanted(setWanted), [])
  return (
    <SheetDialog
      open={isWanted}
      onClose={() => settleConfirmation(false)}
      title="Is it you?"
      description="What comes next cannot be taken back, or gives everything away. Your word holds for ten minutes."
    >
      <ConfirmForm />
    </SheetDialog>
  )
}

function ConfirmForm() {
  const { data: me } = useMeQuery()
  const [draft, setDraft] = useState({ password: '', code: '' })
  const [confirm, { error, isLoading }] = useConfirmMutation()
  const problem = error ? readProblem(error) : null
  const submit = () =>
    confirm(draft)
      .unwrap()
      .then(() => settleConfirmation(true))
      .catch(() => {})
  return (
    <form
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        submit()
      }}
    >
      <TextField
        label="Your password"
        type="password"
        autoComplete="current-password"
        autoFocus
        value={draft.password}
        problem={problem?.fields.password}
        onChange={(event) => setDraft({ ...draft, password: event.target.value })}
      />
      {me?.hasSecondFactor && (
        <TextField
          label="Code of your device"
          inputMode="numeric"
          autoComplete="one-time-code"
          value={draft.code}
          problem={problem?.fields.code}
          onChange={(event) => setDraft({ ...draft, code: event.target.value })}
        />
      )}
      <FormProblem text={problem && Object.keys(problem.fields).length === 0 ? problem.detail : null} />
      <Button look="act" type="submit" className="w-fit" disabled={isLoading}>
        It is me
      </Button>
    </form>
  )
}
