import { type EntryRow, findRefundable, formatMoney } from '@exemplar/core'
import { useState } from 'react'
import { useAddRefundMutation, useChangeEntryMutation } from '../foundation/api/api.ts'
import { TextField } from '../foundation/form/field.tsx'
import { MoneyField } from '../foundation/form/money-field.tsx'
import { SavingFoot } from '../foundation/form/saving-foot.tsx'
import { useSaving } from '../foundation/form/use-saving.ts'
import { SheetDialog } from '../foundation/parts/sheet-dialog.tsx'
import { sayDayWithYear } from '../foundation/words/calendar-words.ts'

/** What may still come back. */
const leftOf = (entry: EntryRow) =>
  findRefundable(entry, [{ date: entry.date, netMinor: entry.backNetMinor, taxMinor: entry.backTaxMinor }])

/** Money that came back of something that was paid; the whole of it is written down to begin with. */
export function RefundSheet({
  entry,
  today,
  currency,
  onClose,
}: {
  entry: EntryRow
  today: string
  currency: string
  onClose(): void
}) {
  const [add] = useAddRefundMutation()
  const left = leftOf(entry)
  const whole = formatMoney(left.netMinor + left.taxMinor, currency)
  const since = entry.backNetMinor + entry.backTaxMinor > 0 ? ' and did not come back yet' : ''
  return (
    <SheetDialog open onClose={onClose} title="Money back">
      <p className="mb-3">
        {entry.description}: {whole} was paid on {sayDayWithYear(entry.date)}
        {since}.
      </p>
      <RefundForm
        initial={{ ...left, date: today < entry.date ? entry.date : today, version: entry.version }}
        currency={currency}
        act="It came back"
        onClose={onClose}
        save={(body, version) => add({ id: entry.id, version, body }).unwrap()}
      />
    </SheetDialog>
  )
}

/** Corrects what was written down of money that came back. */
export function RefundCorrection({ entry, currency, onClose }: { entry: EntryRow; currency: string; onClose(): void }) {
  const [change] = useChangeEntryMutation()
  const { kind, category, description, partyId, unitId } = entry
  return (
    <SheetDialog open onClose={onClose} title={`Correct: ${description}`}>
      <RefundForm
        initial={entry}
        currency={currency}
        act="Save"
        onClose={onClose}
        save={(sums, version) =>
          change({
            id: entry.id,
            version,
            body: { kind, category, description, partyId, unitId, ...sums },
          }).unwrap()
        }
      />
    </SheetDialog>
  )
}

interface Sums {
  date: string
  netMinor: number
  taxMinor: number
}

function RefundForm({
  initial,
  currency,
  act,
  onClose,
  save,
}: {
  initial: Sums & { version: number }
  currency: string
  act: string
  onClose(): void
  save(sums: Sums, version: number): Promise<unknown>
}) {
  const saving = useSaving(onClose)
  const [date, setDate] = useState(initial.date)
  const [netMinor, setNet] = useState<number | null>(initial.netMinor)
  const [taxMinor, setTax] = useState<number | null>(initial.taxMinor)
  const send = (version: number) =>
    saving.save(() => save({ date, netMinor: netMinor ?? 0, taxMinor: taxMinor ?? 0 }, version), `${sum} came back.`)
  const sum = formatMoney((netMinor ?? 0) + (taxMinor ?? 0), currency)
  return (
    <form
      className="grid gap-3 md:grid-cols-3"
      onSubmit={(event) => {
        event.preventDefault()
        send(initial.version)
      }}
    >
      <TextField
        label="Day"
        type="date"
        required
        value={date}
        problem={saving.problem?.fields.date}
        onChange={(event) => setDate(event.target.value)}
      />
      <MoneyField label="Without tax" value={netMinor} problem={saving.problem?.fields.netMinor} onChange={setNet} />
      <MoneyField
        label="Tax of it"
        value={taxMinor}
        problem={saving.problem?.fields.taxMinor}
        hint={`${sum} in all`}
        onChange={setTax}
      />
      <div className="md:col-span-3">
        <SavingFoot saving={saving} act={act} onMine={send} onTheirs={onClose} />
      </div>
    </form>
  )
}
