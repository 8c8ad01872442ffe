import { findExponent, formatMoney, type SaleRow } from '@exemplar/core'
import { useState } from 'react'
import { useChangeUnitMutation } from '../../foundation/api/api.ts'
import { SelectField, TextField } from '../../foundation/form/field.tsx'
import { MoneyField } from '../../foundation/form/money-field.tsx'
import { PartyOptions } from '../../foundation/form/options.tsx'
import { SavingFoot } from '../../foundation/form/saving-foot.tsx'
import { useSaving } from '../../foundation/form/use-saving.ts'
import { Tag } from '../../foundation/parts/page-parts.tsx'
import { useSellUnitMutation } from './sales-api.ts'

/** A rule of thumb knows no pence. */
export function sayRoughly(minor: number, currency: string): string {
  const one = 10 ** findExponent(currency)
  return formatMoney(Math.round(minor / one) * one, currency)
}

/** What is asked for a thing. */
export function AskForm({ row: latest, currency, onClose }: { row: SaleRow; currency: string; onClose(): void }) {
  // As it was when the form was opened: live changes must not slip a newer version under an older draft.
  const [row] = useState(latest)
  const [askMinor, setAsk] = useState(row.provenance.askMinor)
  const [change] = useChangeUnitMutation()
  const saving = useSaving(onClose)
  const send = (version: number) =>
    saving.save(
      () => change({ id: row.id, version, body: { provenance: { ...row.provenance, askMinor } } }).unwrap(),
      askMinor === null
        ? `Nothing is asked for ${row.tag}.`
        : `${formatMoney(askMinor, currency)} is asked for ${row.tag}.`,
    )
  return (
    <form
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        send(row.version)
      }}
    >
      <MoneyField
        label="Price asked"
        value={askMinor}
        hint={
          row.resaleMinor === null
            ? 'What it should fetch is not known: its price, or since when it is here, is not recorded'
            : `At its age such a thing fetches about ${sayRoughly(row.resaleMinor, currency)}: a rule of thumb`
        }
        onChange={setAsk}
      />
      <SavingFoot saving={saving} act="Save" onMine={send} onTheirs={onClose} />
    </form>
  )
}

/** What it brought, and what goes with it: offered is what would serve nothing more. */
export function SoldForm({
  row: latest,
  today,
  currency,
  onClose,
}: {
  row: SaleRow
  today: string
  currency: string
  onClose(): void
}) {
  const [row] = useState(latest)
  const [on, setOn] = useState(today)
  const [netMinor, setNet] = useState<number | null>(row.provenance.askMinor)
  const [taxMinor, setTax] = useState<number | null>(null)
  const [partyId, setPartyId] = useState('')
  const [isAsked, setAsked] = useState(false)
  const [withIds, setWith] = useState<readonly string[]>([])
  const [sell] = useSellUnitMutation()
  const saving = useSaving(onClose)
  const parts = row.stranded.filter((it) => it.canGo)
  const sum = formatMoney((netMinor ?? 0) + (taxMinor ?? 0), currency)
  const send = (version: number) =>
    saving.save(
      () =>
        sell({
          id: row.id,
          version,
          body: {
            on,
            netMinor: netMinor ?? 0,
            taxMinor: taxMinor ?? 0,
            partyId: partyId || null,
            withIds: [...withIds],
          },
        }).unwrap(),
      `${row.tag} is sold for ${sum}.`,
    )
  return (
    <form
      className="grid gap-3 md:grid-cols-2"
      onSubmit={(event) => {
        event.preventDefault()
        setAsked(true)
        // What nobody said is not nothing.
        if (netMinor !== null) send(row.version)
      }}
    >
      <TextField
        label="Day"
        type="date"
        required
        value={on}
        problem={saving.problem?.fields.on}
        onChange={(event) => setOn(event.target.value)}
      />
      <SelectField label="To whom" value={partyId} onChange={(event) => setPartyId(event.target.value)}>
        <PartyOptions none="Not recorded" />
      </SelectField>
      <MoneyField
        label="Brought, without tax"
        value={netMinor}
        hint="After postage and fees"
        problem={
          isAsked && netMinor === null
            ? 'What did it bring? Write 0 if it was given away.'
            : saving.problem?.fields.netMinor
        }
        onChange={setNet}
      />
      <MoneyField label="Tax that is owed on it" value={taxMinor} hint={`${sum} in all`} onChange={setTax} />
      {parts.length > 0 && (
        <fieldset className="md:col-span-2">
          <legend className="mb-1 text-[12px] font-semibold">Goes with it</legend>
          {parts.map((it) => (
            <label key={it.id} className="flex min-h-8 items-center gap-2 text-[13px]">
              <input
                type="checkbox"
                className="size-4 accent-(--ink)"
                checked={withIds.includes(it.id)}
                onChange={(event) =>
                  setWith(event.target.checked ? [...withIds, it.id] : withIds.filter((id) => id !== it.id))
                }
              />
              <Tag>{it.tag}</Tag> {it.name}
            </label>
          ))}
        </fieldset>
      )}
      <div className="grid gap-3 md:col-span-2">
        <SavingFoot saving={saving} act="It is sold" onMine={send} onTheirs={onClose} />
      </div>
    </form>
  )
}
