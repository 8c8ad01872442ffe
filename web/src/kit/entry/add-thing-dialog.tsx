import { useState } from 'react'
import { useAddUnitMutation } from '../../foundation/api/api.ts'
import { readProblem } from '../../foundation/api/problem.ts'
import { useAppDispatch } from '../../foundation/api/store.ts'
import { tellDone } from '../../foundation/api/tell-done.ts'
import { FormProblem, TextField } from '../../foundation/form/field.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { SheetDialog } from '../../foundation/parts/sheet-dialog.tsx'
import { useLazyThingWantsQuery } from '../kit-api.ts'
import { KindField } from './kind-field.tsx'
import { PlaceField } from './place-field.tsx'
import { useWhatItIs, WhatItIsFields } from './what-it-is.tsx'

/** Quick entry: what kind, which one, what decides about it. Everything else can wait. */
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
      description="Kind and name are enough. What you know beside is asked for once, and can be corrected later in the same words."
    >
      <AddThingForm onClose={onClose} onAdded={onAdded} />
    </SheetDialog>
  )
}

const WHOLE = /^\d{1,2}$/

function AddThingForm({ onClose, onAdded }: { onClose(): void; onAdded?(id: string): void }) {
  const [add, { error, isLoading }] = useAddUnitMutation()
  const it = useWhatItIs('camera')
  const [maker, setMaker] = useState('')
  const [nickname, setNickname] = useState('')
  const [placeId, setPlaceId] = useState('')
  const [count, setCount] = useState('1')
  const dispatch = useAppDispatch()
  const [askWants] = useLazyThingWantsQuery()
  /** What it wants and nothing here meets is told at once, and not on the day. */
  const sayLacking = async (id: string) => {
    const lacking = (await askWants(id)).data?.filter((it) => it.buy !== null) ?? []
    return lacking.length === 0 ? '' : `Still to get: ${lacking.map((it) => it.says).join('; ')}.`
  }
  const problem = error ? readProblem(error) : null
  const isCounted = WHOLE.test(count) && Number(count) > 0
  const save = async (another: boolean) => {
    const read = it.read()
    if (!read || !isCounted) return
    const unit = await add({
      category: it.category,
      maker: maker.trim(),
      name: it.name.trim(),
      nickname: nickname.trim(),
      placeId: placeId || null,
      count: Number(count),
      ...read,
    }).unwrap()
    const said = count === '1' ? `${unit.tag} is in the kit.` : `${count} are in the kit, from ${unit.tag} on.`
    tellDone(dispatch, [said, await sayLacking(unit.id)].filter(Boolean).join(' '), unit)
    if (another) {
      it.startOver()
      setMaker('')
      setNickname('')
      setCount('1')
    } else onClose()
    onAdded?.(unit.id)
  }
  return (
    <form
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        const { submitter } = event.nativeEvent as SubmitEvent
        save(submitter?.getAttribute('name') === 'another').catch(() => {})
      }}
    >
      <KindField
        label="Kind"
        hint="Or one of the common things, with what it usually is"
        autoFocus
        value={it.category}
        onChange={it.setCategory}
        onStarter={it.takeStarter}
      />
      <div className="grid grid-cols-[minmax(0,1fr)_5.5rem] gap-3">
        <TextField
          label="Name or model"
          hint="What stands on it, or what you call it"
          value={it.name}
          problem={it.problems.name ?? problem?.fields.name}
          onChange={(event) => it.setName(event.target.value)}
        />
        <TextField
          label="How many"
          inputMode="numeric"
          value={count}
          problem={isCounted ? problem?.fields.count : 'A whole number.'}
          onChange={(event) => setCount(event.target.value)}
        />
      </div>
      <PlaceField label="Where it lives" value={placeId} onChange={setPlaceId} />
      <WhatItIsFields it={it} problems={problem?.fields}>
        <TextField label="Maker" value={maker} onChange={(event) => setMaker(event.target.value)} />
        <TextField label="Nickname" value={nickname} onChange={(event) => setNickname(event.target.value)} />
      </WhatItIsFields>
      <FormProblem text={problem?.detail ?? null} />
      <div className="flex gap-2">
        <Button look="act" type="submit" disabled={isLoading}>
          {it.doubts.length > 0 ? 'It is right, add it' : 'Add it'}
        </Button>
        <Button type="submit" name="another" disabled={isLoading}>
          Add and another
        </Button>
      </div>
    </form>
  )
}
