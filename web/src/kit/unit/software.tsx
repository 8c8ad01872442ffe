import {
  type Software as Program,
  type SoftwareFinding,
  saySoftwareFinding,
  softwareSchema,
  type Unit,
} from '@exemplar/core'
import { useState } from 'react'
import { useAddShoppingLineMutation, useChangeUnitMutation, useThingsQuery } from '../../foundation/api/api.ts'
import { useMay } from '../../foundation/api/session.ts'
import { useTold } from '../../foundation/api/use-told.ts'
import { CheckField, SelectField, TextField } from '../../foundation/form/field.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { Mark } from '../../foundation/parts/mark.tsx'
import { Section } from '../../foundation/parts/page-parts.tsx'
import { sayDayWithYear } from '../../foundation/words/calendar-words.ts'

const KINDS: Record<Program['kind'], string> = { app: 'App', driver: 'Driver', firmware: 'Firmware' }
const BLANK: Program = {
  kind: 'app',
  name: '',
  version: '',
  where: '',
  onUnitId: null,
  media: 'download',
  needsWireless: false,
  minimumMemoryGigabytes: null,
  minimumGraphicsGigabytes: null,
  newestVersion: '',
  checkedOn: null,
}

/** Apps, drivers and firmware that a thing wants: which version, and where it is installed. */
export function Software({
  unit,
  version,
  findings,
}: {
  unit: Unit
  version: number
  findings: readonly SoftwareFinding[]
}) {
  const [draft, setDraft] = useState<Program | null>(null)
  const [change] = useChangeUnitMutation()
  const [addLine] = useAddShoppingLineMutation()
  const run = useTold()
  const may = useMay()
  const canChange = may('change-kit')
  const save = (software: Program[], text: string) =>
    run(change({ id: unit.id, version, body: { software } }).unwrap(), text)
  const reading = draft && softwareSchema.safeParse(draft)
  const { data: computers } = useThingsQuery({ find: '', category: 'computer' }, { skip: !draft })
  if (!canChange && unit.software.length === 0 && findings.length === 0) return null
  return (
    <Section title="Apps, drivers, firmware">
      {unit.software.length === 0 && !draft && <p className="py-2 text-[13px] text-quiet">None recorded.</p>}
      {findings.map((it) => (
        <p key={it.code + it.program + it.tag + ('of' in it ? it.of : '')} className="py-1 text-[13px]">
          <Mark level={it.level}>{saySoftwareFinding(it)}</Mark>
          {it.code === 'little-memory' && may('ask-to-buy') && (
            <Button
              size="small"
              className="ml-2"
              onClick={() =>
                run(
                  addLine({
                    item: `${it.wantedGigabytes} GB of ${it.of} memory for ${it.tag}`,
                    quantity: 1,
                    reason: `${it.program} asks for it: what it costs beside its own price.`,
                    stockId: null,
                    setupId: null,
                    group: 'media',
                  }).unwrap(),
                  'It is on the shopping list, as what the program costs besides.',
                )
              }
            >
              Put it on the shopping list
            </Button>
          )}
        </p>
      ))}
      <ul>
        {unit.software.map((it) => (
          <li key={it.kind + it.name} className="flex items-center gap-3 border-b border-rule py-1.5 text-[13px]">
            <span className="w-20 text-quiet">{KINDS[it.kind]}</span>
            <span className="flex-1">
              <b>{it.name}</b> {it.version}
              {it.where && <span className="text-quiet"> on {it.where}</span>}
              {it.checkedOn && <span className="text-quiet"> · looked up on {sayDayWithYear(it.checkedOn)}</span>}
            </span>
            {canChange && (
              <Button
                size="small"
                aria-label={`Remove ${it.name}`}
                onClick={() =>
                  save(
                    unit.software.filter((other) => other !== it),
                    `${it.name} is off the list.`,
                  )
                }
              >
                Remove
              </Button>
            )}
          </li>
        ))}
      </ul>
      {canChange && !draft && (
        <Button size="small" className="mt-2" onClick={() => setDraft(BLANK)}>
          Add one
        </Button>
      )}
      {draft && (
        <form
          className="mt-2 grid grid-cols-2 items-end gap-2"
          onSubmit={async (event) => {
            event.preventDefault()
            if (reading?.success && (await save([...unit.software, reading.data], `${draft.name} is on the list.`))) {
              setDraft(null)
            }
          }}
        >
          <SelectField
            label="Kind"
            value={draft.kind}
            onChange={(event) => setDraft({ ...draft, kind: event.target.value as Program['kind'] })}
          >
            {(Object.keys(KINDS) as Program['kind'][]).map((kind) => (
              <option key={kind} value={kind}>
                {KINDS[kind]}
              </option>
            ))}
          </SelectField>
          <TextField
            label="Its exact name"
            autoFocus
            value={draft.name}
            onChange={(event) => setDraft({ ...draft, name: event.target.value })}
          />
          <TextField
            label="Version"
            value={draft.version}
            onChange={(event) => setDraft({ ...draft, version: event.target.value })}
          />
          <TextField
            label="Newest that there is"
            value={draft.newestVersion}
            onChange={(event) => setDraft({ ...draft, newestVersion: event.target.value })}
          />
          <TextField
            label="Looked up on"
            type="date"
            value={draft.checkedOn ?? ''}
            onChange={(event) => setDraft({ ...draft, checkedOn: event.target.value || null })}
          />
          <TextField
            label="Installed on"
            placeholder="the store laptop"
            value={draft.where}
            onChange={(event) => setDraft({ ...draft, where: event.target.value })}
          />
          <SelectField
            label="On which of our computers"
            value={draft.onUnitId ?? ''}
            onChange={(event) => setDraft({ ...draft, onUnitId: event.target.value || null })}
          >
            <option value="">None, or not known</option>
            {computers?.units.map((it) => (
              <option key={it.id} value={it.id}>
                {it.tag} {it.name}
              </option>
            ))}
          </SelectField>
          <SelectField
            label="Comes as"
            value={draft.media}
            onChange={(event) => setDraft({ ...draft, media: event.target.value as Program['media'] })}
          >
            <option value="download">Download</option>
            <option value="disc">Disc</option>
          </SelectField>
          <TextField
            label="Least memory it asks for, GB"
            inputMode="decimal"
            value={draft.minimumMemoryGigabytes === null ? '' : String(draft.minimumMemoryGigabytes)}
            problem={reading?.error?.issues.find((it) => it.path[0] === 'minimumMemoryGigabytes')?.message}
            onChange={(event) => {
              const text = event.target.value.replace(',', '.').trim()
              setDraft({ ...draft, minimumMemoryGigabytes: text === '' ? null : Number(text) })
            }}
          />
          <TextField
            label="Least graphics memory, GB"
            inputMode="decimal"
            value={draft.minimumGraphicsGigabytes === null ? '' : String(draft.minimumGraphicsGigabytes)}
            problem={reading?.error?.issues.find((it) => it.path[0] === 'minimumGraphicsGigabytes')?.message}
            onChange={(event) => {
              const text = event.target.value.replace(',', '.').trim()
              setDraft({ ...draft, minimumGraphicsGigabytes: text === '' ? null : Number(text) })
            }}
          />
          <span className="self-center">
            <CheckField
              label="Talks by wireless alone"
              checked={draft.needsWireless}
              onChange={(event) => setDraft({ ...draft, needsWireless: event.target.checked })}
            />
          </span>
          <Button type="submit" look="act" className="w-fit" disabled={!reading?.success}>
            Save
          </Button>
        </form>
      )}
    </Section>
  )
}
