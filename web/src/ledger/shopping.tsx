import { formatMoney, listInWords, PRICE_KINDS, type ShoppingLine, sayAbility } from '@exemplar/core'
import { useState } from 'react'
import { Link, useSearchParams } from 'react-router'
import { useMarkBoughtMutation, useShoppingQuery, useStudioQuery, useUnitsQuery } from '../foundation/api/api.ts'
import { readProblem } from '../foundation/api/problem.ts'
import { useMay } from '../foundation/api/session.ts'
import { useAppDispatch } from '../foundation/api/store.ts'
import { tellDone } from '../foundation/api/tell-done.ts'
import { tellTrouble } from '../foundation/api/toasts.ts'
import { useMeasures } from '../foundation/form/measures.tsx'
import { Button, ButtonLink } from '../foundation/parts/button.tsx'
import { Mark } from '../foundation/parts/mark.tsx'
import { sayDayWithYear } from '../foundation/words/calendar-words.ts'
import { useTimeWords } from '../foundation/words/time-words.ts'
import { useAbleQuery, useFiguresQuery } from '../kit/kit-api.ts'
import { ShoppingPriceSheet, ShoppingSum } from './shopping-price.tsx'

const readWords = (text: string) => text.toLowerCase().match(/[\p{L}\p{N}]{2,}/gu) ?? []

/** Two names share a word, or its beginning: a search that forgives typing errors takes a lamp for a clamp. */
const areAlike = (one: string, other: string) =>
  readWords(one).some((a) => readWords(other).some((b) => a.startsWith(b) || b.startsWith(a)))

/** What the kit has that is called alike: an old thing may do instead of a new one, and what proved itself is to be had again. */
function OwnAlike({ item }: { item: string }) {
  const { today } = useTimeWords()
  const find = item.replace(/[^\p{L}\p{N} -]/gu, ' ').slice(0, 60)
  const { data: found } = useUnitsQuery({ find, freeOn: today, limit: 3 })
  const free = found?.rows.filter((it) => areAlike(item, it.name)) ?? []
  const { data: alike } = useUnitsQuery({ find, limit: 20 })
  const { data: figures } = useFiguresQuery('full')
  const ids = new Set(alike?.rows.map((it) => it.id))
  const proved = [...new Set(figures?.use.filter((it) => it.hasProvedItself && ids.has(it.id)).map((it) => it.name))]
  return (
    <>
      {free.length > 0 && (
        <span className="ml-4.5 block text-[13px]">
          Here already, and free today:{' '}
          {free.map((it, at) => (
            <span key={it.id}>
              {at > 0 && ', '}
              <Link to={`/kit/${it.id}`}>
                {it.tag} {it.name}
              </Link>
            </span>
          ))}
        </span>
      )}
      {proved.length > 0 && (
        <span className="ml-4.5 block text-[13px]">
          <Mark level="ok">Proved itself here, so the same again: {proved.join(', ')}</Mark>
        </span>
      )}
    </>
  )
}

/** What it has to do, what here could do that, and why none of it will do. */
function AbleAlready({ line: { wants, noneBecause } }: { line: ShoppingLine }) {
  const { data } = useAbleQuery(wants)
  const { sayLength, sayMass } = useMeasures()
  return (
    <span className="ml-4.5 block text-[13px]">
      It {listInWords(wants.map((it) => sayAbility(it, { sayLength, sayMass })))}.
      {data && data.able.length > 0 && (
        <span className="block">
          Here already:{' '}
          {data.able.slice(0, 3).map((it, at) => (
            <span key={it.id}>
              {at > 0 && ', '}
              <Link to={it.kind === 'unit' ? `/kit/${it.id}` : `/kit/stock/${it.id}`}>
                {it.tag} {it.name}
              </Link>
            </span>
          ))}
          {data.able.length > 3 && ` and ${data.able.length - 3} more`}.{' '}
          {noneBecause ? `None will do: ${noneBecause}` : ''}
        </span>
      )}
    </span>
  )
}

/** What a line comes to, and how sure that is. */
function PriceLine({
  line: { quantity },
  price: { kind, netMinor, taxMinor, on, source },
  currency,
}: {
  line: ShoppingLine
  price: NonNullable<ShoppingLine['price']>
  currency: string
}) {
  const each = formatMoney(netMinor + taxMinor, currency)
  const all = formatMoney((netMinor + taxMinor) * quantity, currency)
  return (
    <span className="ml-4.5 block text-[13px]">
      {quantity > 1 ? `${all} (${each} each)` : all}
      <span className="text-quiet">
        {' '}
        · {PRICE_KINDS[kind].toLowerCase()}
        {source && `, ${source}`}, {sayDayWithYear(on)}
      </span>
    </span>
  )
}

/** What the entry of a line that is bought begins with. */
const sumOf = ({ price, quantity }: ShoppingLine): Record<string, string> =>
  price ? { net: String(price.netMinor * quantity), tax: String(price.taxMinor * quantity) } : {}

/** What is to be bought, and what the kit has instead. */
export function Shopping({ budget }: Pick<Parameters<typeof ShoppingSum>[0], 'budget'>) {
  const { data } = useShoppingQuery()
  const { data: studio } = useStudioQuery()
  const [pricedId, setPricedId] = useState<string | null>(null)
  const may = useMay()
  const priced = data?.find((it) => it.id === pricedId)
  const currency = studio?.currency ?? 'GBP'
  const [bought] = useMarkBoughtMutation()
  const [, setParams] = useSearchParams()
  const dispatch = useAppDispatch()
  return (
    <section className="mt-4">
      <div className="flex items-center justify-between gap-3 border-b border-rule pb-1">
        <h2>Shopping list</h2>
        <ButtonLink size="small" to="/kit/able">
          Something to buy
        </ButtonLink>
      </div>
      {data?.length === 0 && (
        <p className="py-3 text-[13px] text-quiet">
          Nothing to buy. What a setup lacks can be put here from its margin.
        </p>
      )}
      {data && data.length > 0 && <ShoppingSum lines={data} currency={currency} budget={budget} />}
      {priced && <ShoppingPriceSheet line={priced} onClose={() => setPricedId(null)} />}
      <ul>
        {data?.map((line) => (
          <li key={line.id} className="flex items-start gap-3 border-b border-rule py-2">
            <span className="min-w-0 flex-1">
              <Mark level="advise">
                {line.quantity} × {line.item}
              </Mark>
              <span className="ml-4.5 block text-[13px] text-quiet">{line.reason}</span>
              {line.price && <PriceLine line={line} price={line.price} currency={currency} />}
              {line.wants.length > 0 ? <AbleAlready line={line} /> : <OwnAlike item={line.item} />}
            </span>
            {may('change-ledger') && (
              <Button size="small" aria-label={`Price of ${line.item}`} onClick={() => setPricedId(line.id)}>
                Price
              </Button>
            )}
            <Button
              size="small"
              onClick={() =>
                bought({ id: line.id, version: line.version })
                  .unwrap()
                  .then((reply) => {
                    tellDone(dispatch, `${line.item} is bought.`, reply)
                    setParams({ add: 'entry', what: line.item, ...sumOf(line) })
                  })
                  .catch((problem) => dispatch(tellTrouble(readProblem(problem).detail)))
              }
            >
              Bought
            </Button>
          </li>
        ))}
      </ul>
    </section>
  )
}
