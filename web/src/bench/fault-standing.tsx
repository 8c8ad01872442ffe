import { type BenchReply, formatMoney, sayNumber } from '@exemplar/core'
import { useStudioQuery } from '../foundation/api/api.ts'
import { useMay } from '../foundation/api/session.ts'
import { sayDayWithYear } from '../foundation/words/calendar-words.ts'

type Fault = BenchReply['faults'][number]

const ORDINALS = ['', 'first', 'second', 'third', 'fourth', 'fifth', 'sixth', 'seventh', 'eighth', 'ninth']

/** How long it stands open, how often its thing failed, what getting along takes, and whether to mend or replace. */
export function FaultStanding({ fault }: { fault: Fault }) {
  const { data: studio } = useStudioQuery()
  const may = useMay()
  const { days, timesInYear, usesSince, lostMinutes, workAround, inFile } = fault
  const times = timesInYear > 1 ? `${ORDINALS[timesInYear] ?? `${timesInYear}th`} time in a year` : ''
  const lost =
    lostMinutes !== null && lostMinutes > 0
      ? `${sayNumber(usesSince, 'use')} since: ${sayNumber(lostMinutes, 'minute')} lost to it`
      : ''
  const parts = [`open for ${sayNumber(days, 'day')}`, times, lost].filter(Boolean)
  const say = (minor: number) => formatMoney(minor, studio?.currency ?? 'GBP')
  return (
    <>
      <span className="block">{parts.join(' · ')}</span>
      {workAround && <span className="block">Got along with by: {workAround}.</span>}
      {may('mend') && fault.claim !== 'own' && (
        <span className="block text-ink">
          {fault.claim === 'warranty' ? 'The warranty' : 'Its cover'}{' '}
          {fault.isClaimSure ? 'pays' : 'may pay: look at its terms'}
          {fault.claimBy && `; claim by ${sayDayWithYear(fault.claimBy)}`}.{fault.claimSteps && ` ${fault.claimSteps}`}
        </span>
      )}
      {inFile && <span className="block">In {inFile}.</span>}
      {may('mend') && <span className="block text-ink">{sayAdvice(fault, may('see-money') ? say : null)}</span>}
    </>
  )
}

/** What the studio's own log says to it; a rule of thumb, and said as one. */
function sayAdvice(
  { advice, timesInYear, repairMinor, newMinor }: Fault,
  say: ((minor: number) => string) | null,
): string {
  switch (advice) {
    case 'replace-faults':
      return `Better replaced than mended again: it failed ${timesInYear} times within a year.`
    case 'replace-cost':
      return say && newMinor !== null
        ? `Better replaced than mended again: its repairs of two years came to ${say(repairMinor)}, and another costs ${say(newMinor)}.`
        : 'Better replaced than mended again: its repairs came to half of what another costs.'
    case 'price-unknown':
      return 'Mend or replace? Write under “Acquisition” what another costs today.'
    default:
      return ''
  }
}
