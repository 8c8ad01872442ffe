import { CATEGORIES, ENTRY_KINDS, type EntryRow, formatMoney, isIncome, type NewEntry } from '@exemplar/core'
import { useState } from 'react'
import { useChangeEntryMutation, useEntriesQuery } from '../foundation/api/api.ts'
import { useMay } from '../foundation/api/session.ts'
import { useSaving } from '../foundation/form/use-saving.ts'
import { Button } from '../foundation/parts/button.tsx'
import { Section } from '../foundation/parts/page-parts.tsx'
import { SheetDialog } from '../foundation/parts/sheet-dialog.tsx'
import { type RowPlace, VirtualRows } from '../foundation/parts/virtual-rows.tsx'
import { sayDay } from '../foundation/words/calendar-words.ts'
import { type EntryDraft, EntryForm } from './entry-form.tsx'
import { RefundCorrection, RefundSheet } from './refund-form.tsx'

/** Every entry of a year, each of which can be corrected. */
interface Money {
  currency: string
  taxRates: readonly number[]
}

export function Entries({ year, today, currency, taxRates }: Money & { year: number; today: string }) {
  const { data } = useEntriesQuery(year)
  const [returned, setReturned] = useState<EntryRow | null>(null)
  const [edited, setEdited] = useState<EntryRow | null>(null)
  const may = useMay()
  return (
    <Section title="Entries" aside={data && `${data.length} in ${year}`}>
      {data?.length === 0 && <p className="py-3 text-quiet">Nothing recorded in {year}.</p>}
      {data && data.length > 0 && (
        <table>
          <thead>
            <tr>
              <th scope="col">Day</th>
              <th scope="col">What</th>
              <th scope="col" className="hidden sm:table-cell">
                Kind
              </th>
              <th scope="col" className="text-right">
                Amount
              </th>
              <th scope="col">
                <span className="sr-only">Act</span>
              </th>
            </tr>
          </thead>
          <VirtualRows rows={data} rowHeight={37} span={5}>
            {(entry, place) => (
              <EntryLine
                key={entry.id}
                entry={entry}
                place={place}
                currency={currency}
                onEdit={may('change-ledger') ? () => setEdited(entry) : null}
                onReturn={may('change-ledger') && canComeBack(entry) ? () => setReturned(entry) : null}
              />
            )}
          </VirtualRows>
        </table>
      )}
      {edited?.refundOfId === null && (
        <Correction
          entry={{ ...edited, kind: edited.kind as NewEntry['kind'] }}
          currency={currency}
          taxRates={taxRates}
          onClose={() => setEdited(null)}
        />
      )}
      {edited && edited.refundOfId !== null && (
        <RefundCorrection entry={edited} currency={currency} onClose={() => setEdited(null)} />
      )}
      {returned && <RefundSheet entry={returned} today={today} currency={currency} onClose={() => setReturned(null)} />}
    </Section>
  )
}

/** Something was paid, and not all of it is back. */
const canComeBack = (it: EntryRow) => !isIncome(it) && it.netMinor + it.taxMinor > it.backNetMinor + it.backTaxMinor

function EntryLine({
  entry,
  place,
  currency,
  onEdit,
  onReturn,
}: {
  entry: EntryRow
  place: RowPlace
  currency: string
  onEdit: (() => void) | null
  onReturn: (() => void) | null
}) {
  const kind = `${ENTRY_KINDS[entry.kind].toLowerCase()}, ${CATEGORIES[entry.category].label.toLowerCase()}`
  const backMinor = entry.backNetMinor + entry.backTaxMinor
  return (
    <tr {...place}>
      <td className="whitespace-nowrap text-quiet">{sayDay(entry.date)}</td>
      <td>
        {entry.description}
        {backMinor > 0 && (
          <span className="text-[13px] text-quiet"> · {formatMoney(backMinor, currency)} came back</span>
        )}
      </td>
      <td className="hidden text-quiet sm:table-cell">{kind}</td>
      <td className="figures text-right whitespace-nowrap">
        {isIncome(entry) && '− '}
        {formatMoney(entry.netMinor + entry.taxMinor, currency, 'column')}
      </td>
      <td>
        <span className="flex flex-col items-end gap-1 sm:flex-row sm:justify-end">
          {onReturn && (
            <Button
              size="small"
              look="quiet"
              aria-label={`Money back: ${entry.description}, ${sayDay(entry.date)}`}
              onClick={onReturn}
            >
              Money back
            </Button>
          )}
          {onEdit && (
            <Button size="small" aria-label={`Correct: ${entry.description}, ${sayDay(entry.date)}`} onClick={onEdit}>
              Correct
            </Button>
          )}
        </span>
      </td>
    </tr>
  )
}

function Correction({
  entry,
  currency,
  taxRates,
  onClose,
}: Money & { entry: EntryDraft & { id: string; version: number }; onClose(): void }) {
  const [change] = useChangeEntryMutation()
  const saving = useSaving(onClose)
  return (
    <SheetDialog open onClose={onClose} wide title="Correct an entry">
      {saving.conflict && <p role="alert">Somebody else corrected this entry meanwhile. Open it again.</p>}
      <EntryForm
        currency={currency}
        taxRates={taxRates}
        initial={entry}
        act="Save"
        problem={saving.problem}
        onSave={(body) =>
          saving.save(
            () => change({ id: entry.id, version: entry.version, body }).unwrap(),
            `${body.description} is corrected.`,
          )
        }
      />
    </SheetDialog>
  )
}
