import type { Supply } from '@exemplar/core'
import { useState } from 'react'
import { TextField } from '../../foundation/form/field.tsx'

/** What is typed of how more of a counted thing is come by. */
export function useSupply(known: Supply) {
  const [typed, setTyped] = useState({
    expiresOn: known.expiresOn ?? '',
    leadDays: String(known.leadDays ?? ''),
    source: known.source,
    secondSource: known.secondSource,
    perUse: String(known.perUse ?? ''),
  })
  const perUse = typed.perUse.trim().replace(',', '.')
  const leadDays = typed.leadDays.trim()
  const reads = { perUse: /^\d{0,4}(\.\d{0,2})?$/.test(perUse), leadDays: /^\d{0,3}$/.test(leadDays) }
  const value: Supply | null =
    reads.perUse && reads.leadDays
      ? {
          expiresOn: typed.expiresOn || null,
          leadDays: leadDays === '' ? null : Number(leadDays),
          source: typed.source.trim(),
          secondSource: typed.secondSource.trim(),
          perUse: perUse === '' ? null : Number(perUse),
        }
      : null
  return { typed, reads, value, set: (part: Partial<typeof typed>) => setTyped({ ...typed, ...part }) }
}

/** How many are used each time, how long more takes, where it is sold and until when it is good. */
export function SupplyFields({ supply: { typed, reads, set } }: { supply: ReturnType<typeof useSupply> }) {
  return (
    <details>
      <summary className="cursor-pointer text-[13px] font-semibold">What is used up, and how more is come by</summary>
      <div className="mt-2 grid gap-3">
        <TextField
          label="Used up each time it serves"
          hint="0 where nothing is; blank where nobody knows: then the log tells"
          inputMode="decimal"
          value={typed.perUse}
          unread={reads.perUse ? undefined : 'Write a number.'}
          onChange={(event) => set({ perUse: event.target.value })}
        />
        <TextField
          label="Days until more is here"
          inputMode="numeric"
          value={typed.leadDays}
          unread={reads.leadDays ? undefined : 'A whole number of days.'}
          onChange={(event) => set({ leadDays: event.target.value })}
        />
        <TextField
          label="Bought from"
          value={typed.source}
          maxLength={160}
          onChange={(event) => set({ source: event.target.value })}
        />
        <TextField
          label="Else from"
          hint="Where the first has none"
          value={typed.secondSource}
          maxLength={160}
          onChange={(event) => set({ secondSource: event.target.value })}
        />
        <TextField
          label="Good until"
          type="date"
          value={typed.expiresOn}
          onChange={(event) => set({ expiresOn: event.target.value })}
        />
      </div>
    </details>
  )
}
