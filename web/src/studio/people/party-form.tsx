import { type NewParty, PARTY_KINDS, type Party } from '@exemplar/core'
import { useState } from 'react'
import { NoteField, SelectField, TextField } from '../../foundation/form/field.tsx'
import { SavingFoot } from '../../foundation/form/saving-foot.tsx'
import { useSaving } from '../../foundation/form/use-saving.ts'
import { useAddPartyMutation, useChangePartyMutation } from '../studio-api.ts'
import { ContactsField } from './contacts-field.tsx'
import { PARTY_NAMES } from './party-names.ts'

/** A vendor, lender, client or repairer. */
export function PartyForm({ party, onClose }: { party: Party | null; onClose(): void }) {
  const [draft, setDraft] = useState<NewParty>({
    name: party?.name ?? '',
    kind: party?.kind ?? 'vendor',
    note: party?.note ?? '',
    contacts: party?.contacts ?? [],
  })
  const [add] = useAddPartyMutation()
  const [change] = useChangePartyMutation()
  const saving = useSaving(onClose)
  const { problem, save } = saving
  const set = (part: Partial<NewParty>) => setDraft({ ...draft, ...part })
  const submit = (version: number | undefined = party?.version) => {
    const body = { ...draft, contacts: draft.contacts.filter((it) => it.value.trim()) }
    return save(
      () => (party ? change({ id: party.id, version: version ?? 1, body }).unwrap() : add(body).unwrap()),
      party ? `${draft.name} changed.` : `${draft.name} added.`,
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
      <div className="grid grid-cols-2 gap-3">
        <TextField
          label="Name"
          autoFocus
          value={draft.name}
          problem={problem?.fields.name}
          onChange={(event) => set({ name: event.target.value })}
        />
        <SelectField
          label="What they are to you"
          value={draft.kind}
          onChange={(event) => set({ kind: event.target.value as NewParty['kind'] })}
        >
          {PARTY_KINDS.map((kind) => (
            <option key={kind} value={kind}>
              {PARTY_NAMES[kind]}
            </option>
          ))}
        </SelectField>
      </div>
      <ContactsField contacts={draft.contacts} onChange={(contacts) => set({ contacts })} />
      <NoteField label="Note" value={draft.note} onChange={(event) => set({ note: event.target.value })} />
      <SavingFoot saving={saving} act={party ? 'Save' : 'Add'} onMine={submit} onTheirs={onClose} />
    </form>
  )
}
