import {
  type BookedShoot,
  LEAST_LOGGED_USES,
  listHanging,
  makeFailureRates,
  type ReliabilityReply,
  type ResilienceReply,
  sayNumber,
} from '@exemplar/core'
import { useMemo } from 'react'
import { ButtonLink } from '../../foundation/parts/button.tsx'
import { PageHead, Waiting } from '../../foundation/parts/page-parts.tsx'
import { useWholeResilience } from '../../setups/resilience-api.ts'
import { useReliabilityQuery } from './reliability-api.ts'
import { ReliabilityTable } from './reliability-table.tsx'
import { sayChance } from './reliability-words.ts'
import { SeasonSimulation } from './season-simulation.tsx'
import { reckonShoots, type ShootOutlook, ShootsOutlook } from './shoots-outlook.tsx'
import { SparesWorth } from './spares-worth.tsx'

/** What will fail next, what hangs on it, and what a spare would be worth. */
export function ReliabilityPage() {
  const { data, error, refetch } = useReliabilityQuery()
  const whole = useWholeResilience()
  if (!data) return <Waiting what="the log" error={error} onRetry={refetch} />
  return (
    <>
      <PageHead title="Reliability" aside="what fails how often, and what hangs on it">
        <ButtonLink to="/setups/resilience">Single points of failure</ButtonLink>
      </PageHead>
      <div className="px-4 pb-8 md:px-5">
        {whole.data && !whole.isUnfinished ? (
          <Ahead data={data} resilience={whole.data} />
        ) : (
          <Searching resilience={whole.data} error={whole.error} onRetry={whole.refetch} />
        )}
        <ReliabilityTable records={data.records} />
      </div>
    </>
  )
}

function Searching({
  resilience,
  error,
  onRetry,
}: {
  resilience: ResilienceReply | undefined
  error: unknown
  onRetry(): void
}) {
  if (!resilience || error) return <Waiting what="what each shoot hangs on" error={error} onRetry={onRetry} />
  return (
    <p role="status" className="flex items-center gap-3 py-3 text-[13px] text-quiet">
      <progress className="w-40 accent-(--ink)" value={resilience.done} max={resilience.of} aria-label="Things tried" />
      Each thing is taken out of each setup: {resilience.done} of {resilience.of}
    </p>
  )
}

function Ahead({ data, resilience }: { data: ReliabilityReply; resilience: ResilienceReply }) {
  const { records, shoots } = data
  const rates = useMemo(() => makeFailureRates(records), [records])
  const ahead = useMemo(() => hang(data, resilience, rates, false), [data, resilience, rates])
  const past = useMemo(() => hang(data, resilience, rates, true), [data, resilience, rates])
  const outlooks = useMemo(() => (ahead ? reckonShoots(ahead, shoots) : []), [ahead, shoots])
  const tags = useMemo(() => new Map(records.map((it) => [it.unitId, it.tag])), [records])
  const meanDaysOut = useMemo(() => meanOf(records), [records])
  const tagOf = (id: string) => tags.get(id) ?? ''
  const titleOf = (id: string) => shoots.find((it) => it.id === id)?.title ?? ''
  return (
    <>
      <p className="my-3 max-w-[75ch] text-verdict font-bold tracking-tight">
        {sayOutlook(outlooks, ahead === null, rates)}
      </p>
      {outlooks.length > 0 && (
        <ShootsOutlook
          outlooks={outlooks}
          tagOf={tagOf}
          stopsOf={(id) => resilience.setups.find((it) => it.id === id)?.stops ?? 0}
        />
      )}
      {ahead && <SparesWorth hanging={ahead} records={records} shoots={shoots} />}
      {ahead && (ahead.shoots.length > 0 || (past?.shoots.length ?? 0) > 0) && (
        <SeasonSimulation ahead={ahead} past={past} meanDaysOut={meanDaysOut} tagOf={tagOf} titleOf={titleOf} />
      )}
    </>
  )
}

type Rates = ReturnType<typeof makeFailureRates>

function hang({ shoots, records }: ReliabilityReply, { setups }: ResilienceReply, rates: Rates, isPast: boolean) {
  const own: BookedShoot[] = shoots.filter((it) => it.isPast === isPast)
  return listHanging(own, setups, records, rates)
}

function meanOf(records: ReliabilityReply['records']): number | null {
  const mended = records.flatMap((it) => it.failures).flatMap((it) => it.daysOut ?? [])
  return mended.length === 0 ? null : mended.reduce((sum, it) => sum + it, 0) / mended.length
}

function sayOutlook(
  outlooks: readonly ShootOutlook[],
  isUnknown: boolean,
  { uses, failures }: { uses: number; failures: number },
): string {
  if (isUnknown)
    return `Too little was logged to say what will fail: ${sayNumber(uses, 'use')} of all things together, ${LEAST_LOGGED_USES} are needed. Take things out and bring them back by their bookings, and it comes by itself.`
  if (outlooks.length === 0) return 'No setup is booked in the year ahead.'
  const told = outlooks.filter((it) => it.needs > 0)
  if (told.length === 0)
    return 'Of no shoot ahead it is known without what it would stop: nobody can tell how likely it runs.'
  const least = [...told].sort((a, b) => a.withStandIns - b.withStandIns)[0]
  const sum = told.reduce((total, it) => total + it.withStandIns, 0)
  const lost = told.length - sum
  const basis = `${sayNumber(failures, 'failure')} in ${uses.toLocaleString('en-GB')} uses`
  const rest =
    lost < 0.05
      ? 'hardly one would be lost to a failure'
      : `about ${(Math.round(lost * 10) / 10).toLocaleString('en-GB')} would be lost to a failure`
  return `Of ${sayNumber(told.length, 'shoot')} ahead ${rest}, by ${basis}. Least sure: ${least?.shoot.title}, ${sayChance(least?.withStandIns ?? 1)}.`
}
