import { ENDED_STAGES, REPAIR_CLAIMS, REPAIR_STAGES, type RepairsReply } from '@exemplar/core'
import { useState } from 'react'
import { Link } from 'react-router'
import { readProblem } from '../foundation/api/problem.ts'
import { useMay } from '../foundation/api/session.ts'
import { useTold } from '../foundation/api/use-told.ts'
import { Button } from '../foundation/parts/button.tsx'
import { Mark } from '../foundation/parts/mark.tsx'
import { Section, Tag } from '../foundation/parts/page-parts.tsx'
import { SheetDialog } from '../foundation/parts/sheet-dialog.tsx'
import { sayDay, sayDayWithYear } from '../foundation/words/calendar-words.ts'
import { useMoveRepairMutation, useRepairsQuery } from './repair-api.ts'
import { RepairStepForm } from './repair-form.tsx'

type Repair = RepairsReply['repairs'][number]

/** What is asked for, sent, quoted, being mended or back to be tried; what ended lately below. */
export function Repairs() {
  const { data } = useRepairsQuery()
  const [open, setOpen] = useState<Repair | null>(null)
  const [move, moving] = useMoveRepairMutation()
  const run = useTold()
  const may = useMay()
  if (!data) return null
  const going = data.repairs.filter((it) => it.endedOn === null)
  const ended = data.repairs.filter((it) => it.endedOn !== null)
  return (
    <Section title="Repairs" aside={going.length > 0 ? `${going.length} going on` : undefined}>
      {going.length === 0 && <p className="py-3 text-quiet">None goes on. Begin one at a fault.</p>}
      <ul>
        {going.map((it) => (
          <li
            key={it.id}
            className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule py-2.5 text-[13px]"
          >
            <span className="min-w-0 flex-1">
              <Link to={`/kit/${it.unitId}`} className="font-medium">
                <Tag>{it.tag}</Tag> {it.name}
              </Link>{' '}
              <b>{REPAIR_STAGES[it.stage].toLowerCase()}</b>
              <RepairFacts repair={it} today={data.today} />
            </span>
            {may('mend') && (
              <Button size="small" onClick={() => setOpen(it)}>
                It goes on
              </Button>
            )}
          </li>
        ))}
      </ul>
      {ended.length > 0 && (
        <details className="py-2 text-[13px]">
          <summary className="cursor-pointer font-semibold">Ended within a year</summary>
          <ul>
            {ended.map((it) => (
              <li key={it.id} className="py-0.5">
                {it.endedOn && sayDayWithYear(it.endedOn)}: <Tag>{it.tag}</Tag> {it.name},{' '}
                {REPAIR_STAGES[it.stage].toLowerCase()}
                {it.party && ` (${it.party})`}
              </li>
            ))}
          </ul>
        </details>
      )}
      <SheetDialog open={open !== null} onClose={() => setOpen(null)} title={`The repair of ${open?.tag ?? ''}`}>
        {open && (
          <RepairStepForm
            repair={open}
            today={data.today}
            problem={moving.error ? readProblem(moving.error) : null}
            onSave={async (body) => {
              const text = ENDED_STAGES.has(body.stage)
                ? `The repair of ${open.tag} is over.`
                : `${open.tag}: written down.`
              if (await run(move({ id: open.id, version: open.version, body }).unwrap(), text)) setOpen(null)
            }}
          />
        )}
      </SheetDialog>
    </Section>
  )
}

function RepairFacts({ repair, today }: { repair: Repair; today: string }) {
  const { fault, party, contacts, reference, claim, claimBy, dueOn, stage, note, claimSteps } = repair
  const facts = [
    party,
    contacts.map((it) => it.value).join(', '),
    reference && `their number ${reference}`,
    REPAIR_CLAIMS[claim].toLowerCase(),
  ].filter(Boolean)
  const isLate = dueOn !== null && dueOn < today
  return (
    <span className="block text-quiet">
      {fault && <span className="block">{fault}</span>}
      <span className="block">{facts.join(' · ')}</span>
      {stage === 'asked' && claimBy && (
        <Mark level={claimBy < today ? 'stop' : 'warn'}>
          {claimBy < today ? `it was to be claimed by ${sayDay(claimBy)}` : `claim by ${sayDay(claimBy)}`}
        </Mark>
      )}
      {stage === 'asked' && claim !== 'own' && claimSteps && <span className="block">How to claim: {claimSteps}</span>}
      {dueOn && (isLate ? <Mark level="warn">hoped back {sayDay(dueOn)}: late</Mark> : `hoped back ${sayDay(dueOn)}`)}
      {note && <span className="block">{note}</span>}
    </span>
  )
}
