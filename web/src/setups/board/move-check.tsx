import { type MoveCheckReply, type NewSetup, type SetupReply, sayVerdict } from '@exemplar/core'
import { useState } from 'react'
import { useMoveCheckQuery } from '../../foundation/api/api.ts'
import { SelectField } from '../../foundation/form/field.tsx'
import { PlaceOptions } from '../../foundation/form/options.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { SheetDialog } from '../../foundation/parts/sheet-dialog.tsx'
import { ReadinessDifferences } from '../margin/readiness-differences.tsx'
import { toDraft } from '../setup-draft.ts'

/** Judges the setup in another room before anybody carries anything there. */
export function MoveCheck({
  setup,
  canChange,
  onMove,
}: {
  setup: SetupReply
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
  return (
    <div className="grid gap-2 text-[13px]">
      <p className="font-semibold">{sayVerdict({ counts })}</p>
      <ReadinessDifferences change={change} same="Nothing is found there that is not found here." />
      {missed.length > 0 && <p className="text-quiet">You would miss: {missed.map((it) => it.text).join('; ')}.</p>}
    </div>
  )
}
