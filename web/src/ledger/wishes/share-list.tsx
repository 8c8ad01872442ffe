import { findExponent, formatMoney, type WishRow, writeCsv } from '@exemplar/core'
import { useState } from 'react'
import { CheckField } from '../../foundation/form/field.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { keepText } from '../../foundation/parts/keep-text.ts'

/** Where it was seen for its latest price. */
const whereOf = ({ prices, cost }: WishRow) =>
  prices.findLast((it) => it.on === cost?.on && it.source !== '')?.source ?? ''

/**
 * What somebody might give us, as a list to pass on: what it is, about what it costs and where. Why we want it, and what it would be worth
 * to us, is nobody's business.
 */
export function ShareList({ rows, currency }: { rows: readonly WishRow[]; currency: string }) {
  const [left, setLeft] = useState<readonly string[]>([])
  const chosen = rows.filter((it) => !left.includes(it.id))
  const text = chosen
    .map((it) => {
      const count = it.quantity > 1 ? `${it.quantity} × ` : ''
      const price = it.cost ? `, about ${formatMoney(it.cost.totalMinor, currency)}` : ''
      const where = whereOf(it)
      return `${count}${it.name}${price}${where ? `, ${where}` : ''}`
    })
    .join('\n')
  const keep = () => {
    const exponent = findExponent(currency)
    const cells = chosen.map((it) => [
      it.name,
      it.quantity,
      it.cost ? (it.cost.totalMinor / 10 ** exponent).toFixed(exponent) : null,
      whereOf(it),
    ])
    keepText('wish-list.csv', writeCsv(['what', 'how many', `about (${currency})`, 'where'], cells), 'text/csv')
  }
  return (
    <div className="grid gap-4">
      <fieldset>
        <legend className="text-[12px] font-semibold">What is on it</legend>
        {rows.map((it) => (
          <CheckField
            key={it.id}
            label={it.name}
            checked={!left.includes(it.id)}
            onChange={() => setLeft(left.includes(it.id) ? left.filter((id) => id !== it.id) : [...left, it.id])}
          />
        ))}
      </fieldset>
      <label className="grid gap-1 text-[12px] font-semibold">
        The list, to be copied
        <textarea
          readOnly
          rows={Math.min(12, chosen.length + 1)}
          className="border border-rule-strong p-2 text-[13px] font-normal"
          value={text}
          onFocus={(event) => event.target.select()}
        />
      </label>
      <div className="flex gap-2">
        <Button look="act" onClick={() => keepText('wish-list.txt', text, 'text/plain')}>
          Keep as text
        </Button>
        <Button onClick={keep}>Keep as CSV</Button>
      </div>
    </div>
  )
}
