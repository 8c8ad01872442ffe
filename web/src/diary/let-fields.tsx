import { usePartiesQuery } from '../foundation/api/api.ts'
import { useMay } from '../foundation/api/session.ts'
import { SelectField } from '../foundation/form/field.tsx'
import { MoneyField } from '../foundation/form/money-field.tsx'

/** The client a room is let to, and for how much; striking after it gives the room back. */
export function LetFields({
  draft,
  onChange,
}: {
  draft: { partyId: string; feeMinor: number | null }
  onChange(part: { partyId?: string; feeMinor?: number | null }): void
}) {
  const { data: parties } = usePartiesQuery()
  const may = useMay()
  return (
    <div className="grid grid-cols-2 gap-3">
      <SelectField label="Client" value={draft.partyId} onChange={(event) => onChange({ partyId: event.target.value })}>
        <option value="">Not chosen</option>
        {parties
          ?.filter((it) => it.kind === 'client')
          .map((it) => (
            <option key={it.id} value={it.id}>
              {it.name}
            </option>
          ))}
      </SelectField>
      {may('see-money') && (
        <MoneyField label="Fee" value={draft.feeMinor} onChange={(feeMinor) => onChange({ feeMinor })} />
      )}
    </div>
  )
}
