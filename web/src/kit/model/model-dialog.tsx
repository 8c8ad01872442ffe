import { Waiting } from '../../foundation/parts/page-parts.tsx'
import { SheetDialog } from '../../foundation/parts/sheet-dialog.tsx'
import { useModelQuery } from '../kit-api.ts'
import { ModelForm } from './model-form.tsx'

/** What a model is, corrected from wherever it is listed. */
export function ModelDialog({ of, onClose }: { of: { id: string; name: string } | null; onClose(): void }) {
  return (
    <SheetDialog open={of !== null} onClose={onClose} title={`What ${of?.name ?? ''} is`}>
      {of && <LoadedModel id={of.id} onClose={onClose} />}
    </SheetDialog>
  )
}

function LoadedModel({ id, onClose }: { id: string; onClose(): void }) {
  const { data, error, refetch } = useModelQuery(id)
  if (!data) return <Waiting what="what it is" error={error} onRetry={refetch} />
  return <ModelForm model={data} onClose={onClose} />
}
