import {
  type Assignment,
  CATEGORIES,
  type Group,
  type Importance,
  isKindOf,
  makeAssignment,
  nameModel,
  type Role,
  type SetupReply,
} from '@exemplar/core'
import { useState } from 'react'
import { CheckField, SelectField, TextField } from '../../foundation/form/field.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { Tag } from '../../foundation/parts/page-parts.tsx'
import { SheetDialog } from '../../foundation/parts/sheet-dialog.tsx'
import { WantedKindField } from '../../kit/entry/kind-field.tsx'
import { type Picked, ThingPicker } from '../../kit/entry/thing-picker.tsx'
import { useModelsQuery } from '../../kit/kit-api.ts'
import { GROUP_NAMES, GROUP_ORDER } from '../setup-draft.ts'
import { RoleDetails } from './role-details.tsx'

const IMPORTANCE_NAMES: Record<Importance, string> = {
  essential: 'Essential: cannot shoot without it',
  wanted: 'Wanted: shoots without it, badly',
  optional: 'Optional',
}

/** One role: what it is, what fills it, and how each thing is powered and records there. */
export function RoleDialog({
  role,
  setup,
  isNew,
  notice,
  onClose,
  onSave,
  onRemove,
}: {
  role: Role
  setup: SetupReply
  isNew: boolean
  /** What somebody else did meanwhile, where saving met it. */
  notice: React.ReactNode
  onClose(): void
  onSave(role: Role): void
  onRemove(): void
}) {
  const [draft, setDraft] = useState(role)
  const [isAsked, setAsked] = useState(false)
  const { data: models } = useModelsQuery()
  /** Names of what was put in here; the setup only knows what was saved. */
  const [picked, setPicked] = useState<ReadonlyMap<string, Picked>>(new Map())
  const set = (part: Partial<Role>) => setDraft({ ...draft, ...part })
  const taken = new Set([
    // What another role shares may be put in here too, where this one shares as well.
    ...setup.roles
      .filter((it) => it.id !== role.id && !(it.mayShare && draft.mayShare))
      .flatMap((it) => it.things.flatMap((thing) => thing.unitId ?? [])),
    ...draft.things.flatMap((thing) => thing.unitId ?? []),
  ])
  const put = (choice: Picked) => {
    const known = 'stockId' in choice ? draft.things.find((it) => it.stockId === choice.stockId) : undefined
    const things = known
      ? draft.things.map((it) => (it === known ? { ...it, quantity: it.quantity + 1 } : it))
      : [
          ...draft.things,
          makeAssignment('stockId' in choice ? { stockId: choice.stockId, quantity: 1 } : { unitId: choice.unitId }),
        ]
    setPicked(new Map(picked).set('stockId' in choice ? choice.stockId : choice.unitId, choice))
    set({ things, intentionallyEmpty: false })
  }
  const change = (at: number, part: Partial<Assignment> | null) =>
    set({ things: draft.things.flatMap((it, index) => (index === at ? (part ? [{ ...it, ...part }] : []) : [it])) })
  return (
    <SheetDialog open onClose={onClose} wide title={isNew ? 'New role' : role.name}>
      <form
        className="grid gap-3"
        onSubmit={(event) => {
          event.preventDefault()
          setAsked(true)
          if (draft.name.trim()) onSave({ ...draft, name: draft.name.trim() })
        }}
      >
        <div className="grid gap-3 md:grid-cols-2">
          <TextField
            label="Role"
            placeholder="A camera, key, main microphone …"
            autoFocus={isNew}
            value={draft.name}
            problem={isAsked && !draft.name.trim() ? 'Name the role.' : undefined}
            onChange={(event) => set({ name: event.target.value })}
          />
          <TextField
            label="Where and how"
            placeholder="1.5 m, 40° left"
            maxLength={200}
            value={draft.detail}
            onChange={(event) => set({ detail: event.target.value })}
          />
          <SelectField
            label="Group"
            value={draft.group}
            onChange={(event) => set({ group: event.target.value as Group })}
          >
            {GROUP_ORDER.map((group) => (
              <option key={group} value={group}>
                {GROUP_NAMES[group]}
              </option>
            ))}
          </SelectField>
          <WantedKindField
            label="Filled by"
            value={draft.wants}
            onChange={(wants) =>
              set({
                wants,
                wantsModelId: null,
                // A new role stands where its kind belongs, until somebody says otherwise.
                ...(isNew && wants ? { group: CATEGORIES[wants].group } : {}),
              })
            }
          />
          <SelectField
            label="Exactly this model"
            value={draft.wantsModelId ?? ''}
            onChange={(event) => set({ wantsModelId: event.target.value || null })}
          >
            <option value="">Any of that kind</option>
            {models
              ?.filter((it) => draft.wants !== null && isKindOf(it.category, draft.wants))
              .map((it) => (
                <option key={it.id} value={it.id}>
                  {nameModel(it)}
                </option>
              ))}
          </SelectField>
          <SelectField
            label="Importance"
            value={draft.importance}
            onChange={(event) => set({ importance: event.target.value as Importance })}
          >
            {(Object.keys(IMPORTANCE_NAMES) as Importance[]).map((code) => (
              <option key={code} value={code}>
                {IMPORTANCE_NAMES[code]}
              </option>
            ))}
          </SelectField>
          <SelectField
            label="Spare"
            value={draft.spare ?? ''}
            onChange={(event) => set({ spare: (event.target.value || null) as Role['spare'] })}
          >
            <option value="">Nobody said</option>
            <option value="must">Must have one</option>
            <option value="nice">Had better have one</option>
            <option value="none">Runs without</option>
          </SelectField>
          <span className="self-end pb-2">
            <CheckField
              label="Left empty on purpose"
              checked={draft.intentionallyEmpty}
              disabled={draft.things.length > 0}
              onChange={(event) => set({ intentionallyEmpty: event.target.checked })}
            />
          </span>
        </div>
        <ul>
          {draft.things.map((thing, at) => (
            <AssignmentRow
              key={thing.unitId ?? thing.stockId}
              thing={thing}
              setup={setup}
              picked={picked.get(thing.unitId ?? thing.stockId ?? '')}
              onChange={(part) => change(at, part)}
            />
          ))}
        </ul>
        <ThingPicker key={draft.wants} wants={draft.wants} taken={taken} onPick={put} />
        <RoleDetails draft={draft} setup={setup} onChange={set} />
        {notice}
        <div className="flex gap-2">
          <Button look="act" type="submit">
            Save the role
          </Button>
          {!isNew && <Button onClick={onRemove}>Remove the role</Button>}
        </div>
      </form>
    </SheetDialog>
  )
}

function AssignmentRow({
  thing,
  setup,
  picked,
  onChange,
}: {
  thing: Assignment
  setup: SetupReply
  picked: Picked | undefined
  onChange(part: Partial<Assignment> | null): void
}) {
  const unit = setup.units.find((it) => it.id === thing.unitId)
  const stock = setup.stock.find((it) => it.id === thing.stockId)
  const model = setup.models.find((it) => it.id === (unit ?? stock)?.modelId)
  const tag = unit?.tag ?? stock?.tag ?? picked?.tag ?? ''
  const others = setup.usedIn[thing.unitId ?? ''] ?? []
  return (
    <li className="flex flex-wrap items-center gap-2 border-b border-rule py-1.5 text-[13px]">
      <Tag>{tag}</Tag>
      <span className="min-w-32 flex-1">
        {model ? nameModel(model) : picked?.name}
        {others.length > 0 && (
          <span className="block text-[12px] text-quiet">
            also {others.map((it) => `${it.role} in ${it.code}`).join(', ')}
          </span>
        )}
      </span>
      {thing.stockId && (
        <input
          type="number"
          min={1}
          max={999}
          aria-label={`How many ${tag}`}
          className="h-7 w-16 rounded-paper border border-rule-strong bg-sheet px-2"
          value={thing.quantity}
          onChange={(event) => onChange({ quantity: Math.max(1, Number(event.target.value) || 1) })}
        />
      )}
      {model && model.powerModes.length > 1 && (
        <select
          aria-label={`How ${tag} is powered`}
          className="h-7 rounded-paper border border-rule-strong bg-sheet px-1"
          value={thing.powerModeId ?? model.powerModes[0]?.id}
          onChange={(event) => onChange({ powerModeId: event.target.value })}
        >
          {model.powerModes.map((mode) => (
            <option key={mode.id} value={mode.id}>
              {mode.label}
            </option>
          ))}
        </select>
      )}
      {model && model.recordingModes.length > 1 && (
        <select
          aria-label={`How ${tag} records`}
          className="h-7 rounded-paper border border-rule-strong bg-sheet px-1"
          value={thing.recordingModeId ?? model.recordingModes[0]?.id}
          onChange={(event) => onChange({ recordingModeId: event.target.value })}
        >
          {model.recordingModes.map((mode) => (
            <option key={mode.id} value={mode.id}>
              {mode.label}
            </option>
          ))}
        </select>
      )}
      {model?.powerModes.some((mode) => mode.source === 'mains') && (
        <CheckField
          label="runs under 3 h"
          checked={thing.runsBriefly}
          onChange={(event) => onChange({ runsBriefly: event.target.checked })}
        />
      )}
      <CheckField
        label="in case"
        aria-label={`${tag} in case`}
        title="Packed and counted, and joined to nothing"
        checked={thing.isSpare}
        onChange={(event) => onChange({ isSpare: event.target.checked })}
      />
      <Button size="small" aria-label={`Take ${tag} out`} onClick={() => onChange(null)}>
        Take out
      </Button>
    </li>
  )
}
