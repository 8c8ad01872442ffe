import { type EventRow, LIFE_STATES, type LifeState, REPAIR_STAGES } from '@exemplar/core'

interface EventData {
  title?: string
  note?: string
  on?: string
  what?: string
  state?: 'full' | 'used'
  fault?: { note?: string }
  after?: { state?: LifeState; milliwattHours?: number }
}

/** One line of a thing's history. */
export function sayEvent({ kind, data }: EventRow): string {
  const { title, note, on, what, state, fault, after } = data as EventData
  switch (kind) {
    case 'reversed':
      return 'Taken back'
    case 'attached':
      return 'A file was attached'
    case 'created':
      return 'Recorded'
    case 'imported':
      return 'Imported from a file'
    case 'checked-out':
      return `Taken out for ${title}`
    case 'returned':
      return `Came back from ${title}`
    case 'fault-reported':
      return `Fault: ${fault?.note ?? ''}`
    case 'fault-mended':
      return `Mended${note ? `: ${note}` : ''}`
    case 'serviced':
      return `Serviced on ${on}`
    case 'used':
      return `Used on ${on}`
    case 'hit':
      return `Hit in an accident: ${what ?? ''}`
    case 'repaired':
      return `Repair: ${sayStage(data)}`
    case 'measured':
      return after?.milliwattHours ? `Gave ${Math.round(after.milliwattHours / 100) / 10} Wh, measured` : 'Measured'
    case 'used-up':
      return 'Pieces used up'
    case 'charged':
      return state === 'full' ? `Charged on ${on}` : `Worked from on ${on}`
    case 'state-changed':
      return after?.state ? `Now ${LIFE_STATES[after.state].label.toLowerCase()}` : 'State changed'
    case 'moved':
      return 'Moved to another place'
    case 'archived':
      return 'Archived'
    default:
      return 'Changed'
  }
}

function sayStage({ stage }: Record<string, unknown>): string {
  const label = typeof stage === 'string' ? (REPAIR_STAGES as Record<string, string>)[stage] : undefined
  return (label ?? 'changed').toLowerCase()
}
