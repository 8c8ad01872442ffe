import { CANNOT_UNDO } from '@exemplar/core'
import { useState } from 'react'
import { useSignOutMutation } from '../../foundation/api/session.ts'
import { FormProblem, TextField } from '../../foundation/form/field.tsx'
import { useSaving } from '../../foundation/form/use-saving.ts'
import { Button } from '../../foundation/parts/button.tsx'
import { Section } from '../../foundation/parts/page-parts.tsx'
import { useChangePasswordMutation } from '../studio-api.ts'

/** One's own password and devices. */
export function MePage() {
  const [draft, setDraft] = useState({ old: '', password: '' })
  const [change] = useChangePasswordMutation()
  const [signOut] = useSignOutMutation()
  const { problem, isSaving, save } = useSaving(() => setDraft({ old: '', password: '' }))
  return (
    <div className="max-w-[420px]">
      <Section title="Password">
        <form
          className="mt-3 grid gap-3"
          onSubmit={(event) => {
            event.preventDefault()
            save(() => change(draft).unwrap(), 'The new password holds. Your other devices are signed out.')
          }}
        >
          <TextField
            label="Your password now"
            type="password"
            autoComplete="current-password"
            value={draft.old}
            problem={problem?.fields.old}
            onChange={(event) => setDraft({ ...draft, old: event.target.value })}
          />
          <TextField
            label="The new one"
            type="password"
            autoComplete="new-password"
            hint="At least 10 characters. Other devices are signed out."
            value={draft.password}
            problem={problem?.fields.password}
            onChange={(event) => setDraft({ ...draft, password: event.target.value })}
          />
          <FormProblem text={problem?.detail ?? null} />
          <Button look="act" type="submit" className="w-fit" disabled={isSaving}>
            Change the password
          </Button>
        </form>
      </Section>
      <Section title="Devices">
        <p className="mt-2 mb-2 text-[13px] text-quiet">{CANNOT_UNDO['sign-out-everywhere']}</p>
        <Button onClick={() => signOut({ everywhere: true })}>Sign out everywhere</Button>
      </Section>
    </div>
  )
}
