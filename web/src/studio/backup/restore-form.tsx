import { type BackupCheckReply, type BackupRow, sayNumber } from '@exemplar/core'
import { useState } from 'react'
import { readProblem } from '../../foundation/api/problem.ts'
import { useMeQuery } from '../../foundation/api/session.ts'
import { FormProblem } from '../../foundation/form/field.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { Mark } from '../../foundation/parts/mark.tsx'
import { useTimeWords } from '../../foundation/words/time-words.ts'
import { useLazyCheckBackupQuery, useRestoreBackupMutation } from '../studio-api.ts'

/** Looks at a backup, says what it would replace, and restores it. */
export function RestoreForm({ backup }: { backup: BackupRow }) {
  const [look, { data: check, error, isFetching }] = useLazyCheckBackupQuery()
  const [restore, restoring] = useRestoreBackupMutation()
  const [withAccounts, setWithAccounts] = useState(false)
  const { data: me } = useMeQuery()
  const problem = error ?? restoring.error
  const mayRestore = check !== undefined && (check.isOwn || me?.isOwner === true)
  return (
    <div className="grid gap-3">
      {!check && (
        <Button className="w-fit" look="act" disabled={isFetching} onClick={() => look(backup.name)}>
          {isFetching ? 'Looking at every byte …' : 'Look at it first'}
        </Button>
      )}
      {check && <Found check={check} />}
      {check && !check.isOwn && me?.isOwner && check.accounts.length > 0 && (
        <label className="flex items-baseline gap-2 text-[13px]">
          <input
            type="checkbox"
            className="relative top-0.5 size-4 accent-(--ink)"
            checked={withAccounts}
            onChange={(event) => setWithAccounts(event.target.checked)}
          />
          <span>
            Let them sign in here with their passwords of there:{' '}
            {check.accounts.map((it) => `${it.name} (${it.role})`).join(', ')}. You stay the owner.
          </span>
        </label>
      )}
      <FormProblem text={problem ? readProblem(problem).detail : null} />
      {mayRestore && (
        <Button
          className="w-fit"
          look="act"
          disabled={restoring.isLoading}
          onClick={() => restore({ name: backup.name, lost: check.lost, withAccounts })}
        >
          {check.lost > 0 ? `Restore, and lose ${sayNumber(check.lost, 'change')}` : 'Restore it'}
        </Button>
      )}
      <p className="text-[12px] text-quiet">
        Nobody can write while it runs. Then everybody is signed out; whoever may sign in now still may, with the same
        password.
      </p>
    </div>
  )
}

function Found({ check }: { check: BackupCheckReply }) {
  const words = useTimeWords()
  const { here } = check
  return (
    <div className="grid gap-1.5">
      <Mark level="ok">
        Whole: {sayNumber(check.units, 'thing')}, taken {words.sayInstant(check.takenAt)}
      </Mark>
      {!check.isOwn && (
        <Mark level="warn">
          Nothing shows that this house made it as it is: it is from elsewhere, from before backups were signed, or was
          changed. Only the owner may restore it: be sure where it comes from.
        </Mark>
      )}
      {check.missingFiles > 0 && (
        <Mark level="warn">
          Without {sayNumber(check.missingFiles, 'attached file')} that could not be found when it was taken.
        </Mark>
      )}
      {check.lost > 0 && (
        <Mark level="warn">
          {check.lost} {check.lost === 1 ? 'change' : 'changes'} of here {check.lost === 1 ? 'is' : 'are'} not in it.
          They would be lost from here, and stay in the backup that is made first.
        </Mark>
      )}
      <p className="text-[13px] text-quiet">
        It takes the place of {sayNumber(here.units, 'thing')} and {sayNumber(here.changes, 'change')}, the last of{' '}
        {words.sayInstant(here.lastChangeAt)}.
      </p>
    </div>
  )
}
