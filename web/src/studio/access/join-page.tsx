import { useState } from 'react'
import { useNavigate } from 'react-router'
import { readProblem } from '../../foundation/api/problem.ts'
import { useInvitationQuery, useJoinMutation } from '../../foundation/api/session.ts'
import { FormProblem, TextField } from '../../foundation/form/field.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { DoorSheet } from './sign-in-page.tsx'

/** Follows the link of an invitation: a password is set, and one is in. */
export function JoinPage({ token }: { token: string }) {
  const { data, error } = useInvitationQuery(token)
  const [password, setPassword] = useState('')
  const [join, joining] = useJoinMutation()
  const navigate = useNavigate()
  const problem = joining.error ? readProblem(joining.error) : null
  if (error)
    return (
      <DoorSheet title="This link does not open" lead={readProblem(error).detail}>
        {null}
      </DoorSheet>
    )
  return (
    <DoorSheet
      title={data ? `Welcome, ${data.name}` : 'Welcome'}
      lead={data ? `Choose a password. You sign in as “${data.signInName}”.` : 'Looking at your invitation …'}
    >
      <form
        className="grid gap-3"
        onSubmit={(event) => {
          event.preventDefault()
          join({ token, password })
            .unwrap()
            .then(() => navigate('/today', { replace: true }))
            .catch(() => {})
        }}
      >
        <TextField
          label="Password"
          type="password"
          autoComplete="new-password"
          autoFocus
          hint="At least 10 characters. Four plain words do well."
          value={password}
          problem={problem?.fields.password}
          onChange={(event) => setPassword(event.target.value)}
        />
        <FormProblem text={problem?.detail ?? null} />
        <Button look="act" size="thumb" type="submit" disabled={joining.isLoading}>
          Come in
        </Button>
      </form>
    </DoorSheet>
  )
}
