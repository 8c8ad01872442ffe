import {
  CONSENT_CODES,
  CONSENTS,
  type NewPerson,
  type Person,
  type PersonTrait,
  TRAIT_CODES,
  TRAITS,
  type Trait,
} from '@exemplar/core'
import { useState } from 'react'
import { NoteField, SelectField, TextField } from '../../foundation/form/field.tsx'
import { SavingFoot } from '../../foundation/form/saving-foot.tsx'
import { useSaving } from '../../foundation/form/use-saving.ts'
import { Button } from '../../foundation/parts/button.tsx'
import { useAddPersonMutation, useChangePersonMutation } from '../studio-api.ts'
import { ContactsField } from './contacts-field.tsx'

const BLANK: NewPerson = {
  name: '',
  skills: [],
  note: '',
  contacts: [],
  traits: [],
  consent: { state: 'unknown', on: null, note: '' },
}

function toDraft({ name, skills, note, contacts, traits, consent }: NewPerson): NewPerson {
  return { name, skills, note, contacts, traits, consent }
}

/** What is known of one person. */
export function PersonForm({ person, onClose }: { person: Person | null; onClose(): void }) {
  const [draft, setDraft] = useState<NewPerson>(toDraft(person ?? BLANK))
  const [skills, setSkills] = useState(draft.skills.join(', '))
  const [add] = useAddPersonMutation()
  const [change] = useChangePersonMutation()
  const saving = useSaving(onClose)
  const { problem, save } = saving
  const set = (part: Partial<NewPerson>) => setDraft({ ...draft, ...part })
  const setTrait = (at: number, part: Partial<PersonTrait> | null) =>
    set({ traits: draft.traits.flatMap((it, index) => (index === at ? (part ? [{ ...it, ...part }] : []) : [it])) })
  const submit = (version: number | undefined = person?.version) => {
    const list = skills.split(',').flatMap((it) => it.trim() || [])
    const body = { ...draft, skills: list, contacts: draft.contacts.filter((it) => it.value.trim()) }
    return save(
      () => (person ? change({ id: person.id, version: version ?? 1, body }).unwrap() : add(body).unwrap()),
      person ? `${draft.name} changed.` : `${draft.name} is in the team.`,
    )
  }
  return (
    <form
      className="grid gap-3 md:grid-cols-2"
      onSubmit={(event) => {
        event.preventDefault()
        submit()
      }}
    >
      <TextField
        label="Name"
        autoFocus
        value={draft.name}
        problem={problem?.fields.name}
        onChange={(event) => set({ name: event.target.value })}
      />
      <TextField
        label="Skills, with commas between"
        placeholder="camera, sound, switcher"
        value={skills}
        onChange={(event) => setSkills(event.target.value)}
      />
      <div className="md:col-span-2">
        <ContactsField contacts={draft.contacts} onChange={(contacts) => set({ contacts })} />
      </div>
      <SelectField
        label="To be filmed and published"
        value={draft.consent.state}
        onChange={(event) =>
          set({ consent: { ...draft.consent, state: event.target.value as NewPerson['consent']['state'] } })
        }
      >
        {CONSENT_CODES.map((code) => (
          <option key={code} value={code}>
            {CONSENTS[code]}
          </option>
        ))}
      </SelectField>
      <TextField
        label="Said on"
        type="date"
        value={draft.consent.on ?? ''}
        onChange={(event) => set({ consent: { ...draft.consent, on: event.target.value || null } })}
      />
      <fieldset className="grid gap-2 md:col-span-2">
        <legend className="mb-1 text-[12px] font-semibold">What to mind</legend>
        {draft.traits.map((trait, at) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: rows have no other name while they are typed
          <div key={at} className="grid grid-cols-2 items-end gap-2 md:grid-cols-[1fr_140px_1fr_auto]">
            <SelectField
              label="What"
              value={trait.trait}
              onChange={(event) => setTrait(at, { trait: event.target.value as Trait })}
            >
              {TRAIT_CODES.map((code) => (
                <option key={code} value={code}>
                  {TRAITS[code].label}
                </option>
              ))}
            </SelectField>
            <TextField
              label="Until"
              type="date"
              value={trait.until ?? ''}
              onChange={(event) => setTrait(at, { until: event.target.value || null })}
            />
            <TextField
              label="Note"
              maxLength={200}
              value={trait.note}
              onChange={(event) => setTrait(at, { note: event.target.value })}
            />
            <Button size="small" className="mb-1" onClick={() => setTrait(at, null)}>
              Remove
            </Button>
          </div>
        ))}
        <Button
          size="small"
          className="w-fit"
          onClick={() => set({ traits: [...draft.traits, { trait: 'wears-spectacles', until: null, note: '' }] })}
        >
          Add something to mind
        </Button>
      </fieldset>
      <div className="md:col-span-2">
        <NoteField label="Note" value={draft.note} onChange={(event) => set({ note: event.target.value })} />
      </div>
      <div className="grid gap-3 md:col-span-2">
        <SavingFoot saving={saving} act={person ? 'Save' : 'Add'} onMine={submit} onTheirs={onClose} />
      </div>
    </form>
  )
}
