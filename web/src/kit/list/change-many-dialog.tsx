import { type KitFilter, type ManyChanges, manyChangesSchema, sayNumber } from '@exemplar/core'
import { useState } from 'react'
import { readProblem } from '../../foundation/api/problem.ts'
import { useTold } from '../../foundation/api/use-told.ts'
import { FormProblem, SelectField, TextField } from '../../foundation/form/field.tsx'
import { AcquisitionOptions, PartyOptions, PlaceOptions, StateOptions } from '../../foundation/form/options.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { Mark } from '../../foundation/parts/mark.tsx'
import { Tag } from '../../foundation/parts/page-parts.tsx'
import { SheetDialog } from '../../foundation/parts/sheet-dialog.tsx'
import { useChangeManyMutation, usePreviewManyQuery } from '../kit-api.ts'

interface Props {
  open: boolean
  /** The chosen things; null for all that the filter finds. */
  ids: string[] | null
  filter: KitFilter
  onClose(): void
  onDone(): void
}

/** A change of many things: what is to change, what that does to each, and only then the change. */
export function ChangeManyDialog(props: Props) {
  const title = props.ids === null ? 'Change everything in this view' : `Change ${sayNumber(props.ids.length, 'thing')}`
  return (
    <SheetDialog
      wide
      open={props.open}
      onClose={props.onClose}
      title={title}
      description="What you leave open stays as it is. It is one change, to be taken back as one."
    >
      <ChangeManyForm {...props} />
    </SheetDialog>
  )
}

type Draft = Record<
  'state' | 'placeId' | 'nowPlaceId' | 'acquisition' | 'partyId' | 'dueOn' | 'serviceEveryDays' | 'life',
  string
>
const BLANK: Draft = {
  state: '',
  placeId: '',
  nowPlaceId: '',
  acquisition: '',
  partyId: '',
  dueOn: '',
  serviceEveryDays: '',
  life: '',
}

function readDraft({ life, serviceEveryDays, ...draft }: Draft): ManyChanges | null {
  const given = Object.fromEntries(Object.entries(draft).filter(([, value]) => value !== ''))
  const days = /^\d+$/.test(serviceEveryDays) ? { serviceEveryDays: Number(serviceEveryDays) } : {}
  const { data } = manyChangesSchema.safeParse({ ...given, ...days, ...(life ? { [life]: true } : {}) })
  return data ?? null
}

function ChangeManyForm({ ids, filter, onClose, onDone }: Props) {
  const [draft, setDraft] = useState(BLANK)
  const [change, { isLoading }] = useChangeManyMutation()
  const run = useTold()
  const changes = readDraft(draft)
  const request = changes && { ids, filter, changes }
  const preview = usePreviewManyQuery(request ?? { ids: [], filter: {}, changes: {} }, { skip: !request })
  const set = (part: Partial<Draft>) => setDraft({ ...draft, ...part })
  const report = request ? preview.currentData : undefined
  return (
    <form
      className="grid gap-3"
      onSubmit={async (event) => {
        event.preventDefault()
        if (!request || !report) return
        if (!(await run(change(request).unwrap(), `${sayNumber(report.changed, 'thing')} changed.`))) return
        onClose()
        onDone()
      }}
    >
      <div className="grid grid-cols-2 gap-3 md:grid-cols-3">
        <SelectField label="State" value={draft.state} onChange={(event) => set({ state: event.target.value })}>
          <option value="">As it is</option>
          <StateOptions />
        </SelectField>
        <SelectField
          label="Where it lives"
          value={draft.placeId}
          onChange={(event) => set({ placeId: event.target.value })}
        >
          <PlaceOptions none="As it is" />
        </SelectField>
        <SelectField
          label="Where it is now"
          value={draft.nowPlaceId}
          onChange={(event) => set({ nowPlaceId: event.target.value })}
        >
          <PlaceOptions none="As it is" />
        </SelectField>
        <SelectField
          label="How it came"
          value={draft.acquisition}
          onChange={(event) => set({ acquisition: event.target.value })}
        >
          <option value="">As it is</option>
          <AcquisitionOptions />
        </SelectField>
        <SelectField label="From whom" value={draft.partyId} onChange={(event) => set({ partyId: event.target.value })}>
          <PartyOptions none="As it is" />
        </SelectField>
        <TextField
          label="Due back on"
          type="date"
          value={draft.dueOn}
          onChange={(event) => set({ dueOn: event.target.value })}
        />
        <TextField
          label="Service every … days"
          inputMode="numeric"
          value={draft.serviceEveryDays}
          problem={
            draft.serviceEveryDays && !/^\d+$/.test(draft.serviceEveryDays) ? 'Write a whole number.' : undefined
          }
          onChange={(event) => set({ serviceEveryDays: event.target.value })}
        />
        <SelectField label="Archive" value={draft.life} onChange={(event) => set({ life: event.target.value })}>
          <option value="">As it is</option>
          <option value="archive">Into the archive</option>
          <option value="restore">Out of the archive</option>
        </SelectField>
      </div>
      <FormProblem text={preview.error && request ? readProblem(preview.error).detail : null} />
      {report && (
        <div aria-live="polite">
          <p className="flex flex-wrap gap-4">
            <span>
              {report.changed} would change, {report.unchanged} are so already
            </span>
            {report.obstacles > 0 && <Mark level="warn">{report.obstacles} stay: they stand in a setup</Mark>}
          </p>
          <div className="mt-2 max-h-64 overflow-y-auto border-y border-rule">
            <table>
              <tbody>
                {report.lines.slice(0, 100).map((line) => (
                  <tr key={line.id}>
                    <td>
                      <Tag>{line.tag}</Tag>
                    </td>
                    <td>{line.name}</td>
                    <td className="text-[12.5px]">
                      {line.obstacle ??
                        line.changes.map((it) => `${it.before || '–'} → ${it.after || 'in the kit'}`).join(', ')}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        </div>
      )}
      <Button look="act" type="submit" className="w-fit" disabled={!report || report.changed === 0 || isLoading}>
        Change {sayNumber(report?.changed ?? 0, 'thing')}
      </Button>
    </form>
  )
}
