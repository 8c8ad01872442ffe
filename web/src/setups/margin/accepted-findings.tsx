import { type Finding, sayFinding } from '@exemplar/core'
import { useState } from 'react'
import { TextField } from '../../foundation/form/field.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { Mark } from '../../foundation/parts/mark.tsx'
import { sayDayWithYear } from '../../foundation/words/calendar-words.ts'
import { useTimeWords } from '../../foundation/words/time-words.ts'

interface Given {
  reason: string
  until: string
}

/**
 * "It is fine as it is", with the reason: the finding is quiet until it says something else. A stop is accepted to a day and
 * stays a stop in all but the verdict.
 */
export function AcceptFinding({
  title,
  isStop,
  isBusy,
  onAccept,
}: {
  title: string
  isStop: boolean
  isBusy: boolean
  onAccept(reason: string, until: string | null): void
}) {
  const { today } = useTimeWords()
  const [given, setGiven] = useState<Given | null>(null)
  if (given === null) {
    return (
      <Button
        size="small"
        disabled={isBusy}
        aria-label={`Accept risk: ${title}`}
        onClick={() => setGiven({ reason: '', until: '' })}
      >
        Accept risk
      </Button>
    )
  }
  const { reason, until } = given
  const isReady = reason.trim() !== '' && (!isStop || (until !== '' && until >= today))
  return (
    <form
      className="mt-1 flex w-full flex-wrap items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault()
        if (isReady) onAccept(reason.trim(), until || null)
      }}
    >
      <div className="min-w-40 flex-1">
        <TextField
          label="Why it is fine"
          autoFocus
          maxLength={300}
          value={reason}
          onChange={(event) => setGiven({ ...given, reason: event.target.value })}
        />
      </div>
      {isStop && (
        <TextField
          label="Until"
          type="date"
          min={today}
          value={until}
          onChange={(event) => setGiven({ ...given, until: event.target.value })}
        />
      )}
      <Button type="submit" look="act" disabled={isBusy || !isReady}>
        Accept
      </Button>
      {isStop && (
        <p className="w-full text-[12px] text-quiet">
          You answer for it by name. What can hurt somebody stays dangerous: local codes and licensed practice decide.
        </p>
      )}
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
                {finding.accepted?.until && `; until ${sayDayWithYear(finding.accepted.until)}`}
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
