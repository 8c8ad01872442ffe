import {
  DEPRECIATIONS,
  type Depreciation,
  depreciate,
  findBookValue,
  findExponent,
  formatMoney,
  type ScheduleRow,
  sayNumber,
  sumKnown,
  writeCsv,
} from '@exemplar/core'
import { useState } from 'react'
import { useStudioQuery } from '../../foundation/api/api.ts'
import { SelectField } from '../../foundation/form/field.tsx'
import { NumberField } from '../../foundation/form/number-field.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { keepText } from '../../foundation/parts/keep-text.ts'
import { Empty, PageHead, Section, Tag, Waiting } from '../../foundation/parts/page-parts.tsx'
import { sayDayWithYear } from '../../foundation/words/calendar-words.ts'
import { useTimeWords } from '../../foundation/words/time-words.ts'
import { useScheduleQuery } from '../../kit/kit-api.ts'
import { LedgerTabs } from '../wishes/ledger-tabs.tsx'
import { type Life, ReserveSection } from './reserve-section.tsx'

interface Way {
  method: Depreciation
  years: number
  percent: number
  restPercent: number
}

interface BookRow {
  row: ScheduleRow
  costMinor: number | null
  thisYearMinor: number | null
  leftMinor: number | null
}

/** What is ours, in the books by a way of writing off; and what is to be put by for what comes after it. */
export function AssetsPage() {
  const { data, error, refetch } = useScheduleQuery()
  const { data: studio } = useStudioQuery()
  const { today } = useTimeWords()
  const [way, setWay] = useState<Way>({ method: 'straight', years: 5, percent: 40, restPercent: 0 })
  const [life, setLife] = useState<Life>({})
  if (!data || !studio || !today) return <Waiting what="the books" error={error} onRetry={refetch} />
  const { currency } = studio
  const year = Number(today.slice(0, 4))
  const own = data.rows.filter((it) => !it.isOthers)
  const rows = own.map((row) => reckon(row, way, year))
  const say = (minor: number | null) => (minor === null ? '–' : formatMoney(minor, currency, 'column'))
  return (
    <>
      <PageHead title="Book value" aside={`end of ${year}`}>
        <Button onClick={() => keepCsv(rows, year, currency)}>Keep as CSV</Button>
        <Button look="act" onClick={() => window.print()}>
          Print
        </Button>
      </PageHead>
      <LedgerTabs />
      <div className="px-4 pb-16 md:px-5">
        {own.length === 0 ? (
          <Empty title="Nothing is in the books">
            What comes into the kit with a price and a day stands here with what is left of it.
          </Empty>
        ) : (
          <>
            <ReserveSection rows={own} today={today} currency={currency} life={life} onLife={setLife} />
            <WayFields way={way} onChange={(part) => setWay({ ...way, ...part })} />
            <Books rows={rows} year={year} say={say} />
          </>
        )}
      </div>
    </>
  )
}

/** A gift has a value and no price: that nothing was paid for it does not say what it is worth. */
const costOf = ({ priceMinor, valueMinor, acquisition }: ScheduleRow) =>
  acquisition === 'gift' ? (valueMinor ?? (priceMinor || null)) : priceMinor

function reckon(row: ScheduleRow, { method, years, percent, restPercent }: Way, year: number): BookRow {
  const costMinor = costOf(row)
  if (costMinor === null || row.acquiredOn === null) return { row, costMinor, thisYearMinor: null, leftMinor: null }
  const restMinor = Math.round((costMinor * restPercent) / 100)
  const asset = { costMinor, since: row.acquiredOn, restMinor, years, method, percent }
  return {
    row,
    costMinor,
    thisYearMinor: depreciate(asset).find((it) => it.year === year)?.minor ?? 0,
    leftMinor: findBookValue(asset, year),
  }
}

function WayFields({ way, onChange }: { way: Way; onChange(part: Partial<Way>): void }) {
  return (
    <div className="no-print mt-6 grid grid-cols-2 items-start gap-3 md:grid-cols-4">
      <SelectField
        label="Written off"
        value={way.method}
        onChange={(event) => onChange({ method: event.target.value as Depreciation })}
      >
        {Object.entries(DEPRECIATIONS).map(([code, label]) => (
          <option key={code} value={code}>
            {label}
          </option>
        ))}
      </SelectField>
      {way.method !== 'macrs-5' && (
        <>
          <NumberField
            label="Over years"
            value={way.years}
            least={1}
            most={30}
            onChange={(years) => years !== null && onChange({ years })}
          />
          <NumberField
            label="Left in the end, %"
            value={way.restPercent}
            most={90}
            onChange={(restPercent) => onChange({ restPercent: restPercent ?? 0 })}
          />
        </>
      )}
      {way.method === 'declining' && (
        <NumberField
          label="Of what is left each year, %"
          value={way.percent}
          least={1}
          most={100}
          onChange={(percent) => percent !== null && onChange({ percent })}
        />
      )}
    </div>
  )
}

function Books({ rows, year, say }: { rows: readonly BookRow[]; year: number; say(minor: number | null): string }) {
  const known = rows.filter((it) => it.leftMinor !== null)
  const unknown = rows.filter((it) => it.leftMinor === null)
  const sum = (of: (it: BookRow) => number | null) => sumKnown(known.map(of)).sum
  return (
    <Section title="In the books" aside={sayNumber(known.length, 'thing')}>
      <div className="overflow-x-auto print:overflow-visible">
        <table>
          <thead>
            <tr>
              <th scope="col">Tag</th>
              <th scope="col">Thing</th>
              <th scope="col" className="hidden md:table-cell print:table-cell">
                Since
              </th>
              <th scope="col" className="text-right">
                Paid
              </th>
              <th scope="col" className="text-right">
                Off in {year}
              </th>
              <th scope="col" className="text-right">
                Left
              </th>
            </tr>
          </thead>
          <tbody>
            {known.map(({ row, costMinor, thisYearMinor, leftMinor }) => (
              <tr key={row.id}>
                <td>
                  <Tag>{row.tag}</Tag>
                </td>
                <td>{row.name}</td>
                <td className="hidden text-quiet md:table-cell print:table-cell">
                  {row.acquiredOn ? sayDayWithYear(row.acquiredOn) : '–'}
                </td>
                <td className="figures text-right">{say(costMinor)}</td>
                <td className="figures text-right">{say(thisYearMinor)}</td>
                <td className="figures text-right">{say(leftMinor)}</td>
              </tr>
            ))}
          </tbody>
          <tfoot>
            <tr className="border-t-2 border-ink font-semibold">
              <td colSpan={2}>In all</td>
              <td className="hidden md:table-cell print:table-cell" />
              <td className="figures text-right">{say(sum((it) => it.costMinor))}</td>
              <td className="figures text-right">{say(sum((it) => it.thisYearMinor))}</td>
              <td className="figures text-right">{say(sum((it) => it.leftMinor))}</td>
            </tr>
          </tfoot>
        </table>
      </div>
      {unknown.length > 0 && (
        <p className="mt-2 text-[13px]">
          Of {sayNumber(unknown.length, 'thing')} nobody recorded a price or since when it is here; they are in no sum:{' '}
          {unknown.map((it) => it.row.tag).join(', ')}.
        </p>
      )}
      <p className="mt-2 text-[12px] text-quiet">
        A planning aid, and no tax advice: what may be written off, and how, is for whoever does your taxes. Prices net
        of tax, gifts at their value; what is lent, rented or somebody’s own is left out, and so is what is counted.
      </p>
    </Section>
  )
}

/** The register as a list: amounts as plain numbers of the currency. */
function keepCsv(rows: readonly BookRow[], year: number, currency: string): void {
  const exponent = findExponent(currency)
  const plain = (minor: number | null) => (minor === null ? null : (minor / 10 ** exponent).toFixed(exponent))
  const text = writeCsv(
    [
      'tag',
      'name',
      'kind',
      'serial',
      'acquired',
      `paid (${currency})`,
      `written off in ${year}`,
      `left at the end of ${year}`,
    ],
    rows.map(({ row, costMinor, thisYearMinor, leftMinor }) => [
      row.tag,
      row.name,
      row.kind,
      row.serial,
      row.acquiredOn,
      plain(costMinor),
      plain(thisYearMinor),
      plain(leftMinor),
    ]),
  )
  keepText(`book-value-${year}.csv`, text, 'text/csv')
}
