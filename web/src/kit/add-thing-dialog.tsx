import { type Category, readCategory } from '@exemplar/core'
import { useState } from 'react'
import { useAddUnitMutation } from '../foundation/api.ts'
import { Button } from '../foundation/button.tsx'
import { FormProblem, SelectField, TextField } from '../foundation/field.tsx'
import { CategoryOptions, PlaceOptions } from '../foundation/options.tsx'
import { readProblem } from '../foundation/problem.ts'
import { SheetDialog } from '../foundation/sheet-dialog.tsx'
import { useAppDispatch } from '../foundation/store.ts'
import { tellDone } from '../foundation/tell-done.ts'
import { type FactTexts, readFacts } from './facts.ts'
import { FactsFields } from './facts-fields.tsx'

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
  const [placeId, setPlaceId] = useState('')
  const [texts, setTexts] = useState<FactTexts>({})
  const [problems, setProblems] = useState<Record<string, string>>({})
  const dispatch = useAppDispatch()
  const problem = error ? readProblem(error) : null

  const save = async (another: boolean) => {
    const { facts, problems: found } = readFacts(texts)
    const all = name.trim() ? found : { ...found, name: 'Give it a name, even a nickname.' }
    setProblems(all)
    if (Object.keys(all).length > 0) return
    const unit = await add({
      category,
      maker: maker.trim(),
      name: name.trim(),
      placeId: placeId || null,
      facts,
    }).unwrap()
    tellDone(dispatch, `${unit.tag} is in the kit.`)
    if (another) setName('')
    else onClose()
    onAdded?.(unit.id)
  }

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
        }}
      >
        <CategoryOptions />
      </SelectField>
      <TextField
        label="Name or model"
        autoFocus
        value={name}
        problem={problems.name ?? problem?.fields.name}
        onChange={(event) => setName(event.target.value)}
      />
      <SelectField label="Where it lives" value={placeId} onChange={(event) => setPlaceId(event.target.value)}>
        <PlaceOptions none="Not known yet" />
      </SelectField>
      <details>
        <summary className="text-[13px] font-semibold">More, where you know it</summary>
        <div className="mt-3 grid gap-3">
          <TextField label="Maker" value={maker} onChange={(event) => setMaker(event.target.value)} />
          <FactsFields
            category={category}
            texts={texts}
            problems={{ ...problems, ...problem?.fields }}
            onChange={setTexts}
          />
        </div>
      </details>
      <FormProblem text={problem?.detail ?? null} />
      <div className="flex gap-2">
        <Button look="act" type="submit" disabled={isLoading}>
          Add it
        </Button>
        <Button disabled={isLoading} onClick={() => save(true).catch(() => {})}>
          Add and another
        </Button>
      </div>
    </form>
  )
}
