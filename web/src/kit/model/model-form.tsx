import {
  type Category,
  findDoubts,
  IMPORTANCES,
  type Model,
  type NewModel,
  type Port,
  RATED_QUANTITIES,
  type RecordingMode,
  sayDoubt,
} from '@exemplar/core'
import { useState } from 'react'
import { useInterfacesQuery } from '../../foundation/api/api.ts'
import { NoteField, SelectField, TextField } from '../../foundation/form/field.tsx'
import { FigureField } from '../../foundation/form/figure-field.tsx'
import { MeasureField } from '../../foundation/form/measures.tsx'
import { CategoryOptions } from '../../foundation/form/options.tsx'
import { RowsField } from '../../foundation/form/rows-field.tsx'
import { SavingFoot } from '../../foundation/form/saving-foot.tsx'
import { useSaving } from '../../foundation/form/use-saving.ts'
import { Button } from '../../foundation/parts/button.tsx'
import { Mark } from '../../foundation/parts/mark.tsx'
import { readSpecs, SpecFields, type SpecTexts, writeSpecs } from '../entry/spec-fields.tsx'
import { useChangeModelMutation, useModelsQuery } from '../kit-api.ts'

const lines = (text: string) =>
  text
    .split('\n')
    .map((it) => it.trim())
    .filter(Boolean)

/** What a model is: names, figures, what it offers and needs at each port, and how it is powered. */
export function ModelForm({ model: latest, onClose }: { model: Model; onClose(): void }) {
  // As it was when the form was opened: live changes must not slip a newer version under an older draft.
  const [model] = useState(latest)
  const [draft, setDraft] = useState<Model>(model)
  const [aliases, setAliases] = useState(model.aliases.join('\n'))
  const [notInBox, setNotInBox] = useState(model.notInBox.join('\n'))
  const [specTexts, setSpecTexts] = useState<SpecTexts>(writeSpecs(model.specs.more ?? {}))
  const [problems, setProblems] = useState<Record<string, string>>({})
  const { data: others } = useModelsQuery()
  const [change] = useChangeModelMutation()
  const saving = useSaving(onClose)
  const set = (part: Partial<Model>) => setDraft({ ...draft, ...part })
  const setSpecs = (part: Partial<Model['specs']>) => set({ specs: { ...draft.specs, ...part } })
  const read = readSpecs(specTexts)
  const doubts = findDoubts(draft.category, { ...draft.specs, more: read.specs }).map(sayDoubt)
  const submit = async (version = model.version) => {
    setProblems(read.problems)
    if (Object.keys(read.problems).length > 0) return
    const { id: _id, version: _version, ...rest } = draft
    const body: NewModel = {
      ...rest,
      aliases: lines(aliases),
      notInBox: lines(notInBox),
      specs: { ...draft.specs, more: read.specs },
    }
    await saving.save(() => change({ id: model.id, version, body }).unwrap(), `${draft.name} changed.`)
  }
  const fields = saving.problem?.fields ?? {}
  return (
    <form
      className="grid gap-3 md:grid-cols-2"
      onSubmit={(event) => {
        event.preventDefault()
        submit()
      }}
    >
      <TextField label="Maker" value={draft.maker} onChange={(event) => set({ maker: event.target.value })} />
      <TextField
        label="Model"
        value={draft.name}
        problem={fields.name}
        onChange={(event) => set({ name: event.target.value })}
      />
      <SelectField
        label="Kind"
        value={draft.category}
        onChange={(event) => set({ category: event.target.value as Category })}
      >
        <CategoryOptions />
      </SelectField>
      <MeasureField
        measure="mass"
        label="Mass"
        value={draft.specs.massGrams}
        onChange={(massGrams) => setSpecs({ massGrams })}
      />
      <NoteField
        label="Other names, one on each line"
        value={aliases}
        onChange={(event) => setAliases(event.target.value)}
      />
      <NoteField
        label="Not in the box, one on each line"
        value={notInBox}
        onChange={(event) => setNotInBox(event.target.value)}
      />
      <SelectField
        label="No longer made: what took its place"
        value={draft.successorId ?? ''}
        onChange={(event) => set({ successorId: event.target.value || null })}
      >
        <option value="">Still made, or nothing known</option>
        {others
          ?.filter((it) => it.id !== model.id)
          .map((it) => (
            <option key={it.id} value={it.id}>
              {it.maker} {it.name}
            </option>
          ))}
      </SelectField>
      <TextField
        label="Where it is sold"
        value={draft.availability}
        onChange={(event) => set({ availability: event.target.value })}
      />
      <TextField
        label="Its app, driver or manual"
        hint="For exactly this model and variant"
        value={draft.link}
        problem={fields.link}
        onChange={(event) => set({ link: event.target.value })}
      />
      <div className="md:col-span-2">
        <SpecFields category={draft.category} texts={specTexts} problems={problems} onChange={setSpecTexts} />
      </div>
      <div className="md:col-span-2">
        <PortsField ports={draft.ports} problems={fields} onChange={(ports) => set({ ports })} />
      </div>
      <div className="md:col-span-2">
        <RowsField
          legend="Ways to power it: each with the ports that it uses"
          add="Add a way"
          rows={draft.powerModes}
          blank={() => ({
            id: `way-${draft.powerModes.length + 1}`,
            label: '',
            source: 'mains' as const,
            milliwatts: null,
            portIds: [],
          })}
          onChange={(powerModes) => set({ powerModes })}
        >
          {(mode, setMode) => (
            <>
              <TextField
                label="Called"
                value={mode.label}
                onChange={(event) => setMode({ label: event.target.value })}
              />
              <MeasureField
                measure="power"
                label="Draws"
                value={mode.milliwatts}
                onChange={(milliwatts) => setMode({ milliwatts })}
              />
              <SelectField
                label="Port"
                value={mode.portIds[0] ?? ''}
                onChange={(event) => setMode({ portIds: event.target.value ? [event.target.value] : [] })}
              >
                <option value="">None</option>
                {draft.ports.map((it) => (
                  <option key={it.id} value={it.id}>
                    {it.id}
                  </option>
                ))}
              </SelectField>
            </>
          )}
        </RowsField>
      </div>
      <div className="md:col-span-2">
        <RowsField
          legend="Ways to record"
          add="Add a way to record"
          rows={draft.recordingModes}
          blank={(): RecordingMode => ({
            id: `mode-${draft.recordingModes.length + 1}`,
            label: '',
            kilobitsPerSecond: 50_000,
          })}
          onChange={(recordingModes) => set({ recordingModes })}
        >
          {(mode, setMode) => (
            <>
              <TextField
                label="Named"
                value={mode.label}
                onChange={(event) => setMode({ label: event.target.value })}
              />
              <FigureField
                label="Mbit/s"
                value={mode.kilobitsPerSecond / 1000}
                onChange={(value) => value && setMode({ kilobitsPerSecond: Math.round(value * 1000) })}
              />
              <FigureField
                label="Sensor used, mm wide"
                hint="where it crops"
                value={mode.activeWidthMm ?? null}
                onChange={(activeWidthMm) => setMode({ activeWidthMm: activeWidthMm || null })}
              />
            </>
          )}
        </RowsField>
      </div>
      <div className="grid gap-3 md:col-span-2">
        {doubts.map((it) => (
          <Mark key={it} level="warn">
            {it}
          </Mark>
        ))}
        <SavingFoot saving={saving} act="Save" onMine={submit} onTheirs={onClose} />
      </div>
    </form>
  )
}

const IMPORTANCE_NAMES = { essential: 'needs it', wanted: 'wants it', optional: 'offers it' } as const
const RATED_NAMES = { loadGrams: 'load, g', cardMegabytesPerSecond: 'MB/s', amps: 'A' } as const

function PortsField({
  ports,
  problems,
  onChange,
}: {
  ports: Port[]
  problems: Record<string, string>
  onChange(ports: Port[]): void
}) {
  const { data: interfaces } = useInterfacesQuery()
  const nameOf = (code: string) => interfaces?.find((it) => it.code === code)?.label ?? code
  const set = (at: number, part: Partial<Port>) =>
    onChange(ports.map((it, index) => (index === at ? { ...it, ...part } : it)))
  return (
    <fieldset className="grid gap-2">
      <legend className="mb-1 text-[12px] font-semibold">What it offers and needs</legend>
      {ports.map((port, at) => (
        <div key={port.id} className="grid grid-cols-2 gap-2 border-l-4 border-rule pl-3 md:grid-cols-4">
          <SelectField
            label={`${port.id}: meets at`}
            problem={problems[`ports/${at}/interfaces`]}
            value={port.interfaces[0] ?? ''}
            onChange={(event) => set(at, { interfaces: [event.target.value, ...port.interfaces.slice(1)] })}
          >
            {interfaces?.map((it) => (
              <option key={it.code} value={it.code}>
                {it.label}
              </option>
            ))}
          </SelectField>
          <SelectField
            label="Side"
            value={port.side}
            onChange={(event) => set(at, { side: event.target.value === 'host' ? 'host' : 'guest' })}
          >
            <option value="host">receives</option>
            <option value="guest">goes in or on</option>
          </SelectField>
          <SelectField
            label="It"
            value={port.importance}
            onChange={(event) =>
              set(at, { importance: IMPORTANCES.find((it) => it === event.target.value) ?? 'optional' })
            }
          >
            {IMPORTANCES.map((it) => (
              <option key={it} value={it}>
                {IMPORTANCE_NAMES[it]}
              </option>
            ))}
          </SelectField>
          <TextField
            label="How many"
            inputMode="numeric"
            value={String(port.count)}
            onChange={(event) =>
              /^\d{1,2}$/.test(event.target.value) && set(at, { count: Number(event.target.value) || 1 })
            }
          />
          <RatingField label="Good for" value={port.rating} onChange={(rating) => set(at, { rating })} />
          <RatingField label="Asks for" value={port.demand} onChange={(demand) => set(at, { demand })} />
          {port.interfaces.length > 1 && (
            <p className="self-end pb-2 text-[12px] text-quiet">
              also {port.interfaces.slice(1).map(nameOf).join(', ')}
            </p>
          )}
          <Button size="small" className="self-end" onClick={() => onChange(ports.filter((_, index) => index !== at))}>
            Remove {port.id}
          </Button>
        </div>
      ))}
      <Button size="small" className="w-fit" onClick={() => onChange([...ports, makeBlank(ports)])}>
        Add a port
      </Button>
    </fieldset>
  )
}

function makeBlank(ports: Port[]): Port {
  const known = new Set(ports.map((it) => it.id))
  let n = ports.length + 1
  while (known.has(`port-${n}`)) n++
  return {
    id: `port-${n}`,
    interfaces: ['thread-1-4'],
    side: 'host',
    direction: 'none',
    count: 1,
    importance: 'optional',
    carries: [],
    forbids: [],
    rating: null,
    demand: null,
    exclusiveGroup: null,
  }
}

function RatingField({
  label,
  value,
  onChange,
}: {
  label: string
  value: Port['rating']
  onChange(value: Port['rating']): void
}) {
  const quantity = value?.quantity ?? 'loadGrams'
  const [text, setText] = useState(value === null ? '' : String(value.value))
  const give = (typed: string, of: typeof quantity) => {
    const figure = Number(typed.replace(',', '.'))
    if (typed.trim() === '') onChange(null)
    else if (Number.isFinite(figure) && figure >= 0) onChange({ quantity: of, value: figure })
  }
  return (
    <span className="flex items-end gap-1">
      <TextField
        label={label}
        inputMode="decimal"
        value={text}
        onChange={(event) => {
          setText(event.target.value)
          give(event.target.value, quantity)
        }}
      />
      <select
        aria-label={`${label}: unit`}
        className="h-9 rounded-paper border border-rule-strong bg-sheet px-1 text-[12px]"
        value={quantity}
        onChange={(event) => give(text, RATED_QUANTITIES.find((it) => it === event.target.value) ?? 'loadGrams')}
      >
        {RATED_QUANTITIES.map((it) => (
          <option key={it} value={it}>
            {RATED_NAMES[it]}
          </option>
        ))}
      </select>
    </span>
  )
}
