import type { BackupRow, PracticeState } from '@exemplar/core'
import { type BackupCheckReply, CANNOT_UNDO, sayNumber } from '@exemplar/core'
import { useRef, useState } from 'react'
import { readProblem } from '../../foundation/api/problem.ts'
import { useTold } from '../../foundation/api/use-told.ts'
import { FormProblem, SelectField } from '../../foundation/form/field.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { Mark } from '../../foundation/parts/mark.tsx'
import { Section, Waiting } from '../../foundation/parts/page-parts.tsx'
import { SheetDialog } from '../../foundation/parts/sheet-dialog.tsx'
import { useTimeWords } from '../../foundation/words/time-words.ts'
import {
  useBackupsQuery,
  useDropBackupMutation,
  useLazyCheckBackupQuery,
  usePractiseMutation,
  useRestoreBackupMutation,
  useTakeBackupMutation,
  useUploadBackupMutation,
} from '../studio-api.ts'

const KINDS: Record<BackupRow['kind'], string> = {
  hand: 'by hand',
  auto: 'daily',
  before: 'before a restore',
  upload: 'from elsewhere',
}

const PRACTICE: Record<PracticeState, string> = {
  fine: 'fine, as it is',
  full: 'full',
  slow: 'slow',
  gone: 'gone',
}

const saySize = (bytes: number) =>
  bytes < 1_000_000 ? `${Math.ceil(bytes / 1000)} kB` : `${(bytes / 1_000_000).toFixed(1)} MB`

/** Backups: taken, looked at, fetched, restored; the export; and a volume to practise with. */
export function SafePage() {
  const { data, error, refetch } = useBackupsQuery()
  const [take, taking] = useTakeBackupMutation()
  const [upload, uploading] = useUploadBackupMutation()
  const [drop] = useDropBackupMutation()
  const [practise] = usePractiseMutation()
  const [restoring, setRestoring] = useState<BackupRow | null>(null)
  const file = useRef<HTMLInputElement>(null)
  const run = useTold()
  const words = useTimeWords()
  if (!data) return <Waiting what="the backups" error={error} onRetry={refetch} />
  return (
    <div className="max-w-[900px]">
      <Section title="Backups" aside={data.isThere ? `${data.backups.length}` : undefined}>
        <p className="mt-2 mb-3 text-[13px] text-quiet">
          One is taken every day while Exemplar runs, and old ones go by the numbers under Settings. A backup holds all
          records, the history, photos and papers; nobody’s session. Keep a copy in another house: three copies, on two
          kinds of medium, one elsewhere.
        </p>
        <div className="flex flex-wrap gap-2">
          <Button
            look="act"
            disabled={taking.isLoading}
            onClick={() => run(take().unwrap(), 'The backup is taken, and was found whole.')}
          >
            {taking.isLoading ? 'Taking it …' : 'Take a backup now'}
          </Button>
          <Button disabled={uploading.isLoading} onClick={() => file.current?.click()}>
            {uploading.isLoading ? 'Looking at it …' : 'Bring one from elsewhere'}
          </Button>
          <input
            ref={file}
            type="file"
            accept=".zip"
            aria-label="Backup file"
            className="sr-only"
            tabIndex={-1}
            onChange={(event) => {
              const chosen = event.target.files?.[0]
              if (chosen) run(upload(chosen).unwrap(), 'It is whole, and stands among the others.')
              event.target.value = ''
            }}
          />
        </div>
        {!data.isThere && (
          <p className="mt-3">
            <Mark level="stop">The volume for backups cannot be reached. Plug it in.</Mark>
          </p>
        )}
        {data.isThere && data.backups.length === 0 && (
          <p className="py-3 text-[13px] text-quiet">None yet. The first one is a click away.</p>
        )}
        <ul className="mt-2">
          {data.backups.map((backup, at) => (
            <li key={backup.name} className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule py-2">
              <span className="min-w-44 flex-1">
                <b>{words.sayInstant(backup.takenAt)}</b>{' '}
                <span className="text-[13px] text-quiet">
                  {KINDS[backup.kind]} · {saySize(backup.bytes)}
                </span>
              </span>
              <a
                className="text-[12px] underline underline-offset-[3px]"
                href={`/api/backups/${backup.name}/file`}
                download={backup.name}
              >
                Fetch
              </a>
              <Button
                size="small"
                aria-label={`Restore ${words.sayInstant(backup.takenAt)}`}
                onClick={() => setRestoring(backup)}
              >
                Restore …
              </Button>
              {at > 0 && (
                <Button
                  size="small"
                  title={CANNOT_UNDO['drop-backup']}
                  aria-label={`Delete ${words.sayInstant(backup.takenAt)} for good`}
                  onClick={() => run(drop(backup.name).unwrap(), 'The backup is deleted.')}
                >
                  Delete for good
                </Button>
              )}
            </li>
          ))}
        </ul>
      </Section>
      <Section title="Everything as open files">
        <p className="mt-2 mb-3 text-[13px] text-quiet">
          A CSV for each table and one JSON of all of them, for whatever comes after Exemplar.
        </p>
        <a
          href="/api/export"
          download="exemplar-export.zip"
          className="inline-flex h-[30px] items-center rounded-paper border border-rule-strong bg-sheet px-[11px] text-[13px] font-semibold no-underline"
        >
          Export
        </a>
      </Section>
      {data.practice !== null && (
        <Section title="Practise">
          <div className="mt-3 max-w-[420px]">
            <SelectField
              label="Pretend that the volume for backups is"
              hint="Older backups stay whole whatever happens to a new one. Set it back to “fine” afterwards."
              value={data.practice}
              onChange={(event) => practise(event.target.value as PracticeState)}
            >
              {(Object.keys(PRACTICE) as PracticeState[]).map((state) => (
                <option key={state} value={state}>
                  {PRACTICE[state]}
                </option>
              ))}
            </SelectField>
          </div>
        </Section>
      )}
      <SheetDialog
        open={restoring !== null}
        onClose={() => setRestoring(null)}
        title="Restore this backup?"
        description={CANNOT_UNDO.restore}
      >
        {restoring && <RestoreForm backup={restoring} />}
      </SheetDialog>
    </div>
  )
}

function RestoreForm({ backup }: { backup: BackupRow }) {
  const [look, { data: check, error, isFetching }] = useLazyCheckBackupQuery()
  const [restore, restoring] = useRestoreBackupMutation()
  const problem = error ?? restoring.error
  return (
    <div className="grid gap-3">
      {!check && (
        <Button className="w-fit" look="act" disabled={isFetching} onClick={() => look(backup.name)}>
          {isFetching ? 'Looking at every byte …' : 'Look at it first'}
        </Button>
      )}
      {check && <Found check={check} />}
      <FormProblem text={problem ? readProblem(problem).detail : null} />
      {check && (
        <Button
          className="w-fit"
          look="act"
          disabled={restoring.isLoading}
          onClick={() => restore({ name: backup.name, lost: check.lost })}
        >
          {check.lost > 0 ? `Restore, and lose ${check.lost} newer changes` : 'Restore it'}
        </Button>
      )}
      <p className="text-[12px] text-quiet">Everybody is signed out, and signs in with the password of that day.</p>
    </div>
  )
}

function Found({ check }: { check: BackupCheckReply }) {
  const words = useTimeWords()
  return (
    <div className="grid gap-1">
      <Mark level="ok">
        Whole: {sayNumber(check.units, 'thing')}, taken {words.sayInstant(check.takenAt)}
      </Mark>
      {check.lost > 0 && (
        <Mark level="warn">
          {check.lost} {check.lost === 1 ? 'change was' : 'changes were'} made since. They would be lost from here, and
          stay in the backup that is made first.
        </Mark>
      )}
    </div>
  )
}
