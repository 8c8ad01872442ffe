import type { PictureChange, SetupReply } from '@exemplar/core'
import { useState } from 'react'
import { useSetupNamesQuery } from '../../foundation/api/api.ts'
import { SelectField } from '../../foundation/form/field.tsx'
import { Button } from '../../foundation/parts/button.tsx'

/** What a picture is compared with: another setup as it stands, or this one on another occasion. */
export interface Other {
  setupId: string
  bookingId?: string
}

const NOTHING = ''
const TODAY = 'today'
const NEXT = 'next'

/** Chooses what a picture is compared with; the list is fetched when somebody asks for it. */
export function ComparedWith({
  setupId,
  bookingId,
  next,
  other,
  onChange,
}: {
  setupId: string
  bookingId: string | undefined
  /** Its next booking; null where it is not booked. */
  next: SetupReply['next']
  other: Other | null
  onChange(other: Other | null): void
}) {
  const [isOpen, setIsOpen] = useState(false)
  const { data: setups = [] } = useSetupNamesQuery(undefined, { skip: !isOpen })
  if (!isOpen)
    return (
      <Button size="small" onClick={() => setIsOpen(true)}>
        Compare
      </Button>
    )
  const own = other?.bookingId ? NEXT : TODAY
  const value = other === null ? NOTHING : other.setupId === setupId ? own : other.setupId
  return (
    <SelectField
      label="Compared with"
      value={value}
      onChange={({ target }) => {
        if (target.value === NOTHING) onChange(null)
        else if (target.value === TODAY) onChange({ setupId })
        else if (target.value === NEXT && next) onChange({ setupId, bookingId: next.id })
        else onChange({ setupId: target.value })
      }}
    >
      <option value={NOTHING}>Nothing</option>
      {bookingId && <option value={TODAY}>This setup as it stands today</option>}
      {!bookingId && next && <option value={NEXT}>This setup for {next.title}</option>}
      {setups
        .filter((it) => it.id !== setupId)
        .map((it) => (
          <option key={it.id} value={it.id}>
            {it.code} {it.name}
          </option>
        ))}
    </SelectField>
  )
}

/** What is otherwise in one sentence, and what of the other is not here, as it cannot be drawn. */
export function sayGone({ added, gone, moved }: PictureChange): string {
  if (added.length + gone.length + moved.length === 0) return 'Nothing here is otherwise.'
  const say = (what: string, tags: readonly { tag: string }[]) =>
    tags.length > 0 ? [`${what}: ${[...new Set(tags.map((it) => it.tag))].join(', ')}`] : []
  return `${[...say('New', added), ...say('Moved', moved), ...say('Not here', gone)].join('. ')}.`
}
