import { sayNumber } from '@exemplar/core'
import { Link } from 'react-router'
import { useBenchQuery } from '../foundation/api/api.ts'
import { ButtonLink } from '../foundation/parts/button.tsx'
import { PageHead, Section, Waiting } from '../foundation/parts/page-parts.tsx'
import { ServiceList } from '../kit/upkeep/service-list.tsx'
import { Fixes } from './fixes.tsx'
import { InRepair } from './in-repair.tsx'
import { Incidents } from './incidents.tsx'
import { OpenFaults } from './open-faults.tsx'
import { Repairs } from './repairs.tsx'
import { Replacements } from './replacements.tsx'

const NOTHING: ReadonlySet<string> = new Set()

/** What is broken, what is away, what is due. */
export function BenchPage() {
  const { data, error, refetch } = useBenchQuery()
  if (!data) return <Waiting what="the bench" error={error} onRetry={refetch} />
  const dueNow = data.services.filter((it) => it.isDue).length
  return (
    <>
      <PageHead
        title="Bench"
        aside={`${sayNumber(data.faults.length, 'open fault')} · ${sayNumber(dueNow, 'service')} due`}
      >
        <ButtonLink to="/bench/services">Work through the services</ButtonLink>
        <ButtonLink to="/bench/supplies">Supplies</ButtonLink>
        <ButtonLink to="/bench/readings">Readings</ButtonLink>
        <ButtonLink to="/bench/reliability">What will fail next</ButtonLink>
      </PageHead>
      <div className="px-4 pb-8 md:px-5">
        <OpenFaults faults={data.faults} />
        <Repairs />
        <Replacements replacements={data.replacements} />
        <Fixes fixes={data.fixes} />
        <InRepair inRepair={data.inRepair} />
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
