import { type SupplyLine, sayNumber } from '@exemplar/core'
import { useState } from 'react'
import { Link } from 'react-router'
import { readProblem } from '../foundation/api/problem.ts'
import { useMay } from '../foundation/api/session.ts'
import { useTold } from '../foundation/api/use-told.ts'
import { TextField } from '../foundation/form/field.tsx'
import { Button, ButtonLink } from '../foundation/parts/button.tsx'
import { Mark } from '../foundation/parts/mark.tsx'
import { Empty, PageHead, Tag, Waiting } from '../foundation/parts/page-parts.tsx'
import { SheetDialog } from '../foundation/parts/sheet-dialog.tsx'
import { sayDay, sayDayWithYear } from '../foundation/words/calendar-words.ts'
import { useSuppliesQuery, useUseUpStockMutation } from './supply-api.ts'

/** What is used up: how long it lasts by the diary, and by when to order more. */
export function SuppliesPage() {
  const { data, error, refetch } = useSuppliesQuery()
  const [using, setUsing] = useState<SupplyLine | null>(null)
  const may = useMay()
  if (!data) return <Waiting what="the supplies" error={error} onRetry={refetch} />
  const short = data.lines.filter((it) => it.shortOn !== null).length
  return (
    <>
      <PageHead title="Supplies" aside={`${sayNumber(short, 'kind')} running short`}>
        <ButtonLink to="/kit/stock">Counted things</ButtonLink>
      </PageHead>
      <div className="px-4 pb-8 md:px-5">
        {data.lines.length === 0 && (
          <Empty title="Nothing that is used up">
            Cells, tape and paper are counted under Counted things. Say there how many are used each time, how long more
            takes to come, and until when it is good: then this page says by when to order.
          </Empty>
        )}
        <ul>
          {data.lines.map((it) => (
            <li key={it.stockId} className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule py-2.5">
              <span className="min-w-56 flex-1 text-[13px]">
                <span className="font-medium">
                  <Tag>{it.tag}</Tag> {it.name}
                </span>{' '}
                <span className="figures">{it.quantity}</span> left
                {it.place && <span className="text-quiet"> · {it.place}</span>}
                <Standing line={it} />
              </span>
              {may('count-stock') && it.quantity > 0 && (
                <Button size="small" onClick={() => setUsing(it)}>
                  Used up
                </Button>
              )}
            </li>
          ))}
        </ul>
        <p className="mt-3 text-[12px] text-quiet">
          How many are used each time, how long more takes and where else it is sold are written down under{' '}
          <Link to="/kit/stock">Counted things</Link>.
        </p>
      </div>
      <SheetDialog open={using !== null} onClose={() => setUsing(null)} title={`${using?.name ?? ''} used up`}>
        {using && <UsedUpForm line={using} today={data.today} onClose={() => setUsing(null)} />}
      </SheetDialog>
    </>
  )
}

const round = (value: number) => (Math.round(value * 10) / 10).toLocaleString('en-GB')

function Standing({ line }: { line: SupplyLine }) {
  const { perUse, basis, usedUp, sessions, sessionsAhead, shortOn, missing, orderBy, isOrderDue, supply } = line
  const where = [supply.source && `from ${supply.source}`, supply.secondSource && `else from ${supply.secondSource}`]
  return (
    <span className="block">
      <span className="block text-quiet">
        {perUse === null
          ? `How many are used each time is not known${usedUp > 0 ? `: ${usedUp} in ${sayNumber(sessions, 'session')}, three tell a pace` : ''}`
          : `${round(perUse)} each time${basis === 'log' ? ` by the log (${usedUp} in ${sayNumber(sessions, 'session')})` : ''}, ${sayNumber(sessionsAhead, 'session')} ahead`}
      </span>
      {shortOn !== null && (
        <Mark level={isOrderDue ? 'stop' : 'warn'}>
          too little on {sayDay(shortOn)}: {missing} more wanted.{' '}
          {orderBy === null
            ? 'How long more takes to come is not recorded'
            : isOrderDue
              ? `Order now: the day for it was ${sayDayWithYear(orderBy)}`
              : `Order by ${sayDayWithYear(orderBy)}`}
        </Mark>
      )}
      {line.isExpired && supply.expiresOn && (
        <Mark level="warn">expired on {sayDayWithYear(supply.expiresOn)}: use it no more where it matters</Mark>
      )}
      {!line.isExpired && line.expiresBefore !== null && supply.expiresOn && (
        <Mark level="warn">
          good until {sayDayWithYear(supply.expiresOn)}, and wanted on {sayDay(line.expiresBefore)}
        </Mark>
      )}
      {where.some(Boolean) && <span className="block text-quiet">{where.filter(Boolean).join(', ')}</span>}
    </span>
  )
}

function UsedUpForm({ line, today, onClose }: { line: SupplyLine; today: string; onClose(): void }) {
  const [on, setOn] = useState(today)
  const [quantity, setQuantity] = useState(String(Math.max(1, Math.round(line.perUse ?? 1))))
  const [note, setNote] = useState('')
  const [use, using] = useUseUpStockMutation()
  const problem = using.error ? readProblem(using.error) : null
  const run = useTold()
  const isWhole = /^[1-9]\d{0,4}$/.test(quantity.trim())
  return (
    <form
      className="grid gap-3"
      onSubmit={async (event) => {
        event.preventDefault()
        if (!isWhole) return
        const body = { on, quantity: Number(quantity), note: note.trim() }
        if (await run(use({ stockId: line.stockId, body }).unwrap(), `${quantity} × ${line.name} used up.`)) onClose()
      }}
    >
      <TextField
        label="How many"
        inputMode="numeric"
        autoFocus
        value={quantity}
        unread={isWhole ? undefined : 'A whole number, one at least.'}
        problem={problem?.fields.quantity}
        onChange={(event) => setQuantity(event.target.value)}
      />
      <TextField
        label="On"
        type="date"
        max={today}
        value={on}
        problem={problem?.fields.on}
        onChange={(event) => setOn(event.target.value)}
      />
      <TextField label="What for" value={note} maxLength={300} onChange={(event) => setNote(event.target.value)} />
      <Button look="act" type="submit" className="w-fit" disabled={!on}>
        Write it down
      </Button>
    </form>
  )
}
