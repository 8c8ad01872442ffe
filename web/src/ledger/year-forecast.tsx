import { type Forecast, formatMoney, sayNumber } from '@exemplar/core'
import { Mark } from '../foundation/parts/mark.tsx'
import { sayDayWithYear } from '../foundation/words/calendar-words.ts'

/** What the year will have cost at its end, what that is made of, and what it does not know. */
export function YearForecast({
  forecast,
  budgetMinor,
  currency,
}: {
  forecast: Forecast
  budgetMinor: number | null
  currency: string
}) {
  const { endsOn, recordedMinor, ordered, repairs, runningMinor, begun, totalMinor, isAtLeast, laterMinor } = forecast
  const say = (minor: number) => formatMoney(minor, currency)
  const lines = [
    { what: 'Recorded', minor: recordedMinor, note: '' },
    ordered.count > 0 && {
      what: 'On order, not paid',
      minor: ordered.minor,
      note: sayUnknown(ordered.unknown, ordered.count),
    },
    repairs.count > 0 && {
      what: 'Repairs under way, as quoted',
      minor: repairs.minor,
      note: sayUnknown(repairs.unknown, repairs.count),
    },
    {
      what: 'Supplies, services, rents, subscriptions and delivery, as in the same days of last year',
      minor: runningMinor,
      note: [
        runningMinor === null && 'nothing was recorded a year ago: not counted',
        begun > 0 &&
          `not counted, as they began since: ${sayNumber(begun, 'rent or subscription', 'rents or subscriptions')}`,
      ]
        .filter((it) => it !== false)
        .join('; '),
    },
  ].filter((it) => it !== false)
  return (
    <section className="my-3 max-w-[640px]" aria-label="Forecast">
      <p className="mb-1">
        <ForecastVerdict {...{ totalMinor, isAtLeast, budgetMinor, endsOn }} say={say} />
      </p>
      <table className="text-[13px]">
        <tbody>
          {lines.map((it) => (
            <tr key={it.what}>
              <th scope="row" className="border-rule font-normal text-ink">
                {it.what}
                {it.note && <span className="text-quiet"> · {it.note}</span>}
              </th>
              <td className="figures text-right whitespace-nowrap">
                {it.minor === null ? '–' : formatMoney(it.minor, currency, 'column')}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1 text-[13px] text-quiet">
        Purchases and repairs that nobody knows of yet are not in it.
        {laterMinor > 0 && ` ${say(laterMinor)} more is due after that day.`}
      </p>
    </section>
  )
}

const sayUnknown = (unknown: number, count: number) =>
  unknown === 0 ? sayNumber(count, 'thing') : `${unknown} of ${count} without a price`

/** Whether the budget lasts: a yes only where everything that is to come is known. */
function ForecastVerdict({
  totalMinor,
  isAtLeast,
  budgetMinor,
  endsOn,
  say,
}: Pick<Forecast, 'totalMinor' | 'isAtLeast' | 'endsOn'> & { budgetMinor: number | null; say(minor: number): string }) {
  const sum = `${isAtLeast ? 'at least ' : ''}${say(totalMinor)} by ${sayDayWithYear(endsOn)}`
  if (budgetMinor === null) return <>Forecast: {sum}.</>
  const left = budgetMinor - totalMinor
  if (left < 0) {
    return (
      <Mark level="warn">
        Forecast: {sum}, {say(-left)} over the budget.
      </Mark>
    )
  }
  return isAtLeast ? (
    <Mark level="unknown">
      Forecast: {sum}. Within the budget as long as the rest costs no more than {say(left)}.
    </Mark>
  ) : (
    <Mark level="ok">
      Forecast: {sum}, {left === 0 ? 'exactly the budget' : `${say(left)} within the budget`}.
    </Mark>
  )
}
