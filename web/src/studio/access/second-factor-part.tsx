import { useState } from 'react'
import { readProblem } from '../../foundation/api/problem.ts'
import { useMeQuery } from '../../foundation/api/session.ts'
import { useTold } from '../../foundation/api/use-told.ts'
import { FormProblem, TextField } from '../../foundation/form/field.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { Section } from '../../foundation/parts/page-parts.tsx'
import {
  useBeginSecondFactorMutation,
  useTurnSecondFactorOffMutation,
  useTurnSecondFactorOnMutation,
} from '../studio-api.ts'

/** A second factor of one's own: set up, its codes for bad days, and off again. */
export function SecondFactorPart() {
  const { data: me } = useMeQuery()
  const [begin, beginning] = useBeginSecondFactorMutation()
  const [turnOn, turning] = useTurnSecondFactorOnMutation()
  const [turnOff] = useTurnSecondFactorOffMutation()
  const run = useTold()
  const recovery = turning.data?.recovery
  return (
    <Section title="Second factor">
      <p className="mt-2 mb-3 text-[13px] text-quiet">
        A code that a device of yours shows, asked beside the password: whoever learns the password alone does not come
        in. Any program that makes time-based codes will do.
      </p>
      {recovery ? (
        <RecoveryCodes codes={recovery} />
      ) : me?.hasSecondFactor ? (
        <Button onClick={() => run(turnOff().unwrap(), 'The second factor is off.')}>Turn it off</Button>
      ) : beginning.data ? (
        <FirstCode
          {...beginning.data}
          problem={turning.error ? readProblem(turning.error).detail : null}
          isSaving={turning.isLoading}
          onCode={turnOn}
        />
      ) : (
        <Button disabled={beginning.isLoading} onClick={() => begin()}>
          Set one up
        </Button>
      )}
      <FormProblem text={beginning.error ? readProblem(beginning.error).detail : null} />
    </Section>
  )
}

interface FirstCodeProps {
  secret: string
  picture: string
  problem: string | null
  isSaving: boolean
  onCode(code: string): void
}

function FirstCode({ secret, picture, problem, isSaving, onCode }: FirstCodeProps) {
  const [code, setCode] = useState('')
  return (
    <form
      className="grid max-w-[420px] gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        onCode(code)
      }}
    >
      <p className="text-[13px]">Let your device read this, then type the six digits that it shows.</p>
      <img src={picture} alt={`Code for a camera; by hand: ${secret}`} className="size-[180px] border border-rule" />
      <p className="text-[12px] break-all text-quiet">
        By hand: <span className="font-mono text-ink">{secret.replace(/(.{4})/g, '$1 ').trim()}</span>
      </p>
      <TextField
        label="Six digits"
        inputMode="numeric"
        autoComplete="one-time-code"
        value={code}
        problem={problem ?? undefined}
        onChange={(event) => setCode(event.target.value)}
      />
      <Button look="act" type="submit" className="w-fit" disabled={isSaving}>
        Turn it on
      </Button>
    </form>
  )
}

function RecoveryCodes({ codes }: { codes: readonly string[] }) {
  return (
    <div className="grid gap-2">
      <p className="text-[13px]">
        <b>It is on.</b> Write these down, away from the device: each lets you in once when the device is gone. They are
        shown only now.
      </p>
      <ul className="grid max-w-[360px] grid-cols-2 gap-x-6 gap-y-1 border border-rule p-3 font-mono text-[13px]">
        {codes.map((it) => (
          <li key={it}>{it}</li>
        ))}
      </ul>
      <Button className="w-fit print:hidden" onClick={() => window.print()}>
        Print them
      </Button>
    </div>
  )
}
