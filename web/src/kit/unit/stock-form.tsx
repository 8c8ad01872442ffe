import { NO_SUPPLY, type StockRow } from '@exemplar/core'
import { useState } from 'react'
import { TextField } from '../../foundation/form/field.tsx'
import { SavingFoot } from '../../foundation/form/saving-foot.tsx'
import { useSaving } from '../../foundation/form/use-saving.ts'
import { KindField } from '../entry/kind-field.tsx'
import { PlaceField } from '../entry/place-field.tsx'
import { useWhatItIs, WhatItIsFields } from '../entry/what-it-is.tsx'
import { useAddStockMutation, useChangeStockMutation } from '../kit-api.ts'
import { SupplyFields, useSupply } from './supply-fields.tsx'

const WHOLE = /^\d{1,6}$/

/** Where a stock lies and when more is to be bought; for a new one also what it is and how much there is. */
export function StockForm({ row: latest, onClose }: { row: StockRow | null; onClose(): void }) {
  // As it was when the form was opened: live changes must not slip a newer version under an older draft.
  const [row] = useState(latest)
  const it = useWhatItIs('consumable')
  const [quantity, setQuantity] = useState('0')
  const [reorder, setReorder] = useState(String(row?.reorderLevel ?? 0))
  const [placeId, setPlaceId] = useState(row?.placeId ?? '')
  const supply = useSupply(row?.supply ?? NO_SUPPLY)
  const [add] = useAddStockMutation()
  const [change] = useChangeStockMutation()
  const saving = useSaving(onClose)
  const isRight = WHOLE.test(reorder) && WHOLE.test(quantity) && supply.value !== null
  const submit = (version = row?.version ?? 1) => {
    const read = row ? null : it.read()
    if (!isRight || (!row && !read)) return Promise.resolve()
    const common = { reorderLevel: Number(reorder), placeId: placeId || null, supply: supply.value ?? NO_SUPPLY }
    return saving.save(
      () =>
        row
          ? change({ id: row.id, version, body: common }).unwrap()
          : add({
              ...common,
              category: it.category,
              name: it.name.trim(),
              quantity: Number(quantity),
              ...read,
            }).unwrap(),
      `${row?.name ?? it.name.trim()} is ${row ? 'changed' : 'counted from now on'}.`,
    )
  }
  return (
    <form
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        submit()
      }}
    >
      {!row && (
        <>
          <KindField
            hint="Or one of the common things, with what it usually is"
            autoFocus
            value={it.category}
            onChange={it.setCategory}
            onStarter={it.takeStarter}
          />
          <TextField
            label="Name"
            value={it.name}
            problem={it.problems.name ?? saving.problem?.fields.name}
            onChange={(event) => it.setName(event.target.value)}
          />
          <TextField
            label="How many are there"
            inputMode="numeric"
            value={quantity}
            problem={WHOLE.test(quantity) ? undefined : 'Write a whole number.'}
            onChange={(event) => setQuantity(event.target.value)}
          />
        </>
      )}
      <TextField
        label="Buy more when so many are left"
        hint="0 for never"
        inputMode="numeric"
        value={reorder}
        problem={WHOLE.test(reorder) ? undefined : 'Write a whole number.'}
        onChange={(event) => setReorder(event.target.value)}
      />
      <PlaceField label="Where it lies" value={placeId} onChange={setPlaceId} />
      <SupplyFields supply={supply} />
      {!row && <WhatItIsFields it={it} problems={saving.problem?.fields} />}
      <SavingFoot saving={saving} act="Save" isLocked={!isRight} onMine={submit} onTheirs={onClose} />
    </form>
  )
}
