import { type BackupRow, CANNOT_UNDO } from '@exemplar/core'
import { useRef, useState } from 'react'
import { useFetchFile } from '../../foundation/api/use-fetch-file.ts'
import { useTold } from '../../foundation/api/use-told.ts'
import { Button } from '../../foundation/parts/button.tsx'
import { Mark } from '../../foundation/parts/mark.tsx'
import { Section, Waiting } from '../../foundation/parts/page-parts.tsx'
import { SheetDialog } from '../../foundation/parts/sheet-dialog.tsx'
import { useTimeWords } from '../../foundation/words/time-words.ts'
import {
  useBackupsQuery,
  useDropBackupMutation,
  useTakeBackupMutation,
  useUploadBackupMutation,
} from '../studio-api.ts'
import { DrillPart } from './drill-part.tsx'
import { RestoreForm } from './restore-form.tsx'

const KINDS: Record<BackupRow['kind'], string> = {
  hand: 'by hand',
  auto: 'daily',
  before: 'before a restore',
  upload: 'from elsewhere',
}

const saySize = (bytes: number) =>
  bytes < 1_000_000 ? `${Math.ceil(bytes / 1000)} kB` : `${(bytes / 1_000_000).toFixed(1)} MB`

/** Backups: taken, looked at, fetched, restored; the export; and drills. */
export function SafePage() {
  const { data, error, refetch } = useBackupsQuery()
  const [take, taking] = useTakeBackupMutation()
  const [upload, uploading] = useUploadBackupMutation()
  const [drop] = useDropBackupMutation()
  const [restoring, setRestoring] = useState<BackupRow | null>(null)
  const file = useRef<HTMLInputElement>(null)
  const run = useTold()
  const fetchFile = useFetchFile()
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
              <Button
                size="small"
                aria-label={`Fetch ${words.sayInstant(backup.takenAt)}`}
                onClick={() => fetchFile(`/api/backups/${backup.name}/file`, backup.name)}
              >
                Fetch
              </Button>
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
        <Button onClick={() => fetchFile('/api/export', 'exemplar-export.zip')}>Export</Button>
      </Section>
      <DrillPart />
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
