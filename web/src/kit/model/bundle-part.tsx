import type { RefObject } from 'react'
import { useEffect } from 'react'
import { CheckField, TextField } from '../../foundation/form/field.tsx'
import { MoneyField } from '../../foundation/form/money-field.tsx'
import { MoreFields } from '../../foundation/form/more-fields.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { KindField } from '../entry/kind-field.tsx'
import { useWhatItIs, type WhatItIs, WhatItIsFields } from '../entry/what-it-is.tsx'

/** One part of a bundle as far as its price hangs on it; what it is stands where it is typed. */
export interface PartRow {
  id: string
  isNamed: boolean
  quantity: string
  isThere: boolean
  aloneMinor: number | null
}

export const makePart = (): PartRow => ({
  id: crypto.randomUUID(),
  isNamed: false,
  quantity: '1',
  isThere: true,
  aloneMinor: null,
})

/** As many as one bundle takes of a part. */
const MOST = 500
const isCount = (text: string) => /^\d{1,3}$/.test(text.trim()) && Number(text) > 0 && Number(text) <= MOST

/** What of the price falls to a part. */
export function sayShare({ isThere }: PartRow, own: readonly number[], say: (minor: number) => string): string {
  if (!isThere) return 'to buy'
  if (own.length === 0) return '–'
  // A penny that does not divide makes two prices of one.
  const prices = [...new Set(own)].map((minor) => {
    const pieces = own.filter((it) => it === minor).length
    return own.length > 1 ? `${pieces} × ${say(minor)}` : say(minor)
  })
  return prices.join(', ')
}

/** What the server said about one part, by the field of that part. */
export function readFieldsOf(paths: Record<string, string>, at: number): Record<string, string> {
  const start = `parts/${at}/`
  return Object.fromEntries(
    Object.entries(paths).flatMap(([key, text]) => (key.startsWith(start) ? [[key.slice(start.length), text]] : [])),
  )
}

/** One part: the same questions as for a thing that is entered by itself, and its share of the price. */
export function BundlePart({
  at,
  part,
  share,
  told,
  problems,
  onChange,
  onRemove,
}: {
  at: number
  part: PartRow
  share: string
  told: RefObject<Map<string, WhatItIs>>
  problems: Record<string, string>
  onChange(part: Partial<PartRow>): void
  onRemove(): void
}) {
  const it = useWhatItIs('light')
  useEffect(() => {
    const all = told.current
    all.set(part.id, it)
    return () => void all.delete(part.id)
  })
  const hasProblem = Object.keys({ ...it.problems, ...problems }).length > 0 || it.doubts.length > 0
  const setName = (name: string) => {
    it.setName(name)
    onChange({ isNamed: name.trim() !== '' })
  }
  return (
    <li className="grid gap-3 border-l-4 border-rule py-1 pl-3">
      <div className="grid grid-cols-1 items-end gap-3 sm:grid-cols-[minmax(0,1fr)_minmax(0,1fr)_5rem_9rem_auto]">
        <KindField
          label={`Kind of part ${at + 1}`}
          value={it.category}
          onChange={it.setCategory}
          onStarter={(name) => {
            it.takeStarter(name)
            onChange({ isNamed: true })
          }}
        />
        <TextField
          label={`Name of part ${at + 1}`}
          value={it.name}
          problem={it.problems.name ?? problems.name}
          onChange={(event) => setName(event.target.value)}
        />
        <TextField
          label="How many"
          aria-label={`How many of part ${at + 1}`}
          inputMode="numeric"
          value={part.quantity}
          unread={isCount(part.quantity) ? undefined : `A whole number from 1 to ${MOST}.`}
          problem={problems.quantity}
          onChange={(event) => onChange({ quantity: event.target.value })}
        />
        <MoneyField
          label="Alone it costs"
          value={part.aloneMinor}
          onChange={(aloneMinor) => onChange({ aloneMinor })}
        />
        <Button size="small" className="w-fit" aria-label={`Remove part ${at + 1}`} onClick={onRemove}>
          Remove
        </Button>
      </div>
      <p className="flex flex-wrap items-center gap-x-5 text-[13px]">
        <CheckField
          label={`Part ${at + 1} was in the box`}
          checked={part.isThere}
          onChange={(event) => onChange({ isThere: event.target.checked })}
        />
        <span className="text-quiet">
          Its share: <span className="figures text-ink">{share}</span>
        </span>
      </p>
      {part.isNamed && part.isThere && (
        <MoreFields summary="What it is, where you know it" hasProblem={hasProblem}>
          <WhatItIsFields it={it} problems={problems} />
        </MoreFields>
      )}
    </li>
  )
}
