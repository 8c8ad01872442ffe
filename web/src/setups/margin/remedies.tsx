import { type Finding, type Remedy, sayRemedy, sayStore } from '@exemplar/core'
import { useRemediesQuery } from '../../foundation/api/api.ts'
import { Button } from '../../foundation/parts/button.tsx'
import { ThingPicture } from '../../foundation/parts/thing-picture.tsx'
import { useTimeWords } from '../../foundation/words/time-words.ts'

/** What could be done about a finding, cheapest first, looked for when somebody opens it. */
export function Remedies({
  setupId,
  bookingId,
  finding,
  title,
  isBusy,
  onRemedy,
}: {
  setupId: string
  bookingId: string | undefined
  finding: Finding
  title: string
  isBusy: boolean
  onRemedy: ((remedy: Remedy, reason: string, roleId: string | null) => void) | null
}) {
  const { data, isError } = useRemediesQuery({ id: setupId, bookingId, key: finding.key })
  const words = useTimeWords()
  if (isError) return <p className="mb-1.5 text-[13px] text-quiet">The ways out could not be looked for just now.</p>
  if (!data) return <p className="mb-1.5 text-[13px] text-quiet">Looking for ways out.</p>
  const store = sayStore(data, words)
  return (
    <div className="mb-1.5">
      {store && <p className="mb-1.5 text-[13px] leading-snug text-quiet">{store}</p>}
      {data.remedies.length === 0 && !store && <p className="text-[13px] text-quiet">Nothing free would mend this.</p>}
      <div className="flex flex-wrap gap-1.5">
        {(onRemedy ? data.remedies : []).map((remedy, index) => (
          <Button
            key={sayRemedy(remedy)}
            size="small"
            look={index === 0 ? 'act' : 'plain'}
            disabled={isBusy}
            title={'name' in remedy ? remedy.name : 'item' in remedy ? remedy.item : undefined}
            onClick={() => onRemedy?.(remedy, title, finding.roleId)}
          >
            <BroughtPhoto remedy={remedy} photos={data.photos} />
            {sayRemedy(remedy)}
          </Button>
        ))}
      </div>
    </div>
  )
}

/** What a way out would bring, where there is a photo of it: its name stands beside it. */
function BroughtPhoto({ remedy, photos }: { remedy: Remedy; photos: Readonly<Record<string, string>> }) {
  const id = 'byUnitId' in remedy ? remedy.byUnitId : 'unitIds' in remedy ? remedy.unitIds[0] : undefined
  const photo = id === undefined ? undefined : photos[id]
  return photo ? <ThingPicture id={null} category="other" photo={photo} className="mr-1.5 size-5" /> : null
}
