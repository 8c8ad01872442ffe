import { CURES, type Cure, type WishRow } from '@exemplar/core'
import { useState } from 'react'
import { usePartiesQuery } from '../../foundation/api/api.ts'
import { useTold } from '../../foundation/api/use-told.ts'
import { FormProblem, SelectField, TextField } from '../../foundation/form/field.tsx'
import { MoneyField } from '../../foundation/form/money-field.tsx'
import { useSaving } from '../../foundation/form/use-saving.ts'
import { Button } from '../../foundation/parts/button.tsx'
import { useTimeWords } from '../../foundation/words/time-words.ts'
import {
  useCancelWishMutation,
  useChangeWishMutation,
  useOrderWishMutation,
  useReceiveWishMutation,
} from './wish-api.ts'
import { bodyOf } from './wish-draft.ts'

/** From whom it is ordered, and when it should come. */
export function OrderForm({ row, onDone }: { row: WishRow; onDone(): void }) {
  const { data: parties } = usePartiesQuery()
  const [partyId, setPartyId] = useState('')
  const [dueOn, setDueOn] = useState('')
  const [order] = useOrderWishMutation()
  const saving = useSaving(onDone)
  return (
    <form
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        const body = { partyId: partyId || null, dueOn: dueOn || null }
        saving.save(() => order({ id: row.id, version: row.version, body }).unwrap(), `${row.name} is on order.`)
      }}
    >
      <SelectField label="From whom" value={partyId} onChange={(event) => setPartyId(event.target.value)}>
        <option value="">Not recorded</option>
        {parties?.map((it) => (
          <option key={it.id} value={it.id}>
            {it.name}
          </option>
        ))}
      </SelectField>
      <TextField label="Due on" type="date" value={dueOn} onChange={(event) => setDueOn(event.target.value)} />
      <FormProblem text={saving.problem?.detail ?? null} />
      <Button look="act" type="submit" className="w-fit" disabled={saving.isSaving}>
        Order it
      </Button>
    </form>
  )
}

/** It is here: when, and what the bill says for all of it. */
export function ArrivedForm({ row, onDone }: { row: WishRow; onDone(): void }) {
  const { today } = useTimeWords()
  const [on, setOn] = useState(today)
  const [netMinor, setNet] = useState<number | null>(row.cost ? row.cost.netMinor * row.quantity : null)
  const [taxMinor, setTax] = useState<number | null>(row.cost ? row.cost.taxMinor * row.quantity : null)
  const [isAsked, setAsked] = useState(false)
  const [receive] = useReceiveWishMutation()
  const saving = useSaving(onDone)
  return (
    <form
      className="grid gap-3 md:grid-cols-3"
      onSubmit={(event) => {
        event.preventDefault()
        setAsked(true)
        if (netMinor === null) return
        const body = { on, netMinor, taxMinor: taxMinor ?? 0 }
        saving.save(() => receive({ id: row.id, version: row.version, body }).unwrap(), `${row.name} is in service.`)
      }}
    >
      <TextField label="Here since" type="date" required value={on} onChange={(event) => setOn(event.target.value)} />
      <MoneyField label="Paid before tax" value={netMinor} onChange={setNet} />
      <MoneyField label="Tax on the bill" value={taxMinor} onChange={setTax} />
      <p className="text-[13px] text-quiet md:col-span-3">
        It goes into the roles that it was wished for, and what was paid into the ledger.
        {row.sales.length > 0 &&
          ` ${row.sales.map((it) => it.tag).join(', ')} is for sale then, where nothing needs it.`}
      </p>
      <div className="grid gap-3 md:col-span-3">
        <FormProblem
          text={
            saving.problem?.detail ??
            (isAsked && netMinor === null ? 'What was paid? Write 0 where nothing was.' : null)
          }
        />
        <Button look="act" type="submit" className="w-fit" disabled={saving.isSaving}>
          It is here
        </Button>
      </div>
    </form>
  )
}

/** Whether it cured what it was bought for. */
export function OutcomeForm({ row, onDone }: { row: WishRow; onDone(): void }) {
  const { today } = useTimeWords()
  const [answer, setAnswer] = useState<Cure>(row.outcome?.answer ?? 'yes')
  const [note, setNote] = useState(row.outcome?.note ?? '')
  const [change] = useChangeWishMutation()
  const saving = useSaving(onDone)
  return (
    <form
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        const body = { ...bodyOf(row), outcome: { answer, on: today, note } }
        saving.save(() => change({ id: row.id, version: row.version, body }).unwrap(), 'It is written down.')
      }}
    >
      <SelectField
        label="Did it cure what it was bought for?"
        value={answer}
        onChange={(event) => setAnswer(event.target.value as Cure)}
      >
        {Object.entries(CURES).map(([code, label]) => (
          <option key={code} value={code}>
            {label}
          </option>
        ))}
      </SelectField>
      <TextField label="What changed, or did not" value={note} onChange={(event) => setNote(event.target.value)} />
      <FormProblem text={saving.problem?.detail ?? null} />
      <Button look="act" type="submit" className="w-fit" disabled={saving.isSaving}>
        Write it down
      </Button>
    </form>
  )
}

/** What is done to a wish with one push. */
export function useWishActs() {
  const [change] = useChangeWishMutation()
  const [cancel] = useCancelWishMutation()
  const run = useTold()
  return {
    putTo: (row: WishRow, state: 'open' | 'enough' | 'dropped', text: string) =>
      run(change({ id: row.id, version: row.version, body: { ...bodyOf(row), state } }).unwrap(), text),
    cancel: (row: WishRow) =>
      run(cancel({ id: row.id, version: row.version }).unwrap(), `${row.name} is wished for again.`),
  }
}
