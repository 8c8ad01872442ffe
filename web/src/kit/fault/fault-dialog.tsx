import type { Category } from '@exemplar/core'
import { useReportFaultMutation } from '../../foundation/api/api.ts'
import { readProblem } from '../../foundation/api/problem.ts'
import { useAppDispatch } from '../../foundation/api/store.ts'
import { tellDone } from '../../foundation/api/tell-done.ts'
import { useTold } from '../../foundation/api/use-told.ts'
import { SheetDialog } from '../../foundation/parts/sheet-dialog.tsx'
import { useAttachMutation } from '../../studio/studio-api.ts'
import { type FaultDraft, FaultForm } from './fault-form.tsx'

/** Reports a fault on a thing; a photo of it lies with the thing. */
export function FaultDialog({
  open,
  tag,
  unitId,
  category,
  onClose,
}: {
  open: boolean
  tag: string
  unitId: string
  category: Category
  onClose(): void
}) {
  const [report, { error }] = useReportFaultMutation()
  const [attach] = useAttachMutation()
  const dispatch = useAppDispatch()
  const run = useTold()
  const save = async (draft: FaultDraft, photo: File | null) => {
    const reply = await report({ unitId, body: { ...draft, bookingId: null } })
      .unwrap()
      .catch(() => null)
    if (!reply) return
    tellDone(dispatch, `Fault on ${tag} reported.`, reply)
    onClose()
    if (photo)
      await run(attach({ subjectType: 'unit', subjectId: unitId, file: photo }).unwrap(), 'The photo lies with it.')
  }
  return (
    <SheetDialog open={open} onClose={onClose} title={`A fault on ${tag}`}>
      <FaultForm act="Report it" category={category} problem={error ? readProblem(error).detail : null} onSave={save} />
    </SheetDialog>
  )
}
