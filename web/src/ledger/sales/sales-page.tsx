import { formatMoney, type LifeState, listInWords, type SaleRow, sayNumber, sumKnown } from '@exemplar/core'
import { useState } from 'react'
import { Link } from 'react-router'
import { useChangeUnitMutation, useSpendingQuery, useStudioQuery } from '../../foundation/api/api.ts'
import { readProblem } from '../../foundation/api/problem.ts'
import { useMay } from '../../foundation/api/session.ts'
import { useAppDispatch } from '../../foundation/api/store.ts'
import { tellDone } from '../../foundation/api/tell-done.ts'
import { tellTrouble } from '../../foundation/api/toasts.ts'
import { Button } from '../../foundation/parts/button.tsx'
import { Mark } from '../../foundation/parts/mark.tsx'
import { Empty, PageHead, Tag, Waiting } from '../../foundation/parts/page-parts.tsx'
import { SheetDialog } from '../../foundation/parts/sheet-dialog.tsx'
import { useTimeWords } from '../../foundation/words/time-words.ts'
import { ThingPicker } from '../../kit/entry/thing-picker.tsx'
import { LedgerTabs } from '../wishes/ledger-tabs.tsx'
import { AskForm, SoldForm, sayRoughly } from './sale-forms.tsx'
import { useForSaleQuery, useLazyUnitVersionQuery } from './sales-api.ts'

/** What is for sale, what it should bring, and what would lie idle without it. */
export function SalesPage() {
  const { data, error, refetch } = useForSaleQuery()
  const { data: studio } = useStudioQuery()
  const { today } = useTimeWords()
  const year = Number(today.slice(0, 4))
  const { data: spending } = useSpendingQuery(year, { skip: !year })
  const [asked, setAsked] = useState<string | null>(null)
  const [sold, setSold] = useState<string | null>(null)
  const [isChoosing, setChoosing] = useState(false)
  const may = useMay()
  const move = useMove()
  if (!data || !studio) return <Waiting what="what is for sale" error={error} onRetry={refetch} />
  const { rows } = data
  const { currency } = studio
  const rowOf = (id: string | null) => rows.find((it) => it.id === id)
  const [askedRow, soldRow] = [rowOf(asked), rowOf(sold)]
  return (
    <>
      <PageHead title="For sale" aside={sayNumber(rows.length, 'thing')}>
        {may('change-kit') && <Button onClick={() => setChoosing(true)}>Put a thing on the list</Button>}
        <Button look="act" onClick={() => window.print()}>
          Print
        </Button>
      </PageHead>
      <LedgerTabs />
      <div className="px-4 pb-16 md:px-5">
        {rows.length === 0 ? (
          <Empty title="Nothing is for sale">
            Put a thing here that nothing needs any more, and see what would lie idle without it.
          </Empty>
        ) : (
          <>
            <Proceeds rows={rows} currency={currency} leftMinor={spending?.leftMinor ?? null} year={year} />
            <ul className="max-w-[860px]">
              {rows.map((row) => (
                <SaleItem
                  key={row.id}
                  row={row}
                  currency={currency}
                  onAsk={may('change-kit') ? () => setAsked(row.id) : null}
                  onSold={may('change-ledger') ? () => setSold(row.id) : null}
                  onKeep={may('change-kit') ? () => move(row.id, 'in-service', `${row.tag} is kept.`) : null}
                />
              ))}
            </ul>
          </>
        )}
      </div>
      <SheetDialog open={isChoosing} onClose={() => setChoosing(false)} wide title="Put a thing on the list">
        <ThingPicker
          wants={null}
          taken={new Set(rows.map((it) => it.id))}
          withStock={false}
          act={{ short: 'For sale', say: (tag) => `Put ${tag} on the list` }}
          onPick={(picked) => {
            if (!('unitId' in picked)) return
            move(picked.unitId, 'for-sale', `${picked.tag} is for sale: no setup can count on it.`)
            setChoosing(false)
          }}
        />
      </SheetDialog>
      <SheetDialog
        open={askedRow !== undefined}
        onClose={() => setAsked(null)}
        title={`Price of ${askedRow?.tag ?? ''}`}
      >
        {askedRow && <AskForm row={askedRow} currency={currency} onClose={() => setAsked(null)} />}
      </SheetDialog>
      <SheetDialog open={soldRow !== undefined} onClose={() => setSold(null)} title={`${soldRow?.tag ?? ''} is sold`}>
        {soldRow && <SoldForm row={soldRow} today={today} currency={currency} onClose={() => setSold(null)} />}
      </SheetDialog>
    </>
  )
}

/** Puts a thing on the list or takes it off, as it is at this moment. */
function useMove() {
  const [load] = useLazyUnitVersionQuery()
  const [change] = useChangeUnitMutation()
  const dispatch = useAppDispatch()
  return async (id: string, state: LifeState, text: string) => {
    try {
      const { version } = await load(id).unwrap()
      const reply = await change({ id, version, body: { state } }).unwrap()
      tellDone(dispatch, text, reply)
    } catch (problem) {
      dispatch(tellTrouble(readProblem(problem).detail))
    }
  }
}

/** What all of it brings at what is asked, and what that makes of the budget. */
function Proceeds({
  rows,
  currency,
  leftMinor,
  year,
}: {
  rows: readonly SaleRow[]
  currency: string
  leftMinor: number | null
  year: number
}) {
  const { sum, unknown } = sumKnown(rows.map((it) => it.provenance.askMinor))
  const say = (minor: number) => formatMoney(minor, currency)
  return (
    <div className="my-3">
      <p className="text-verdict font-bold tracking-tight">
        {unknown === rows.length
          ? `Nothing is asked yet for ${sayNumber(rows.length, 'thing')}`
          : `${say(sum)} is asked${unknown > 0 ? `, and nothing yet for ${unknown} of ${sayNumber(rows.length, 'thing')}` : ''}`}
      </p>
      {leftMinor !== null && sum > 0 && (
        <p className="text-[13px] text-quiet">
          {leftMinor >= 0 ? `${say(leftMinor)} is left` : `${say(-leftMinor)} is missing`} of the budget of {year}; sold
          at these prices it is{' '}
          {leftMinor + sum >= 0 ? `${say(leftMinor + sum)} that is left` : `${say(-leftMinor - sum)} that is missing`},
          less postage and fees.
        </p>
      )}
    </div>
  )
}

const listDoubts = (row: SaleRow) => [...new Set(row.stranded.flatMap((it) => it.perhapsIn))].sort()
const countDoubts = (row: SaleRow) => listDoubts(row).length
const sayDoubts = (row: SaleRow) => listInWords(listDoubts(row).slice(0, 4))

/** What is left behind by a sale. */
function Left({ level, says, parts }: { level: 'advise' | 'unknown'; says: string; parts: SaleRow['stranded'] }) {
  if (parts.length === 0) return null
  return (
    <span className="block">
      <Mark level={level}>
        <span>
          {says}:{' '}
          {parts.map((it, at) => (
            <span key={it.id}>
              {at > 0 && ', '}
              <Link to={it.isCounted ? '/kit/stock' : `/kit/${it.id}`}>{`${it.tag} ${it.name}`}</Link>
            </span>
          ))}
        </span>
      </Mark>
    </span>
  )
}

function SaleItem({
  row,
  currency,
  onAsk,
  onSold,
  onKeep,
}: {
  row: SaleRow
  currency: string
  onAsk: (() => void) | null
  onSold: (() => void) | null
  onKeep: (() => void) | null
}) {
  const { askMinor } = row.provenance
  const say = (minor: number) => formatMoney(minor, currency)
  return (
    <li className="flex flex-wrap items-start gap-3 border-b border-rule py-2.5">
      <span className="min-w-0 flex-1 basis-64">
        <Tag>{row.tag}</Tag> <Link to={`/kit/${row.id}`}>{row.name}</Link>
        <span className="block text-[13px] text-quiet">
          {row.resaleMinor === null
            ? 'what it should fetch is not known'
            : `should fetch about ${sayRoughly(row.resaleMinor, currency)}, by its price and age`}
        </span>
        {row.usedIn.length > 0 && (
          <span className="block">
            <Mark level="warn">
              still in{' '}
              {row.usedIn.map((it, at) => (
                <span key={it.id + it.role}>
                  {at > 0 && ', '}
                  <Link to={`/setups/${it.id}`}>{it.code}</Link> ({it.role})
                </span>
              ))}
            </Mark>
          </span>
        )}
        <Left
          level="advise"
          says="without it of no use"
          parts={row.stranded.filter((it) => it.perhapsIn.length === 0)}
        />
        <Left
          level="unknown"
          says={`without it perhaps of no use, as nobody said what ${sayDoubts(row)} ${countDoubts(row) === 1 ? 'takes' : 'take'}`}
          parts={row.stranded.filter((it) => it.perhapsIn.length > 0)}
        />
      </span>
      <span className="figures font-semibold">{askMinor === null ? '–' : say(askMinor)}</span>
      <span className="no-print flex gap-2">
        {onAsk && (
          <Button size="small" aria-label={`Price of ${row.tag}`} onClick={onAsk}>
            Price
          </Button>
        )}
        {onKeep && (
          <Button size="small" look="quiet" aria-label={`Keep ${row.tag}`} onClick={onKeep}>
            Keep it
          </Button>
        )}
        {onSold && (
          <Button size="small" aria-label={`${row.tag} is sold`} onClick={onSold}>
            Sold
          </Button>
        )}
      </span>
    </li>
  )
}
