import { CATEGORIES, type ServiceLine, type UnitReply } from '@exemplar/core'
import { useState } from 'react'
import { readProblem } from '../../foundation/api/problem.ts'
import { useMay } from '../../foundation/api/session.ts'
import { useTold } from '../../foundation/api/use-told.ts'
import { TextField } from '../../foundation/form/field.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { Section } from '../../foundation/parts/page-parts.tsx'
import { SheetDialog } from '../../foundation/parts/sheet-dialog.tsx'
import { sayDayWithYear } from '../../foundation/words/calendar-words.ts'
import { useTimeWords } from '../../foundation/words/time-words.ts'
import { LifePicture } from './life-picture.tsx'
import { PackCapacity } from './pack-capacity.tsx'
import { PlanForm } from './plan-form.tsx'
import { useMakePlanMutation, useRecordServicesMutation, useRecordUseMutation, useUpkeepQuery } from './service-api.ts'
import { ServiceList } from './service-list.tsx'

const NOTHING: ReadonlySet<string> = new Set()

/** What is done to one thing again and again, what was done, and what it was used for beside its bookings. */
export function Upkeep({ page }: { page: UnitReply }) {
  const { unit, model } = page
  const { data } = useUpkeepQuery(unit.id)
  const [open, setOpen] = useState<'plan' | 'use' | 'done' | null>(null)
  const [make, making] = useMakePlanMutation()
  const run = useTold()
  const may = useMay()
  if (!data) return null
  return (
    <Section title="Services and use">
      <LifePicture life={data.life} />
      {data.lines.length === 0 && <p className="py-2 text-[13px] text-quiet">No plan speaks of it.</p>}
      <ServiceList lines={data.lines} ticked={NOTHING} onTick={null} />
      {data.done.length > 0 && (
        <details className="border-b border-rule py-2 text-[13px]">
          <summary className="cursor-pointer font-semibold">What was done</summary>
          <ul>
            {data.done.map((it) => (
              <li key={it.id} className="py-0.5">
                {sayDayWithYear(it.on)}: {it.plan}
                {it.note && `, ${it.note}`}
                {it.person && <span className="text-quiet"> · {it.person}</span>}
              </li>
            ))}
          </ul>
        </details>
      )}
      {data.uses.map((it) => (
        <p key={it.id} className="border-b border-rule py-1 text-[13px]">
          {sayDayWithYear(it.on)}: {it.uses} uses, {it.hours} hours beside its bookings{it.note && `, ${it.note}`}
        </p>
      ))}
      {model.category === 'pack' && <PackCapacity page={page} runs={data.runs} />}
      <div className="mt-2 flex flex-wrap gap-2">
        {may('mend') && data.lines.length > 0 && (
          <Button size="small" onClick={() => setOpen('done')}>
            Something was done
          </Button>
        )}
        {may('mend') && (
          <Button size="small" onClick={() => setOpen('plan')}>
            Plan a service
          </Button>
        )}
        {may('bring-back') && (
          <Button size="small" onClick={() => setOpen('use')}>
            Used without a booking
          </Button>
        )}
      </div>
      <SheetDialog open={open === 'plan'} onClose={() => setOpen(null)} title={`A plan for ${unit.tag}`}>
        <PlanForm
          plan={null}
          choices={[
            { label: `this one, ${unit.tag}`, subject: { kind: 'unit', unitId: unit.id } },
            { label: 'all of its model', subject: { kind: 'model', modelId: unit.modelId } },
            {
              label: `every ${CATEGORIES[model.category].label.toLowerCase()}`,
              subject: { kind: 'category', category: model.category },
            },
          ]}
          problem={making.error ? readProblem(making.error) : null}
          onSave={async (body) => {
            if (await run(make(body).unwrap(), `${body.name} is planned.`)) setOpen(null)
          }}
        />
      </SheetDialog>
      <SheetDialog open={open === 'use'} onClose={() => setOpen(null)} title={`${unit.tag} was used`}>
        <UseForm unitId={unit.id} tag={unit.tag} onClose={() => setOpen(null)} />
      </SheetDialog>
      <SheetDialog open={open === 'done'} onClose={() => setOpen(null)} title={`Done to ${unit.tag}`}>
        <DoneForm page={page} lines={data.lines} onClose={() => setOpen(null)} />
      </SheetDialog>
    </Section>
  )
}

function DoneForm({
  page: { unit },
  lines,
  onClose,
}: {
  page: UnitReply
  lines: readonly ServiceLine[]
  onClose(): void
}) {
  const { today } = useTimeWords()
  const [at, setAt] = useState(0)
  const [on, setOn] = useState(today)
  const [note, setNote] = useState('')
  const [record, recording] = useRecordServicesMutation()
  const problem = recording.error ? readProblem(recording.error) : null
  const run = useTold()
  const line = lines[at]
  return (
    <form
      className="grid gap-3"
      onSubmit={async (event) => {
        event.preventDefault()
        if (!line) return
        const items = [{ unitId: unit.id, planId: line.planId }]
        if (await run(record({ items, on, note: note.trim() }).unwrap(), `${line.plan}: recorded for ${unit.tag}.`))
          onClose()
      }}
    >
      <fieldset className="grid gap-1">
        <legend className="mb-1 text-[12px] font-semibold">What was done</legend>
        {lines.map((it, index) => (
          <label key={it.planId ?? 'own'} className="flex items-center gap-2 text-[14px]">
            <input type="radio" name="done" className="size-4" checked={at === index} onChange={() => setAt(index)} />
            {it.plan}
          </label>
        ))}
      </fieldset>
      <TextField
        label="On"
        type="date"
        max={today}
        value={on}
        problem={problem?.fields.on}
        onChange={(event) => setOn(event.target.value)}
      />
      <TextField
        label="What was found"
        value={note}
        maxLength={2000}
        problem={problem?.fields.note}
        onChange={(event) => setNote(event.target.value)}
      />
      <Button look="act" type="submit" className="w-fit" disabled={!on}>
        Record it
      </Button>
    </form>
  )
}

function UseForm({ unitId, tag, onClose }: { unitId: string; tag: string; onClose(): void }) {
  const { today } = useTimeWords()
  const [on, setOn] = useState(today)
  const [uses, setUses] = useState('1')
  const [hours, setHours] = useState('')
  const [note, setNote] = useState('')
  const [record, recording] = useRecordUseMutation()
  const problem = recording.error ? readProblem(recording.error) : null
  const run = useTold()
  const isWhole = /^\d{0,4}$/.test(uses.trim())
  const isNumber = /^\d{0,5}([.,]\d{0,2})?$/.test(hours.trim())
  return (
    <form
      className="grid gap-3"
      onSubmit={async (event) => {
        event.preventDefault()
        if (!isWhole || !isNumber) return
        const body = { on, uses: Number(uses || 0), hours: Number(hours.replace(',', '.') || 0), note: note.trim() }
        if (await run(record({ unitId, body }).unwrap(), `${tag} was used.`)) onClose()
      }}
    >
      <TextField
        label="On"
        type="date"
        max={today}
        value={on}
        problem={problem?.fields.on}
        onChange={(event) => setOn(event.target.value)}
      />
      <TextField
        label="Uses"
        inputMode="numeric"
        value={uses}
        unread={isWhole ? undefined : 'A whole number.'}
        problem={problem?.fields.uses}
        onChange={(event) => setUses(event.target.value)}
      />
      <TextField
        label="Hours"
        inputMode="decimal"
        value={hours}
        unread={isNumber ? undefined : 'A number of hours.'}
        problem={problem?.fields.hours}
        onChange={(event) => setHours(event.target.value)}
      />
      <TextField label="What for" value={note} maxLength={2000} onChange={(event) => setNote(event.target.value)} />
      <Button look="act" type="submit" className="w-fit" disabled={!on}>
        Record it
      </Button>
    </form>
  )
}
