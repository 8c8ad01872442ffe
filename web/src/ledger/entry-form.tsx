import {
  type Bundle,
  type Category,
  computeTax,
  ENTRY_KINDS,
  findExponent,
  formatMoney,
  type NewEntry,
  readMoney,
  readPercent,
  TOLD_KIND_CODES,
  writePercent,
} from '@exemplar/core'
import { useId, useState } from 'react'
import { usePartiesQuery } from '../foundation/api/api.ts'
import type { Problem } from '../foundation/api/problem.ts'
import { FormProblem, SelectField, TextField } from '../foundation/form/field.tsx'
import { CategoryOptions } from '../foundation/form/options.tsx'
import { Button } from '../foundation/parts/button.tsx'
import { Tag } from '../foundation/parts/page-parts.tsx'
import { KindField } from '../kit/entry/kind-field.tsx'
import { ThingPicker } from '../kit/entry/thing-picker.tsx'
import { NewThingFields, useNewThing } from './new-thing.tsx'

/** What a form for an entry starts with. */
export type EntryDraft = NewEntry & { tag?: string | null }

export function makeBlankEntry(date: string, description: string, netMinor = 0, taxMinor = 0): EntryDraft {
  return {
    date,
    kind: 'purchase',
    category: 'camera',
    description,
    netMinor,
    taxMinor,
    partyId: null,
    unitId: null,
  }
}

/** The rate by which an entry was taxed, in hundredths of a per cent; of a new one the usual rate of the country. */
function findRate({ netMinor, taxMinor }: EntryDraft, taxRates: readonly number[]): number {
  if (netMinor === 0) return taxRates[0] ?? 0
  return taxRates.find((rate) => computeTax(netMinor, rate) === taxMinor) ?? Math.round((taxMinor * 10_000) / netMinor)
}

/** What was paid, or what a sale brought. The tax is worked out from the net, to the penny. */
export function EntryForm({
  currency,
  taxRates,
  initial,
  act,
  problem,
  onSave,
  onReceive,
}: {
  currency: string
  /** Rates to offer, in hundredths of a per cent, the usual one first; any other may be typed. */
  taxRates: readonly number[]
  initial: EntryDraft
  act: string
  problem: Problem | null
  onSave(entry: NewEntry): void
  /** Where what was bought may be a new thing: it goes into the kit with its price, in one step. */
  onReceive?(purchase: Bundle): void
}) {
  const { data: parties } = usePartiesQuery()
  const [kind, setKind] = useState(initial.kind)
  const [date, setDate] = useState(initial.date)
  const [description, setDescription] = useState(initial.description)
  const [category, setCategory] = useState(initial.category)
  const [amount, setAmount] = useState(
    initial.netMinor === 0 ? '' : String(initial.netMinor / 10 ** findExponent(currency)),
  )
  const [shownRate] = useState(() => writePercent(findRate(initial, taxRates)))
  const [rateText, setRateText] = useState(shownRate)
  const rate = readPercent(rateText)
  const rateListId = useId()
  const [partyId, setPartyId] = useState(initial.partyId ?? '')
  const [thing, setThing] = useState<{ unitId: string; tag: string; name: string } | null>(
    initial.unitId ? { unitId: initial.unitId, tag: initial.tag ?? '', name: '' } : null,
  )
  const [isChoosing, setChoosing] = useState(false)
  const isAskedNew = kind === 'purchase' && thing === null && onReceive !== undefined
  const fresh = useNewThing(isAskedNew, initial.category)
  const [isAsked, setAsked] = useState(false)
  const reading = readMoney(amount, currency)
  // Tax that was recorded to the penny stays so while neither the amount nor the rate is touched.
  const isAsRecorded = reading.ok && reading.minor === initial.netMinor && rateText === shownRate
  const taxMinor = isAsRecorded ? initial.taxMinor : reading.ok && rate !== null ? computeTax(reading.minor, rate) : 0
  const amountProblem =
    !isAsked || reading.ok
      ? problem?.fields.netMinor
      : amount.trim()
        ? `“${amount}” cannot be read. Write an amount in ${currency}, such as 86.50.`
        : 'How much was it?'
  return (
    <form
      className="grid gap-3 md:grid-cols-2"
      onSubmit={(event) => {
        event.preventDefault()
        setAsked(true)
        if (!reading.ok || rate === null || !description.trim()) return
        if (fresh.isNew) {
          const purchase = fresh.read({
            title: description.trim(),
            priceMinor: reading.minor,
            taxMinor,
            on: date,
            partyId: partyId || null,
          })
          if (purchase) onReceive?.(purchase)
          return
        }
        onSave({
          date,
          kind,
          category,
          description: description.trim(),
          netMinor: reading.minor,
          taxMinor,
          partyId: partyId || null,
          unitId: thing?.unitId ?? null,
        })
      }}
    >
      <SelectField label="Kind" value={kind} onChange={(event) => setKind(event.target.value as NewEntry['kind'])}>
        {TOLD_KIND_CODES.map((code) => (
          <option key={code} value={code}>
            {ENTRY_KINDS[code]}
          </option>
        ))}
      </SelectField>
      <TextField
        label="Day"
        type="date"
        value={date}
        problem={problem?.fields.date}
        onChange={(event) => setDate(event.target.value)}
      />
      <TextField
        label="What"
        autoFocus
        value={description}
        problem={isAsked && !description.trim() ? 'Say what it was for.' : problem?.fields.description}
        onChange={(event) => {
          setDescription(event.target.value)
          fresh.it.setName(event.target.value)
        }}
      />
      {fresh.isNew ? (
        <KindField label="Kind of thing" value={fresh.it.category} onChange={fresh.it.setCategory} />
      ) : (
        <SelectField
          label="Category"
          value={category}
          onChange={(event) => setCategory(event.target.value as Category)}
        >
          <CategoryOptions />
        </SelectField>
      )}
      <TextField
        label="Net amount"
        inputMode="decimal"
        placeholder="86.50"
        value={amount}
        problem={amountProblem}
        onChange={(event) => setAmount(event.target.value)}
      />
      <div>
        <TextField
          label="Tax"
          list={rateListId}
          inputMode="decimal"
          value={rateText}
          problem={rate === null ? 'Write a share, such as 20 % or 17.5 %.' : undefined}
          hint={
            reading.ok
              ? `${formatMoney(taxMinor, currency)} tax, ${formatMoney(reading.minor + taxMinor, currency)} in all`
              : undefined
          }
          onChange={(event) => setRateText(event.target.value)}
        />
        <datalist id={rateListId}>
          {taxRates.map((it) => (
            <option key={it} value={writePercent(it)} />
          ))}
        </datalist>
      </div>
      <SelectField label="With whom" value={partyId} onChange={(event) => setPartyId(event.target.value)}>
        <option value="">Not recorded</option>
        {parties?.map((it) => (
          <option key={it.id} value={it.id}>
            {it.name}
          </option>
        ))}
      </SelectField>
      <div>
        <p className="mb-1 text-[12px] font-semibold">For which thing</p>
        <p className="flex min-h-9 items-center gap-2 text-[13px]">
          {thing ? (
            <>
              <Tag>{thing.tag}</Tag> {thing.name}
              <Button size="small" onClick={() => setThing(null)}>
                Take off
              </Button>
            </>
          ) : (
            <Button size="small" onClick={() => setChoosing(!isChoosing)}>
              Choose a thing
            </Button>
          )}
        </p>
      </div>
      {isChoosing && (
        <div className="md:col-span-2">
          <ThingPicker
            wants={null}
            taken={new Set()}
            withStock={false}
            onPick={(picked) => {
              if (!('unitId' in picked)) return
              setThing(picked)
              setChoosing(false)
            }}
          />
        </div>
      )}
      {isAskedNew && <NewThingFields fresh={fresh} name={description} problems={problem?.fields} />}
      <div className="grid gap-3 md:col-span-2">
        <FormProblem text={problem?.detail ?? null} />
        <Button look="act" type="submit" className="w-fit">
          {act}
        </Button>
      </div>
    </form>
  )
}
