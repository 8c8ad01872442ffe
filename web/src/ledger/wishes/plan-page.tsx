import {
  findExponent,
  formatMoney,
  LEFT_OUT,
  LIFE_STATES,
  type PlanReply,
  QUARTER_DAYS,
  sayNumber,
  type WishRow,
} from '@exemplar/core'
import { lazy, Suspense, useState } from 'react'
import { Link } from 'react-router'
import { useSpendingQuery, useStudioQuery } from '../../foundation/api/api.ts'
import { useMay } from '../../foundation/api/session.ts'
import { useTold } from '../../foundation/api/use-told.ts'
import { Button } from '../../foundation/parts/button.tsx'
import { Mark } from '../../foundation/parts/mark.tsx'
import { Empty, PageHead, Section, Waiting } from '../../foundation/parts/page-parts.tsx'
import { TapeStrip } from '../../foundation/parts/tape.tsx'
import { useSettled } from '../../foundation/parts/use-settled.ts'
import { sayDayWithYear } from '../../foundation/words/calendar-words.ts'
import { useTimeWords } from '../../foundation/words/time-words.ts'
import { LedgerTabs } from './ledger-tabs.tsx'
import { type PlanAsk, PlanAskFields } from './plan-ask.tsx'
import { useOrderWishMutation, useUpgradePlanQuery, useWishesQuery } from './wish-api.ts'

const PlanChart = lazy(async () => ({ default: (await import('./plan-chart.tsx')).PlanChart }))

const QUARTERS = ['Now', 'In 3 months', 'In 6 months', 'In 9 months'] as const

/** What to buy with the money there is: proven best, with why, what is left out and what other sums would do. */
export function PlanPage() {
  const { today } = useTimeWords()
  const { data: studio } = useStudioQuery()
  const year = Number(today.slice(0, 4))
  const { data: spending } = useSpendingQuery(year, { skip: !year })
  const { data: wishes, error, refetch } = useWishesQuery()
  if (!wishes || !studio || !spending) return <Waiting what="the wishes" error={error} onRetry={refetch} />
  const all = wishes.wishes.reduce((sum, it) => sum + (it.state === 'open' ? (it.cost?.totalMinor ?? 0) : 0), 0)
  const left = spending.leftMinor ?? 0
  return (
    <>
      <PageHead title="Upgrade plan">
        <Button onClick={() => window.print()}>Print</Button>
      </PageHead>
      <LedgerTabs />
      <div className="px-4 pb-16 md:px-5">
        {wishes.wishes.some((it) => it.state === 'open') ? (
          <Plan wishes={wishes.wishes} currency={studio.currency} first={left > 0 ? left : all} />
        ) : (
          <Empty title="Nothing to plan with">
            A plan chooses among wishes. <Link to="/ledger/wishes?add=wish">Wish for something</Link>, with a price and
            where it would serve, and this page says what to buy first and why.
          </Empty>
        )}
      </div>
    </>
  )
}

function Plan({ wishes, currency, first }: { wishes: readonly WishRow[]; currency: string; first: number }) {
  const [ask, setAsk] = useState<PlanAsk>({ budgets: [first], weighting: 'even', promised: [] })
  const settled = useSettled(ask)
  const { currentData, data, error, refetch, isFetching } = useUpgradePlanQuery({
    budgets: settled.budgets.map((it) => it ?? 0).join(','),
    weighting: settled.weighting,
    promised: settled.promised.join(','),
  })
  const plan = currentData ?? data
  const stopped = plan
    ? plan.names.filter(({ id }) => plan.setups.some((it) => it.setupId === id && it.state !== 'runs'))
    : []
  return (
    <>
      <PlanAskFields ask={ask} stopped={stopped} onChange={(part) => setAsk({ ...ask, ...part })} />
      {plan ? (
        <div aria-busy={isFetching} className={isFetching ? 'opacity-60' : ''}>
          <Found plan={plan} wishes={wishes} currency={currency} />
        </div>
      ) : (
        <Waiting what="the best plan" error={error} onRetry={refetch} />
      )}
    </>
  )
}

function Found({ plan, wishes, currency }: { plan: PlanReply; wishes: readonly WishRow[]; currency: string }) {
  const say = (minor: number) => formatMoney(minor, currency)
  const names = new Map(wishes.map((it) => [it.id, it.name]))
  const budget = plan.periods.reduce((sum, it) => sum + it.budgetMinor, 0)
  const bought = plan.periods.flatMap((it) => it.bought)
  return (
    <div className="grid gap-x-10 lg:grid-cols-[minmax(0,1fr)_360px]">
      <div className="min-w-0">
        <Headline plan={plan} say={say} />
        <Suspense fallback={<p className="h-60 text-quiet">Drawing …</p>}>
          <PlanChart
            steps={plan.steps}
            now={plan.shoots.now}
            all={plan.shoots.all}
            budgetMinor={budget}
            exponent={findExponent(currency)}
            currency={currency}
          />
        </Suspense>
        {plan.periods.map((period, at) =>
          period.bought.length === 0 ? null : (
            <Section
              key={QUARTERS[at]}
              title={plan.periods.length === 1 ? 'Buy' : (QUARTERS[at] ?? '')}
              aside={`${say(period.spentMinor)} of ${say(period.budgetMinor)}`}
            >
              <Bought bought={period.bought} names={names} plan={plan} say={say} />
            </Section>
          ),
        )}
        {bought.length > 0 && <Orders bought={bought.map((it) => it.wishId)} wishes={wishes} />}
        <Setups plan={plan} names={names} />
      </div>
      <aside>
        <Budgets plan={plan} budget={budget} names={names} say={say} />
        {plan.others.length > 0 && (
          <Section title="Next best">
            <ul>
              {plan.others.map((it) => (
                <li key={it.wishIds.join()} className="border-b border-rule py-2 text-[13px]">
                  {it.wishIds.map((id) => names.get(id)).join(', ')}: {say(it.costMinor)},{' '}
                  {sayNumber(it.shoots, 'shoot')} run
                </li>
              ))}
            </ul>
          </Section>
        )}
        {plan.leftOut.length > 0 && (
          <Section title="Not counted" aside={String(plan.leftOut.length)}>
            <ul>
              {plan.leftOut.map((it) => (
                <li key={it.wishId} className="border-b border-rule py-1.5 text-[13px]">
                  <Mark level={it.why === 'no-price' ? 'unknown' : 'advise'}>{names.get(it.wishId) ?? 'A wish'}</Mark>{' '}
                  <span className="text-quiet">{LEFT_OUT[it.why]}</span>
                </li>
              ))}
            </ul>
            <Link to="/ledger/wishes" className="text-[13px]">
              Fill it in
            </Link>
          </Section>
        )}
        <p className="mt-4 text-[12px] text-quiet">
          A shoot that nothing stops counts ten points, one that is better one to three, as bad as you said the defect
          is. Every setup was judged with each combination that is named here, at each of its shoots; of what is bought,
          that two shoots may want it on one day is not in it, and who is there is not asked. {sayBasis(plan)}
        </p>
      </aside>
    </div>
  )
}

/** Which shoots were counted. */
function sayBasis({ basis, periods }: PlanReply): string {
  const days = periods.length === 1 ? 2 * QUARTER_DAYS : periods.length * QUARTER_DAYS
  if (basis === 'ahead') return `Shoots are those that are booked for the next ${days} days.`
  if (basis === 'behind') return `Nothing is booked for the next ${days} days: shoots are those of the ${days} before.`
  return 'No shoot is booked or was: each setup counts one.'
}

/** How much better any plan could be, in per cent of this one. */
const sayGap = (points: number, most: number) =>
  points > 0 ? `${Math.ceil(((most - points) * 1_000) / points) / 10} %` : `${most} points`

function Headline({ plan, say }: { plan: PlanReply; say(minor: number): string }) {
  const { status, shoots, periods, leftMinor, cheapestMinor, choices, sure } = plan
  const budget = periods.reduce((sum, it) => sum + it.budgetMinor, 0)
  if (status === 'unproven')
    return (
      <p className="my-3" role="status">
        <Mark level="unknown">
          No plan was proven best in the time there is. Drop a few wishes, or plan one budget.
        </Mark>
      </p>
    )
  if (status === 'infeasible')
    return (
      <p className="my-3" role="status">
        <Mark level="stop">
          {cheapestMinor === null
            ? plan.isCheapestProven
              ? 'What has to run cannot be made to by any of these wishes.'
              : `What has to run takes more than ${say(budget)}, if these wishes make it run at all: how much was not found in time.`
            : `What has to run takes ${say(cheapestMinor)}; there are ${say(budget)}.`}
        </Mark>
      </p>
    )
  const more = shoots.planned - shoots.now
  const buysNothing = status === 'best' && periods.every((it) => it.bought.length === 0)
  return (
    <div className="my-3" role="status">
      <p className="text-verdict font-bold tracking-tight">
        {buysNothing
          ? `Nothing here is worth buying with ${say(budget)}.`
          : `${say(budget - leftMinor)} of ${say(budget)}: nothing stops ${shoots.planned} of ${sayNumber(shoots.all, 'shoot')}${more > 0 ? `, ${more} more than now` : ''}.`}
      </p>
      {status === 'near' && plan.mostPoints !== null && (
        <p>
          <Mark level="unknown">
            The best that was found in time. Another may be better, by {sayGap(plan.points, plan.mostPoints)} at most.
          </Mark>
        </p>
      )}
      {shoots.asked > 0 && (
        <p>
          <Mark level="unknown-stop">
            Of {sayNumber(shoots.asked, 'shoot')} nobody can tell yet: answer the questions of the setups first
          </Mark>
        </p>
      )}
      <p className="text-[13px] text-quiet">
        {status === 'best' &&
          `Proven best of ${choices > 1e9 ? 'more than a billion' : choices.toLocaleString('en')} ways to buy.`}
        {status === 'best' && !plan.isCheapest && ' That nothing worth as much costs less was not proven in time.'}
        {sure && !buysNothing && ` The same in ${sure.same} of ${sure.of} other weightings.`}
      </p>
    </div>
  )
}

type Period = PlanReply['periods'][number]

function Bought({
  bought,
  names,
  plan,
  say,
}: {
  bought: Period['bought']
  names: ReadonlyMap<string, string>
  plan: PlanReply
  say(minor: number): string
}) {
  const codes = (ids: readonly string[]) =>
    plan.names.flatMap((setup) => {
      const own = plan.setups.filter((it) => it.setupId === setup.id && ids.includes(it.id))
      const shoots = own.reduce((sum, it) => sum + it.shoots, 0)
      return own.length > 0 ? [`${setup.code} (${sayNumber(shoots, 'shoot')})`] : []
    })
  return (
    <div className="overflow-x-auto">
      <table className="w-full text-[13px]">
        <thead>
          <tr className="text-left">
            <th scope="col" className="py-1 pr-3">
              Wish
            </th>
            <th scope="col" className="py-1 pr-3">
              Because
            </th>
            <th scope="col" className="py-1 text-right">
              In all
            </th>
          </tr>
        </thead>
        <tbody>
          {bought.map((it) => {
            const together = plan.setups.find((setup) => setup.wishIds.includes(it.wishId))?.wishIds ?? []
            const others = together.filter((id) => id !== it.wishId).map((id) => names.get(id))
            const why = [
              it.runs.length > 0 &&
                `nothing stops ${codes(it.runs).join(', ')}${others.length > 0 ? `, together with ${others.join(', ')}` : ''}`,
              it.betters.length > 0 && `makes ${codes(it.betters).join(', ')} better`,
              it.forIds.length > 0 && `${it.forIds.map((id) => names.get(id)).join(', ')} needs it`,
            ].filter(Boolean)
            return (
              <tr key={it.wishId} className="border-t border-rule align-top">
                <th scope="row" className="border-b-0 py-1.5 pr-3 text-left font-semibold text-ink">
                  {names.get(it.wishId)}
                </th>
                <td className="py-1.5 pr-3">
                  {why.join('; ')}
                  {plan.hopes.flatMap(({ wishId, tag, state, backOn }) =>
                    wishId === it.wishId
                      ? [
                          <span key={tag} className="block">
                            <Mark level="advise">
                              {tag} is {LIFE_STATES[state].label.toLowerCase()}
                              {backOn ? `, hoped for on ${sayDayWithYear(backOn)}` : ', and comes back some day'}: from
                              then on there are two
                            </Mark>
                          </span>,
                        ]
                      : [],
                  )}
                  {it.saleMinor > 0 && (
                    <span className="block text-quiet">{say(it.saleMinor)} comes back by a sale</span>
                  )}
                </td>
                <td className="py-1.5 text-right font-mono whitespace-nowrap">{say(it.totalMinor)}</td>
              </tr>
            )
          })}
        </tbody>
      </table>
    </div>
  )
}

/** Orders everything that is bought now; what comes in a later quarter stays a wish until then. */
function Orders({ bought, wishes }: { bought: readonly string[]; wishes: readonly WishRow[] }) {
  const [order, { isLoading }] = useOrderWishMutation()
  const run = useTold()
  const may = useMay()
  const rows = bought.flatMap((id) => wishes.find((it) => it.id === id && it.state === 'open') ?? [])
  if (!may('change-ledger') || rows.length === 0) return null
  const orderAll = async () => {
    for (const row of rows) {
      const work = order({ id: row.id, version: row.version, body: { partyId: null, dueOn: null } }).unwrap()
      if (!(await run(work, `${row.name} is on order.`))) return
    }
  }
  return (
    <Button look="act" className="no-print mt-3" disabled={isLoading} onClick={orderAll}>
      {rows.length === 1 ? 'Order it' : `Order all ${rows.length}`}
    </Button>
  )
}

/** What each setup that does not run comes to. */
function Setups({ plan, names }: { plan: PlanReply; names: ReadonlyMap<string, string> }) {
  const open = plan.setups.filter((it) => it.state !== 'runs')
  if (open.length === 0) return null
  return (
    <Section title="Setups that something stops now" aside={String(open.length)}>
      <ul>
        {open.map((it) => {
          const setup = plan.names.find((own) => own.id === it.setupId)
          if (!setup) return null
          return (
            <li key={it.id} className="flex flex-wrap items-center gap-x-3 border-b border-rule py-1.5 text-[13px]">
              <Link to={`/setups/${it.setupId}`} className="no-underline">
                <TapeStrip code={setup.code} tape={setup.tape} name={setup.name} size="small" />
              </Link>
              <Mark level={it.state === 'cured' ? (it.questions > 0 ? 'unknown-stop' : 'ok') : 'stop'}>
                {it.state === 'cured'
                  ? `nothing stops it then${it.questions > 0 ? `, ${sayNumber(it.questions, 'question')} first` : ''}`
                  : it.canBeCured
                    ? 'stopped still: its cure is not in this plan'
                    : it.isCutShort
                      ? `stopped still: nothing that was tried cures its ${sayNumber(it.stops, 'stop')}`
                      : `stopped still: no wishes cure its ${sayNumber(it.stops, 'stop')}`}
              </Mark>
              <span className="text-quiet">
                {sayNumber(it.shoots, 'shoot')}
                {it.wishIds.length > 0 && `, by ${it.wishIds.map((id) => names.get(id)).join(', ')}`}
                {it.isCutShort && ', not every combination was tried'}
              </span>
            </li>
          )
        })}
      </ul>
    </Section>
  )
}

/** Other sums side by side: every step at which more money frees more. */
function Budgets({
  plan,
  budget,
  names,
  say,
}: {
  plan: PlanReply
  budget: number
  names: ReadonlyMap<string, string>
  say(minor: number): string
}) {
  if (plan.steps.length === 0) return null
  const next = plan.steps.find((it) => it.costMinor > budget)
  return (
    <Section title="What other sums would do" aside="all at once">
      <table className="w-full text-[13px]">
        <thead>
          <tr className="text-left">
            <th scope="col" className="py-1">
              For
            </th>
            <th scope="col" className="py-1 text-right">
              Shoots
            </th>
            <th scope="col" className="py-1 pl-3">
              What
            </th>
          </tr>
        </thead>
        <tbody>
          {plan.steps.map((it) => (
            <tr
              key={it.costMinor}
              className={`border-t border-rule align-top ${it.costMinor <= budget ? '' : 'text-quiet'}`}
            >
              <td className="py-1 font-mono whitespace-nowrap">{say(it.costMinor)}</td>
              <td className="py-1 text-right font-mono">{it.shoots}</td>
              <td className="py-1 pl-3">{it.wishIds.map((id) => names.get(id)).join(', ')}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {next && (
        <p className="py-1 text-[13px]">
          {say(next.costMinor - budget)} more and {next.wishIds.map((id) => names.get(id)).join(', ')} can be had.
        </p>
      )}
      {!plan.areStepsWhole && <p className="text-[12px] text-quiet">The smallest steps were left out.</p>}
    </Section>
  )
}
