import { useState } from 'react'
import { FormProblem, TextField } from '../../foundation/form/field.tsx'
import { useSaving } from '../../foundation/form/use-saving.ts'
import { Button } from '../../foundation/parts/button.tsx'
import { Section } from '../../foundation/parts/page-parts.tsx'
import { useChangePasswordMutation } from '../studio-api.ts'
import { DevicesPart } from './devices-part.tsx'
import { SecondFactorPart } from './second-factor-part.tsx'

/** One's own password, second factor and devices. */
export function MePage() {
  const [draft, setDraft] = useState({ old: '', password: '' })
  const [change] = useChangePasswordMutation()
  const { problem, isSaving, save } = useSaving(() => setDraft({ old: '', password: '' }))
  return (
    <div className="max-w-[560px]">
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
      <SecondFactorPart />
      <DevicesPart />
    </div>
  )
}
