import type { Unit } from '@exemplar/core'
import { useState } from 'react'
import { useAddShoppingLineMutation, useChangeUnitMutation } from '../../foundation/api/api.ts'
import { useTold } from '../../foundation/api/use-told.ts'
import { NoteField, TextField } from '../../foundation/form/field.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { SheetDialog } from '../../foundation/parts/sheet-dialog.tsx'

/** Asks for a part of exactly this thing, and marks the thing as worn there until it comes. */
export function PartRequest({ unit, name, version }: { unit: Unit; name: string; version: number }) {
  const [isOpen, setOpen] = useState(false)
  const [part, setPart] = useState('')
  const [note, setNote] = useState('')
  const [addLine] = useAddShoppingLineMutation()
  const [change] = useChangeUnitMutation()
  const run = useTold()
  const ask = async () => {
    const item = `${part.trim()} for ${name}`.slice(0, 120)
    const reason = [`A part of ${unit.tag}.`, note.trim()].filter(Boolean).join(' ')
    await addLine({ item, quantity: 1, reason, stockId: null, setupId: null, group: null }).unwrap()
    const remark = {
      kind: 'weakness' as const,
      text: `Worn: ${part.trim()}, asked for`.slice(0, 300),
      source: 'seen' as const,
    }
    await change({ id: unit.id, version, body: { remarks: [...unit.remarks, remark] } }).unwrap()
  }
  return (
    <>
      <Button size="small" onClick={() => setOpen(true)}>
        A part is worn
      </Button>
      <SheetDialog
        open={isOpen}
        onClose={() => setOpen(false)}
        title={`A part for ${unit.tag}`}
        description="It goes on the shopping list under exactly this model, and stands among the weaknesses here until it comes."
      >
        <form
          className="grid gap-3"
          onSubmit={async (event) => {
            event.preventDefault()
            if (part.trim() && (await run(ask(), `${part.trim()} is on the shopping list.`))) setOpen(false)
          }}
        >
          <TextField label="Which part" autoFocus value={part} onChange={(event) => setPart(event.target.value)} />
          <NoteField
            label="Where you looked"
            hint="Shops asked, numbers found, what does not fit"
            value={note}
            onChange={(event) => setNote(event.target.value)}
          />
          <Button look="act" type="submit" className="w-fit" disabled={!part.trim()}>
            Ask for it
          </Button>
        </form>
      </SheetDialog>
    </>
  )
}
