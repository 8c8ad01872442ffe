import { useState } from 'react'
import { useAppDispatch } from '../../foundation/api/store.ts'
import { takeBack } from '../../foundation/api/tell-done.ts'
import { Button } from '../../foundation/parts/button.tsx'
import { Waiting } from '../../foundation/parts/page-parts.tsx'
import { useTimeWords } from '../../foundation/words/time-words.ts'
import { useChangesQuery } from '../studio-api.ts'
import { sayChange } from './change-words.ts'

/** Who changed what, newest first, and the way back. */
export function HistoryPage() {
  return (
    <section className="mt-5 max-w-[900px]" aria-label="History">
      <p className="mb-2 text-[13px] text-quiet">
        A change is taken back as a whole. What somebody built on since, who may do what, and what is older than 90 days
        cannot be taken back with a button; the line says so by having none.
      </p>
      <ol>
        <Rows />
      </ol>
    </section>
  )
}

function Rows({ before }: { before?: number }) {
  const { data, error, refetch } = useChangesQuery(before ? { before } : {})
  const [wantsMore, setWantsMore] = useState(false)
  const dispatch = useAppDispatch()
  const words = useTimeWords()
  if (!data) return <Waiting what="the history" error={error} onRetry={refetch} />
  const last = data[data.length - 1]
  return (
    <>
      {data.map((change) => (
        <li
          key={change.id}
          className="grid grid-cols-[1fr_auto] items-center gap-x-4 border-b border-rule py-2 text-[13px] md:grid-cols-[130px_1fr_120px_auto]"
        >
          <span className="text-quiet max-md:order-2 max-md:col-span-2">{words.sayInstant(change.at)}</span>
          <span className={change.isUndone ? 'text-quiet line-through' : ''}>{sayChange(change)}</span>
          <span className="text-quiet max-md:order-2">{change.person ?? 'Exemplar'}</span>
          <span className="text-right">
            {change.canUndo ? (
              <Button
                size="small"
                aria-label={`Take back: ${sayChange(change)}`}
                onClick={() => takeBack(dispatch, change.id)}
              >
                Take back
              </Button>
            ) : (
              change.isUndone && <span className="text-[12px] text-quiet">taken back</span>
            )}
          </span>
        </li>
      ))}
      {last && data.length === 40 && !wantsMore && (
        <li className="pt-3">
          <Button onClick={() => setWantsMore(true)}>Show older ones</Button>
        </li>
      )}
      {last && wantsMore && <Rows before={last.id} />}
    </>
  )
}
