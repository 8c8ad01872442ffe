import type { ScheduleRow } from '@exemplar/core'
import { ACQUISITIONS, type Acquisition, formatMoney, sayNumber, sumKnown } from '@exemplar/core'
import { useState } from 'react'
import { useStudioQuery } from '../../foundation/api/api.ts'
import { CheckField } from '../../foundation/form/field.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { PageHead, Tag, Waiting } from '../../foundation/parts/page-parts.tsx'
import { sayDayWithYear } from '../../foundation/words/calendar-words.ts'
import { useTimeWords } from '../../foundation/words/time-words.ts'
import { useScheduleQuery } from '../kit-api.ts'
import { keepFile } from '../kit-menu.tsx'

type Amount = 'priceMinor' | 'valueMinor' | 'insuredMinor'

/** A column added up: what nobody knows is in no sum, and told under it. */
function Sum({ rows, of, say }: { rows: ScheduleRow[]; of: Amount; say(minor: number | null): string }) {
  const { sum, unknown } = sumKnown(rows.map((it) => it[of]))
  return (
    <td className="figures text-right">
      {say(unknown === rows.length ? null : sum)}
      {unknown > 0 && <span className="block text-[11px] font-normal text-quiet">{unknown} not known</span>}
    </td>
  )
}

/** The kit on paper for the insurer and the books. */
export function SchedulePage() {
  const { data, error, refetch } = useScheduleQuery()
  const { data: studio } = useStudioQuery()
  const { today } = useTimeWords()
  const [withOthers, setWithOthers] = useState(false)
  if (!data) return <Waiting what="the schedule" error={error} onRetry={refetch} />
  const rows = data.rows.filter((it) => withOthers || !it.isOthers)
  const say = (minor: number | null) => (minor === null ? '–' : formatMoney(minor, studio?.currency ?? 'GBP', 'column'))
  const unvalued = rows.filter(
    (it) => it.insuredMinor === null && it.valueMinor === null && it.priceMinor === null,
  ).length
  return (
    <>
      <PageHead title="Insurance schedule" aside={`as of ${sayDayWithYear(today)}`}>
        <Button onClick={() => keepFile('/api/export/inventory.csv')}>Keep as CSV</Button>
        <Button look="act" onClick={() => window.print()}>
          Print
        </Button>
      </PageHead>
      <div className="px-4 pt-3 pb-8 md:px-5">
        <div className="no-print flex flex-wrap items-center gap-4">
          <CheckField
            label="With what belongs to others"
            checked={withOthers}
            onChange={(event) => setWithOthers(event.target.checked)}
          />
          {unvalued > 0 && <span className="text-[13px] text-quiet">{unvalued} have neither price nor value.</span>}
        </div>
        <div className="overflow-x-auto print:overflow-visible">
          <table className="mt-3">
            <thead>
              <tr>
                <th scope="col">Tag</th>
                <th scope="col">Thing</th>
                <th scope="col">Serial</th>
                <th scope="col" className="hidden md:table-cell print:table-cell">
                  How it came
                </th>
                <th scope="col" className="hidden md:table-cell print:table-cell">
                  Since
                </th>
                <th scope="col" className="text-right">
                  Paid
                </th>
                <th scope="col" className="text-right">
                  Worth
                </th>
                <th scope="col" className="text-right">
                  Insured for
                </th>
              </tr>
            </thead>
            <tbody>
              {rows.map((row) => (
                <tr key={row.id}>
                  <td>
                    <Tag>{row.tag}</Tag>
                  </td>
                  <td>
                    {row.name}
                    <span className="block text-[12px] text-quiet">{row.kind}</span>
                  </td>
                  <td className="font-mono text-[12px]">{row.serial ?? '–'}</td>
                  <td className="hidden text-quiet md:table-cell print:table-cell">
                    {ACQUISITIONS[row.acquisition as Acquisition]}
                  </td>
                  <td className="hidden text-quiet md:table-cell print:table-cell">
                    {row.acquiredOn ? sayDayWithYear(row.acquiredOn) : '–'}
                  </td>
                  <td className="figures text-right">{say(row.priceMinor)}</td>
                  <td className="figures text-right">{say(row.valueMinor)}</td>
                  <td className="figures text-right">{say(row.insuredMinor)}</td>
                </tr>
              ))}
            </tbody>
            <tfoot>
              <tr className="border-t-2 border-ink font-semibold">
                <td colSpan={3}>{sayNumber(rows.length, 'thing')}</td>
                <td className="hidden md:table-cell print:table-cell" colSpan={2} />
                <Sum rows={rows} of="priceMinor" say={say} />
                <Sum rows={rows} of="valueMinor" say={say} />
                <Sum rows={rows} of="insuredMinor" say={say} />
              </tr>
            </tfoot>
          </table>
        </div>
        <p className="mt-3 text-[12px] text-quiet">
          Prices net of tax. What is lent, rented, personal or the venue’s own is its owner’s to insure, unless you
          agreed otherwise.
        </p>
      </div>
    </>
  )
}
