import type { IncidentReply, NewIncident } from '@exemplar/core'
import { useState } from 'react'
import { Link } from 'react-router'
import { readProblem } from '../foundation/api/problem.ts'
import { useMay } from '../foundation/api/session.ts'
import { useTold } from '../foundation/api/use-told.ts'
import { Button } from '../foundation/parts/button.tsx'
import { Mark } from '../foundation/parts/mark.tsx'
import { Section, Tag } from '../foundation/parts/page-parts.tsx'
import { SheetDialog } from '../foundation/parts/sheet-dialog.tsx'
import { TapeStrip } from '../foundation/parts/tape.tsx'
import { sayDayWithYear } from '../foundation/words/calendar-words.ts'
import { useChangeIncidentMutation, useIncidentsQuery, useReportIncidentMutation } from './incident-api.ts'
import { IncidentForm } from './incident-form.tsx'

/** What went wrong, and the lessons that stand on start lists since. */
export function Incidents({ today }: { today: string }) {
  const { data } = useIncidentsQuery()
  const [open, setOpen] = useState<IncidentReply | 'new' | null>(null)
  const [report, reporting] = useReportIncidentMutation()
  const [change, changing] = useChangeIncidentMutation()
  const run = useTold()
  const may = useMay()
  const error = open === 'new' ? reporting.error : changing.error
  const save = async ({ hit, ...said }: NewIncident) => {
    const work =
      open === 'new' || open === null
        ? report({ ...said, hit }).unwrap()
        : change({ id: open.id, version: open.version, body: said }).unwrap()
    if (await run(work, said.lesson.trim() ? 'Written down; the lesson is on the start lists.' : 'Written down.'))
      setOpen(null)
  }
  return (
    <Section title="Accidents and lessons" aside={data ? String(data.length) : undefined}>
      {data?.length === 0 && <p className="py-3 text-quiet">None written down.</p>}
      <ul>
        {data?.map((it) => (
          <li key={it.id} className="border-b border-rule py-2.5 text-[13px]">
            <span className="font-medium">{it.what}</span>{' '}
            <span className="text-quiet">
              {sayDayWithYear(it.on)}
              {it.person && ` · ${it.person}`}
            </span>
            {it.hit.length > 0 && (
              <span className="block">
                {it.hit.map(({ unitId, tag, name, fault }) => (
                  <Link key={unitId} to={`/kit/${unitId}`} className="mr-3 inline-block">
                    <Tag>{tag}</Tag> {name}
                    {fault && <span className="text-quiet">, {fault === 'open' ? 'has a fault since' : 'mended'}</span>}
                  </Link>
                ))}
              </span>
            )}
            {(it.cause || it.saved) && (
              <span className="block text-quiet">
                {it.cause && `Because: ${it.cause}. `}
                {it.saved && `Saved by: ${it.saved}.`}
              </span>
            )}
            {it.lesson && (
              <span className="mt-1 flex flex-wrap items-center gap-2">
                <Mark level="advise">{it.lesson}</Mark>
                {it.stands.length === 0 && <span className="text-quiet">on no start list yet</span>}
                {it.stands.map(({ id, code, tape }) => (
                  <Link key={id} to={`/setups/${id}/start`}>
                    <TapeStrip code={code} tape={tape} size="small" />
                  </Link>
                ))}
              </span>
            )}
            {may('mend') && (
              <Button size="small" className="mt-1" aria-label={`Put better: ${it.what}`} onClick={() => setOpen(it)}>
                Put it better
              </Button>
            )}
          </li>
        ))}
      </ul>
      {may('report-fault') && (
        <Button size="small" className="mt-3" onClick={() => setOpen('new')}>
          Something happened
        </Button>
      )}
      <SheetDialog
        open={open !== null}
        onClose={() => setOpen(null)}
        title={open === 'new' ? 'What happened' : 'Put it better'}
      >
        {open !== null && (
          <IncidentForm
            incident={open === 'new' ? null : open}
            today={today}
            problem={error ? readProblem(error) : null}
            onSave={save}
          />
        )}
      </SheetDialog>
    </Section>
  )
}
