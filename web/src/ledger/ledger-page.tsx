import { COUNTRIES, findExponent, formatMoney, GROUPS, readMoney, type SpendingReply } from '@exemplar/core'
import { lazy, Suspense, useState } from 'react'
import { useSearchParams } from 'react-router'
import { useAddEntryMutation, useSetBudgetMutation, useSpendingQuery, useStudioQuery } from '../foundation/api/api.ts'
import { readProblem } from '../foundation/api/problem.ts'
import { useAppDispatch } from '../foundation/api/store.ts'
import { tellDone } from '../foundation/api/tell-done.ts'
import { TextField } from '../foundation/form/field.tsx'
import { Button } from '../foundation/parts/button.tsx'
import { Gauge } from '../foundation/parts/gauge.tsx'
import { PageHead, Section, Waiting } from '../foundation/parts/page-parts.tsx'
import { SheetDialog } from '../foundation/parts/sheet-dialog.tsx'
import { sayDayWithYear } from '../foundation/words/calendar-words.ts'
import { useTimeWords } from '../foundation/words/time-words.ts'
import { useReceiveBundleMutation } from '../kit/kit-api.ts'
import { GROUP_NAMES } from '../setups/setup-draft.ts'
import { Entries } from './entries.tsx'
import { EntryForm, makeBlankEntry } from './entry-form.tsx'
import { MONTHS } from './months.ts'
import { MoreLight } from './more-light.tsx'
import { Orders } from './orders.tsx'
import { Shopping } from './shopping.tsx'
import { LedgerTabs } from './wishes/ledger-tabs.tsx'
import { YearForecast } from './year-forecast.tsx'

const SpendingChart = lazy(async () => ({ default: (await import('./spending-chart.tsx')).SpendingChart }))

export function LedgerPage() {
  const { today } = useTimeWords()
  const [params, setParams] = useSearchParams()
  const thisYear = Number(today.slice(0, 4))
  const year = Number(params.get('year')) || thisYear
  const { data: studio } = useStudioQuery()
  const { data: spending, error, refetch } = useSpendingQuery(year, { skip: !year })
  const [add, adding] = useAddEntryMutation()
  const [receive, receiving] = useReceiveBundleMutation()
  const [isBudgeting, setBudgeting] = useState(false)
  const dispatch = useAppDispatch()
  if (!spending || !studio) return <Waiting what="the ledger" error={error} onRetry={refetch} />
  const { currency } = studio
  const taxRates = COUNTRIES[studio.country].taxRates
  const say = (minor: number) => formatMoney(minor, currency)
  const close = () => setParams(year === thisYear ? {} : { year: String(year) })
  return (
    <>
      <PageHead title={`Ledger ${year}`}>
        <select
          aria-label="Year"
          className="h-[30px] rounded-paper border border-rule-strong bg-sheet px-2 text-[13px] font-semibold"
          value={year}
          onChange={(event) => setParams({ year: event.target.value })}
        >
          {Array.from({ length: 6 }, (_, index) => thisYear + 1 - index).map((it) => (
            <option key={it} value={it}>
              {it}
            </option>
          ))}
        </select>
        <Button onClick={() => setBudgeting(true)}>Set the budget</Button>
        <Button look="act" onClick={() => setParams({ year: String(year), add: 'entry' })}>
          Record spending
        </Button>
      </PageHead>
      <LedgerTabs />
      <div className="grid gap-x-10 px-4 pb-8 md:px-5 lg:grid-cols-[minmax(0,1fr)_340px]">
        <div className="min-w-0">
          <Verdict spending={spending} say={say} />
          {spending.forecast && (
            <YearForecast forecast={spending.forecast} budgetMinor={spending.budgetMinor} currency={currency} />
          )}
          {spending.since && (
            <p className="mb-3 text-[13px] text-quiet">
              {say(spending.everMinor)} in all since {sayDayWithYear(spending.since)}, what came in taken off.
            </p>
          )}
          <Suspense fallback={<p className="h-64 text-quiet">Drawing …</p>}>
            <SpendingChart
              spending={spending}
              exponent={findExponent(currency)}
              currency={currency}
              months={year === thisYear ? Number(today.slice(5, 7)) : 12}
            />
          </Suspense>
          <SpendingTable spending={spending} currency={currency} />
          <Entries year={year} today={today} currency={currency} taxRates={taxRates} />
        </div>
        <div>
          <Shopping budget={readLeft(spending)} />
          <Orders />
        </div>
        <MoreLight />
      </div>
      <SheetDialog open={params.get('add') === 'entry'} onClose={close} wide title="Record spending">
        <EntryForm
          currency={currency}
          taxRates={taxRates}
          initial={makeBlankEntry(today, params.get('what') ?? '', ...readSums(params))}
          act="Record it"
          problem={adding.error || receiving.error ? readProblem(adding.error ?? receiving.error) : null}
          onReceive={(purchase) =>
            receive(purchase)
              .unwrap()
              .then((reply) => {
                const sum = say(purchase.priceMinor + purchase.taxMinor)
                tellDone(dispatch, `${reply.tags.join(', ')} is in the kit, and ${sum} recorded.`, reply)
                close()
              })
              .catch(() => {})
          }
          onSave={(entry) =>
            add(entry)
              .unwrap()
              .then((reply) => {
                tellDone(dispatch, `${entry.description}: ${say(entry.netMinor + entry.taxMinor)} recorded.`, reply)
                close()
              })
              .catch(() => {})
          }
        />
      </SheetDialog>
      <SheetDialog open={isBudgeting} onClose={() => setBudgeting(false)} title={`Budget of ${year}`}>
        <BudgetForm spending={spending} currency={currency} onClose={() => setBudgeting(false)} />
      </SheetDialog>
    </>
  )
}

/** What the forecast leaves of the budget. */
const readLeft = ({ year, forecast, budgetMinor }: SpendingReply) =>
  forecast === null || budgetMinor === null
    ? null
    : { year, leftMinor: budgetMinor - forecast.totalMinor, isAtMost: forecast.isAtLeast }

/** What it was to cost, of something that came from the shopping list. */
function readSums(params: URLSearchParams): [netMinor: number, taxMinor: number] {
  const read = (name: string) => {
    const minor = Number(params.get(name))
    return Number.isSafeInteger(minor) && minor > 0 ? minor : 0
  }
  return [read('net'), read('tax')]
}

function Verdict({ spending, say }: { spending: SpendingReply; say(minor: number): string }) {
  const { totalMinor, budgetMinor, leftMinor, isOver } = spending
  if (budgetMinor === null || leftMinor === null) {
    return (
      <p className="my-3">
        <b className="text-verdict">{say(totalMinor)} spent</b>{' '}
        <span className="text-quiet">No budget is set for this year.</span>
      </p>
    )
  }
  const full = Math.max(totalMinor, budgetMinor, 1) * 1.02
  return (
    <div className="my-3 max-w-[640px]">
      <p className="text-verdict font-bold tracking-tight">
        {isOver ? `${say(-leftMinor)} over the budget` : `${say(leftMinor)} left of ${say(budgetMinor)}`}
      </p>
      <Gauge
        share={Math.max(0, totalMinor) / full}
        limitShare={budgetMinor / full}
        text={`${say(totalMinor)} of ${say(budgetMinor)}`}
        tone={isOver ? 'stop' : 'ok'}
      />
    </div>
  )
}

function SpendingTable({ spending, currency }: { spending: SpendingReply; currency: string }) {
  const used = GROUPS.filter((group) => spending.months.some((it) => it.byGroup[group] !== 0))
  const cell = (minor: number) =>
    minor === 0 ? <span className="text-quiet">–</span> : formatMoney(minor, currency, 'column')
  return (
    <Section title="By month and kind of thing" aside="tax included; sales and money back taken off">
      <div className="overflow-x-auto">
        <table>
          <thead>
            <tr>
              <th scope="col">Month</th>
              {used.map((group) => (
                <th key={group} scope="col" className="text-right">
                  {GROUP_NAMES[group]}
                </th>
              ))}
              <th scope="col" className="text-right">
                Total
              </th>
              <th scope="col" className="text-right">
                Running
              </th>
            </tr>
          </thead>
          <tbody>
            {spending.months.map((it) => (
              <tr key={it.month}>
                <th scope="row" className="border-rule font-medium text-ink">
                  {MONTHS[it.month - 1]}
                </th>
                {used.map((group) => (
                  <td key={group} className="figures text-right">
                    {cell(it.byGroup[group])}
                  </td>
                ))}
                <td className="figures text-right font-semibold">{cell(it.totalMinor)}</td>
                <td className="figures text-right text-quiet">{formatMoney(it.cumulativeMinor, currency, 'column')}</td>
              </tr>
            ))}
          </tbody>
          <tfoot>
            <tr>
              <th scope="row" className="text-ink">
                Year
              </th>
              {used.map((group) => (
                <td key={group} className="figures text-right font-semibold">
                  {cell(spending.byGroup[group])}
                </td>
              ))}
              <td className="figures text-right font-semibold" data-testid="year-total">
                {formatMoney(spending.totalMinor, currency, 'column')}
              </td>
              <td />
            </tr>
          </tfoot>
        </table>
      </div>
    </Section>
  )
}

function BudgetForm({
  spending: latest,
  currency,
  onClose,
}: {
  spending: SpendingReply
  currency: string
  onClose(): void
}) {
  // As it was when the form was opened.
  const [spending] = useState(latest)
  const [text, setText] = useState(
    spending.budgetMinor === null ? '' : String(spending.budgetMinor / 10 ** findExponent(currency)),
  )
  const [setBudget, { error }] = useSetBudgetMutation()
  const reading = readMoney(text, currency)
  const dispatch = useAppDispatch()
  return (
    <form
      className="flex items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        if (!reading.ok) return
        setBudget({ year: spending.year, totalMinor: reading.minor, version: spending.budgetVersion })
          .unwrap()
          .then((reply) => {
            tellDone(dispatch, `The budget of ${spending.year} is ${formatMoney(reading.minor, currency)}.`, reply)
            onClose()
          })
          .catch(() => {})
      }}
    >
      <TextField
        label={`Amount in ${currency}`}
        autoFocus
        inputMode="decimal"
        value={text}
        problem={
          text && !reading.ok ? 'Write an amount, such as 6,000.' : error ? readProblem(error).detail : undefined
        }
        onChange={(event) => setText(event.target.value)}
      />
      <Button look="act" type="submit" className="h-9">
        Save
      </Button>
    </form>
  )
}
