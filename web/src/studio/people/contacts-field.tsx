import { CONTACT_KINDS, type Contact } from '@exemplar/core'
import { SelectField, TextField } from '../../foundation/form/field.tsx'
import { Button } from '../../foundation/parts/button.tsx'

const NAMES: Record<Contact['kind'], string> = { telephone: 'Telephone', mail: 'Mail', other: 'Other' }

/** Numbers and addresses of somebody, one row each. */
export function ContactsField({
  contacts,
  onChange,
}: {
  contacts: readonly Contact[]
  onChange(contacts: Contact[]): void
}) {
  const set = (at: number, part: Partial<Contact> | null) =>
    onChange(contacts.flatMap((it, index) => (index === at ? (part ? [{ ...it, ...part }] : []) : [it])))
  return (
    <fieldset className="grid gap-2">
      <legend className="mb-1 text-[12px] font-semibold">How to reach them</legend>
      {contacts.map((contact, at) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: rows have no other name while they are typed
        <div key={at} className="grid grid-cols-[110px_1fr_auto] items-end gap-2">
          <SelectField
            label="Kind"
            value={contact.kind}
            onChange={(event) => set(at, { kind: event.target.value as Contact['kind'] })}
          >
            {CONTACT_KINDS.map((kind) => (
              <option key={kind} value={kind}>
                {NAMES[kind]}
              </option>
            ))}
          </SelectField>
          <TextField
            label="Number or address"
            value={contact.value}
            onChange={(event) => set(at, { value: event.target.value })}
          />
          <Button size="small" className="mb-1" aria-label={`Remove ${contact.value}`} onClick={() => set(at, null)}>
            Remove
          </Button>
        </div>
      ))}
      <Button size="small" className="w-fit" onClick={() => onChange([...contacts, { kind: 'telephone', value: '' }])}>
        Add a number or address
      </Button>
    </fieldset>
  )
}
