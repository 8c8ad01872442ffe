import type { AccountRow, Invitation } from '@exemplar/core'
import {
  ACCESS_ROLE_NAMES,
  ACCESS_ROLES,
  ACTION_CODES,
  ACTIONS,
  type AccessRole,
  CANNOT_UNDO,
  may as mayRole,
} from '@exemplar/core'
import { useState } from 'react'
import { usePeopleQuery } from '../../foundation/api/api.ts'
import { readProblem } from '../../foundation/api/problem.ts'
import { useMeQuery } from '../../foundation/api/session.ts'
import { useAppDispatch } from '../../foundation/api/store.ts'
import { tellTrouble } from '../../foundation/api/toasts.ts'
import { useTold } from '../../foundation/api/use-told.ts'
import { FormProblem, SelectField, TextField } from '../../foundation/form/field.tsx'
import { useSaving } from '../../foundation/form/use-saving.ts'
import { Button } from '../../foundation/parts/button.tsx'
import { Section, Waiting } from '../../foundation/parts/page-parts.tsx'
import { SheetDialog } from '../../foundation/parts/sheet-dialog.tsx'
import { useTimeWords } from '../../foundation/words/time-words.ts'
import {
  useAccountsQuery,
  useChangeAccountMutation,
  useEndSessionsMutation,
  useInviteMutation,
  useResetAccountMutation,
} from '../studio-api.ts'
import { SignInsPart } from './sign-ins-part.tsx'

/** Who may come in, as what; the links by which they do; and the table of what each role may do. */
export function AccessPage() {
  const { data: accounts, error, refetch } = useAccountsQuery()
  const [isInviting, setInviting] = useState(false)
  const [link, setLink] = useState<{ name: string; invitation: Invitation } | null>(null)
  if (!accounts) return <Waiting what="who may come in" error={error} onRetry={refetch} />
  return (
    <>
      <Section title="Who may come in" aside={`${accounts.length}`}>
        <ul>
          {accounts.map((account) => (
            <Account
              key={account.personId}
              account={account}
              onLink={(invitation) => setLink({ name: account.name, invitation })}
            />
          ))}
        </ul>
        <Button className="mt-3" look="act" onClick={() => setInviting(true)}>
          Invite somebody
        </Button>
      </Section>
      <SignInsPart />
      <Section title="What each role may do">
        <div className="overflow-x-auto">
          <table className="max-w-[760px]">
            <thead>
              <tr>
                <th scope="col">What</th>
                {ACCESS_ROLES.map((role) => (
                  <th scope="col" key={role}>
                    {ACCESS_ROLE_NAMES[role].label}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {ACTION_CODES.map((action) => (
                <tr key={action}>
                  <td>{ACTIONS[action].label}</td>
                  {ACCESS_ROLES.map((role) => (
                    <td key={role}>{mayRole(role, action) ? 'yes' : <span className="text-quiet">–</span>}</td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </Section>
      <SheetDialog
        open={isInviting}
        onClose={() => setInviting(false)}
        title="Invite somebody"
        description="You get a link to hand over; with it they choose their own password."
      >
        <InviteForm
          accounts={accounts}
          onDone={(name, invitation) => {
            setInviting(false)
            setLink({ name, invitation })
          }}
        />
      </SheetDialog>
      <SheetDialog open={link !== null} onClose={() => setLink(null)} title={`The link for ${link?.name}`}>
        {link && <LinkToGive invitation={link.invitation} />}
      </SheetDialog>
    </>
  )
}

function Account({ account, onLink }: { account: AccountRow; onLink(invitation: Invitation): void }) {
  const { personId: id, version, name, signInName, role, isOwner, disabledAt, hasPassword, hasSecondFactor } = account
  const { data: me } = useMeQuery()
  const [changeAccount] = useChangeAccountMutation()
  const [reset] = useResetAccountMutation()
  const [endSessions] = useEndSessionsMutation()
  const [isOpen, setOpen] = useState(false)
  const run = useTold()
  const dispatch = useAppDispatch()
  const isOff = disabledAt !== null
  const isLocked = isOwner && !me?.isOwner
  const set = (body: { role: AccessRole; isDisabled: boolean }, text: string) =>
    run(changeAccount({ id, version, body }).unwrap(), text)
  return (
    <li className="grid grid-cols-[1fr_auto] items-center gap-x-4 gap-y-1 border-b border-rule py-2">
      <span>
        <b>{name}</b>{' '}
        <span className="text-[13px] text-quiet">
          {signInName} · {isOwner ? 'owner' : ACCESS_ROLE_NAMES[role].label.toLowerCase()}
          {isOff ? ' · switched off' : hasPassword ? '' : ' · has not chosen a password'}
          {hasSecondFactor ? ' · second factor' : ''}
        </span>
      </span>
      <Button
        size="small"
        aria-label={`Change the access of ${name}`}
        disabled={isLocked}
        onClick={() => setOpen(true)}
      >
        Change
      </Button>
      <SheetDialog
        open={isOpen}
        onClose={() => setOpen(false)}
        title={`The access of ${name}`}
        description={CANNOT_UNDO['change-access']}
      >
        <div className="grid gap-4">
          {!isOwner && (
            <>
              <SelectField
                label="Role"
                value={role}
                onChange={(event) => {
                  const next = event.target.value as AccessRole
                  set(
                    { role: next, isDisabled: isOff },
                    `${name} is ${ACCESS_ROLE_NAMES[next].label.toLowerCase()} now.`,
                  )
                }}
              >
                {ACCESS_ROLES.map((it) => (
                  <option key={it} value={it}>
                    {ACCESS_ROLE_NAMES[it].label}: {ACCESS_ROLE_NAMES[it].text}
                  </option>
                ))}
              </SelectField>
              <Button
                className="w-fit"
                onClick={() =>
                  set({ role, isDisabled: !isOff }, isOff ? `${name} can sign in again.` : `${name} is switched off.`)
                }
              >
                {isOff ? 'Let them in again' : 'Switch this access off'}
              </Button>
            </>
          )}
          <div>
            <p className="mb-1.5 text-[13px] text-quiet">{CANNOT_UNDO['reset-password']}</p>
            <Button
              onClick={() =>
                reset({ id, version })
                  .unwrap()
                  .then((invitation) => {
                    setOpen(false)
                    onLink(invitation)
                  })
                  .catch((error) => dispatch(tellTrouble(readProblem(error).detail)))
              }
            >
              Make a new link
            </Button>
          </div>
          <div>
            <p className="mb-1.5 text-[13px] text-quiet">{CANNOT_UNDO['sign-out-everywhere']}</p>
            <Button onClick={() => run(endSessions(id).unwrap(), `${name} is signed out everywhere.`)}>
              Sign them out everywhere
            </Button>
          </div>
        </div>
      </SheetDialog>
    </li>
  )
}

function InviteForm({
  accounts,
  onDone,
}: {
  accounts: readonly AccountRow[]
  onDone(name: string, invitation: Invitation): void
}) {
  const { data: people } = usePeopleQuery()
  const free = people?.filter((it) => !accounts.some((account) => account.personId === it.id)) ?? []
  const [personId, setPersonId] = useState('')
  const [signInName, setSignInName] = useState('')
  const [role, setRole] = useState<AccessRole>('crew')
  const [invite] = useInviteMutation()
  const { problem, isSaving, save } = useSaving(() => {})
  const person = free.find((it) => it.id === personId)
  if (people && free.length === 0) {
    return <p className="text-[13px]">Everybody of the team can sign in already. Add the person under People first.</p>
  }
  return (
    <form
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        save(
          () =>
            invite({ personId, signInName, role })
              .unwrap()
              .then((invitation) => onDone(person?.name ?? '', invitation)),
          `${person?.name} is invited.`,
        )
      }}
    >
      <SelectField
        label="Who"
        value={personId}
        problem={problem?.fields.personId}
        onChange={(event) => {
          setPersonId(event.target.value)
          const name = free.find((it) => it.id === event.target.value)?.name ?? ''
          setSignInName(
            (name.split(' ')[0] ?? '')
              .toLowerCase()
              .normalize('NFKD')
              .replace(/[^a-z0-9]/g, ''),
          )
        }}
      >
        <option value="">Choose a person of the team</option>
        {free.map((it) => (
          <option key={it.id} value={it.id}>
            {it.name}
          </option>
        ))}
      </SelectField>
      <TextField
        label="Sign-in name"
        value={signInName}
        problem={problem?.fields.signInName}
        onChange={(event) => setSignInName(event.target.value)}
      />
      <SelectField label="Role" value={role} onChange={(event) => setRole(event.target.value as AccessRole)}>
        {ACCESS_ROLES.map((it) => (
          <option key={it} value={it}>
            {ACCESS_ROLE_NAMES[it].label}: {ACCESS_ROLE_NAMES[it].text}
          </option>
        ))}
      </SelectField>
      <FormProblem text={problem?.detail ?? null} />
      <Button look="act" type="submit" className="w-fit" disabled={isSaving || !personId}>
        Make the link
      </Button>
    </form>
  )
}

function LinkToGive({ invitation: { token, expiresAt } }: { invitation: Invitation }) {
  const { sayInstant } = useTimeWords()
  const link = `${window.location.origin}/join/${token}`
  return (
    <div className="grid gap-3">
      <p className="text-[13px]">
        Hand it over yourself, by message or on paper. It works once, until {sayInstant(expiresAt)}, and is shown only
        here.
      </p>
      <TextField label="Link" readOnly value={link} className="font-mono" onFocus={(event) => event.target.select()} />
      {window.isSecureContext && (
        <Button className="w-fit" onClick={() => navigator.clipboard.writeText(link)}>
          Copy the link
        </Button>
      )}
    </div>
  )
}
