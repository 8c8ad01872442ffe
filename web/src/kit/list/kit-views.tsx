import type { KitColumn, KitFilter, SavedView } from '@exemplar/core'
import { useState } from 'react'
import { useMay } from '../../foundation/api/session.ts'
import { useTold } from '../../foundation/api/use-told.ts'
import { TextField } from '../../foundation/form/field.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { SheetDialog } from '../../foundation/parts/sheet-dialog.tsx'
import { useDropViewMutation, useKeepViewMutation } from '../kit-api.ts'

export interface View {
  key: string
  name: string
  filter: KitFilter
  columns?: readonly KitColumn[]
  saved?: SavedView
}

/** The views that everybody has from the start. */
export const USUAL_VIEWS: readonly View[] = [
  { key: 'all', name: 'Everything', filter: {} },
  { key: 'camera', name: 'Camera', filter: { group: 'camera' } },
  { key: 'light', name: 'Light', filter: { group: 'light' } },
  { key: 'sound', name: 'Sound', filter: { group: 'sound' } },
  { key: 'support', name: 'Support', filter: { group: 'support' } },
  { key: 'power', name: 'Power', filter: { group: 'power' } },
  { key: 'media', name: 'Media and cables', filter: { group: 'media' } },
  { key: 'in-none', name: 'In no setup', filter: { only: 'in-none' } },
  { key: 'faulty', name: 'Something wrong', filter: { only: 'faulty' } },
  { key: 'borrowed', name: 'Borrowed', filter: { only: 'borrowed' } },
  { key: 'away', name: 'Not where it lives', filter: { only: 'not-at-home' } },
  { key: 'unidentified', name: 'Needs identifying', filter: { only: 'unidentified' } },
]

export function KitViewBar({
  views,
  current,
  onChoose,
}: {
  views: readonly View[]
  current: View | undefined
  onChoose(view: View): void
}) {
  const [drop] = useDropViewMutation()
  const run = useTold()
  const may = useMay()
  return (
    <>
      {views.map((it) => (
        <button
          type="button"
          key={it.key}
          aria-pressed={it.key === current?.key}
          className="shrink-0 rounded-paper border border-rule-strong bg-sheet px-2 py-[3px] text-[12px] aria-pressed:border-ink aria-pressed:font-semibold aria-pressed:ring-1 aria-pressed:ring-ink"
          onClick={() => onChoose(it)}
        >
          {it.name}
        </button>
      ))}
      {current?.saved && may('change-kit') && (
        <Button
          size="small"
          onClick={() => {
            const { id = '', version = 1, name = '' } = current.saved ?? {}
            run(drop({ id, version }).unwrap(), `The view “${name}” is gone.`)
          }}
        >
          Let this view go
        </Button>
      )}
    </>
  )
}

/** Gives the filter and the columns on screen a name. */
export function KeepViewDialog({
  open,
  filter,
  columns,
  onClose,
}: {
  open: boolean
  filter: KitFilter
  columns: readonly KitColumn[]
  onClose(): void
}) {
  const [name, setName] = useState('')
  const [keep] = useKeepViewMutation()
  const run = useTold()
  return (
    <SheetDialog
      open={open}
      onClose={onClose}
      title="Keep this view"
      description="Everybody finds it beside the others."
    >
      <form
        className="flex items-end gap-3"
        onSubmit={async (event) => {
          event.preventDefault()
          if (!name.trim()) return
          const work = keep({ name: name.trim(), filter, columns: [...columns] }).unwrap()
          if (await run(work, `“${name.trim()}” is kept.`)) onClose()
        }}
      >
        <TextField label="Name" autoFocus value={name} onChange={(event) => setName(event.target.value)} />
        <Button look="act" type="submit" className="h-9">
          Keep it
        </Button>
      </form>
    </SheetDialog>
  )
}
