import type { Bundle, Category } from '@exemplar/core'
import { useState } from 'react'
import { CheckField, TextField } from '../foundation/form/field.tsx'
import { PlaceField } from '../kit/entry/place-field.tsx'
import { useWhatItIs, type WhatItIs, WhatItIsFields } from '../kit/entry/what-it-is.tsx'

/** As many as one bundle takes of a part. */
const MOST = 500
const isCount = (text: string) => /^\d{1,3}$/.test(text.trim()) && Number(text) > 0 && Number(text) <= MOST

/** What was bought and is new: it goes into the kit with its price, told by the questions of quick entry. */
export interface NewThing {
  isNew: boolean
  it: WhatItIs
  count: string
  placeId: string
  setNew(isNew: boolean): void
  setCount(count: string): void
  setPlaceId(placeId: string): void
  /** The purchase as one bundle of one part; null where a field cannot be read, which is shown then. */
  read(paid: Pick<Bundle, 'title' | 'priceMinor' | 'taxMinor' | 'on' | 'partyId'>): Bundle | null
}

/** `canBe`: it is bought, and for nothing that is there already. */
export function useNewThing(canBe: boolean, category: Category): NewThing {
  const [isOpen, setNew] = useState(false)
  const it = useWhatItIs(category)
  const [count, setCount] = useState('1')
  const [placeId, setPlaceId] = useState('')
  return {
    isNew: isOpen && canBe,
    it,
    count,
    placeId,
    setNew,
    setCount,
    setPlaceId,
    read(paid) {
      const told = it.read()
      if (!told || !isCount(count)) return null
      const part = { category: it.category, maker: '', name: paid.title, quantity: Number(count), isThere: true }
      return {
        ...paid,
        placeId: placeId || null,
        acquisition: 'bought-new',
        staysTogether: false,
        parts: [{ ...part, aloneMinor: null, ...told }],
      }
    },
  }
}

export function NewThingFields({
  fresh,
  name,
  problems,
}: {
  fresh: NewThing
  /** As it is called in the entry. */
  name: string
  /** What the server said, by field. */
  problems: Record<string, string> | undefined
}) {
  const { it, isNew, count } = fresh
  return (
    <div className="grid gap-3 md:col-span-2">
      <CheckField
        label="It is a new thing: put it into the kit as well"
        checked={isNew}
        onChange={(event) => {
          fresh.setNew(event.target.checked)
          it.setName(name)
        }}
      />
      {isNew && (
        <>
          <div className="grid gap-3 md:grid-cols-2">
            <TextField
              label="How many"
              inputMode="numeric"
              value={count}
              problem={isCount(count) ? undefined : `A whole number from 1 to ${MOST}.`}
              onChange={(event) => fresh.setCount(event.target.value)}
            />
            <PlaceField label="Where it lives" value={fresh.placeId} onChange={fresh.setPlaceId} />
          </div>
          <WhatItIsFields it={it} problems={problems} />
        </>
      )}
    </div>
  )
}
