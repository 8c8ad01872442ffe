import { sayFinding, sayNumber } from '@exemplar/core'
import { Link } from 'react-router'
import { ButtonLink } from '../../foundation/parts/button.tsx'
import { Mark } from '../../foundation/parts/mark.tsx'
import { Empty, PageHead, Waiting } from '../../foundation/parts/page-parts.tsx'
import { TapeStrip } from '../../foundation/parts/tape.tsx'
import { useTimeWords } from '../../foundation/words/time-words.ts'
import { LedgerTabs } from './ledger-tabs.tsx'
import { useHindrancesQuery, useWishesQuery } from './wish-api.ts'

const BASIS = {
  ahead: 'by the shoots of the next 182 days',
  behind: 'by the shoots of the last 182 days, as none is booked ahead',
  none: 'each setup counts one, as no shoot is booked or was',
} as const

/** What holds the work back most, whatever one would rather buy. */
export function HindrancesPage() {
  const { data, error, refetch } = useHindrancesQuery()
  const { data: wishes } = useWishesQuery()
  const words = useTimeWords()
  if (!data) return <Waiting what="what holds you back" error={error} onRetry={refetch} />
  const names = new Map(wishes?.wishes.map((it) => [it.id, it.name]))
  return (
    <>
      <PageHead title="What holds us back" aside={BASIS[data.basis]}>
        <ButtonLink to="/ledger/wishes?add=wish">Wish for something</ButtonLink>
      </PageHead>
      <LedgerTabs />
      <div className="px-4 pb-16 md:px-5">
        {data.hindrances.length === 0 && (
          <Empty title="Nothing does">No setup has a stop, an open question that could be one, or a warning.</Empty>
        )}
        <ol className="max-w-[900px]">
          {data.hindrances.map(({ finding, setups, shoots, wishIds }) => {
            const { title, text } = sayFinding(finding, words)
            return (
              <li key={`${finding.key} ${setups[0]?.setupId}`} className="border-b border-rule py-2.5">
                <div className="flex flex-wrap items-baseline gap-x-3">
                  <Mark level={finding.level}>{title}</Mark>
                  <span className="ml-auto text-[13px] whitespace-nowrap">{sayNumber(shoots, 'shoot')}</span>
                </div>
                <p className="text-[13px] text-quiet">{text}</p>
                <p className="mt-1 flex flex-wrap items-center gap-2 text-[13px]">
                  {setups.map(({ setupId }) => {
                    const setup = data.setups.find((it) => it.id === setupId)
                    return setup ? (
                      <Link key={setupId} to={`/setups/${setupId}`} aria-label={setup.name} className="no-underline">
                        <TapeStrip code={setup.code} tape={setup.tape} size="small" />
                      </Link>
                    ) : null
                  })}
                  {wishIds.length > 0 && (
                    <span>
                      <Link to="/ledger/wishes">{wishIds.map((id) => names.get(id) ?? 'A wish').join(', ')}</Link>{' '}
                      <span className="text-quiet">would do away with it</span>
                    </span>
                  )}
                </p>
              </li>
            )
          })}
        </ol>
      </div>
    </>
  )
}
