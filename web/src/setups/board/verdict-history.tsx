import { type Readiness, sayVerdict } from '@exemplar/core'
import { useEventsQuery } from '../../foundation/api/api.ts'
import { Mark } from '../../foundation/parts/mark.tsx'
import { useTimeWords } from '../../foundation/words/time-words.ts'

type Verdict = Pick<Readiness, 'level' | 'counts'>

/** How the verdict went with each change of the setup: which one made it worse, and who made it. */
export function VerdictHistory({ setupId }: { setupId: string }) {
  const { data } = useEventsQuery({ subjectType: 'setup', subjectId: setupId })
  const words = useTimeWords()
  const judged = (data ?? []).flatMap((event) => {
    const { verdict } = event.data as { verdict?: Verdict }
    return verdict && !event.isUndone ? [{ ...event, verdict }] : []
  })
  if (judged.length === 0) return null
  return (
    <details className="mt-6 border-t border-rule pt-2">
      <summary className="text-[13px] font-semibold">How the verdict went</summary>
      <ol className="mt-1">
        {judged.slice(0, 20).map(({ id, at, person, verdict }) => (
          <li key={id} className="flex flex-wrap gap-x-4 border-b border-rule py-1.5 text-[13px]">
            <span className="w-28 text-quiet">{words.sayInstant(at)}</span>
            <span className="flex-1">
              <Mark level={verdict.level}>{sayVerdict(verdict)}</Mark>
            </span>
            <span className="text-quiet">{person}</span>
          </li>
        ))}
      </ol>
      <p className="mt-1 text-[12px] text-quiet">As it stood after each change of the setup, whatever was booked.</p>
    </details>
  )
}
