import { type ServiceLine, sayNumber } from '@exemplar/core'
import { useState } from 'react'
import { useMay } from '../foundation/api/session.ts'
import { useTold } from '../foundation/api/use-told.ts'
import { SelectField, TextField } from '../foundation/form/field.tsx'
import { Button } from '../foundation/parts/button.tsx'
import { PageHead, Section, Waiting } from '../foundation/parts/page-parts.tsx'
import { useRecordServicesMutation, useServicesQuery } from '../kit/upkeep/service-api.ts'
import { keyOf, ServiceList } from '../kit/upkeep/service-list.tsx'
import { ServicePlans } from './service-plans.tsx'

const TOGETHER = { place: 'Where it is', plan: 'What is done', booking: 'Before which booking' } as const
type Together = keyof typeof TOGETHER

const nameOf = (it: ServiceLine, together: Together): string => {
  if (together === 'place') return it.place ?? 'No place recorded'
  if (together === 'plan') return it.plan
  return it.booked ? `${it.booked.isOut ? 'After' : 'Before'} ${it.booked.title}` : 'Booked for nothing'
}

/** Everything that is done again and again: due and soon, ticked off in one session; later by month; and the plans behind it. */
export function ServicesPage() {
  const { data, error, refetch } = useServicesQuery()
  const [together, setTogether] = useState<Together>('place')
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set())
  const may = useMay()
  if (!data) return <Waiting what="the services" error={error} onRetry={refetch} />
  const { lines, today, serviceNoticeDays } = data
  const soon = lines.filter((it) => it.daysLeft !== null && it.daysLeft <= serviceNoticeDays)
  const later = lines.filter((it) => it.daysLeft !== null && it.daysLeft > serviceNoticeDays)
  const undated = lines.filter((it) => it.dueOn === null)
  // By days nothing can be told without a day; by use it is not due yet, and too little is logged to say when.
  const open = undated.filter((it) => it.everyDays !== null)
  const notYet = undated.filter((it) => it.everyDays === null)
  const due = soon.filter((it) => it.isDue).length
  const groups = [...new Set(soon.map((it) => nameOf(it, together)))]
  const tick = (key: string) => {
    const next = new Set(ticked)
    if (!next.delete(key)) next.add(key)
    setTicked(next)
  }
  const onTick = may('mend') ? tick : null
  return (
    <>
      <PageHead title="Services" aside={`${due} due, ${soon.length - due} within ${serviceNoticeDays} days`}>
        <Button onClick={() => window.print()}>Print</Button>
      </PageHead>
      <div className="grid gap-x-10 px-4 pb-24 md:px-5 lg:grid-cols-[minmax(0,1fr)_minmax(0,24rem)]">
        <div className="min-w-0">
          {lines.length === 0 && (
            <p className="py-3 text-[13px] text-quiet">
              Nothing is serviced by a plan yet. Take on the usual ones, or make one.
            </p>
          )}
          {soon.length > 0 && (
            <div className="no-print mt-3 w-56">
              <SelectField
                label="Together by"
                value={together}
                onChange={(event) => setTogether(event.target.value as Together)}
              >
                {Object.entries(TOGETHER).map(([code, label]) => (
                  <option key={code} value={code}>
                    {label}
                  </option>
                ))}
              </SelectField>
            </div>
          )}
          {groups.map((name) => {
            const own = soon.filter((it) => nameOf(it, together) === name)
            return (
              <Section key={name} title={name} aside={sayMinutes(own)}>
                <ServiceList lines={own} ticked={ticked} onTick={onTick} />
              </Section>
            )
          })}
          {open.length > 0 && (
            <Section title="No day to count from" aside={sayNumber(open.length, 'thing')}>
              <p className="py-1 text-[13px] text-quiet">
                Nobody recorded when it was done last, nor when the thing came. Tick what was done, and say when.
              </p>
              <ServiceList lines={open} ticked={ticked} onTick={onTick} />
            </Section>
          )}
          {notYet.length > 0 && (
            <details className="border-t border-rule py-2">
              <summary className="cursor-pointer text-[13.5px] font-semibold">
                Not due yet by its use{' '}
                <span className="font-normal text-quiet">{sayNumber(notYet.length, 'thing')}</span>
              </summary>
              <ServiceList lines={notYet} ticked={ticked} onTick={onTick} />
            </details>
          )}
          {listMonths(later).map(({ month, own }) => (
            <details key={month} className="border-t border-rule py-2">
              <summary className="cursor-pointer text-[13.5px] font-semibold">
                {sayMonth(month)} <span className="font-normal text-quiet">{sayNumber(own.length, 'service')}</span>
              </summary>
              <ServiceList lines={own} ticked={ticked} onTick={onTick} />
            </details>
          ))}
        </div>
        <ServicePlans plans={data.plans} usual={data.usual} />
      </div>
      {onTick && ticked.size > 0 && (
        <Done lines={lines.filter((it) => ticked.has(keyOf(it)))} today={today} onDone={() => setTicked(new Set())} />
      )}
    </>
  )
}

function sayMinutes(lines: readonly ServiceLine[]): string {
  const minutes = lines.reduce((sum, it) => sum + (it.minutes ?? 0), 0)
  const unsaid = lines.some((it) => it.minutes === null)
  return minutes > 0 ? `${unsaid ? 'at least ' : ''}${minutes} min` : ''
}

function listMonths(lines: readonly ServiceLine[]) {
  const months = [...new Set(lines.map((it) => it.dueOn?.slice(0, 7) ?? ''))].sort()
  return months.map((month) => ({ month, own: lines.filter((it) => it.dueOn?.startsWith(month)) }))
}

const sayMonth = (month: string) =>
  new Date(`${month}-01T12:00:00Z`).toLocaleDateString('en-GB', { month: 'long', year: 'numeric', timeZone: 'UTC' })

/** Records what is ticked, with what was found. */
function Done({ lines, today, onDone }: { lines: readonly ServiceLine[]; today: string; onDone(): void }) {
  const [on, setOn] = useState(today)
  const [note, setNote] = useState('')
  const [record] = useRecordServicesMutation()
  const run = useTold()
  return (
    <form
      className="no-print fixed inset-x-0 bottom-0 z-10 flex flex-wrap items-end gap-3 border-t border-rule-strong bg-sheet px-4 py-3 max-md:bottom-14 md:left-24"
      onSubmit={async (event) => {
        event.preventDefault()
        const items = lines.map(({ unitId, planId }) => ({ unitId, planId }))
        if (
          await run(
            record({ items, on, note: note.trim() }).unwrap(),
            `${sayNumber(items.length, 'service')} recorded.`,
          )
        )
          onDone()
      }}
    >
      <TextField label="Done on" type="date" max={today} value={on} onChange={(event) => setOn(event.target.value)} />
      <div className="min-w-40 flex-1">
        <TextField
          label="What was found"
          value={note}
          maxLength={2000}
          onChange={(event) => setNote(event.target.value)}
        />
      </div>
      <Button look="act" type="submit" className="h-9" disabled={!on}>
        Record {sayNumber(lines.length, 'service')}
      </Button>
    </form>
  )
}
