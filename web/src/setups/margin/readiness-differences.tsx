import { type ReadinessChange, sayFinding } from '@exemplar/core'
import { Mark } from '../../foundation/parts/mark.tsx'
import { useTimeWords } from '../../foundation/words/time-words.ts'

/** What another judgement finds that this one does not, and the other way round. */
export function ReadinessDifferences({ change, same }: { change: ReadinessChange; same: string }) {
  const words = useTimeWords()
  const isSame = change.gone.length + change.added.length + change.changed.length === 0
  if (isSame) return <p className="text-quiet">{same}</p>
  return (
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
  )
}
