import type { ChangeRow } from '@exemplar/core'

const KINDS: Record<string, string> = {
  created: 'New',
  changed: 'Changed',
  archived: 'Archived',
  imported: 'Imported',
  'state-changed': 'Changed the state of',
  moved: 'Moved',
  booked: 'Booked',
  'checked-out': 'Took out',
  returned: 'Brought back',
  'fault-reported': 'Reported a fault on',
  'fault-mended': 'Mended',
  serviced: 'Serviced',
  counted: 'Counted',
  spent: 'Spent on',
  attached: 'Attached a file to',
  restored: 'Restored a backup',
  'access-changed': 'Changed the access of',
}

/** One line for a change: the first thing that it did, and how much more. */
export function sayChange({ events, more, undoes }: Pick<ChangeRow, 'events' | 'more' | 'undoes'>): string {
  const [first] = events
  if (!first) return 'A change'
  const rest = events.length - 1 + more
  const tail = rest > 0 ? ` and ${rest} more` : ''
  if (first.kind === 'created' && first.subjectType === 'studio') return `Exemplar began here${tail}`
  if (first.kind === 'reversed') return `Took back: ${sayKind(String(first.data.kind))} ${first.name}${tail}`
  const again = undoes === null ? '' : 'Did again: '
  return `${again}${sayKind(first.kind)} ${first.kind === 'restored' ? '' : first.name}${tail}`.trim()
}

function sayKind(kind: string): string {
  return KINDS[kind] ?? kind
}
