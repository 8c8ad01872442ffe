import type { FiguresReply } from '@exemplar/core'
import { formatData, formatEnergy, formatMoney, SHARING, type Sharing } from '@exemplar/core'
import { useState } from 'react'
import { Link } from 'react-router'
import { useStudioQuery } from '../../foundation/api/api.ts'
import { useMay } from '../../foundation/api/session.ts'
import { SelectField } from '../../foundation/form/field.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { Mark } from '../../foundation/parts/mark.tsx'
import { PageHead, Section, Tag, Waiting } from '../../foundation/parts/page-parts.tsx'
import { TapeStrip } from '../../foundation/parts/tape.tsx'
import { sayDayWithYear } from '../../foundation/words/calendar-words.ts'
import { useTimeWords } from '../../foundation/words/time-words.ts'
import { useFiguresQuery } from '../kit-api.ts'

const ORDERS = { most: 'Most often out', least: 'Hardly ever out', dear: 'Dearest each time' } as const
type Order = keyof typeof ORDERS

type Use = FiguresReply['use'][number]

const COMPARE: Readonly<Record<Order, (a: Use, b: Use) => number>> = {
  most: (a, b) => b.timesUsed - a.timesUsed,
  least: (a, b) => a.timesUsed - b.timesUsed || (b.ageDays ?? 0) - (a.ageDays ?? 0),
  dear: (a, b) => (b.perUseMinor ?? -1) - (a.perUseMinor ?? -1),
}

/** How often things are out and what that costs; what setups are worth; whether what is counted suffices. */
export function FiguresPage() {
  const [sharing, setSharing] = useState<Sharing>('full')
  const { data, error, refetch } = useFiguresQuery(sharing)
  if (!data) return <Waiting what="the figures" error={error} onRetry={refetch} />
  return (
    <>
      <PageHead title="Use and value" />
      <div className="grid gap-x-8 px-4 pb-8 md:px-5 xl:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
        <UseTable use={data.use} />
        <div>
          <SetupValues setups={data.setups} sharing={sharing} onShare={setSharing} />
          <DemandTable demand={data.demand} />
          <Section title="What it holds together">
            <ul>
              {data.capacities.map((it) => (
                <li key={it.label} className="flex gap-3 border-b border-rule py-1.5 text-[13px]">
                  <span className="flex-1">
                    {it.pieces} × {it.label.toLowerCase()}
                    <span className="block text-[12px] text-quiet">
                      {[
                        it.unknown > 0 && `of ${it.unknown} nobody recorded what it holds`,
                        it.unmeasured > 0 && `the health of ${it.unmeasured} was not measured and is taken as new`,
                      ]
                        .filter(Boolean)
                        .join('; ')}
                    </span>
                  </span>
                  <span className="figures">
                    {it.megabytes > 0 && formatData(it.megabytes)}
                    {it.milliwattHours > 0 && `${formatEnergy(it.milliwattHours)} as they are now`}
                  </span>
                </li>
              ))}
            </ul>
          </Section>
        </div>
      </div>
    </>
  )
}

function useSayMoney() {
  const { data: studio } = useStudioQuery()
  return (minor: number | null) => (minor === null ? '–' : formatMoney(minor, studio?.currency ?? 'GBP', 'column'))
}

function UseTable({ use }: { use: Use[] }) {
  const [order, setOrder] = useState<Order>('most')
  const [shown, setShown] = useState(20)
  const say = useSayMoney()
  const may = useMay()
  const sorted = [...use].sort((a, b) => COMPARE[order](a, b) || (a.tag < b.tag ? -1 : 1))
  return (
    <Section title="How often it is used">
      <div className="max-w-60 py-2">
        <SelectField label="First" value={order} onChange={(event) => setOrder(event.target.value as Order)}>
          {Object.entries(ORDERS).map(([code, label]) => (
            <option key={code} value={code}>
              {label}
            </option>
          ))}
        </SelectField>
      </div>
      <div className="overflow-x-auto">
        <table>
          <thead>
            <tr>
              <th scope="col">Tag</th>
              <th scope="col">Thing</th>
              <th scope="col" className="text-right">
                Times used
              </th>
              <th scope="col" className="hidden text-right sm:table-cell">
                Of sessions
              </th>
              {may('see-money') && (
                <>
                  <th scope="col" className="hidden text-right sm:table-cell">
                    A year
                  </th>
                  <th scope="col" className="text-right">
                    Each time
                  </th>
                </>
              )}
            </tr>
          </thead>
          <tbody>
            {sorted.slice(0, shown).map((it) => (
              <tr key={it.id}>
                <td>
                  <Tag>{it.tag}</Tag>
                </td>
                <td>
                  <Link to={`/kit/${it.id}`}>{it.name}</Link>
                  {it.hasProvedItself && <Mark level="ok">proved itself</Mark>}
                  {order === 'least' && it.lastUsedOn && (
                    <span className="block text-[12px] text-quiet">last used on {sayDayWithYear(it.lastUsedOn)}</span>
                  )}
                  {it.isRisk && <Mark level="warn">nothing of its kind could stand in</Mark>}
                  {order === 'least' && it.timesUsed === 0 && it.resaleMinor !== null && (
                    <span className="block text-[12px] text-quiet">might bring about {say(it.resaleMinor)}</span>
                  )}
                  {order === 'least' && it.timesUsed === 0 && it.reason && (
                    <span className="block text-[12px] text-quiet">kept because: {it.reason}</span>
                  )}
                </td>
                <td className="figures text-right">{it.timesUsed}</td>
                <td className="figures hidden text-right sm:table-cell">
                  {it.share === null ? '–' : `${Math.round(it.share * 100)} %`}
                </td>
                {may('see-money') && (
                  <>
                    <td className="figures hidden text-right sm:table-cell">{say(it.perYearMinor)}</td>
                    <td className="figures text-right">{say(it.perUseMinor)}</td>
                  </>
                )}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {sorted.length > shown && (
        <Button className="mt-2" onClick={() => setShown(shown + 50)}>
          Show more
        </Button>
      )}
      <p className="mt-2 text-[12px] text-quiet">
        A session is a day on which anything was taken out since the thing came. A year and each time: price with all
        that was spent on it, tax included. What it might bring is a guess from price and age alone. Proved itself:
        three years here, twenty times out, two years without failing.
      </p>
    </Section>
  )
}

function SetupValues({
  setups,
  sharing,
  onShare,
}: {
  setups: FiguresReply['setups']
  sharing: Sharing
  onShare(sharing: Sharing): void
}) {
  const say = useSayMoney()
  const may = useMay()
  if (!may('see-money')) return null
  return (
    <Section title="What stands in a setup">
      <div className="max-w-60 py-2">
        <SelectField
          label="What serves in several counts"
          value={sharing}
          onChange={(event) => onShare(event.target.value as Sharing)}
        >
          {Object.entries(SHARING).map(([code, label]) => (
            <option key={code} value={code}>
              {label}
            </option>
          ))}
        </SelectField>
      </div>
      <table>
        <thead>
          <tr>
            <th scope="col">Setup</th>
            <th scope="col" className="text-right">
              Paid
            </th>
            <th scope="col" className="hidden text-right sm:table-cell">
              To buy anew
            </th>
            <th scope="col" className="text-right">
              Worth
            </th>
          </tr>
        </thead>
        <tbody>
          {setups.map((it) => (
            <tr key={it.id}>
              <td>
                <Link to={`/setups/${it.id}`} className="inline-flex">
                  <TapeStrip code={it.code} tape={it.tape} name={it.name} size="small" />
                </Link>
                {it.shared > 0 && (
                  <span className="block text-[12px] text-quiet">
                    {it.shared} of its things {it.shared === 1 ? 'serves' : 'serve'} elsewhere too
                  </span>
                )}
              </td>
              <td className="figures text-right">
                <KnownSum sum={it.paidMinor} unknown={it.unknown.paid} say={say} />
              </td>
              <td className="figures hidden text-right sm:table-cell">
                <KnownSum sum={it.replacementMinor} unknown={it.unknown.anew} say={say} />
              </td>
              <td className="figures text-right">
                <KnownSum sum={it.worthMinor} unknown={it.unknown.worth} say={say} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </Section>
  )
}

/** What is known, and of how many things nobody knows it: those are in no sum. Of none of them known, nothing is said. */
function KnownSum({ sum, unknown, say }: { sum: number | null; unknown: number; say(minor: number | null): string }) {
  return (
    <>
      {say(sum === 0 && unknown > 0 ? null : sum)}
      {unknown > 0 && <span className="block text-[11px] text-quiet">{unknown} not known</span>}
    </>
  )
}

function DemandTable({ demand }: { demand: FiguresReply['demand'] }) {
  const words = useTimeWords()
  return (
    <Section title="Wanted at once" aside="in the next 90 days; cells, packs and cards that setups lack count as well">
      <table>
        <thead>
          <tr>
            <th scope="col">Stock</th>
            <th scope="col" className="text-right">
              There
            </th>
            <th scope="col" className="text-right">
              Booked at most
            </th>
            <th scope="col" className="text-right">
              All setups up
            </th>
          </tr>
        </thead>
        <tbody>
          {demand.map((it) => (
            <tr key={it.id}>
              <td>
                <Tag>{it.tag}</Tag> {it.name}{' '}
                {it.peak > it.owned && (
                  <Mark level="stop">
                    {it.peak - it.owned} short{it.peakAt !== null && ` from ${words.sayInstant(it.peakAt)}`}
                  </Mark>
                )}
                {it.peak <= it.owned && it.allAtOnce > it.owned && (
                  <Mark level="advise">{it.allAtOnce - it.owned} short if all stood at once</Mark>
                )}
              </td>
              <td className="figures text-right">{it.owned}</td>
              <td className="figures text-right">{it.peak}</td>
              <td className="figures text-right">{it.allAtOnce}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </Section>
  )
}
