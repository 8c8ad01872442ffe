import type { MeReply } from '@exemplar/core'
import { ACCESS_ROLE_NAMES, ACCESS_ROLES } from '@exemplar/core'
import { useState } from 'react'
import { type Problem, readProblem } from '../../foundation/api/problem.ts'
import { useFirstRunMutation, useSignInMutation, useStepInMutation } from '../../foundation/api/session.ts'
import { FormProblem, TextField } from '../../foundation/form/field.tsx'
import { Button } from '../../foundation/parts/button.tsx'

/** The sheet on which one signs in: the first words of Exemplar that anybody sees. */
export function DoorSheet({ title, lead, children }: { title: string; lead: string; children: React.ReactNode }) {
  return (
    <main className="mx-auto grid min-h-dvh max-w-[480px] grid-cols-1 content-center px-5 py-10">
      <p className="mb-6 text-[15px] font-extrabold tracking-tight">Exemplar</p>
      <div className="min-w-0 border border-rule bg-sheet p-6">
        <h1>{title}</h1>
        <p className="mt-1 mb-5 text-[13px] text-quiet">{lead}</p>
        {children}
      </div>
    </main>
  )
}

export function DoorPage({ me }: { me: MeReply }) {
  if (me.needsOwner) return <FirstRunPage isEmpty={me.isEmpty} />
  return <SignInPage canStepIn={me.canStepIn} />
}

function SignInPage({ canStepIn }: { canStepIn: boolean }) {
  const [signInName, setSignInName] = useState('')
  const [password, setPassword] = useState('')
  const [code, setCode] = useState('')
  const [signIn, { error, isLoading }] = useSignInMutation()
  const [stepIn, stepping] = useStepInMutation()
  const problem = error ? readProblem(error) : null
  return (
    <DoorSheet title="Sign in" lead="What you take out, bring back and change carries your name.">
      {canStepIn && (
        <section aria-label="The demo" className="mb-5 border-b border-rule pb-5">
          <h2 className="mb-2">The demo: step in as</h2>
          <div className="grid grid-cols-1 gap-2">
            {ACCESS_ROLES.map((role) => (
              <Button
                key={role}
                size="thumb"
                className="h-auto! min-w-0 flex-col items-start! gap-0! py-2 whitespace-normal!"
                disabled={stepping.isLoading}
                onClick={() => stepIn(role)}
              >
                {ACCESS_ROLE_NAMES[role].label}
                <span className="text-left text-[12px] font-normal text-quiet">{ACCESS_ROLE_NAMES[role].text}</span>
              </Button>
            ))}
          </div>
        </section>
      )}
      <form
        className="grid gap-3"
        onSubmit={(event) => {
          event.preventDefault()
          signIn({ signInName, password, code })
        }}
      >
        <TextField
          label="Sign-in name"
          autoComplete="username"
          autoCapitalize="none"
          autoFocus={!canStepIn}
          value={signInName}
          onChange={(event) => setSignInName(event.target.value)}
        />
        <TextField
          label="Password"
          type="password"
          autoComplete="current-password"
          value={password}
          onChange={(event) => setPassword(event.target.value)}
        />
        {wantsCode(error) && (
          <TextField
            label="Code of your device"
            inputMode="numeric"
            autoComplete="one-time-code"
            autoFocus
            hint="Or one of your recovery codes."
            value={code}
            onChange={(event) => setCode(event.target.value)}
          />
        )}
        <FormProblem text={problem?.detail ?? null} />
        <Button look="act" size="thumb" type="submit" disabled={isLoading}>
          Sign in
        </Button>
      </form>
      <p className="mt-4 text-[12px] text-quiet">No way in, or the password is gone? A manager makes you a new link.</p>
    </DoorSheet>
  )
}

/** The password was right, and there is a second factor. */
function wantsCode(error: unknown): boolean {
  const { data } = (error ?? {}) as { data?: { report?: { needsCode?: boolean } } }
  return data?.report?.needsCode === true
}

function FirstRunPage({ isEmpty }: { isEmpty: boolean }) {
  const [draft, setDraft] = useState({ name: '', signInName: '', password: '', code: '' })
  const [start, setStart] = useState<'empty' | 'demo'>('empty')
  const [firstRun, { error, isLoading }] = useFirstRunMutation()
  const problem: Problem | null = error ? readProblem(error) : null
  const field = (
    key: keyof typeof draft,
    label: string,
    rest: React.ComponentProps<typeof TextField> | object = {},
  ) => (
    <TextField
      label={label}
      value={draft[key]}
      problem={problem?.fields[key]}
      onChange={(event) => setDraft({ ...draft, [key]: event.target.value })}
      {...rest}
    />
  )
  return (
    <DoorSheet
      title="Whose studio is this?"
      lead="You become its owner: the manager who can always get in. You invite the others later."
    >
      <form
        className="grid gap-3"
        onSubmit={(event) => {
          event.preventDefault()
          firstRun({ ...draft, start })
        }}
      >
        {field('name', 'Your name', { autoFocus: true, autoComplete: 'name' })}
        {field('signInName', 'Sign-in name', {
          autoComplete: 'username',
          autoCapitalize: 'none',
          hint: 'Short; a mail address will do.',
        })}
        {field('password', 'Password', {
          type: 'password',
          autoComplete: 'new-password',
          hint: 'At least 10 characters. Four plain words do well.',
        })}
        {problem?.fields.code !== undefined && field('code', 'Code from the log of the machine')}
        {isEmpty && (
          <fieldset className="grid gap-1.5">
            <legend className="mb-1 text-[12px] font-semibold">Start</legend>
            {(
              [
                ['empty', 'Empty', 'With your own things.'],
                [
                  'demo',
                  'With the demo',
                  'A made-up garden’s film unit, to look round. Real use starts in another folder.',
                ],
              ] as const
            ).map(([value, label, text]) => (
              <label key={value} className="flex items-baseline gap-2 text-[13px]">
                <input
                  type="radio"
                  name="start"
                  className="relative top-0.5 size-4 accent-(--ink)"
                  checked={start === value}
                  onChange={() => setStart(value)}
                />
                <span>
                  <b>{label}</b> <span className="text-quiet">{text}</span>
                </span>
              </label>
            ))}
          </fieldset>
        )}
        <FormProblem text={problem?.detail ?? null} />
        <Button look="act" size="thumb" type="submit" disabled={isLoading}>
          Begin
        </Button>
      </form>
    </DoorSheet>
  )
}
