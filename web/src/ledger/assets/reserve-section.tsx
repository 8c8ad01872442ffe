import {
  addMonths,
  formatMoney,
  type Group,
  planReserve,
  type ScheduleRow,
  sayNumber,
  USUAL_LIFE,
} from '@exemplar/core'
import { useState } from 'react'
import { MoneyField } from '../../foundation/form/money-field.tsx'
import { NumberField } from '../../foundation/form/number-field.tsx'
import { Section } from '../../foundation/parts/page-parts.tsx'
import { GROUP_NAMES } from '../wishes/group-names.ts'

/** Years that things of a group serve, where somebody changed them. */
export type Life = Partial<Record<Group, number>>

/** A pack at so much of its energy is at its end. Common practice of makers. */
const SPENT_PERCENT = 80
const MONTH = new Intl.DateTimeFormat('en-GB', { month: 'short', year: 'numeric', timeZone: 'UTC' })
const sayMonth = (month: string) => MONTH.format(new Date(`${month}-01T00:00:00Z`))

/** When each thing will have served its time, what others cost, and what is to be put by each month for that. */
export function ReserveSection({
  rows,
  today,
  currency,
  life,
  onLife,
}: {
  rows: readonly ScheduleRow[]
  today: string
  currency: string
  life: Life
  onLife(life: Life): void
}) {
  const [have, setHave] = useState<number | null>(null)
  const say = (minor: number) => formatMoney(minor, currency)
  const yearsOf = (group: Group) => life[group] ?? USUAL_LIFE[group]
  const endings = rows.map((it) => ({
    id: it.id,
    endsOn:
      it.healthPercent !== null && it.healthPercent <= SPENT_PERCENT
        ? today
        : it.acquiredOn === null
          ? null
          : addMonths(it.acquiredOn, yearsOf(it.group) * 12),
    // What cost nothing is not had for nothing again.
    costMinor: it.replacementMinor ?? (it.priceMinor || it.valueMinor || null),
  }))
  const { perMonthMinor, decidedBy, quarters, unknown } = planReserve(endings, today, have ?? 0)
  const tagOf = new Map(rows.map((it) => [it.id, it.tag]))
  const most = Math.max(1, ...quarters.map((it) => it.minor))
  const groups = (Object.keys(GROUP_NAMES) as Group[]).filter((group) => rows.some((it) => it.group === group))
  return (
    <Section title="What comes after it" aside="three years">
      <p className="text-verdict font-bold tracking-tight" role="status">
        {perMonthMinor === 0
          ? unknown.length > 0
            ? 'Nothing is to be put by for what is known.'
            : 'Nothing is to be put by.'
          : `${say(perMonthMinor)} a month`}
        {decidedBy && (
          <span className="ml-2 text-[13px] font-normal">
            so that nothing comes short until {sayMonth(decidedBy)}, which asks for most
          </span>
        )}
      </p>
      <div className="no-print mt-2 grid grid-cols-2 items-start gap-3 md:grid-cols-4 lg:grid-cols-8">
        <MoneyField label="Put by already" value={have} onChange={setHave} />
        {groups.map((group) => (
          <NumberField
            key={group}
            label={`${GROUP_NAMES[group]}, years`}
            value={yearsOf(group)}
            least={1}
            most={40}
            onChange={(years) => onLife({ ...life, [group]: years ?? USUAL_LIFE[group] })}
          />
        ))}
      </div>
      <table className="mt-3">
        <thead>
          <tr>
            <th scope="col">Until</th>
            <th scope="col" className="w-1/4">
              <span className="sr-only">How much, drawn</span>
            </th>
            <th scope="col" className="text-right">
              Others cost
            </th>
            <th scope="col">What has served its time</th>
          </tr>
        </thead>
        <tbody>
          {quarters.map((it) => (
            <tr key={it.until}>
              <td className="whitespace-nowrap">{sayMonth(it.until)}</td>
              <td aria-hidden>
                <span className="block h-2 bg-ink" style={{ width: `${(100 * it.minor) / most}%` }} />
              </td>
              <td className="figures text-right">{it.minor > 0 ? formatMoney(it.minor, currency, 'column') : '–'}</td>
              <td className="font-mono text-[12px]">{it.ids.map((id) => tagOf.get(id)).join(' ')}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {unknown.length > 0 && (
        <p className="mt-2 text-[13px]">
          Of {sayNumber(unknown.length, 'thing')} nobody knows since when it is here, or what another costs; they are in
          no sum: {unknown.map((id) => tagOf.get(id)).join(', ')}.
        </p>
      )}
      <p className="mt-2 text-[12px] text-quiet">
        So many years such things usually serve, by common practice; change them to yours. A pack at {SPENT_PERCENT} %
        of its energy has served its time now. Others cost what was said of it, else what was paid, else what it was
        worth.
      </p>
    </Section>
  )
}
