import {
  DEFECT_WEIGHTS,
  DEFECTS,
  type Defect,
  PRICE_KINDS,
  WHY_THIS,
  type WhyThis,
  type WishPrice,
} from '@exemplar/core'
import { useState } from 'react'
import { CheckField, NoteField, SelectField, TextField } from '../../foundation/form/field.tsx'
import { MoneyField } from '../../foundation/form/money-field.tsx'
import { MoreFields } from '../../foundation/form/more-fields.tsx'
import { NumberField } from '../../foundation/form/number-field.tsx'
import { RowsField } from '../../foundation/form/rows-field.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { Tag } from '../../foundation/parts/page-parts.tsx'
import { ThingPicker } from '../../kit/entry/thing-picker.tsx'
import { makePrice, type PriceDraft, type WishDraft } from './wish-draft.ts'

type Set = (part: Partial<WishDraft>) => void

/** Why somebody wants it, and how bad it is without. */
export function WhyFields({ draft, set }: { draft: WishDraft; set: Set }) {
  return (
    <div className="grid gap-3 md:grid-cols-2">
      <SelectField
        label="What is wrong without it"
        value={draft.defect}
        onChange={(event) => set({ defect: event.target.value as Defect })}
      >
        {Object.entries(DEFECTS).map(([code, label]) => (
          <option key={code} value={code}>
            {label}
          </option>
        ))}
      </SelectField>
      {draft.defect !== 'missing' && (
        <SelectField
          label="How bad that is"
          value={draft.severity}
          onChange={(event) => set({ severity: Number(event.target.value) as 1 | 2 | 3 })}
        >
          {Object.entries(DEFECT_WEIGHTS).map(([code, label]) => (
            <option key={code} value={code}>
              {label}
            </option>
          ))}
        </SelectField>
      )}
      <div className="md:col-span-2">
        <NoteField
          label="In your words"
          rows={2}
          value={draft.reason}
          onChange={(event) => set({ reason: event.target.value })}
        />
      </div>
    </div>
  )
}

/** What it costs, each price as it was told, on its day; the last one counts. */
export function PriceFields({ draft, rate, today, set }: { draft: WishDraft; rate: number; today: string; set: Set }) {
  return (
    <RowsField
      legend="Price of one"
      add="Add a price"
      rows={draft.prices}
      blank={() => makePrice(today, rate)}
      onChange={(prices) => set({ prices })}
    >
      {(row, change) => <PriceRowFields row={row} change={change} />}
    </RowsField>
  )
}

/** One price as it was told: what it is, whether tax is in it, how sure, from when and where. */
export function PriceRowFields({ row, change }: { row: PriceDraft; change(part: Partial<PriceDraft>): void }) {
  return (
    <>
      <MoneyField
        label="Amount"
        value={row.typedMinor}
        onChange={(typedMinor) => change({ typedMinor, kept: typedMinor === row.typedMinor ? row.kept : null })}
      />
      <SelectField
        label="Tax"
        value={row.taxed}
        onChange={(event) => change({ taxed: event.target.value as typeof row.taxed, kept: null })}
      >
        <option value="in">{row.kept ? 'In it, as kept' : 'Is in it'}</option>
        <option value="on">Comes on top</option>
        <option value="none">None</option>
      </SelectField>
      {row.taxed !== 'none' && !row.kept && (
        <NumberField
          label="Tax rate, %"
          value={row.rate / 100}
          most={100}
          isWhole={false}
          onChange={(percent) => percent !== null && change({ rate: Math.round(percent * 100) })}
        />
      )}
      <SelectField
        label="How sure"
        value={row.kind}
        onChange={(event) => change({ kind: event.target.value as WishPrice['kind'] })}
      >
        {Object.entries(PRICE_KINDS).map(([code, label]) => (
          <option key={code} value={code}>
            {label}
          </option>
        ))}
      </SelectField>
      <TextField
        label="On"
        type="date"
        required
        value={row.on}
        onChange={(event) => change({ on: event.target.value })}
      />
      <div className="col-span-2">
        <TextField
          label="Where"
          placeholder="shop, page, who said so"
          value={row.source}
          onChange={(event) => change({ source: event.target.value })}
        />
      </div>
    </>
  )
}

/** What else decides: how many, used or new, money off, what goes with it, what it waits for. */
export function FurtherFields({
  draft,
  others,
  sold,
  set,
}: {
  draft: WishDraft
  /** Tags of what is sold for it already, by id. */
  sold: Readonly<Record<string, string>>
  /** Other wishes by name, to need or to stand for this one. */
  others: readonly { id: string; name: string }[]
  set: Set
}) {
  const tick = (key: 'needsIds' | 'insteadIds', id: string) => {
    const own = draft[key]
    set({ [key]: own.includes(id) ? own.filter((it) => it !== id) : [...own, id] })
  }
  const off = draft.discount
  return (
    <MoreFields summary="More: how many, used, money off, what goes with it, waiting" hasProblem={false}>
      <div className="grid gap-3 md:grid-cols-3">
        <NumberField
          label="How many"
          value={draft.quantity}
          least={1}
          most={60}
          onChange={(quantity) => set({ quantity: quantity ?? 1 })}
        />
        <SelectField
          label="New or used"
          value={draft.condition}
          onChange={(event) => set({ condition: event.target.value as 'new' | 'used' })}
        >
          <option value="new">New</option>
          <option value="used">Used</option>
        </SelectField>
        <NumberField
          label="Warranty, months"
          hint="0 for none; empty where nobody knows"
          value={draft.warrantyMonths}
          least={0}
          most={240}
          onChange={(warrantyMonths) => set({ warrantyMonths })}
        />
        <NumberField
          label="Money off, %"
          value={off?.percent ?? null}
          most={100}
          isWhole={false}
          onChange={(percent) => set({ discount: percent ? { code: '', until: null, ...off, percent } : null })}
        />
        {off && (
          <>
            <TextField
              label="Its code"
              value={off.code}
              onChange={(event) => set({ discount: { ...off, code: event.target.value } })}
            />
            <TextField
              label="Its last day"
              type="date"
              value={off.until ?? ''}
              onChange={(event) => set({ discount: { ...off, until: event.target.value || null } })}
            />
          </>
        )}
      </div>
      {others.length > 0 && (
        <div className="mt-3 grid gap-3 md:grid-cols-2">
          {(
            [
              ['needsIds', 'It is of no use without'],
              ['insteadIds', 'Only one of them is bought'],
            ] as const
          ).map(([key, legend]) => (
            <fieldset key={key}>
              <legend className="text-[12px] font-semibold">{legend}</legend>
              <div className="max-h-36 overflow-y-auto">
                {others.map((it) => (
                  <CheckField
                    key={it.id}
                    label={it.name}
                    checked={draft[key].includes(it.id)}
                    onChange={() => tick(key, it.id)}
                  />
                ))}
              </div>
            </fieldset>
          ))}
        </div>
      )}
      <SaleFields draft={draft} sold={sold} set={set} />
      <div className="mt-3 grid gap-3 md:grid-cols-2">
        <TextField
          label="It waits for"
          placeholder="the next model, a sale, a grant"
          value={draft.waitsFor}
          onChange={(event) => set({ waitsFor: event.target.value })}
        />
        <TextField
          label="Until"
          type="date"
          value={draft.waitsUntil ?? ''}
          onChange={(event) => set({ waitsUntil: event.target.value || null })}
        />
        <TextField
          label="What does until then"
          value={draft.meanwhile}
          onChange={(event) => set({ meanwhile: event.target.value })}
        />
        <TextField
          label="On whose advice"
          value={draft.advice}
          onChange={(event) => set({ advice: event.target.value })}
        />
        <SelectField
          label="Why this one"
          value={draft.because}
          onChange={(event) => set({ because: event.target.value as WhyThis })}
        >
          {Object.entries(WHY_THIS).map(([code, label]) => (
            <option key={code} value={code}>
              {label}
            </option>
          ))}
        </SelectField>
        <TextField
          label="How it was tried"
          placeholder="borrowed for a week, at the shop, cannot be"
          value={draft.tried}
          onChange={(event) => set({ tried: event.target.value })}
        />
        <TextField
          label="On trial until"
          hint="then it is asked whether it stays"
          type="date"
          value={draft.reviewOn ?? ''}
          onChange={(event) => set({ reviewOn: event.target.value || null })}
        />
      </div>
    </MoreFields>
  )
}

/** What is sold once it is here. */
function SaleFields({ draft, sold, set }: { draft: WishDraft; sold: Readonly<Record<string, string>>; set: Set }) {
  const [isChoosing, setChoosing] = useState(false)
  const [tags, setTags] = useState<Readonly<Record<string, string>>>(sold)
  return (
    <fieldset className="mt-3 grid gap-2">
      <legend className="text-[12px] font-semibold">Sold for it</legend>
      {draft.sells.map((it) => (
        <div key={it.unitId} className="flex flex-wrap items-end gap-3">
          <span className="min-w-20 pb-2">
            <Tag>{tags[it.unitId] ?? 'gone'}</Tag>
          </span>
          <MoneyField
            label="Should fetch"
            value={it.askMinor ?? null}
            onChange={(askMinor) =>
              set({
                sells: draft.sells.map((own) => (own.unitId === it.unitId ? { ...own, askMinor: askMinor ?? 0 } : own)),
              })
            }
          />
          <Button
            size="small"
            className="mb-1"
            onClick={() => set({ sells: draft.sells.filter((own) => own.unitId !== it.unitId) })}
          >
            Keep it
          </Button>
        </div>
      ))}
      {isChoosing ? (
        <ThingPicker
          wants={null}
          taken={new Set(draft.sells.map((it) => it.unitId))}
          withStock={false}
          act={{ short: 'Sell', say: (tag) => `Sell ${tag}` }}
          onPick={(picked) => {
            if (!('unitId' in picked)) return
            setTags({ ...tags, [picked.unitId]: picked.tag })
            set({ sells: [...draft.sells, { unitId: picked.unitId, askMinor: 0 }] })
            setChoosing(false)
          }}
        />
      ) : (
        <Button size="small" className="w-fit" onClick={() => setChoosing(true)}>
          Sell something for it
        </Button>
      )}
    </fieldset>
  )
}
