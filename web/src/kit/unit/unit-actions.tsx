import type { UnitReply } from '@exemplar/core'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { useArchiveUnitMutation, useUnitsQuery } from '../../foundation/api/api.ts'
import { useTold } from '../../foundation/api/use-told.ts'
import { TextField } from '../../foundation/form/field.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { Section, Tag } from '../../foundation/parts/page-parts.tsx'
import { SheetDialog } from '../../foundation/parts/sheet-dialog.tsx'
import { useDuplicateUnitMutation, useMergeUnitMutation, useRestoreUnitMutation } from '../kit-api.ts'
import { PartRequest } from './part-request.tsx'

/** What is done with the record of a thing as a whole. */
export function UnitActions({ page, isArchived }: { page: UnitReply; isArchived: boolean }) {
  const [open, setOpen] = useState<'more' | 'merge' | null>(null)
  const [archive] = useArchiveUnitMutation()
  const [restore] = useRestoreUnitMutation()
  const run = useTold()
  const navigate = useNavigate()
  const { unit, version } = page
  return (
    <Section title="The record">
      <div className="mt-2 flex flex-wrap gap-2">
        <Button size="small" onClick={() => setOpen('more')}>
          Add more like it
        </Button>
        <Button size="small" onClick={() => setOpen('merge')}>
          Recorded twice?
        </Button>
        <PartRequest id={unit.id} tag={unit.tag} version={version} />
        {isArchived ? (
          <Button
            size="small"
            onClick={() => run(restore({ id: unit.id, version }).unwrap(), `${unit.tag} is back in the kit.`)}
          >
            Bring it back from the archive
          </Button>
        ) : (
          <Button
            size="small"
            onClick={() =>
              run(
                archive({ id: unit.id, version })
                  .unwrap()
                  .then(() => navigate('/kit')),
                `${unit.tag} is archived; its history stays.`,
              )
            }
          >
            Archive this thing
          </Button>
        )}
      </div>
      <SheetDialog open={open === 'more'} onClose={() => setOpen(null)} title={`More like ${unit.tag}`}>
        <MoreForm page={page} onClose={() => setOpen(null)} />
      </SheetDialog>
      <SheetDialog
        open={open === 'merge'}
        onClose={() => setOpen(null)}
        title={`${unit.tag} is the same thing as …`}
        description="This record goes into the other one, with its faults, money, photos, setups and bookings. Its history stays."
      >
        <MergePicker page={page} onClose={() => setOpen(null)} />
      </SheetDialog>
    </Section>
  )
}

function MoreForm({ page, onClose }: { page: UnitReply; onClose(): void }) {
  const [text, setText] = useState('1')
  const [duplicate] = useDuplicateUnitMutation()
  const run = useTold()
  const count = /^\d{1,2}$/.test(text) ? Number(text) : 0
  const isFine = count >= 1 && count <= 50
  return (
    <form
      className="flex items-end gap-3"
      onSubmit={async (event) => {
        event.preventDefault()
        if (!isFine) return
        const work = duplicate({ id: page.unit.id, count }).unwrap()
        if (await run(work, `${count} more like ${page.unit.tag}.`)) onClose()
      }}
    >
      <TextField
        label="How many more?"
        inputMode="numeric"
        autoFocus
        value={text}
        problem={isFine ? undefined : 'From 1 to 50 at once.'}
        onChange={(event) => setText(event.target.value)}
      />
      <Button look="act" type="submit" className="h-9">
        Add them
      </Button>
    </form>
  )
}

function MergePicker({ page, onClose }: { page: UnitReply; onClose(): void }) {
  const [find, setFind] = useState('')
  const { data } = useUnitsQuery({
    ...(find.trim() ? { find: find.trim() } : { category: page.model.category }),
    limit: 30,
  })
  const [merge] = useMergeUnitMutation()
  const run = useTold()
  const navigate = useNavigate()
  return (
    <div className="grid gap-3">
      <TextField
        label="Find the other record"
        autoFocus
        value={find}
        onChange={(event) => setFind(event.target.value)}
      />
      <ul className="max-h-72 overflow-y-auto border-y border-rule">
        {data?.rows
          .filter((it) => it.id !== page.unit.id)
          .map((it) => (
            <li key={it.id} className="flex items-center gap-2 border-b border-rule py-1.5 text-[13px]">
              <Tag>{it.tag}</Tag>
              <span className="flex-1">{it.name}</span>
              <Button
                size="small"
                onClick={async () => {
                  const work = merge({ id: page.unit.id, version: page.version, intoId: it.id }).unwrap()
                  if (!(await run(work, `${page.unit.tag} is ${it.tag} now.`))) return
                  onClose()
                  navigate(`/kit/${it.id}`)
                }}
              >
                It is this one
              </Button>
            </li>
          ))}
      </ul>
    </div>
  )
}
