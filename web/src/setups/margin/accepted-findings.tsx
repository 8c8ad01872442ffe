import { type Finding, sayFinding } from '@exemplar/core'
import { useState } from 'react'
import { TextField } from '../../foundation/form/field.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { Mark } from '../../foundation/parts/mark.tsx'
import { sayDayWithYear } from '../../foundation/words/calendar-words.ts'
import { useTimeWords } from '../../foundation/words/time-words.ts'

/** "It is fine as it is", with the reason: the finding is quiet until it says something else. */
export function AcceptFinding({
  title,
  isBusy,
  onAccept,
}: {
  title: string
  isBusy: boolean
  onAccept(reason: string): void
}) {
  const [reason, setReason] = useState<string | null>(null)
  if (reason === null) {
    return (
      <Button size="small" disabled={isBusy} aria-label={`Accept risk: ${title}`} onClick={() => setReason('')}>
        Accept risk
      </Button>
    )
  }
  return (
    <form
      className="mt-1 flex w-full items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault()
        if (reason.trim()) onAccept(reason.trim())
      }}
    >
      <div className="flex-1">
        <TextField
          label="Why it is fine"
          autoFocus
          maxLength={300}
          value={reason}
          onChange={(event) => setReason(event.target.value)}
        />
      </div>
      <Button type="submit" look="act" disabled={isBusy || !reason.trim()}>
        Accept
      </Button>
    </form>
  )
}

/** Risks that somebody accepted: out of the verdict, never out of sight. */
export function AcceptedFindings({
  findings,
  onReopen,
}: {
  findings: readonly Finding[]
  onReopen: ((finding: Finding) => void) | null
}) {
  const words = useTimeWords()
  return (
    <details className="border-t border-rule py-2.5">
      <summary className="text-[13px] font-semibold">Accepted risks ({findings.length})</summary>
      <ul className="mt-1">
        {findings.map((finding) => {
          const { title } = sayFinding(finding, words)
          return (
            <li key={finding.key} className="py-1.5 text-[13px]">
              <Mark level={finding.level}>{title}</Mark>
              <span className="ml-5 block text-quiet">
                “{finding.accepted?.reason}” {finding.accepted?.by}
                {finding.accepted && `, ${sayDayWithYear(finding.accepted.on)}`}
              </span>
              {onReopen && (
                <Button
                  size="small"
                  className="mt-1 ml-5"
                  aria-label={`Count it again: ${title}`}
                  onClick={() => onReopen(finding)}
                >
                  Count it again
                </Button>
              )}
            </li>
          )
        })}
      </ul>
    </details>
  )
}
