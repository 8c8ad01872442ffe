import { COUNTRIES, formatMoney, type ShoppingLine, sumShopping } from '@exemplar/core'
import { useState } from 'react'
import { usePriceShoppingLineMutation, useStudioQuery } from '../foundation/api/api.ts'
import { SavingFoot } from '../foundation/form/saving-foot.tsx'
import { useSaving } from '../foundation/form/use-saving.ts'
import { SheetDialog } from '../foundation/parts/sheet-dialog.tsx'
import { useTimeWords } from '../foundation/words/time-words.ts'
import { draftPrice, makePrice, readPrices } from './wishes/wish-draft.ts'
import { PriceRowFields } from './wishes/wish-fields.tsx'

/** What the list comes to, and whether what is left of the budget pays for it: told only where every line has a price. */
export function ShoppingSum({
  lines,
  currency,
  budget,
}: {
  lines: readonly ShoppingLine[]
  currency: string
  /** What is left of a year's once what is to come is paid; at most so much where not all of that is known. Null where none is set. */
  budget: { year: number; leftMinor: number; isAtMost: boolean } | null
}) {
  const { today } = useTimeWords()
  const { minor, unpriced, stale } = sumShopping(lines, today)
  const say = (it: number) => formatMoney(it, currency)
  if (unpriced === lines.length) return null
  const short = budget && minor - Math.max(0, budget.leftMinor)
  return (
    <p className="py-1.5 text-[13px]">
      <b>{unpriced > 0 ? `More than ${say(minor)}` : `${say(minor)} in all`}</b>, tax in.{' '}
      {unpriced > 0 && `${unpriced} of ${lines.length} have no price. `}
      {stale > 0 && `${stale} ${stale === 1 ? 'price is' : 'prices are'} older than three months. `}
      {budget &&
        short !== null &&
        short > 0 &&
        `That is ${say(short)} more than the forecast leaves of the budget of ${budget.year}.`}
      {budget &&
        short !== null &&
        short <= 0 &&
        unpriced === 0 &&
        !budget.isAtMost &&
        `What the forecast leaves of the budget of ${budget.year} pays for it.`}
    </p>
  )
}

/** What one of a line costs: as it was seen, quoted or guessed, on its day. */
export function ShoppingPriceSheet({ line, onClose }: { line: ShoppingLine; onClose(): void }) {
  const { today } = useTimeWords()
  const { data: studio } = useStudioQuery()
  const [put] = usePriceShoppingLineMutation()
  const saving = useSaving(onClose)
  const rate = studio ? (COUNTRIES[studio.country].taxRates[0] ?? 0) : 0
  const [row, setRow] = useState(() => (line.price ? draftPrice(line.price, rate) : makePrice(today, rate)))
  const send = (version: number) => {
    const [price = null] = readPrices([row])
    const done = price ? `The price of ${line.item} is kept.` : `${line.item} has no price.`
    saving.save(() => put({ id: line.id, version, body: { price } }).unwrap(), done)
  }
  return (
    <SheetDialog open onClose={onClose} title={`Price of one: ${line.item}`}>
      <form
        className="grid grid-cols-2 gap-3"
        onSubmit={(event) => {
          event.preventDefault()
          send(line.version)
        }}
      >
        <PriceRowFields row={row} change={(part) => setRow({ ...row, ...part })} />
        <div className="col-span-2 grid gap-3">
          <SavingFoot saving={saving} act="Save" onMine={send} onTheirs={onClose} />
        </div>
      </form>
    </SheetDialog>
  )
}
