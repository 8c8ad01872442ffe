import { X } from 'lucide-react'
import { useUnitQuery } from '../../foundation/api/api.ts'
import { ButtonLink } from '../../foundation/parts/button.tsx'
import { Tag, Waiting } from '../../foundation/parts/page-parts.tsx'
import { UnitFacts } from './unit-facts.tsx'

/** A thing beside the list, so that the place in the list is kept. */
export function UnitSheet({ id, onClose }: { id: string; onClose(): void }) {
  const { data, error, refetch } = useUnitQuery(id)
  return (
    <aside aria-label="The thing" className="hidden border-l border-rule bg-sheet px-[18px] py-4 lg:block">
      {data ? (
        <>
          <div className="flex items-start gap-2">
            <h2 className="flex-1 text-[16px]">
              <Tag>{data.unit.tag}</Tag> {data.name}
            </h2>
            <button type="button" aria-label="Close" className="rounded-paper p-1 hover:bg-wash" onClick={onClose}>
              <X className="size-4" aria-hidden />
            </button>
          </div>
          <UnitFacts page={data} />
          <ButtonLink to={`/kit/${id}`} size="small">
            Open its page
          </ButtonLink>
        </>
      ) : (
        <Waiting what="the thing" error={error} onRetry={refetch} />
      )}
    </aside>
  )
}
