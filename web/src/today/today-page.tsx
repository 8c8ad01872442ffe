import { formatMoney, sayTodayItem, TODAY_SECTIONS, type TodayItem, type TodaySection } from '@exemplar/core'
import { Link } from 'react-router'
import { useSetupNamesQuery, useStudioQuery, useTodayQuery, useUnitCountQuery } from '../foundation/api/api.ts'
import { useMay } from '../foundation/api/session.ts'
import { ButtonLink } from '../foundation/parts/button.tsx'
import { Mark } from '../foundation/parts/mark.tsx'
import { Empty, Section, Waiting } from '../foundation/parts/page-parts.tsx'
import { TapeStrip } from '../foundation/parts/tape.tsx'
import { sayLongDay, sayWall } from '../foundation/words/calendar-words.ts'
import { useTimeWords } from '../foundation/words/time-words.ts'

const TITLES: Record<TodaySection, { title: string; none: string }> = {
  next: { title: 'Shoots next', none: 'Nothing is booked.' },
  before: { title: 'Before then', none: 'Nothing to charge, fetch, buy or mend.' },
  out: { title: 'Out or late', none: 'Everything is home.' },
  collides: { title: 'Collides in the next 14 days', none: 'Nothing collides.' },
  decide: { title: 'Wants a decision', none: 'Nothing waits for you.' },
}

const LEFT: readonly TodaySection[] = ['next', 'before']

export function TodayPage() {
  const { data, error, refetch } = useTodayQuery()
  const { data: count } = useUnitCountQuery({})
  const may = useMay()
  if (!data) return <Waiting what="today" error={error} onRetry={refetch} />
  const column = (sections: readonly TodaySection[]) => (
    <div className="min-w-0">
      {sections.map((section) => (
        <Section key={section} title={TITLES[section].title}>
          {data.sections[section].length === 0 && (
            <p className="py-2.5 text-[13px] text-quiet">{TITLES[section].none}</p>
          )}
          <ul>
            {data.sections[section].map((item) => (
              <Item key={item.key} item={item} />
            ))}
          </ul>
        </Section>
      ))}
    </div>
  )
  return (
    <div className="px-4 pt-4 pb-8 md:px-5">
      <h1>{sayLongDay(data.date)}</h1>
      {count?.units === 0 && <FirstSteps canBegin={may('change-settings')} />}
      <div className="grid gap-x-9 lg:grid-cols-2">
        {column(LEFT)}
        {column(TODAY_SECTIONS.filter((section) => !LEFT.includes(section)))}
      </div>
    </div>
  )
}

function FirstSteps({ canBegin }: { canBegin: boolean }) {
  return (
    <Empty title="Exemplar is empty">
      <ol className="list-decimal pl-5">
        <li>Answer three questions: what you film, where, and what you have. They become your first setups.</li>
        <li>Their pages say what can run, what is missing, and ask what decides.</li>
        <li>Book one for a day. This page then says each morning what matters.</li>
      </ol>
      <p className="mt-3 flex flex-wrap gap-2">
        {canBegin && (
          <ButtonLink look="act" to="/begin">
            Begin with three questions
          </ButtonLink>
        )}
        <ButtonLink to="/kit/import">Import a list</ButtonLink>
        <ButtonLink to="/kit?add=thing">Add a thing</ButtonLink>
      </p>
    </Empty>
  )
}

/** Where an item is dealt with, and the word on the button. */
function findWayIn(item: TodayItem): { to: string; act: string } {
  switch (item.code) {
    case 'shoot':
      return { to: `/diary/${item.bookingId}`, act: 'Open' }
    case 'charge':
      return { to: `/diary/${item.bookingId}`, act: 'Sheet' }
    case 'buy':
      return item.lineId
        ? { to: '/ledger', act: 'Shopping list' }
        : { to: `/ledger?add=entry&what=${encodeURIComponent(item.item)}`, act: 'Record it' }
    case 'mend':
    case 'service':
    case 'fault':
    case 'fault-again':
      return { to: '/bench', act: 'Bench' }
    case 'repair':
      return { to: '/bench', act: 'Repairs' }
    case 'supply':
      return { to: '/bench/supplies', act: 'Supplies' }
    case 'fetch':
      return { to: `/diary/${item.bookingId}`, act: 'Pack sheet' }
    case 'out':
      return { to: `/diary/${item.bookingId}/bring-back`, act: 'Bring back' }
    case 'loan':
    case 'recheck':
    case 'warranty':
    case 'season':
    case 'idle':
      return { to: `/kit/${item.unitId}`, act: 'Look' }
    case 'collision':
      return { to: `/diary/${item.bookings[1]?.id ?? ''}`, act: 'Ways out' }
    case 'stock':
      return { to: '/kit/stock', act: 'Stock' }
    case 'wish':
      return { to: '/ledger/wishes', act: 'Wishes' }
    case 'budget':
      return { to: '/ledger', act: 'Ledger' }
    default:
      return item satisfies never
  }
}

function Item({ item }: { item: TodayItem }) {
  const words = useTimeWords()
  const { data: studio } = useStudioQuery()
  const { to, act } = findWayIn(item)
  const { title, text } = sayTodayItem(item, {
    ...words,
    sayMoney: (minor) => formatMoney(minor, studio?.currency ?? 'GBP'),
  })
  if (item.code === 'shoot') return <Shoot item={item} text={text} to={to} />
  return (
    <li className="grid min-h-14 grid-cols-[1fr_auto] items-center gap-4 border-b border-rule py-2">
      <span className="min-w-0">
        <span className="flex items-baseline gap-2 font-medium">
          <span className="relative top-px">
            <Mark level={item.level} />
          </span>
          {title}
        </span>
        <span className="ml-5 block text-[13px] text-quiet">{text}</span>
      </span>
      <ButtonLink to={to} size="small" aria-label={`${act}: ${title}`}>
        {act}
      </ButtonLink>
    </li>
  )
}

function Shoot({ item, text, to }: { item: Extract<TodayItem, { code: 'shoot' }>; text: string; to: string }) {
  const { data: setups } = useSetupNamesQuery()
  const setup = setups?.find((it) => it.id === item.setupId)
  const verdict =
    item.stops > 0
      ? `${item.stops} ${item.stops === 1 ? 'stop' : 'stops'}`
      : item.checks > 0
        ? `${item.checks} to check`
        : 'can run'
  return (
    <li className="border-b border-rule">
      <Link to={to} className="flex min-h-12 flex-wrap items-center gap-x-3 gap-y-1 py-2.5 no-underline">
        {setup ? <TapeStrip code={setup.code} tape={setup.tape} name={item.title} /> : <b>{item.title}</b>}
        <b>{sayWall(item.startsAt)}</b>
        <span className="min-w-0 flex-1 truncate text-quiet max-sm:order-last max-sm:basis-full">{text}</span>
        <span className="max-sm:ml-auto">
          <Mark level={item.level}>{item.setupId || item.stops > 0 ? verdict : item.state}</Mark>
        </span>
      </Link>
    </li>
  )
}
