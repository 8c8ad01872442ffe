import { SEVERITY_LABELS, type Serve, sayNumber } from '@exemplar/core'
import { Link } from 'react-router'
import { useBenchQuery, useChangeUnitMutation, useMendFaultMutation } from '../foundation/api/api.ts'
import { useMay } from '../foundation/api/session.ts'
import { useTold } from '../foundation/api/use-told.ts'
import { Button, ButtonLink } from '../foundation/parts/button.tsx'
import { Mark } from '../foundation/parts/mark.tsx'
import { PageHead, Section, Tag, Waiting } from '../foundation/parts/page-parts.tsx'
import { TapeStrip } from '../foundation/parts/tape.tsx'
import { sayDay } from '../foundation/words/calendar-words.ts'
import { useTimeWords } from '../foundation/words/time-words.ts'
import { ServiceList } from '../kit/upkeep/service-list.tsx'
import { FaultStanding } from './fault-standing.tsx'
import { Incidents } from './incidents.tsx'

function Tapes({ usedIn }: { usedIn: Serve[] }) {
  return (
    <span className="flex flex-wrap gap-1">
      {usedIn.map((it) => (
        <Link key={it.id} to={`/setups/${it.id}`} title={it.role}>
          <TapeStrip code={it.code} tape={it.tape} size="small" />
        </Link>
      ))}
    </span>
  )
}

const LEVEL_OF = { unusable: 'stop', usable: 'warn', nuisance: 'advise', cosmetic: 'advise' } as const

const NOTHING: ReadonlySet<string> = new Set()

/** What is broken, what is away, what is due. */
export function BenchPage() {
  const { data, error, refetch } = useBenchQuery()
  const [mend] = useMendFaultMutation()
  const [changeUnit] = useChangeUnitMutation()
  const words = useTimeWords()
  const run = useTold()
  const may = useMay()
  if (!data) return <Waiting what="the bench" error={error} onRetry={refetch} />
  const dueNow = data.services.filter((it) => it.isDue).length
  return (
    <>
      <PageHead
        title="Bench"
        aside={`${sayNumber(data.faults.length, 'open fault')} · ${data.inRepair.length} in repair · ${sayNumber(dueNow, 'service')} due`}
      >
        <ButtonLink to="/bench/services">Work through the services</ButtonLink>
        <ButtonLink to="/bench/reliability">What will fail next</ButtonLink>
      </PageHead>
      <div className="px-4 pb-8 md:px-5">
        <Section title="Broken or worrying">
          {data.faults.length === 0 && <p className="py-3 text-quiet">No open fault.</p>}
          <ul>
            {data.faults.map((fault) => (
              <li key={fault.id} className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule py-2.5">
                <span className="min-w-0 flex-1">
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
                  <Button
                    size="small"
                    onClick={() =>
                      run(
                        mend({ id: fault.id, version: fault.version, body: { note: '' } }).unwrap(),
                        `${fault.tag} is mended.`,
                      )
                    }
                  >
                    Mended
                  </Button>
                )}
              </li>
            ))}
          </ul>
        </Section>
        <Section title="In repair">
          {data.inRepair.length === 0 && <p className="py-3 text-quiet">Nothing is away.</p>}
          <ul>
            {data.inRepair.map((it) => (
              <li key={it.unitId} className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule py-2.5">
                <span className="min-w-0 flex-1">
                  <Link to={`/kit/${it.unitId}`} className="font-medium">
                    <Tag>{it.tag}</Tag> {it.name}
                  </Link>
                  <span className="block text-[13px] text-quiet">
                    {it.dueOn ? `hoped back ${sayDay(it.dueOn)}` : 'no date given'}
                    {it.note && ` · ${it.note}`}
                  </span>
                </span>
                <Tapes usedIn={it.usedIn} />
                {may('change-kit') && (
                  <Button
                    size="small"
                    onClick={() =>
                      run(
                        changeUnit({
                          id: it.unitId,
                          version: it.unitVersion,
                          body: { state: 'in-service', dueOn: null },
                        }).unwrap(),
                        `${it.tag} is in service again.`,
                      )
                    }
                  >
                    It is back
                  </Button>
                )}
              </li>
            ))}
          </ul>
        </Section>
        <Incidents today={data.today} />
        <Section
          title="Services"
          aside={
            <Link to="/bench/services" className="underline">
              all of them, and the plans
            </Link>
          }
        >
          {data.services.length === 0 && (
            <p className="py-3 text-quiet">
              Nothing is due within a month. What is serviced how often is told by plans.
            </p>
          )}
          <ServiceList lines={data.services} ticked={NOTHING} onTick={null} />
        </Section>
      </div>
    </>
  )
}
