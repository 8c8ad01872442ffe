import { CURES, findExponent, formatMoney, sayNumber, sumKnown, WEIGHTINGS, type WishRow } from '@exemplar/core'
import { useState } from 'react'
import { useSearchParams } from 'react-router'
import { useStudioQuery } from '../../foundation/api/api.ts'
import { useMay } from '../../foundation/api/session.ts'
import { Button } from '../../foundation/parts/button.tsx'
import { Mark } from '../../foundation/parts/mark.tsx'
import { Empty, PageHead, Section, Waiting } from '../../foundation/parts/page-parts.tsx'
import { SheetDialog } from '../../foundation/parts/sheet-dialog.tsx'
import { LedgerTabs } from './ledger-tabs.tsx'
import { ShareList } from './share-list.tsx'
import { ArrivedForm, OrderForm, OutcomeForm, useWishActs } from './wish-acts.tsx'
import { useWishesQuery } from './wish-api.ts'
import { WishForm } from './wish-form.tsx'
import { WishItem } from './wish-item.tsx'

type Dialog = { kind: 'edit' | 'order' | 'arrived' | 'outcome'; row: WishRow }
const TITLES = {
  edit: 'Change the wish',
  order: 'Order it',
  arrived: 'It is here',
  outcome: 'Did it cure it?',
} as const

/** Points for a hundred of the currency: what a wish is worth for its money, with what it needs. */
const perHundred = ({ score: { points, wholeMinor } }: WishRow, weighting: string, hundred: number): number | null =>
  wholeMinor === null || wholeMinor <= 0 ? null : ((points[weighting] ?? 0) * hundred) / wholeMinor

/** What might be bought, why, and what it would do: tried in the setups before anybody pays. */
export function WishesPage() {
  const { data, error, refetch } = useWishesQuery()
  const { data: studio } = useStudioQuery()
  const [params, setParams] = useSearchParams()
  const [dialog, setDialog] = useState<Dialog | null>(null)
  const acts = useWishActs()
  const may = useMay()
  if (!data || !studio) return <Waiting what="the wishes" error={error} onRetry={refetch} />
  const { wishes, setups, advice, basis } = data
  const { currency } = studio
  const names = new Map(wishes.map((it) => [it.id, it.name]))
  const open = wishes.filter((it) => it.state === 'open')
  const wanted = open.filter((it) => !it.isWaiting)
  const asks = wishes.filter((it) => it.asksOutcome)
  const regretted = wishes.filter((it) => it.state === 'here' && it.outcome && it.outcome.answer !== 'yes')
  const close = () => setDialog(null)
  const groups = [
    { title: 'Did they cure it?', rows: asks },
    { title: 'Wanted', rows: byWorth(wanted, findHundred(currency)) },
    { title: 'Waiting', rows: open.filter((it) => it.isWaiting) },
    { title: 'On order', rows: wishes.filter((it) => it.state === 'ordered') },
    { title: 'Here', rows: wishes.filter((it) => it.state === 'here' && !it.asksOutcome) },
    { title: 'Put to rest', rows: wishes.filter((it) => it.state === 'enough' || it.state === 'dropped') },
  ]
  const change = may('change-ledger')
  return (
    <>
      <PageHead title="Wishes" aside={sayNumber(open.length, 'wish', 'wishes')}>
        {open.length > 0 && <Button onClick={() => setParams({ share: 'list' })}>As a list to pass on</Button>}
        <Button look="act" onClick={() => setParams({ add: 'wish' })}>
          Wish for something
        </Button>
      </PageHead>
      <LedgerTabs />
      <div className="px-4 pb-16 md:px-5">
        {wishes.length === 0 && (
          <Empty title="Nothing is wished for">
            Write down what is wrong and what might cure it. It is tried in your setups before anybody pays: what it
            cures, what else it asks for, how many shoots gain.
          </Empty>
        )}
        {wanted.length > 1 && <Schools rows={wanted} names={names} currency={currency} basis={basis} />}
        {regretted.length > 0 && <Regrets rows={regretted} currency={currency} />}
        {groups.map(({ title, rows }) =>
          rows.length === 0 ? null : (
            <Section key={title} title={title} aside={String(rows.length)}>
              <ul>
                {rows.map((row) => (
                  <li key={row.id} className="flex flex-wrap gap-x-6 gap-y-2 border-b border-rule py-3">
                    <div className="min-w-0 flex-1 basis-80">
                      <WishItem row={row} setups={setups} names={names} currency={currency} />
                      {row.outcome && (
                        <p className="text-[13px]">
                          Cured it? <b>{CURES[row.outcome.answer]}</b>
                          {row.outcome.note && `: ${row.outcome.note}`}
                        </p>
                      )}
                    </div>
                    {change && (
                      <div className="no-print flex flex-wrap content-start items-start gap-2">
                        {row.state === 'open' && (
                          <>
                            <Button size="small" onClick={() => setDialog({ kind: 'edit', row })}>
                              Change
                            </Button>
                            <Button size="small" onClick={() => setDialog({ kind: 'order', row })}>
                              Order
                            </Button>
                            <Button
                              size="small"
                              onClick={() => acts.putTo(row, 'enough', `${row.name} rests: what is there does.`)}
                            >
                              Good enough as it is
                            </Button>
                            <Button
                              size="small"
                              onClick={() => acts.putTo(row, 'dropped', `${row.name} is not wanted any more.`)}
                            >
                              Drop
                            </Button>
                          </>
                        )}
                        {row.state === 'ordered' && (
                          <>
                            <Button size="small" look="act" onClick={() => setDialog({ kind: 'arrived', row })}>
                              It is here
                            </Button>
                            <Button size="small" onClick={() => acts.cancel(row)}>
                              Cancelled by the seller
                            </Button>
                          </>
                        )}
                        {row.state === 'here' && (
                          <Button size="small" onClick={() => setDialog({ kind: 'outcome', row })}>
                            Did it cure it?
                          </Button>
                        )}
                        {(row.state === 'enough' || row.state === 'dropped') && (
                          <Button size="small" onClick={() => acts.putTo(row, 'open', `${row.name} is wanted again.`)}>
                            Want it again
                          </Button>
                        )}
                      </div>
                    )}
                  </li>
                ))}
              </ul>
            </Section>
          ),
        )}
        {advice.length > 0 && (
          <Section title="Whose advice cured what it was for">
            <ul>
              {advice.map((it) => (
                <li key={it.by} className="border-b border-rule py-1.5 text-[13px]">
                  {it.by}: {it.yes} of {it.yes + it.partly + it.no} cured
                  {it.partly > 0 && `, ${it.partly} partly`}
                  {it.open > 0 && <span className="text-quiet">, {it.open} not said yet</span>}
                </li>
              ))}
            </ul>
          </Section>
        )}
      </div>
      <SheetDialog open={params.get('share') === 'list'} onClose={() => setParams({})} title="A list to pass on">
        <ShareList rows={wanted} currency={currency} />
      </SheetDialog>
      <SheetDialog open={params.get('add') === 'wish'} onClose={() => setParams({})} wide title="Wish for something">
        <WishForm row={null} all={wishes} onDone={() => setParams({})} />
      </SheetDialog>
      <SheetDialog
        open={dialog !== null}
        onClose={close}
        wide={dialog?.kind === 'edit' || dialog?.kind === 'arrived'}
        title={dialog ? `${TITLES[dialog.kind]}: ${dialog.row.name}` : ''}
      >
        {dialog?.kind === 'edit' && <WishForm row={dialog.row} all={wishes} onDone={close} />}
        {dialog?.kind === 'order' && <OrderForm row={dialog.row} onDone={close} />}
        {dialog?.kind === 'arrived' && <ArrivedForm row={dialog.row} onDone={close} />}
        {dialog?.kind === 'outcome' && <OutcomeForm row={dialog.row} onDone={close} />}
      </SheetDialog>
    </>
  )
}

/** So much money as people weigh things by: a hundred, and ten thousand where the smallest coin is the unit. */
const findHundred = (currency: string) => (findExponent(currency) === 0 ? 10_000 : 100 * 10 ** findExponent(currency))

/** What is worth most for its money first, all alike; what has no price last, as nobody can tell. */
function byWorth(rows: readonly WishRow[], hundred: number): WishRow[] {
  const worth = (it: WishRow) => perHundred(it, 'even', hundred) ?? (it.score.wholeMinor === 0 ? Infinity : -1)
  return [...rows].sort((a, b) => worth(b) - worth(a) || (a.name < b.name ? -1 : 1))
}

/** What was bought and did not do what it was bought for, and what that cost: nothing of its kind is ordered untried. */
function Regrets({ rows, currency }: { rows: readonly WishRow[]; currency: string }) {
  const { sum, unknown } = sumKnown(rows.map((it) => it.paidMinor))
  return (
    <Section title="Regretted" aside={String(rows.length)}>
      <ul>
        {rows.map((it) => (
          <li key={it.id} className="border-b border-rule py-1.5 text-[13px]">
            <b>{it.name}</b>
            {it.outcome?.note && `: ${it.outcome.note}`}{' '}
            <span className="text-quiet">
              {it.outcome?.answer === 'partly' ? 'cured in part' : 'did not cure it'}
              {it.paidMinor !== null && `, ${formatMoney(it.paidMinor, currency)}`}
            </span>
          </li>
        ))}
      </ul>
      <p className="py-1 text-[13px]">
        {formatMoney(sum, currency)} in all{unknown > 0 && `, and ${unknown} of which nobody knows what they cost`}. The
        next of such a kind is tried before it is ordered.
      </p>
    </Section>
  )
}

/** Points for the money under each school side by side: none of them is right for everybody. */
function Schools({
  rows,
  names,
  currency,
  basis,
}: {
  rows: readonly WishRow[]
  names: ReadonlyMap<string, string>
  currency: string
  basis: 'ahead' | 'behind' | 'none'
}) {
  const hundred = findHundred(currency)
  const ranked = byWorth(rows, hundred)
  const unpriced = rows.filter((it) => it.score.wholeMinor === null).length
  return (
    <Section title={`Worth for every ${formatMoney(hundred, currency)}`} aside="under each school">
      <div className="overflow-x-auto">
        <table className="w-full max-w-[760px] text-[13px]">
          <thead>
            <tr className="text-left">
              <th scope="col" className="py-1 pr-3">
                Wish
              </th>
              {Object.entries(WEIGHTINGS).map(([code, { label }]) => (
                <th key={code} scope="col" className="px-2 py-1 text-right font-semibold">
                  {label}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {ranked.map((row) => (
              <tr key={row.id} className="border-t border-rule">
                <th scope="row" className="border-b-0 py-1 pr-3 text-left font-normal text-ink">
                  {row.name}
                  {row.score.withIds.length > 0 && (
                    <span className="text-quiet"> with {row.score.withIds.map((id) => names.get(id)).join(', ')}</span>
                  )}
                </th>
                {Object.keys(WEIGHTINGS).map((code) => {
                  const worth = perHundred(row, code, hundred)
                  return (
                    <td key={code} className="px-2 py-1 text-right font-mono">
                      {worth === null ? (row.score.wholeMinor === 0 ? 'free' : '–') : worth.toFixed(1)}
                    </td>
                  )
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p className="py-1 text-[12px] text-quiet">
        Ten points for a shoot that nothing stops with it, one to three for one that is better, as bad as you said its
        defect is; what a school puts first counts three times, what comes second twice.{' '}
        {
          {
            ahead: 'Shoots of the next 182 days.',
            behind: 'Nothing is booked ahead: shoots of the last 182 days.',
            none: 'No shoot is booked or was: each setup counts one.',
          }[basis]
        }{' '}
        {unpriced > 0 && <Mark level="unknown">{sayNumber(unpriced, 'price')} unknown</Mark>}
      </p>
    </Section>
  )
}
