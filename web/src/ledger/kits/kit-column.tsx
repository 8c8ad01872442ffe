import {
  CATEGORIES,
  findQuestion,
  formatMoney,
  GROUPS,
  type KitOfTier,
  type KitPlanPage,
  type Kits,
  sayFinding,
  sayNumber,
} from '@exemplar/core'
import type { ReactNode } from 'react'
import { useMeasures } from '../../foundation/form/measures.tsx'
import { Mark } from '../../foundation/parts/mark.tsx'
import { sayDayWithYear } from '../../foundation/words/calendar-words.ts'
import { useTimeWords } from '../../foundation/words/time-words.ts'
import { FactQuestion } from '../../kit/model/fact-question.tsx'
import { GROUP_NAMES } from '../wishes/group-names.ts'

type TierOfKits = Kits['tiers'][number]

/** One sum of money and the whole kit that it buys. */
export function KitColumn({
  plan,
  row,
  least,
  before,
  currency,
  children,
}: {
  plan: KitPlanPage
  row: TierOfKits
  least: Kits['least']
  /** What the sum before is called. */
  before: string | null
  currency: string
  /** What is done with it. */
  children?: ReactNode
}) {
  const tier = plan.tiers.find((it) => it.id === row.tierId)
  if (!tier) return null
  const say = (minor: number) => formatMoney(minor, currency)
  const { kit } = row
  return (
    <section aria-label={tier.name} className="min-w-0 border-t-2 border-ink pt-2">
      <h2 className="flex flex-wrap items-baseline justify-between gap-x-3 text-[15px] font-bold">
        {tier.name}
        <span className="font-mono text-[13px] font-normal">at most {say(tier.budgetMinor)}</span>
      </h2>
      {kit ? (
        <>
          <p className="text-verdict font-bold tracking-tight">
            {say(kit.costMinor)}
            <span className="ml-2 text-[13px] font-normal">
              {row.leftMinor === 0 ? 'to the penny' : `${say(row.leftMinor ?? 0)} left`}
            </span>
          </p>
          <Standing plan={plan} kit={kit} currency={currency} />
          <Lines plan={plan} kit={kit} before={before} currency={currency} />
          <OldestPrice plan={plan} kit={kit} />
          <Shares kit={kit} currency={currency} />
          {row.lostMinor > 0 && before && (
            <p className="mt-2 text-[13px]">
              <Mark level="advise">
                Whoever buys “{before}” first pays {say(row.lostMinor)} that is of no use here:{' '}
                {row.lost.map((it) => `${it.count > 1 ? `${it.count} × ` : ''}${it.name}`).join(', ')}.{' '}
                {say(kit.costMinor + row.lostMinor)} in all.
              </Mark>
            </p>
          )}
          <Open plan={plan} kit={kit} />
        </>
      ) : (
        <p className="my-2">
          {row.status === 'short' && least ? (
            <Mark level="stop">
              Too little for a whole kit of these: the cheapest {least.isProven ? '' : 'that was found '}costs{' '}
              {say(least.costMinor)}, {say(least.costMinor - tier.budgetMinor)} more
            </Mark>
          ) : row.status === 'short' ? (
            <Mark level="stop">No whole kit can be made of these</Mark>
          ) : (
            <Mark level="unknown">No kit was found in the time there is. Leave out what is not meant.</Mark>
          )}
        </p>
      )}
      {row.filmsToGo > 0 && (
        <p className="mt-2 text-[13px]">
          <Mark level="advise">
            Opens after {sayNumber(row.filmsToGo, 'film')} more: {plan.published} of {tier.afterFilms} are published
          </Mark>
        </p>
      )}
      {children}
    </section>
  )
}

/** How old the oldest of its prices is: it costs that only as long as they hold. */
function OldestPrice({ plan, kit }: { plan: KitPlanPage; kit: KitOfTier }) {
  const days = plan.options.flatMap((it) =>
    it.price && kit.lines.some((line) => line.id === it.id) ? [it.price.on] : [],
  )
  const [oldest] = days.sort()
  if (!oldest) return null
  return <p className="mt-1 text-[12px] text-quiet">Oldest price: {sayDayWithYear(oldest)}</p>
}

/** How sure it is that this is a whole kit, and the best. */
function Standing({ plan, kit, currency }: { plan: KitPlanPage; kit: KitOfTier; currency: string }) {
  const { questions, isProven, bound, points, costMinor } = kit
  return (
    <>
      <p className="text-[13px]">
        {questions.length > 0 ? (
          <Mark level="unknown-stop">
            Whole as far as is known: {sayNumber(questions.length, 'question')} could stop it
          </Mark>
        ) : plan.assumedCircuit ? (
          <Mark level="unknown-stop">Whole, where its sockets are as reckoned with</Mark>
        ) : (
          <Mark level="ok">Whole: nothing stops it</Mark>
        )}
      </p>
      <p className="text-[12px] text-quiet">
        {isProven
          ? `Proven: no whole kit of these is worth more than its ${sayNumber(points, 'point')} for this money, nor as much for less.`
          : `Not proven best: another could be worth ${bound.points} points, this is worth ${points}${bound.points === points ? `, or cost ${formatMoney(bound.costMinor, currency)} instead of ${formatMoney(costMinor, currency)}` : ''}.`}
      </p>
    </>
  )
}

function Lines({
  plan,
  kit,
  before,
  currency,
}: {
  plan: KitPlanPage
  kit: KitOfTier
  before: string | null
  currency: string
}) {
  const nameOf = new Map(plan.setup.roles.map((it) => [it.id, it.name]))
  const called = (ids: readonly string[]) => ids.map((id) => nameOf.get(id)).join(', ')
  const kindOf = new Map(plan.options.map((it) => [it.id, it.price?.kind]))
  return (
    <table className="mt-2 w-full text-[13px]">
      <caption className="sr-only">What it is made of</caption>
      <tbody>
        {GROUPS.map((group) => kit.lines.filter((it) => CATEGORIES[it.category].group === group)).flatMap((lines) =>
          lines.map((it) => (
            <tr key={it.id} className="border-t border-rule align-top">
              <th scope="row" className="border-b-0 py-1 pr-2 text-left font-normal text-ink">
                {it.count > 1 && `${it.count} × `}
                <b className="font-semibold">{it.name}</b>
                {it.here.length > 0 && (
                  <span className="ml-1 font-mono text-[12.5px]">{it.here.map((one) => one.tag).join(' ')}</span>
                )}
                {it.here.some((one) => one.usedBy > 0) && (
                  <span className="block">
                    <Mark level="advise">
                      {it.here
                        .filter((one) => one.usedBy > 0)
                        .map((one) => `${one.tag} is in ${sayNumber(one.usedBy, 'other setup')}`)
                        .join(', ')}
                    </Mark>
                  </span>
                )}
                <span className="block text-[12px] text-quiet">
                  {it.roleIds.length > 0
                    ? called(it.roleIds)
                    : it.besideRoleIds.length > 0
                      ? `with ${called(it.besideRoleIds)}`
                      : ''}
                  {it.carried > 0 &&
                    before &&
                    (it.carried === it.count ? `; also in “${before}”` : `; ${it.carried} also in “${before}”`)}
                </span>
                {it.others.length > 0 && (
                  <span className="block text-[12px] text-quiet">
                    would do too:{' '}
                    {it.others
                      .map(
                        (other) =>
                          `${other.name} (${other.moreMinor === 0 ? 'the same' : `${formatMoney(Math.abs(other.moreMinor), currency)} ${other.moreMinor > 0 ? 'more' : 'less'}`})`,
                      )
                      .join(', ')}
                  </span>
                )}
              </th>
              <td className="py-1 text-right font-mono whitespace-nowrap">
                {it.here.length > 0 ? (
                  <span className="font-body text-quiet">ours already</span>
                ) : (
                  <>
                    {formatMoney(it.totalMinor, currency, 'column')}
                    {kindOf.get(it.id) === 'estimate' && (
                      <span className="block font-body text-[12px] text-quiet">estimate</span>
                    )}
                  </>
                )}
              </td>
            </tr>
          )),
        )}
      </tbody>
      <tfoot>
        <tr className="border-t border-ink font-semibold">
          <th scope="row" className="border-b-0 py-1 text-left text-ink">
            In all, tax in
          </th>
          <td className="py-1 text-right font-mono whitespace-nowrap">
            {formatMoney(kit.costMinor, currency, 'column')}
          </td>
        </tr>
      </tfoot>
    </table>
  )
}

/** Where the money goes. */
function Shares({ kit, currency }: { kit: KitOfTier; currency: string }) {
  if (kit.shares.length === 0) return null
  return (
    <div className="mt-3">
      <ul className="grid gap-1 text-[12px]">
        {kit.shares.map(({ group, minor, percent }) => (
          <li key={group} className="grid grid-cols-[7rem_1fr_auto] items-center gap-2">
            <span>{GROUP_NAMES[group]}</span>
            <span aria-hidden className="h-2 bg-rule">
              <span className="block h-2 bg-ink" style={{ width: `${percent}%` }} />
            </span>
            <span className="font-mono">
              {formatMoney(minor, currency)} · {percent} %
            </span>
          </li>
        ))}
      </ul>
      {kit.eats && (
        <p className="mt-1 text-[13px]">
          <Mark level="advise">
            {GROUP_NAMES[kit.eats]} takes more than half of it: see whether the rest can bear that
          </Mark>
        </p>
      )}
    </div>
  )
}

/** What is open of it: questions to be answered here, what is to be looked at, roles that stay empty, and what supports could bear. */
function Open({ plan, kit }: { plan: KitPlanPage; kit: KitOfTier }) {
  const words = useTimeWords()
  const { sayMass } = useMeasures()
  const nameOf = new Map(plan.setup.roles.map((it) => [it.id, it.name]))
  const { questions, warnings, empty, margins } = kit
  return (
    <>
      {empty.length > 0 && (
        <p className="mt-2 text-[13px]">
          <span className="font-semibold">Stay empty:</span> {empty.map((id) => nameOf.get(id)).join(', ')}
        </p>
      )}
      {margins.length > 0 && (
        <details className="mt-2 text-[13px]">
          <summary className="cursor-pointer font-semibold">What the supports could bear</summary>
          <ul>
            {margins.map((it) => (
              <li key={it.name} className="border-b border-rule py-1">
                {it.name} bears {sayMass(it.bearsGrams)} of {sayMass(it.ratedGrams)}:{' '}
                {sayMass(it.ratedGrams - it.bearsGrams)} more, for what is heavier later
              </li>
            ))}
          </ul>
        </details>
      )}
      {questions.length + warnings.length > 0 && (
        <details className="no-print mt-2 text-[13px]">
          <summary className="cursor-pointer font-semibold">
            {[
              questions.length > 0 && sayNumber(questions.length, 'question'),
              warnings.length > 0 && `${warnings.length} to look at`,
            ]
              .filter(Boolean)
              .join(', ')}
          </summary>
          <ul>
            {[...questions, ...warnings].map((it) => {
              const asked = findQuestion(it)
              const model = asked ? plan.models.find((one) => one.id === asked.modelId) : undefined
              const said = sayFinding(it, words)
              return (
                <li key={it.key} className="border-b border-rule py-1.5">
                  <Mark level={it.level}>{said.title}</Mark>
                  {asked && model ? (
                    <FactQuestion model={model} fact={asked.fact} />
                  ) : (
                    <p className="text-quiet">{said.text}</p>
                  )}
                </li>
              )
            })}
          </ul>
        </details>
      )}
    </>
  )
}
