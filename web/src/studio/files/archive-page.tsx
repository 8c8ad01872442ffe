import type { FilmRow, FilmStanding, FindingLevel, NewFilm } from '@exemplar/core'
import { useState } from 'react'
import { useSetupNamesQuery, useThingsQuery } from '../../foundation/api/api.ts'
import { useMay } from '../../foundation/api/session.ts'
import { SelectField, TextField } from '../../foundation/form/field.tsx'
import { SavingFoot } from '../../foundation/form/saving-foot.tsx'
import { useSaving } from '../../foundation/form/use-saving.ts'
import { Button } from '../../foundation/parts/button.tsx'
import { Mark } from '../../foundation/parts/mark.tsx'
import { Empty, Section, Tag, Waiting } from '../../foundation/parts/page-parts.tsx'
import { SheetDialog } from '../../foundation/parts/sheet-dialog.tsx'
import { sayDayWithYear } from '../../foundation/words/calendar-words.ts'
import { useTimeWords } from '../../foundation/words/time-words.ts'
import { useAddFilmMutation, useChangeFilmMutation, useFilmsQuery } from '../studio-api.ts'

/** Which film lies on which drive, and which lies on one alone. */
export function ArchivePage() {
  const { data, error, refetch } = useFilmsQuery()
  const [open, setOpen] = useState<FilmRow | 'new' | null>(null)
  const may = useMay()
  if (!data) return <Waiting what="the archive" error={error} onRetry={refetch} />
  return (
    <Section title="Where films lie" aside={`${data.length}`}>
      {data.length === 0 && (
        <Empty title="No film written down yet">
          Title, day, and the drive or two it lies on: enough to find it again.
        </Empty>
      )}
      <ul className="max-w-[900px]">
        {data.map((film) => (
          <li key={film.id} className="grid grid-cols-[1fr_auto] items-center gap-x-4 border-b border-rule py-2">
            <span>
              <b>{film.title}</b> <span className="text-[13px] text-quiet">{sayDayWithYear(film.on)}</span>
              <span className="block text-[13px]">
                {film.copies.map((it) => (
                  <span key={it.unitId + it.folder} className="mr-4">
                    <Tag>{it.tag}</Tag>{' '}
                    <span className="text-quiet">
                      {[it.folder, it.state !== 'In service' && it.state.toLowerCase()].filter(Boolean).join(', ')}
                    </span>
                  </span>
                ))}
                <Standing of={film.standing} />
              </span>
              {film.disclosures && film.disclosures.length > 0 && (
                <span className="mt-1 block text-[13px]">
                  <span className="text-quiet">To be said with it, of the things in its setup as that is today: </span>
                  {film.disclosures.join(' ')}
                </span>
              )}
            </span>
            {may('change-directory') && (
              <Button size="small" aria-label={`Change ${film.title}`} onClick={() => setOpen(film)}>
                Change
              </Button>
            )}
          </li>
        ))}
      </ul>
      {may('change-directory') && (
        <Button className="mt-3" onClick={() => setOpen('new')}>
          Write a film down
        </Button>
      )}
      <SheetDialog
        open={open !== null}
        onClose={() => setOpen(null)}
        title={open === 'new' ? 'Write a film down' : (open?.title ?? '')}
      >
        {open !== null && <FilmForm film={open === 'new' ? null : open} onClose={() => setOpen(null)} />}
      </SheetDialog>
    </Section>
  )
}

const STANDINGS: Readonly<Record<Exclude<FilmStanding, 'safe'>, { level: FindingLevel; text: string }>> = {
  unknown: { level: 'unknown', text: 'nobody knows where' },
  gone: { level: 'stop', text: 'no copy is left: every drive it lay on is gone' },
  away: { level: 'warn', text: 'no copy is here: its drives are lent or in repair' },
  one: { level: 'warn', text: 'on one drive only: a fault loses it' },
}

function Standing({ of }: { of: FilmStanding }) {
  return of === 'safe' ? null : <Mark level={STANDINGS[of].level}>{STANDINGS[of].text}</Mark>
}

function FilmForm({ film, onClose }: { film: FilmRow | null; onClose(): void }) {
  const { today } = useTimeWords()
  const { data: setups } = useSetupNamesQuery()
  const { data: drives } = useThingsQuery({ find: '', category: 'drive' })
  const { data: computers } = useThingsQuery({ find: '', category: 'computer' })
  const [draft, setDraft] = useState<NewFilm>({
    title: film?.title ?? '',
    on: film?.on ?? today,
    setupId: film?.setupId ?? null,
    copies: film?.copies.map(({ unitId, folder }) => ({ unitId, folder })) ?? [],
  })
  const [add] = useAddFilmMutation()
  const [change] = useChangeFilmMutation()
  const saving = useSaving(onClose)
  const { problem, save } = saving
  const media = [...(drives?.units ?? []), ...(computers?.units ?? [])]
  const set = (part: Partial<NewFilm>) => setDraft({ ...draft, ...part })
  const setCopy = (at: number, part: Partial<NewFilm['copies'][number]> | null) =>
    set({ copies: draft.copies.flatMap((it, index) => (index === at ? (part ? [{ ...it, ...part }] : []) : [it])) })
  const submit = (version: number | undefined = film?.version) =>
    save(
      () => (film ? change({ id: film.id, version: version ?? 1, body: draft }).unwrap() : add(draft).unwrap()),
      `${draft.title} is written down.`,
    )
  return (
    <form
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        submit()
      }}
    >
      <TextField
        label="Title"
        autoFocus
        value={draft.title}
        problem={problem?.fields.title}
        onChange={(event) => set({ title: event.target.value })}
      />
      <div className="grid grid-cols-2 gap-3">
        <TextField
          label="Finished on"
          type="date"
          value={draft.on}
          onChange={(event) => set({ on: event.target.value })}
        />
        <SelectField
          label="Made with"
          value={draft.setupId ?? ''}
          onChange={(event) => set({ setupId: event.target.value || null })}
        >
          <option value="">No setup</option>
          {setups?.map((it) => (
            <option key={it.id} value={it.id}>
              {it.name}
            </option>
          ))}
        </SelectField>
      </div>
      {media.length === 0 && (
        <p className="text-[13px] text-quiet">
          No drive or computer is in the kit yet. Add one there, so that a film can lie on it.
        </p>
      )}
      {draft.copies.map((copy, at) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: rows have no other name while they are typed
        <div key={at} className="grid grid-cols-[1fr_1fr_auto] items-end gap-2">
          <SelectField
            label="Lies on"
            value={copy.unitId}
            onChange={(event) => setCopy(at, { unitId: event.target.value })}
          >
            {media.map((it) => (
              <option key={it.id} value={it.id}>
                {it.tag} {it.name}
              </option>
            ))}
          </SelectField>
          <TextField
            label="Folder"
            value={copy.folder}
            onChange={(event) => setCopy(at, { folder: event.target.value })}
          />
          <Button size="small" className="mb-1" onClick={() => setCopy(at, null)}>
            Remove
          </Button>
        </div>
      ))}
      {media[0] && (
        <Button
          size="small"
          className="w-fit"
          onClick={() => set({ copies: [...draft.copies, { unitId: media[0]?.id ?? '', folder: '' }] })}
        >
          Add a copy
        </Button>
      )}
      <SavingFoot saving={saving} act="Save" onMine={submit} onTheirs={onClose} />
    </form>
  )
}
