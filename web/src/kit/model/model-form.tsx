import {
  changeFacts,
  type FactKey,
  findDoubts,
  type Model,
  type MoreSpecs,
  type NewModel,
  readFacts,
  readUsual,
  type SpecKey,
  type StudioReply,
  sayDoubt,
  writeSpecs,
} from '@exemplar/core'
import { useState } from 'react'
import { useStudioQuery } from '../../foundation/api/api.ts'
import { ComboField } from '../../foundation/form/combo-field.tsx'
import { NoteField, TextField } from '../../foundation/form/field.tsx'
import { SavingFoot } from '../../foundation/form/saving-foot.tsx'
import { useSaving } from '../../foundation/form/use-saving.ts'
import { Mark } from '../../foundation/parts/mark.tsx'
import { type FactTexts, readTypedFacts, writeFacts } from '../entry/facts.ts'
import { FactsFields, listAskedFacts } from '../entry/facts-fields.tsx'
import { KindField } from '../entry/kind-field.tsx'
import { SpecFields } from '../entry/spec-fields.tsx'
import { readSpecs, type SpecTexts } from '../entry/specs.ts'
import { useChangeModelMutation, useModelsQuery } from '../kit-api.ts'
import { EndsField } from './ends-field.tsx'
import { PowerWaysField, RecordingWaysField } from './ways-fields.tsx'

const lines = (text: string) =>
  text
    .split('\n')
    .map((it) => it.trim())
    .filter(Boolean)

/** What a model is, asked in the same words as at entry; its ends one by one stand below for who needs them. */
export function ModelForm({ model, onClose }: { model: Model; onClose(): void }) {
  const { data: studio } = useStudioQuery()
  // The units decide how everything is written, so the form waits for them.
  return studio ? <LoadedForm model={model} studio={studio} onClose={onClose} /> : null
}

/** What of the texts somebody changed; the rest stays exactly as it is recorded, whatever it was rounded to on screen. */
function listChanged<Key extends string>(
  before: Partial<Record<Key, string>>,
  after: Partial<Record<Key, string>>,
): Key[] {
  const keys = [...new Set([...Object.keys(before), ...Object.keys(after)])] as Key[]
  return keys.filter((key) => (before[key] ?? '').trim() !== (after[key] ?? '').trim())
}

const pick = <Key extends string, Value>(from: Partial<Record<Key, Value>>, keys: readonly Key[]) =>
  Object.fromEntries(keys.map((key) => [key, from[key]])) as Partial<Record<Key, Value>>

function useModelDraft(latest: Model, studio: StudioReply) {
  // As it was when the form was opened: live changes must not slip a newer version under an older draft.
  const [model] = useState(latest)
  const [draft, setDraft] = useState<Model>(model)
  const system = studio.unitSystem
  const [shownFacts] = useState<FactTexts>(() => writeFacts(readFacts(model), system))
  const [shownSpecs] = useState<SpecTexts>(() => writeSpecs(model.specs.more, system))
  const [factTexts, setFactTexts] = useState<FactTexts>(shownFacts)
  const [specTexts, setSpecTexts] = useState<SpecTexts>(shownSpecs)
  const [category, setCategory] = useState(model.category)
  const changedFacts = listChanged<FactKey>(shownFacts, factTexts)
  const changedSpecs = listChanged<SpecKey>(shownSpecs, specTexts)
  const { facts, problems: unreadFacts } = readTypedFacts(pick(factTexts, changedFacts), system)
  const typed = Object.fromEntries(changedSpecs.map((key) => [key, specTexts[key] ?? '']))
  const { specs, problems: unreadSpecs } = readSpecs(typed, system)
  const kept = Object.entries(model.specs.more).filter(([key]) => !changedSpecs.some((it) => it === key))
  const more: MoreSpecs = { ...Object.fromEntries(kept), ...specs }
  const make = (): NewModel => {
    const { id: _id, version: _version, ...rest } = draft
    const told = changeFacts<NewModel>(rest, facts, { plugs: studio.plugSystem, category })
    return { ...told, specs: { ...told.specs, more } }
  }
  return {
    model,
    draft,
    set: (part: Partial<Model>) => setDraft({ ...draft, ...part }),
    category,
    setCategory,
    factTexts,
    usualTexts: pick(shownFacts, readUsual(model)),
    setFactTexts,
    specTexts,
    setSpecTexts,
    unread: { ...unreadFacts, ...unreadSpecs },
    doubts: findDoubts(category, { ...draft.specs, ...facts, more }).map(sayDoubt),
    make,
  }
}

function LoadedForm({ model: latest, studio, onClose }: { model: Model; studio: StudioReply; onClose(): void }) {
  const form = useModelDraft(latest, studio)
  const { model, draft, set, category, unread } = form
  const [aliases, setAliases] = useState(model.aliases.join('\n'))
  const [notInBox, setNotInBox] = useState(model.notInBox.join('\n'))
  const [change] = useChangeModelMutation()
  const saving = useSaving(onClose)
  const submit = async (version = model.version) => {
    if (Object.keys(unread).length > 0) return
    const body = { ...form.make(), aliases: lines(aliases), notInBox: lines(notInBox) }
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
      <div className="md:col-span-2">
        <KindField value={category} onChange={form.setCategory} />
      </div>
      <div className="md:col-span-2">
        <FactsFields
          category={category}
          asked={listShown(category, form.factTexts)}
          texts={form.factTexts}
          usual={form.usualTexts}
          problems={{ ...unread, ...fields }}
          onChange={form.setFactTexts}
        />
      </div>
      <div className="md:col-span-2">
        <SpecFields category={category} texts={form.specTexts} problems={unread} onChange={form.setSpecTexts} />
      </div>
      <NoteField
        label="Other names, one on each line"
        value={aliases}
        onChange={(event) => setAliases(event.target.value)}
      />
      <NoteField
        label="Not in the box, one on each line"
        hint="What is added here goes on the shopping list as well."
        value={notInBox}
        onChange={(event) => setNotInBox(event.target.value)}
      />
      <SuccessorField modelId={model.id} value={draft.successorId} onChange={(successorId) => set({ successorId })} />
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
      <details className="md:col-span-2">
        <summary className="text-[13px] font-semibold">Ends, ways to power it and ways to record</summary>
        <div className="mt-3 grid gap-4">
          <EndsField ports={draft.ports} problems={fields} onChange={(ports) => set({ ports })} />
          <PowerWaysField ports={draft.ports} rows={draft.powerModes} onChange={(powerModes) => set({ powerModes })} />
          <RecordingWaysField rows={draft.recordingModes} onChange={(recordingModes) => set({ recordingModes })} />
        </div>
      </details>
      <div className="grid gap-3 md:col-span-2">
        {form.doubts.map((it) => (
          <Mark key={it} level="warn">
            {it}
          </Mark>
        ))}
        <SavingFoot saving={saving} act="Save" onMine={submit} onTheirs={onClose} />
      </div>
    </form>
  )
}

/** What the kind is asked, and what is recorded besides: nothing that is kept is out of sight. */
function listShown(category: Model['category'], texts: FactTexts): FactKey[] {
  const asked = listAskedFacts(category)
  const more = (Object.keys(texts) as FactKey[]).filter((key) => !asked.includes(key) && (texts[key] ?? '') !== '')
  return [...asked, ...more]
}

function SuccessorField({
  modelId,
  value,
  onChange,
}: {
  modelId: string
  value: string | null
  onChange(id: string | null): void
}) {
  const { data: models = [] } = useModelsQuery()
  return (
    <ComboField
      label="No longer made: what took its place"
      placeholder="Still made, or nothing known"
      value={value ?? ''}
      choices={models
        .filter((it) => it.id !== modelId)
        .map((it) => ({ value: it.id, label: `${it.maker} ${it.name}`.trim() }))}
      onChange={(id) => onChange(id || null)}
    />
  )
}
