import { REMARK_KINDS, type Remark, sayNumber, type Unit } from '@exemplar/core'
import { useState } from 'react'
import { useChangeUnitMutation, useStockQuery } from '../../foundation/api/api.ts'
import { useMay } from '../../foundation/api/session.ts'
import { useTold } from '../../foundation/api/use-told.ts'
import { CheckField, SelectField, TextField } from '../../foundation/form/field.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { Mark } from '../../foundation/parts/mark.tsx'
import { Section } from '../../foundation/parts/page-parts.tsx'
import { sayDayWithYear } from '../../foundation/words/calendar-words.ts'
import { useUpkeepQuery } from '../upkeep/service-api.ts'

const LEVELS = { strength: 'ok', weakness: 'warn', 'work-around': 'advise', 'temporary-fix': 'warn' } as const

const NO_REMARK: Remark = { kind: 'weakness', text: '', source: 'seen', recheckOn: null, heldById: null }

/** What the crew says of a thing; what is only heard stands apart and counts for nothing until somebody sees it. */
export function Remarks({ unit, version }: { unit: Unit; version: number }) {
  const [change] = useChangeUnitMutation()
  const [draft, setDraft] = useState<Remark>(NO_REMARK)
  const [isAdding, setAdding] = useState(false)
  const run = useTold()
  const may = useMay()
  const save = (remarks: Remark[], text: string) =>
    run(change({ id: unit.id, version, body: { remarks } }).unwrap(), text)
  const { data: upkeep } = useUpkeepQuery(unit.id, { skip: unit.remarks.every((it) => it.source === 'seen') })
  const seen = unit.remarks.filter((it) => it.source === 'seen')
  const heard = unit.remarks.filter((it) => it.source === 'heard')
  const row = (it: Remark) => (
    <li key={it.kind + it.text} className="flex items-start gap-2 border-b border-rule py-1.5 text-[13px]">
      <span className="flex-1">
        <Mark level={it.source === 'heard' ? 'unknown' : LEVELS[it.kind]}>{it.text}</Mark>
        {it.recheckOn && <span className="text-quiet"> · look again by {sayDayWithYear(it.recheckOn)}</span>}
      </span>
      <span className="text-[12px] text-quiet">{REMARK_KINDS[it.kind].toLowerCase()}</span>
      {may('change-kit') && it.source === 'heard' && (
        <Button
          size="small"
          onClick={() =>
            save(
              unit.remarks.map((other) => (other === it ? { ...it, source: 'seen' as const } : other)),
              'Seen by us now.',
            )
          }
        >
          We saw it
        </Button>
      )}
      {may('change-kit') && (
        <Button
          size="small"
          look="quiet"
          aria-label={`Remove: ${it.text}`}
          onClick={() =>
            save(
              unit.remarks.filter((other) => other !== it),
              'Removed.',
            )
          }
        >
          Remove
        </Button>
      )}
    </li>
  )
  return (
    <Section title="Strengths, weaknesses, work-arounds">
      {unit.remarks.length === 0 && <p className="py-1.5 text-[13px] text-quiet">Nobody has said anything yet.</p>}
      <ul>{seen.map(row)}</ul>
      {heard.length > 0 && (
        <>
          <h3 className="mt-2 text-[12px] font-semibold text-quiet">Only heard: try it out</h3>
          {upkeep && <p className="py-1 text-[13px]">Here: {sayRecord(upkeep.record)}.</p>}
          <ul>{heard.map(row)}</ul>
        </>
      )}
      {may('change-kit') && !isAdding && (
        <Button size="small" className="mt-2" onClick={() => setAdding(true)}>
          Say something
        </Button>
      )}
      {isAdding && (
        <form
          className="mt-2 grid gap-2"
          onSubmit={async (event) => {
            event.preventDefault()
            if (!draft.text.trim()) return
            if (!(await save([...unit.remarks, { ...draft, text: draft.text.trim() }], 'Written down.'))) return
            setDraft(NO_REMARK)
            setAdding(false)
          }}
        >
          <SelectField
            label="What is it?"
            value={draft.kind}
            onChange={(event) => setDraft({ ...draft, kind: event.target.value as Remark['kind'] })}
          >
            {Object.entries(REMARK_KINDS).map(([code, label]) => (
              <option key={code} value={code}>
                {label}
              </option>
            ))}
          </SelectField>
          <TextField
            label="In your words"
            hint="“No screen that turns: needs the small monitor”"
            autoFocus
            value={draft.text}
            onChange={(event) => setDraft({ ...draft, text: event.target.value })}
          />
          {draft.kind === 'temporary-fix' && (
            <FixFields draft={draft} onChange={(part) => setDraft({ ...draft, ...part })} />
          )}
          <CheckField
            label="We only heard it"
            checked={draft.source === 'heard'}
            onChange={(event) => setDraft({ ...draft, source: event.target.checked ? 'heard' : 'seen' })}
          />
          <span className="flex gap-2">
            <Button size="small" look="act" type="submit">
              Write it down
            </Button>
            <Button size="small" onClick={() => setAdding(false)}>
              Leave it
            </Button>
          </span>
        </form>
      )}
    </Section>
  )
}

/** What the studio's own log says beside what is only heard. */
function sayRecord({ uses, failures }: { uses: number; failures: number }): string {
  if (uses === 0)
    return failures === 0 ? 'it was not used yet, as far as the log tells' : `${sayNumber(failures, 'failure')}`
  return `${failures === 0 ? 'no failure' : sayNumber(failures, 'failure')} in ${sayNumber(uses, 'use')}`
}

/** By when a temporary fix is looked at again, and what holds it. */
function FixFields({ draft, onChange }: { draft: Remark; onChange(part: Partial<Remark>): void }) {
  const { data: stock } = useStockQuery()
  return (
    <>
      <TextField
        label="Look at it again by"
        type="date"
        value={draft.recheckOn ?? ''}
        onChange={(event) => onChange({ recheckOn: event.target.value || null })}
      />
      <SelectField
        label="Held by"
        value={draft.heldById ?? ''}
        onChange={(event) => onChange({ heldById: event.target.value || null })}
      >
        <option value="">Nothing that is counted</option>
        {stock?.map((it) => (
          <option key={it.id} value={it.id}>
            {it.tag} {it.name}
          </option>
        ))}
      </SelectField>
    </>
  )
}
