import {
  FEATURE_CODES,
  FEATURES,
  type Feature,
  NO_POSITION,
  type Position,
  type Role,
  type Setting,
  type SetupReply,
  USUAL_SETTINGS,
} from '@exemplar/core'
import { useState } from 'react'
import { CheckField, SelectField, TextField } from '../../foundation/form/field.tsx'
import { FigureField } from '../../foundation/form/figure-field.tsx'
import { MeasureField } from '../../foundation/form/measures.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { Tag } from '../../foundation/parts/page-parts.tsx'
import { ThingPicker } from '../../kit/entry/thing-picker.tsx'

interface Props {
  draft: Role
  setup: SetupReply
  onChange(part: Partial<Role>): void
}

/** What else a role can want and be: where it stands measured, its settings, what takes turns, what does it without a thing. */
export function RoleDetails(props: Props) {
  const { draft, onChange } = props
  return (
    <>
      <details>
        <summary className="text-[13px] font-semibold">Measured place and settings</summary>
        <PositionFields position={draft.position ?? NO_POSITION} onChange={(position) => onChange({ position })} />
        <SettingFields draft={draft} onChange={onChange} />
      </details>
      <details>
        <summary className="text-[13px] font-semibold">Otherwise filled, shared, left standing</summary>
        <div className="mt-2 grid gap-3 md:grid-cols-2">
          <GivenByFields {...props} />
          <SelectField
            label="Goes with"
            hint="The role whose thing it carries, feeds or serves."
            value={draft.goesWith ?? ''}
            onChange={(event) => onChange({ goesWith: event.target.value || null })}
          >
            <option value="">Nobody said</option>
            {props.setup.roles
              .filter((it) => it.id !== draft.id)
              .map((it) => (
                <option key={it.id} value={it.id}>
                  {it.name}
                </option>
              ))}
          </SelectField>
          <SelectField
            label="Between shoots"
            value={draft.stays == null ? '' : draft.stays ? 'stays' : 'struck'}
            onChange={(event) => onChange({ stays: event.target.value === '' ? null : event.target.value === 'stays' })}
          >
            <option value="">As your policy says</option>
            <option value="stays">Stays rigged</option>
            <option value="struck">Is struck each time</option>
          </SelectField>
          <span className="self-end pb-2">
            <CheckField
              label="Its thing may be in another role too"
              checked={draft.mayShare === true}
              onChange={(event) => onChange({ mayShare: event.target.checked })}
            />
          </span>
          <span className="self-end pb-2">
            <CheckField
              label="Easily forgotten: first on the start list"
              checked={draft.oftenForgotten === true}
              onChange={(event) => onChange({ oftenForgotten: event.target.checked })}
            />
          </span>
        </div>
        <TakesTurns {...props} />
      </details>
    </>
  )
}

function PositionFields({ position, onChange }: { position: Position; onChange(position: Position): void }) {
  const figure = (label: string, hint: string, key: 'sideDegrees' | 'focalMm') => (
    <FigureField
      label={label}
      hint={hint}
      least={key === 'sideDegrees' ? -180 : 0}
      value={position[key]}
      onChange={(value) => onChange({ ...position, [key]: value })}
    />
  )
  return (
    <div className="mt-2 grid gap-3 md:grid-cols-4">
      <MeasureField
        measure="length"
        label="Distance"
        value={position.distanceMm}
        onChange={(distanceMm) => onChange({ ...position, distanceMm })}
      />
      <MeasureField
        measure="length"
        label="Height"
        value={position.heightMm}
        onChange={(heightMm) => onChange({ ...position, heightMm })}
      />
      <MeasureField
        measure="length"
        label="From the lens"
        hint="of a screen that is looked at"
        value={position.fromLensMm ?? null}
        onChange={(fromLensMm) => onChange({ ...position, fromLensMm })}
      />
      {figure('To the side, °', '0 at the lens, left below zero', 'sideDegrees')}
      {figure('Focal length, mm', 'of a zoom, as it is set', 'focalMm')}
    </div>
  )
}

function SettingFields({ draft, onChange }: Pick<Props, 'draft' | 'onChange'>) {
  const settings = draft.settings ?? []
  const usual = (USUAL_SETTINGS[draft.group] ?? []).filter((name) => !settings.some((it) => it.name === name))
  const [name, setName] = useState('')
  const [value, setValue] = useState('')
  const isWhole = name.trim() !== '' && value.trim() !== ''
  const change = (next: Setting[]) => onChange({ settings: next })
  const add = () => {
    if (!isWhole) return
    change([...settings.filter((it) => it.name !== name.trim()), { name: name.trim(), value: value.trim() }])
    setName('')
    setValue('')
  }
  return (
    <div className="mt-3">
      <h3 className="text-[12px] font-semibold">Setting card</h3>
      <ul>
        {settings.map((it) => (
          <li key={it.name} className="flex items-center gap-3 border-b border-rule py-1 text-[13px]">
            <span className="w-36">{it.name}</span>
            <b className="figures flex-1 font-semibold">{it.value}</b>
            <Button
              size="small"
              aria-label={`Drop ${it.name}`}
              onClick={() => change(settings.filter((other) => other !== it))}
            >
              Drop
            </Button>
          </li>
        ))}
      </ul>
      <div className="mt-2 grid items-end gap-2 md:grid-cols-[1fr_1fr_auto]">
        <TextField
          label="Setting"
          list="usual-settings"
          placeholder={usual[0] ?? 'Height'}
          maxLength={80}
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
        <TextField
          label="Value"
          placeholder="as on tape"
          maxLength={80}
          value={value}
          onChange={(event) => setValue(event.target.value)}
          onKeyDown={(event) => {
            if (event.key !== 'Enter') return
            event.preventDefault()
            add()
          }}
        />
        <Button disabled={!isWhole} onClick={add}>
          Note it
        </Button>
        <datalist id="usual-settings">
          {usual.map((it) => (
            <option key={it} value={it} />
          ))}
        </datalist>
      </div>
    </div>
  )
}

/** A feature of another role's thing, or a surface of the room, in the place of a thing. */
function GivenByFields({ draft, setup, onChange }: Props) {
  const by = draft.providedBy ?? null
  const others = setup.roles.filter((it) => it.id !== draft.id)
  const choose = (kind: string) => {
    const first = others[0]
    if (kind === 'surface') onChange({ providedBy: { kind: 'surface', name: draft.detail || 'white wall' } })
    else if (kind === 'feature' && first)
      onChange({ providedBy: { kind: 'feature', roleId: first.id, feature: 'flipScreen' } })
    else onChange({ providedBy: null })
  }
  return (
    <>
      <SelectField
        label="Done by"
        value={by?.kind ?? ''}
        disabled={draft.things.length > 0}
        onChange={(event) => choose(event.target.value)}
      >
        <option value="">A thing of its own</option>
        <option value="feature" disabled={others.length === 0}>
          A feature of another role’s thing
        </option>
        <option value="surface">A surface of the room</option>
      </SelectField>
      {by?.kind === 'surface' && (
        <TextField
          label="Which surface"
          maxLength={120}
          value={by.name}
          problem={by.name.trim() ? undefined : 'Name it, such as white wall.'}
          onChange={(event) => onChange({ providedBy: { ...by, name: event.target.value } })}
        />
      )}
      {by?.kind === 'feature' && (
        <>
          <SelectField
            label="Whose feature"
            value={by.roleId}
            onChange={(event) => onChange({ providedBy: { ...by, roleId: event.target.value } })}
          >
            {others.map((it) => (
              <option key={it.id} value={it.id}>
                {it.name}
              </option>
            ))}
          </SelectField>
          <SelectField
            label="Which"
            value={by.feature}
            onChange={(event) => onChange({ providedBy: { ...by, feature: event.target.value as Feature } })}
          >
            {FEATURE_CODES.map((it) => (
              <option key={it} value={it}>
                {FEATURES[it].label}
              </option>
            ))}
          </SelectField>
        </>
      )}
    </>
  )
}

/** Things of which any one will do: while one is away, the next is offered. */
function TakesTurns({ draft, setup, onChange }: Props) {
  const listed = draft.anyOfUnitIds ?? []
  const [isOpen, setOpen] = useState(listed.length > 0)
  const [names, setNames] = useState<ReadonlyMap<string, string>>(new Map())
  const nameOf = (id: string) =>
    setup.units.find((it) => it.id === id)?.tag ?? setup.listed?.[id] ?? names.get(id) ?? id
  if (!isOpen) {
    return (
      <Button size="small" className="mt-2" onClick={() => setOpen(true)}>
        Name things that take turns
      </Button>
    )
  }
  return (
    <div className="mt-3">
      <h3 className="text-[12px] font-semibold">Any one of these</h3>
      <ul className="my-1 flex flex-wrap gap-2">
        {listed.map((id) => (
          <li key={id} className="flex items-center gap-1 text-[13px]">
            <Tag>{nameOf(id)}</Tag>
            <Button
              size="small"
              aria-label={`Take ${nameOf(id)} off the list`}
              onClick={() => onChange({ anyOfUnitIds: listed.filter((it) => it !== id) })}
            >
              Off
            </Button>
          </li>
        ))}
      </ul>
      <ThingPicker
        wants={draft.wants}
        taken={new Set(listed)}
        withStock={false}
        act={{ short: 'List it', say: (tag) => `List ${tag}` }}
        onPick={(picked) => {
          if (!('unitId' in picked)) return
          setNames(new Map(names).set(picked.unitId, picked.tag))
          onChange({ anyOfUnitIds: [...listed, picked.unitId] })
        }}
      />
    </div>
  )
}
