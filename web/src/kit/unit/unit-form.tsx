import { type Category, type LifeState, MONTH_NAMES, type UnitReply } from '@exemplar/core'
import { useState } from 'react'
import { useChangeUnitMutation, usePeopleQuery } from '../../foundation/api/api.ts'
import { CheckField, NoteField, SelectField, TextField } from '../../foundation/form/field.tsx'
import { PlaceOptions, StateOptions } from '../../foundation/form/options.tsx'
import { SavingFoot } from '../../foundation/form/saving-foot.tsx'
import { useSaving } from '../../foundation/form/use-saving.ts'

/** What is swapped with the time of the year. */
const SEASONAL: ReadonlySet<Category> = new Set([
  'prop',
  'backdrop',
  'household',
  'practical',
  'furniture',
  'acoustics',
])

/** State, place, upkeep and owner of one thing. */
export function UnitForm({ page: latest, onClose }: { page: UnitReply; onClose(): void }) {
  // As it was when the form was opened: live changes must not slip a newer version under an older draft.
  const [page] = useState(latest)
  const { unit } = page
  const [change] = useChangeUnitMutation()
  const { data: people } = usePeopleQuery()
  const saving = useSaving(onClose)
  const { problem, save } = saving
  const [draft, setDraft] = useState({
    state: unit.state as LifeState,
    placeId: unit.placeId ?? '',
    serial: unit.serial ?? '',
    nickname: unit.nickname,
    nowPlaceId: unit.nowPlaceId ?? '',
    standsInFor: unit.standsInFor,
    dueOn: unit.dueOn ?? '',
    healthPercent: unit.healthPercent === null ? '' : String(unit.healthPercent),
    serviceEveryDays: unit.serviceEveryDays === null ? '' : String(unit.serviceEveryDays),
    lastServicedOn: unit.lastServicedOn ?? '',
    note: unit.note,
    ownerId: unit.ownerId ?? '',
    ownerAgreed: unit.ownerAgreed,
    seasonFrom: unit.season ? String(unit.season.from) : '',
    seasonTo: unit.season ? String(unit.season.to) : '',
  })
  const set = (part: Partial<typeof draft>) => setDraft({ ...draft, ...part })
  const submit = (version = page.version) => {
    const { state, note } = draft
    const work = () =>
      change({
        id: unit.id,
        version,
        body: {
          state,
          note,
          ownerId: draft.ownerId || null,
          ownerAgreed: draft.ownerId !== '' && draft.ownerAgreed,
          placeId: draft.placeId || null,
          serial: draft.serial || null,
          nickname: draft.nickname,
          nowPlaceId: draft.nowPlaceId && draft.nowPlaceId !== draft.placeId ? draft.nowPlaceId : null,
          standsInFor: draft.standsInFor,
          dueOn: draft.dueOn || null,
          healthPercent: draft.healthPercent === '' ? null : Number(draft.healthPercent),
          serviceEveryDays: draft.serviceEveryDays === '' ? null : Number(draft.serviceEveryDays),
          lastServicedOn: draft.lastServicedOn || null,
          season:
            draft.seasonFrom === ''
              ? null
              : { from: Number(draft.seasonFrom), to: Number(draft.seasonTo || draft.seasonFrom) },
        },
      }).unwrap()
    return save(work, `${unit.tag} changed.`)
  }
  return (
    <form
      className="grid gap-3 md:grid-cols-2"
      onSubmit={(event) => {
        event.preventDefault()
        submit()
      }}
    >
      <SelectField
        label="State"
        value={draft.state}
        onChange={(event) => set({ state: event.target.value as LifeState })}
      >
        <StateOptions />
      </SelectField>
      <SelectField
        label="Where it lives"
        value={draft.placeId}
        onChange={(event) => set({ placeId: event.target.value })}
      >
        <PlaceOptions none="Not known yet" />
      </SelectField>
      <SelectField
        label="Where it is now"
        hint="Where that is not where it lives"
        value={draft.nowPlaceId}
        onChange={(event) => set({ nowPlaceId: event.target.value })}
      >
        <PlaceOptions none="Where it lives" />
      </SelectField>
      <TextField
        label="Nickname"
        hint="What the crew calls it"
        value={draft.nickname}
        problem={problem?.fields.nickname}
        onChange={(event) => set({ nickname: event.target.value })}
      />
      <TextField
        label="Due back on"
        type="date"
        hint="A loan’s end, or a repair’s return"
        value={draft.dueOn}
        problem={problem?.fields.dueOn}
        onChange={(event) => set({ dueOn: event.target.value })}
      />
      <TextField
        label="Serial"
        value={draft.serial}
        problem={problem?.fields.serial}
        onChange={(event) => set({ serial: event.target.value })}
      />
      <TextField
        label="Service every … days"
        inputMode="numeric"
        value={draft.serviceEveryDays}
        problem={problem?.fields.serviceEveryDays}
        onChange={(event) => set({ serviceEveryDays: event.target.value })}
      />
      <TextField
        label="Last serviced on"
        type="date"
        value={draft.lastServicedOn}
        problem={problem?.fields.lastServicedOn}
        onChange={(event) => set({ lastServicedOn: event.target.value })}
      />
      <TextField
        label="Stands in for"
        hint="A tub for a riser, a blanket for a panel"
        value={draft.standsInFor}
        onChange={(event) => set({ standsInFor: event.target.value })}
      />
      {page.model.category === 'pack' && (
        <TextField
          label="Health, % of new"
          inputMode="numeric"
          value={draft.healthPercent}
          problem={problem?.fields.healthPercent}
          onChange={(event) => set({ healthPercent: event.target.value })}
        />
      )}
      {SEASONAL.has(page.model.category) && (
        <div className="grid grid-cols-2 gap-3">
          {(['seasonFrom', 'seasonTo'] as const).map((key) => (
            <SelectField
              key={key}
              label={key === 'seasonFrom' ? 'Shown from' : 'until the end of'}
              value={draft[key]}
              onChange={(event) => set({ [key]: event.target.value })}
            >
              <option value="">{key === 'seasonFrom' ? 'All the year' : 'the same month'}</option>
              {MONTH_NAMES.map((name, at) => (
                <option key={name} value={at + 1}>
                  {name}
                </option>
              ))}
            </SelectField>
          ))}
        </div>
      )}
      <SelectField
        label="Belongs to somebody of the team"
        hint="A phone or laptop of their own"
        value={draft.ownerId}
        onChange={(event) => set({ ownerId: event.target.value })}
      >
        <option value="">No, to the studio</option>
        {people?.map((it) => (
          <option key={it.id} value={it.id}>
            {it.name}
          </option>
        ))}
      </SelectField>
      {draft.ownerId && (
        <span className="self-end pb-2">
          <CheckField
            label="They agreed that it works here"
            checked={draft.ownerAgreed}
            onChange={(event) => set({ ownerAgreed: event.target.checked })}
          />
        </span>
      )}
      <div className="md:col-span-2">
        <NoteField
          label="What the crew says"
          value={draft.note}
          onChange={(event) => set({ note: event.target.value })}
        />
      </div>
      <div className="grid gap-3 md:col-span-2">
        <SavingFoot saving={saving} act="Save" onMine={submit} onTheirs={onClose} />
      </div>
    </form>
  )
}
