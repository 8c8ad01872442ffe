import { CATEGORIES, CATEGORY_CODES, type Category, isCounted, type StockRow } from '@exemplar/core'
import { useState } from 'react'
import { SelectField, TextField } from '../../foundation/form/field.tsx'
import { PlaceOptions } from '../../foundation/form/options.tsx'
import { SavingFoot } from '../../foundation/form/saving-foot.tsx'
import { useSaving } from '../../foundation/form/use-saving.ts'
import { useAddStockMutation, useChangeStockMutation } from '../kit-api.ts'

const WHOLE = /^\d{1,6}$/

/** Where a stock lies and when more is to be bought; for a new one also what it is and how much there is. */
export function StockForm({ row: latest, onClose }: { row: StockRow | null; onClose(): void }) {
  // As it was when the form was opened: live changes must not slip a newer version under an older draft.
  const [row] = useState(latest)
  const [category, setCategory] = useState<Category>('consumable')
  const [name, setName] = useState('')
  const [quantity, setQuantity] = useState('0')
  const [reorder, setReorder] = useState(String(row?.reorderLevel ?? 0))
  const [placeId, setPlaceId] = useState(row?.placeId ?? '')
  const [add] = useAddStockMutation()
  const [change] = useChangeStockMutation()
  const saving = useSaving(onClose)
  const isRight = WHOLE.test(reorder) && WHOLE.test(quantity) && (row !== null || name.trim() !== '')
  const submit = (version = row?.version ?? 1) => {
    if (!isRight) return Promise.resolve()
    const common = { reorderLevel: Number(reorder), placeId: placeId || null }
    return saving.save(
      () =>
        row
          ? change({ id: row.id, version, body: common }).unwrap()
          : add({ ...common, category, name: name.trim(), quantity: Number(quantity) }).unwrap(),
      `${row?.name ?? name.trim()} is ${row ? 'changed' : 'counted from now on'}.`,
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
          <SelectField label="Kind" value={category} onChange={(event) => setCategory(event.target.value as Category)}>
            {[...CATEGORY_CODES]
              .sort((a, b) => Number(isCounted(b)) - Number(isCounted(a)))
              .map((code) => (
                <option key={code} value={code}>
                  {CATEGORIES[code].label}
                </option>
              ))}
          </SelectField>
          <TextField
            label="Name"
            autoFocus
            value={name}
            problem={saving.problem?.fields.name}
            onChange={(event) => setName(event.target.value)}
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
      <SelectField label="Where it lies" value={placeId} onChange={(event) => setPlaceId(event.target.value)}>
        <PlaceOptions none="Not known yet" />
      </SelectField>
      <SavingFoot saving={saving} act="Save" isLocked={!isRight} onMine={submit} onTheirs={onClose} />
    </form>
  )
}
