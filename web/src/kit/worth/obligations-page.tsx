import { formatMoney, sayNumber } from '@exemplar/core'
import { Link } from 'react-router'
import { useStudioQuery } from '../../foundation/api/api.ts'
import { useMay } from '../../foundation/api/session.ts'
import { Mark } from '../../foundation/parts/mark.tsx'
import { PageHead, Section, Tag, Waiting } from '../../foundation/parts/page-parts.tsx'
import { useTimeWords } from '../../foundation/words/time-words.ts'
import { useDutiesQuery } from '../kit-api.ts'

interface Row {
  id: string
  tag: string
  name: string
}

/** What was promised for things, what goes back to whom, and what has to be said of them with a film. */
export function DutiesPage() {
  const { data, error, refetch } = useDutiesQuery()
  const { today, ...words } = useTimeWords()
  const { data: studio } = useStudioQuery()
  const may = useMay()
  if (!data) return <Waiting what="the promises" error={error} onRetry={refetch} />
  const thing = (it: Row) => (
    <Link to={`/kit/${it.id}`} className="min-w-48">
      <Tag>{it.tag}</Tag> {it.name}
    </Link>
  )
  const day = (on: string | null, verb: string) => (
    <Mark level={on === null ? 'unknown' : on < today ? 'warn' : 'advise'}>
      {on === null ? 'no day is set' : `${verb} ${words.sayDay(on)}`}
    </Mark>
  )
  const row = 'flex flex-wrap items-center gap-3 border-b border-rule py-1.5 text-[13px]'
  const { duties, doneDuties, goingBack, disclosures, gifts } = data
  return (
    <>
      <PageHead title="Obligations" />
      <div className="px-4 pb-8 md:px-5">
        <Section title="Promised for a thing" aside={duties.length}>
          {duties.length === 0 && <p className="py-1.5 text-[13px] text-quiet">Nothing is owed for anything.</p>}
          <ul>
            {duties.map((it) => (
              <li key={it.id + it.what} className={row}>
                {thing(it)}
                <span className="flex-1">{it.what}</span>
                {day(it.dueOn, 'by')}
              </li>
            ))}
          </ul>
        </Section>
        {doneDuties.length > 0 && (
          <Section title="Promised and done" aside={doneDuties.length}>
            <ul>
              {doneDuties.map((it) => (
                <li key={it.id + it.what} className={row}>
                  {thing(it)}
                  <span className="flex-1">{it.what}</span>
                  {it.film && <Link to="/studio/archive">{it.film}</Link>}
                  <Mark level="ok">{words.sayDay(it.doneOn)}</Mark>
                </li>
              ))}
            </ul>
          </Section>
        )}
        <Section title="Goes back" aside={goingBack.length}>
          {goingBack.length === 0 && <p className="py-1.5 text-[13px] text-quiet">Nothing here is borrowed.</p>}
          <ul>
            {goingBack.map((it) => (
              <li key={it.id} className={row}>
                {thing(it)}
                <span className="flex-1 text-quiet">{it.from ? `to ${it.from}` : 'to whom is not recorded'}</span>
                {day(it.dueOn, 'on')}
              </li>
            ))}
          </ul>
        </Section>
        {may('see-money') && gifts.length > 0 && (
          <Section title="Given to us, by year">
            <ul>
              {gifts.map((it) => (
                <li key={it.year} className={row}>
                  <span className="min-w-48">{it.year}</span>
                  <span className="flex-1 text-quiet">
                    {sayNumber(it.things, 'thing')}
                    {it.unknown > 0 && `, of ${it.unknown} nobody said what it is worth`}
                  </span>
                  <span className="figures">
                    {formatMoney(it.valueMinor ?? 0, studio?.currency ?? 'GBP', 'column')}
                  </span>
                  {it.taxMinor !== null && it.taxMinor !== undefined && (
                    <span>
                      <b className="figures">{formatMoney(it.taxMinor, studio?.currency ?? 'GBP')}</b> out of pocket in
                      tax{it.unknown > 0 && ', at least'}
                    </span>
                  )}
                </li>
              ))}
            </ul>
            <p className="mt-2 text-[12px] text-quiet">
              {studio?.giftTaxBasisPoints === null &&
                'What the tax takes of it is not reckoned: its rate is not set under Studio, Settings. '}
              In many places a gift for coverage is income. A planning aid, no tax advice.
            </p>
          </Section>
        )}
        <Section title="To be said with a film" aside={disclosures.length}>
          {disclosures.length === 0 && <p className="py-1.5 text-[13px] text-quiet">Nothing has to be said.</p>}
          <ul>
            {disclosures.map((it) => (
              <li key={it.id} className={row}>
                {thing(it)}
                <span className="flex-1">“{it.text}”</span>
                {it.until && <span className="text-quiet">until {words.sayDay(it.until)}</span>}
              </li>
            ))}
          </ul>
          <p className="mt-2 text-[12px] text-quiet">
            What has to be said, and where, the law of your country and the platform decide.
          </p>
        </Section>
      </div>
    </>
  )
}
