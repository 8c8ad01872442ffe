import { type NewSetup, sayFinding, sayVerdict } from '@exemplar/core'
import { useState } from 'react'
import { useMoveCheckQuery } from '../foundation/api.ts'
import { Button } from '../foundation/button.tsx'
import { SelectField } from '../foundation/field.tsx'
import { Mark } from '../foundation/mark.tsx'
import { PlaceOptions } from '../foundation/options.tsx'
import type { MoveCheckReply, SetupPage } from '../foundation/replies.ts'
import { SheetDialog } from '../foundation/sheet-dialog.tsx'
import { useTimeWords } from '../foundation/time-words.ts'
import { toDraft } from './setup-draft.ts'

/** Judges the setup in another room before anybody carries anything there. */
export function MoveCheck({
  setup,
  canChange,
  onMove,
}: {
  setup: SetupPage
  canChange: boolean
  onMove(setup: NewSetup, text: string): Promise<unknown>
}) {
  const [isOpen, setOpen] = useState(false)
  const [placeId, setPlaceId] = useState('')
  const { data } = useMoveCheckQuery({ id: setup.id, placeId }, { skip: !placeId || !isOpen })
  return (
    <>
      <Button onClick={() => setOpen(true)}>Another room</Button>
      <SheetDialog
        open={isOpen}
        onClose={() => setOpen(false)}
        title="In another room"
        description="Every check is made as if the setup stood there. Nothing is changed yet."
      >
        <div className="grid gap-4">
          <SelectField label="Room" value={placeId} onChange={(event) => setPlaceId(event.target.value)}>
            <PlaceOptions none="Choose a room" kind="room" without={setup.placeId ?? undefined} />
          </SelectField>
          {data && <Differences check={data} />}
          {data && canChange && (
            <Button
              look="act"
              className="w-fit"
              onClick={async () => {
                const next = { ...toDraft(setup), placeId: data.placeId, circuitId: data.circuitId }
                if (await onMove(next, `${setup.name} moved.`)) setOpen(false)
              }}
            >
              Move it there
            </Button>
          )}
        </div>
      </SheetDialog>
    </>
  )
}

function Differences({ check: { counts, change, missed } }: { check: MoveCheckReply }) {
  const words = useTimeWords()
  const isSame = change.gone.length + change.added.length + change.changed.length === 0
  return (
    <div className="grid gap-2 text-[13px]">
      <p className="font-semibold">{sayVerdict({ counts })}</p>
      {isSame && <p className="text-quiet">Nothing is found there that is not found here.</p>}
      <ul className="grid gap-1">
        {change.added.map((it) => (
          <li key={it.key}>
            <Mark level={it.level}>New: {sayFinding(it, words).title}</Mark>
          </li>
        ))}
        {change.changed.map(({ after }) => (
          <li key={after.key}>
            <Mark level={after.level}>
              Otherwise: {sayFinding(after, words).title}
              {sayFinding(after, words).gauge && `, ${sayFinding(after, words).gauge?.text}`}
            </Mark>
          </li>
        ))}
        {change.gone.map((it) => (
          <li key={it.key}>
            <Mark level="ok">Gone: {sayFinding(it, words).title}</Mark>
          </li>
        ))}
      </ul>
      {missed.length > 0 && <p className="text-quiet">You would miss: {missed.map((it) => it.text).join('; ')}.</p>}
    </div>
  )
}
