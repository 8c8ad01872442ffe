import { CATEGORIES, type Category, findDoubts, readCategory, STARTER_MODELS, sayDoubt } from '@exemplar/core'
import { useState } from 'react'
import { useAddUnitMutation } from '../../foundation/api/api.ts'
import { readProblem } from '../../foundation/api/problem.ts'
import { useAppDispatch } from '../../foundation/api/store.ts'
import { tellDone } from '../../foundation/api/tell-done.ts'
import { FormProblem, SelectField, TextField } from '../../foundation/form/field.tsx'
import { CategoryOptions, PlaceOptions } from '../../foundation/form/options.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { Mark } from '../../foundation/parts/mark.tsx'
import { SheetDialog } from '../../foundation/parts/sheet-dialog.tsx'
import { type FactTexts, readFacts, writeFacts } from './facts.ts'
import { FactsFields } from './facts-fields.tsx'
import { readSpecs, SpecFields, type SpecTexts, writeSpecs } from './spec-fields.tsx'

/** Quick entry: what kind, which one, where. Everything else can wait. */
export function AddThingDialog({
  open,
  onClose,
  onAdded,
}: {
  open: boolean
  onClose(): void
  onAdded?(id: string): void
}) {
  return (
    <SheetDialog
      open={open}
      onClose={onClose}
      title="Add a thing"
      description="Three fields are enough. Its usual offers and needs come with its kind."
    >
      <AddThingForm onClose={onClose} onAdded={onAdded} />
    </SheetDialog>
  )
}

function AddThingForm({ onClose, onAdded }: { onClose(): void; onAdded?(id: string): void }) {
  const [add, { error, isLoading }] = useAddUnitMutation()
  const [category, setCategory] = useState<Category>('camera')
  const [name, setName] = useState('')
  const [maker, setMaker] = useState('')
  const [nickname, setNickname] = useState('')
  const [placeId, setPlaceId] = useState('')
  const [texts, setTexts] = useState<FactTexts>({})
  const [specTexts, setSpecTexts] = useState<SpecTexts>({})
  const [problems, setProblems] = useState<Record<string, string>>({})
  /** What was asked about and not answered yet; adding once more means that it is right. */
  const [doubts, setDoubts] = useState<string[]>([])
  const dispatch = useAppDispatch()
  const problem = error ? readProblem(error) : null

  const takeStarter = (chosen: string) => {
    const starter = STARTER_MODELS.find((it) => it.name === chosen)
    if (!starter) return
    setCategory(starter.category)
    setName(starter.name)
    setTexts(writeFacts(starter.facts))
    setSpecTexts(writeSpecs(starter.more ?? {}))
    setDoubts([])
  }
  const save = async (another: boolean) => {
    const { facts, problems: found } = readFacts(texts)
    const { specs, problems: unread } = readSpecs(specTexts)
    const all = { ...found, ...unread, ...(name.trim() ? {} : { name: 'Give it a name, even a nickname.' }) }
    setProblems(all)
    if (Object.keys(all).length > 0) return
    const asked = findDoubts(category, { ...facts, more: specs }, facts).map(sayDoubt)
    if (asked.some((it) => !doubts.includes(it))) {
      setDoubts(asked)
      return
    }
    const unit = await add({
      category,
      maker: maker.trim(),
      name: name.trim(),
      nickname: nickname.trim(),
      placeId: placeId || null,
      facts,
      specs: specs as Record<string, string | number>,
    }).unwrap()
    tellDone(dispatch, `${unit.tag} is in the kit.`, unit)
    setDoubts([])
    if (another) setName('')
    else onClose()
    onAdded?.(unit.id)
  }
  const all = { ...problems, ...problem?.fields }

  return (
    <form
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        save(false).catch(() => {})
      }}
    >
      <SelectField
        label="Kind"
        value={category}
        onChange={(event) => {
          setCategory(readCategory(event.target.value) ?? 'other')
          setTexts({})
          setSpecTexts({})
          setDoubts([])
        }}
      >
        <CategoryOptions />
      </SelectField>
      <TextField
        label="Name or model"
        hint="What stands on it, or what you call it"
        autoFocus
        value={name}
        problem={problems.name ?? problem?.fields.name}
        onChange={(event) => setName(event.target.value)}
      />
      <SelectField label="Where it lives" value={placeId} onChange={(event) => setPlaceId(event.target.value)}>
        <PlaceOptions none="Not known yet" />
      </SelectField>
      <SelectField label="Or one of the common things" value="" onChange={(event) => takeStarter(event.target.value)}>
        <option value="">Choose to fill in what such things usually are …</option>
        {STARTER_MODELS.map((it) => (
          <option key={it.name} value={it.name}>
            {it.name} ({CATEGORIES[it.category].label.toLowerCase()})
          </option>
        ))}
      </SelectField>
      <details>
        <summary className="text-[13px] font-semibold">More, where you know it</summary>
        <div className="mt-3 grid gap-3">
          <TextField label="Maker" value={maker} onChange={(event) => setMaker(event.target.value)} />
          <TextField label="Nickname" value={nickname} onChange={(event) => setNickname(event.target.value)} />
          <FactsFields category={category} texts={texts} problems={all} onChange={setTexts} />
          <SpecFields category={category} texts={specTexts} problems={all} onChange={setSpecTexts} />
        </div>
      </details>
      {doubts.length > 0 && (
        <div role="alert" className="grid gap-1 border-l-4 border-warn px-3 py-1">
          {doubts.map((it) => (
            <Mark key={it} level="warn">
              {it}
            </Mark>
          ))}
          <p className="text-[12px] text-quiet">If it is right, add it once more.</p>
        </div>
      )}
      <FormProblem text={problem?.detail ?? null} />
      <div className="flex gap-2">
        <Button look="act" type="submit" disabled={isLoading}>
          {doubts.length > 0 ? 'It is right, add it' : 'Add it'}
        </Button>
        <Button disabled={isLoading} onClick={() => save(true).catch(() => {})}>
          Add and another
        </Button>
      </div>
    </form>
  )
}
