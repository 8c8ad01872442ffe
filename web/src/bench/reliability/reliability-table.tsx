import {
  CATEGORIES,
  type Category,
  formatMoney,
  groupReliability,
  RELIABILITY_GROUPS,
  type ReliabilityGroup,
  type ReliabilityRecord,
  type ReliabilityRow,
  sayNumber,
} from '@exemplar/core'
import { useMemo, useState } from 'react'
import { Link } from 'react-router'
import { useStudioQuery } from '../../foundation/api/api.ts'
import { useMay } from '../../foundation/api/session.ts'
import { SelectField } from '../../foundation/form/field.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { Section } from '../../foundation/parts/page-parts.tsx'
import { sayBetween, sayDays } from './reliability-words.ts'

/** So many are shown at once. */
const SHOWN = 15

/** What the log says of what failed how often, by model, maker, price and so on. */
export function ReliabilityTable({ records }: { records: readonly ReliabilityRecord[] }) {
  const [by, setBy] = useState<ReliabilityGroup>('model')
  const [shown, setShown] = useState(SHOWN)
  const rows = useMemo(
    () => groupReliability(records, by).filter((it) => it.uses > 0 || it.failures > 0 || it.accidents > 0),
    [records, by],
  )
  const tags = useMemo(() => new Map(records.map((it) => [it.unitId, it.tag])), [records])
  const may = useMay()
  return (
    <Section title="What the log says" aside={sayNumber(rows.length, 'line')}>
      <div className="no-print max-w-60 py-2">
        <SelectField label="By" value={by} onChange={(event) => setBy(event.target.value as ReliabilityGroup)}>
          {Object.entries(RELIABILITY_GROUPS).map(([code, label]) => (
            <option key={code} value={code}>
              {label}
            </option>
          ))}
        </SelectField>
      </div>
      {rows.length === 0 && (
        <p className="py-2 text-[13px] text-quiet">
          {by === 'price'
            ? 'No kind has four things with different prices that were used: there is no cheap and dear to compare.'
            : 'Nothing was used or failed yet, as far as the log tells.'}
        </p>
      )}
      {rows.length > 0 && (
        <div className="overflow-x-auto">
          <table>
            <thead>
              <tr>
                <th scope="col">{RELIABILITY_GROUPS[by]}</th>
                <th scope="col" className="text-right">
                  Uses
                </th>
                <th scope="col" className="text-right">
                  Failures
                </th>
                <th scope="col">Between failures</th>
                {may('see-money') && (
                  <th scope="col" className="hidden text-right sm:table-cell">
                    A month
                  </th>
                )}
              </tr>
            </thead>
            <tbody>
              {rows.slice(0, shown).map((row) => (
                <Row key={row.key} row={row} by={by} tag={tags.get(row.key)} />
              ))}
            </tbody>
          </table>
        </div>
      )}
      {rows.length > shown && (
        <Button className="no-print mt-2" onClick={() => setShown(shown + 50)}>
          Show more
        </Button>
      )}
      <p className="mt-2 max-w-[80ch] text-[12px] text-quiet">
        A failure is a fault for which the thing could not be used; what an accident did is none. A use is a session in
        which it served, taken along or standing ready, or one that was written down. What is gone counts too, as what
        died young tells most. The interval holds the truth in nine of ten cases (NIST/SEMATECH e-Handbook, 8.4.5.1). A
        month: its price over the months that it lived.
      </p>
    </Section>
  )
}

function Row({ row, by, tag }: { row: ReliabilityRow; by: ReliabilityGroup; tag: string | undefined }) {
  const { data: studio } = useStudioQuery()
  const may = useMay()
  const name = by === 'kind' ? CATEGORIES[row.name as Category].label : row.name
  const further = [
    by !== 'thing' && sayNumber(row.things, 'thing'),
    row.early > 0 && `${row.early} within half a year of coming`,
    row.died > 0 && `${row.died} died`,
    row.sparesForYear !== null &&
      by !== 'thing' &&
      `${sayNumber(row.sparesForYear, 'spare')} would do for a year like the last`,
    row.accidents > 0 && sayNumber(row.accidents, 'accident'),
    row.meanDaysOut !== null && `mended after ${sayDays(row.meanDaysOut)} on average`,
  ].filter(Boolean)
  return (
    <tr>
      <td>
        {by === 'thing' ? (
          <Link to={`/kit/${row.key}`}>
            <span className="font-mono text-[12.5px]">{tag}</span> {name}
          </Link>
        ) : (
          name
        )}
        <span className="block text-[12px] text-quiet">{further.join(' · ')}</span>
      </td>
      <td className="figures text-right">{row.uses}</td>
      <td className="figures text-right">{row.failures}</td>
      <td className="text-[13px]">{sayBetween(row.betweenUses, 'uses')}</td>
      {may('see-money') && (
        <td className="figures hidden text-right sm:table-cell">
          {row.perMonthMinor === null ? '–' : formatMoney(row.perMonthMinor, studio?.currency ?? 'GBP', 'column')}
          {row.priced < row.things && row.perMonthMinor !== null && (
            <span className="block text-[12px] text-quiet">
              of {row.priced} of {row.things}
            </span>
          )}
        </td>
      )}
    </tr>
  )
}
