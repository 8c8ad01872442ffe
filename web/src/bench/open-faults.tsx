import { type BenchReply, SEVERITY_LABELS } from '@exemplar/core'
import { useState } from 'react'
import { Link } from 'react-router'
import { useMendFaultMutation } from '../foundation/api/api.ts'
import { readProblem } from '../foundation/api/problem.ts'
import { useMay } from '../foundation/api/session.ts'
import { useTold } from '../foundation/api/use-told.ts'
import { NoteField } from '../foundation/form/field.tsx'
import { Button } from '../foundation/parts/button.tsx'
import { Mark } from '../foundation/parts/mark.tsx'
import { Section, Tag } from '../foundation/parts/page-parts.tsx'
import { SheetDialog } from '../foundation/parts/sheet-dialog.tsx'
import { useTimeWords } from '../foundation/words/time-words.ts'
import { FaultStanding } from './fault-standing.tsx'
import { useBeginRepairMutation } from './repair-api.ts'
import { BeginRepairForm } from './repair-form.tsx'
import { Tapes } from './tapes.tsx'

const LEVEL_OF = { unusable: 'stop', usable: 'warn', symptom: 'warn', nuisance: 'advise', cosmetic: 'advise' } as const

/** What is broken or worrying, with what it took so far and what could be done. */
export function OpenFaults({ faults }: Pick<BenchReply, 'faults'>) {
  const [mend] = useMendFaultMutation()
  const [begin, beginning] = useBeginRepairMutation()
  const [sending, setSending] = useState<BenchReply['faults'][number] | null>(null)
  const [testing, setTesting] = useState<BenchReply['faults'][number] | null>(null)
  const words = useTimeWords()
  const run = useTold()
  const may = useMay()
  const close = ({ id, version, tag }: BenchReply['faults'][number], note: string) =>
    run(mend({ id, version, body: { note } }).unwrap(), `${tag} is mended.`)
  return (
    <Section title="Broken or worrying">
      {faults.length === 0 && <p className="py-3 text-quiet">No open fault.</p>}
      <ul>
        {faults.map((fault) => (
          <li key={fault.id} className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule py-2.5">
            <span className="min-w-56 flex-1">
              <Mark level={LEVEL_OF[fault.severity]}>{fault.note}</Mark>
              <span className="mt-0.5 ml-4.5 block text-[13px] text-quiet">
                <Link to={`/kit/${fault.unitId}`} className="no-underline hover:underline">
                  <Tag>{fault.tag}</Tag> {fault.name}
                </Link>{' '}
                · since {words.sayInstant(fault.reportedAt)} · {SEVERITY_LABELS[fault.severity].toLowerCase()}
                <FaultStanding fault={fault} />
              </span>
            </span>
            <Tapes usedIn={fault.usedIn} />
            {may('mend') && (
              <Button size="small" onClick={() => setSending(fault)}>
                Send for repair
              </Button>
            )}
            {may('mend') && (
              <Button size="small" onClick={() => (fault.isHazard ? setTesting(fault) : close(fault, ''))}>
                Mended
              </Button>
            )}
          </li>
        ))}
      </ul>
      <SheetDialog
        open={sending !== null}
        onClose={() => setSending(null)}
        title={`Send ${sending?.tag ?? ''} for repair`}
      >
        {sending && (
          <BeginRepairForm
            faultId={sending.id}
            claim={sending.claim}
            claimSteps={sending.claimSteps}
            problem={beginning.error ? readProblem(beginning.error) : null}
            onSave={async (body) => {
              if (
                await run(begin({ unitId: sending.unitId, body }).unwrap(), `The repair of ${sending.tag} has begun.`)
              )
                setSending(null)
            }}
          />
        )}
      </SheetDialog>
      <SheetDialog
        open={testing !== null}
        onClose={() => setTesting(null)}
        title={`${testing?.tag ?? ''} could hurt somebody`}
      >
        {testing && (
          <TestedForm
            onSave={async (note) => {
              if (await close(testing, note)) setTesting(null)
            }}
          />
        )}
      </SheetDialog>
    </Section>
  )
}

/** Of what could hurt somebody it is said who tested it, before it is called mended. */
function TestedForm({ onSave }: { onSave(note: string): void }) {
  const [note, setNote] = useState('')
  const [isAsked, setAsked] = useState(false)
  return (
    <form
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        setAsked(true)
        if (note.trim()) onSave(note.trim())
      }}
    >
      <NoteField
        label="Who tested it, and how?"
        hint="Mains by whoever is licensed for it; local rules say who that is"
        autoFocus
        value={note}
        problem={isAsked && !note.trim() ? 'Say who tested it and how, before anybody uses it again.' : undefined}
        onChange={(event) => setNote(event.target.value)}
      />
      <Button look="act" type="submit" className="w-fit">
        It is mended and tested
      </Button>
    </form>
  )
}
