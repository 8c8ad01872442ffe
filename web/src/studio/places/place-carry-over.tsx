import { listMissed, type NewPlace, type PlaceDetails } from '@exemplar/core'
import { useState } from 'react'
import { usePlacesQuery } from '../../foundation/api/api.ts'
import { SelectField, TextField } from '../../foundation/form/field.tsx'
import { MoneyField } from '../../foundation/form/money-field.tsx'
import { PlaceOptions } from '../../foundation/form/options.tsx'
import { RowsField } from '../../foundation/form/rows-field.tsx'
import { Button } from '../../foundation/parts/button.tsx'

const newId = () => crypto.randomUUID()

/** What another place has that this one lacks, carried over as open wishes. */
export function CarryOver({
  draft,
  placeId,
  onChange,
}: {
  draft: NewPlace
  placeId: string
  onChange(part: Partial<PlaceDetails>): void
}) {
  const { data: places } = usePlacesQuery()
  const [fromId, setFromId] = useState('')
  const from = places?.find((it) => it.id === fromId)
  const missed = from ? listMissed(from, draft) : []
  return (
    <div className="grid gap-2">
      <SelectField
        label="Compare with the place you come from"
        value={fromId}
        onChange={(event) => setFromId(event.target.value)}
      >
        <PlaceOptions none="No comparison" kind="room" without={placeId} />
      </SelectField>
      {from && missed.length === 0 && <p className="text-[13px] text-quiet">Nothing is missed here.</p>}
      {missed.length > 0 && (
        <>
          <ul className="list-disc pl-5 text-[13px]">
            {missed.map((it) => (
              <li key={it.text}>{it.text}</li>
            ))}
          </ul>
          <Button
            size="small"
            className="w-fit"
            onClick={() =>
              onChange({
                wishes: [
                  ...draft.details.wishes,
                  ...missed.map((it) => ({ id: newId(), text: it.text, costMinor: null, isDone: false })),
                ],
              })
            }
          >
            Put them down as what this place should have
          </Button>
        </>
      )}
      <RowsField
        legend="What it should have"
        add="Add a wish"
        rows={draft.details.wishes}
        onChange={(wishes) => onChange({ wishes })}
        blank={() => ({ id: newId(), text: '', costMinor: null, isDone: false })}
      >
        {(row, set) => (
          <>
            <TextField label="What" value={row.text} onChange={(event) => set({ text: event.target.value })} />
            <MoneyField label="Cost, about" value={row.costMinor} onChange={(costMinor) => set({ costMinor })} />
          </>
        )}
      </RowsField>
    </div>
  )
}
