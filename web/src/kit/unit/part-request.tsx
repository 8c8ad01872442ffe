import { useState } from 'react'
import { useAskForPartMutation } from '../../foundation/api/api.ts'
import { useTold } from '../../foundation/api/use-told.ts'
import { NoteField, TextField } from '../../foundation/form/field.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { SheetDialog } from '../../foundation/parts/sheet-dialog.tsx'

/** Asks for a part of exactly this thing, and marks the thing as worn there until it comes. */
export function PartRequest({ id, tag, version }: { id: string; tag: string; version: number }) {
  const [isOpen, setOpen] = useState(false)
  const [part, setPart] = useState('')
  const [note, setNote] = useState('')
  const [askFor] = useAskForPartMutation()
  const run = useTold()
  const ask = () => askFor({ id, version, body: { part: part.trim(), searched: note.trim() } }).unwrap()
  return (
    <>
      <Button size="small" onClick={() => setOpen(true)}>
        A part is worn
      </Button>
      <SheetDialog
        open={isOpen}
        onClose={() => setOpen(false)}
        title={`A part for ${tag}`}
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
