import { type Hearsay, REMARK_KINDS, type Remark } from '@exemplar/core'
import { Link } from 'react-router'
import { useChangeUnitMutation } from '../../foundation/api/api.ts'
import { useMay } from '../../foundation/api/session.ts'
import { useTold } from '../../foundation/api/use-told.ts'
import { Button } from '../../foundation/parts/button.tsx'
import { Mark } from '../../foundation/parts/mark.tsx'
import { Tag } from '../../foundation/parts/page-parts.tsx'
import { useHeardQuery } from '../kit-api.ts'

/** What the crew only heard of things: a question each, until somebody tried it. Nothing is judged by it meanwhile. */
export function OnlyHeard() {
  const { data } = useHeardQuery()
  if (!data || data.length === 0) return null
  return (
    <section aria-label="Only heard" className="mb-5">
      <h2 className="mt-3.5 mb-0.5 text-[12px]">Only heard: is it so? Try it out</h2>
      <ul>
        {data.flatMap((thing) =>
          thing.remarks
            .filter((it) => it.source === 'heard')
            .map((it) => <Heard key={thing.unitId + it.text} thing={thing} remark={it} />),
        )}
      </ul>
    </section>
  )
}

function Heard({ thing: { unitId, tag, name, version, remarks }, remark }: { thing: Hearsay; remark: Remark }) {
  const [change] = useChangeUnitMutation()
  const run = useTold()
  const canAnswer = useMay()('change-kit')
  const save = (next: Remark[], text: string) =>
    run(change({ id: unitId, version, body: { remarks: next } }).unwrap(), text)
  const { text, kind } = remark
  return (
    <li className="flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-rule py-1.5 text-[13px]">
      <Link to={`/kit/${unitId}`} className="min-w-48">
        <Tag>{tag}</Tag> {name}
      </Link>
      <span className="min-w-48 flex-1">
        <Mark level="unknown">{text}</Mark> <span className="text-quiet">{REMARK_KINDS[kind].toLowerCase()}</span>
      </span>
      {canAnswer && (
        <span className="flex gap-2">
          <Button
            size="small"
            aria-label={`We saw it: ${text}`}
            onClick={() =>
              save(
                remarks.map((it) => (it === remark ? { ...it, source: 'seen' as const } : it)),
                'Seen by us now.',
              )
            }
          >
            We saw it
          </Button>
          <Button
            size="small"
            aria-label={`It is not so: ${text}`}
            onClick={() =>
              save(
                remarks.filter((it) => it !== remark),
                'Removed: it is not so.',
              )
            }
          >
            It is not so
          </Button>
        </span>
      )}
    </li>
  )
}
