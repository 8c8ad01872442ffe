import type { SetupReply } from '@exemplar/core'
import { sayWall } from '../../foundation/words/calendar-words.ts'

/** For which day a setup is judged: its next booking, or as it stands. */
export function JudgedFor({
  next,
  isAsItStands,
  onChange,
}: {
  next: SetupReply['next']
  isAsItStands: boolean
  onChange(isAsItStands: boolean): void
}) {
  if (!next) return 'Judged as it stands today; it is not booked.'
  return (
    <label className="flex items-center gap-2">
      Judged for
      <select
        className="rounded-paper border border-rule-strong bg-sheet px-1 py-0.5 text-ink"
        value={isAsItStands ? 'now' : 'next'}
        onChange={(event) => onChange(event.target.value === 'now')}
      >
        <option value="next">
          {next.title}, {sayWall(next.startsAt)}
        </option>
        <option value="now">as it stands today</option>
      </select>
    </label>
  )
}
