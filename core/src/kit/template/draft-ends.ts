import type { PlugSystemCode } from '../../studio/places/plug-systems.ts'
import type { Category } from '../model/category.ts'
import type { PowerMode, RecordingMode } from '../model/model.ts'
import { type Importance, makePort, type Port } from '../model/port.ts'
import { NO_END, type TemplateFacts } from './template-facts.ts'

/** A model in the making. */
export interface Draft {
  ports: Port[]
  powerModes: PowerMode[]
  recordingModes: RecordingMode[]
}

/** Gives a model of one kind the ends that its facts speak of. */
export type Fill = (facts: TemplateFacts, draft: Draft, plugs: PlugSystemCode) => void
export type Fills = Readonly<Partial<Record<Category, Fill>>>

export const loadRating = (value: number | null): Port['rating'] =>
  value === null ? null : { quantity: 'loadGrams', value }

export const cardRating = (value: number | null): Port['rating'] =>
  value === null ? null : { quantity: 'cardMegabytesPerSecond', value }

/** Null where nobody says, or says that there is none. */
const findEnd = (code: string | null) => (code === null || code === NO_END ? null : code)

/** Screws under a camera, a screen or a prompter. */
export const FOOT_THREADS = ['thread-1-4', 'thread-3-8']

export function addFootMutably(draft: Draft, interfaces: string | string[], importance?: Importance): void {
  draft.ports.push(makePort({ id: 'foot', interfaces, side: 'guest', ...(importance ? { importance } : {}) }))
}

/** What has feet of its own stands by itself; on which table it stands can be said. */
export function addFeetMutably(draft: Draft): void {
  draft.ports.push(makePort({ id: 'feet', interfaces: 'surface', side: 'guest', importance: 'optional' }))
}

export function addVideoOutMutably(draft: Draft, { videoOut }: TemplateFacts, count = 1): void {
  const code = findEnd(videoOut)
  if (!code) return
  draft.ports.push(
    makePort({ id: 'video-out', interfaces: code, side: 'host', direction: 'out', count, importance: 'optional' }),
  )
}

export function addVideoInMutably(
  draft: Draft,
  { videoIn, videoInputs }: TemplateFacts,
  importance: Importance = 'optional',
): void {
  const code = findEnd(videoIn)
  if (!code) return
  const count = videoInputs ?? 1
  draft.ports.push(makePort({ id: 'video-in', interfaces: code, side: 'host', direction: 'in', count, importance }))
}

/** A combined socket takes both plugs. */
export function addSoundInMutably(
  draft: Draft,
  { soundIn, soundInputs }: TemplateFacts,
  { id = 'mic-in', importance = 'optional' as Importance } = {},
): void {
  const code = findEnd(soundIn)
  if (!code) return
  const count = soundInputs ?? 1
  draft.ports.push(makePort({ id, interfaces: code, side: 'host', direction: 'in', count, importance }))
}

/** The plug or plugs at the end of a microphone, or the socket of a device. */
export function addSoundOutMutably(draft: Draft, { soundOut }: TemplateFacts, sketch: Partial<Port> = {}): void {
  const code = findEnd(soundOut)
  if (!code) return
  draft.ports.push(makePort({ id: 'out', side: 'guest', direction: 'out', ...sketch, interfaces: code }))
}

export function addUsbMutably(draft: Draft, importance: Importance = 'wanted', count = 1): void {
  draft.ports.push(makePort({ id: 'usb', interfaces: 'usb-c', side: 'host', direction: 'both', importance, count }))
}

/** What only gives to a computer: a camera's data socket, which gives as well, is no place for it. */
export function addUsbOutMutably(draft: Draft, importance: Importance = 'wanted'): void {
  draft.ports.push(makePort({ id: 'usb', interfaces: 'usb-c', side: 'host', direction: 'out', importance }))
}

/** A screen asks a bracket for its own mass; a bracket is good for so much. */
export function addHolesMutably(
  { holes, massGrams, loadGrams }: TemplateFacts,
  draft: Draft,
  side: 'host' | 'guest',
  exclusiveGroup: string | null = null,
): void {
  if (!holes) return
  draft.ports.push(
    makePort({
      id: 'holes',
      interfaces: holes,
      side,
      importance: 'optional',
      rating: side === 'host' ? loadRating(loadGrams) : null,
      demand: side === 'guest' ? loadRating(massGrams) : null,
      exclusiveGroup,
    }),
  )
}

/** What stands on one thing and carries another. */
export function addBetween(below: string | string[], above: string | string[]): Fill {
  return (facts, draft, plugs) => {
    addFootMutably(draft, below)
    addCarrier([above].flat())(facts, draft, plugs)
  }
}

export function addCarrier(interfaces: string[]): Fill {
  return (facts, draft) => {
    const rating = loadRating(facts.loadGrams)
    draft.ports.push(makePort({ id: 'carries', interfaces, side: 'host', importance: 'optional', rating }))
  }
}

export function addCardSlotMutably(facts: TemplateFacts, draft: Draft): void {
  addRecordingMutably(facts, draft)
  // At which rate it records says nothing of the card that it takes: that is asked, and not guessed.
  if (facts.cardForm === null) return
  const demand = cardRating(facts.cardMegabytesPerSecond)
  draft.ports.push(makePort({ id: 'slot', interfaces: facts.cardForm, side: 'host', demand }))
}

export function addRecordingMutably({ kilobitsPerSecond }: TemplateFacts, draft: Draft): void {
  if (kilobitsPerSecond === null) return
  draft.recordingModes.push({ id: 'usual', label: `${kilobitsPerSecond / 1000} Mbit/s`, kilobitsPerSecond })
}

export function addPowerMutably(facts: TemplateFacts, draft: Draft): void {
  if (facts.inlet) {
    draft.ports.push(makePort({ id: 'inlet', interfaces: facts.inlet, side: 'host' }))
    draft.powerModes.push({
      id: 'mains',
      label: 'Mains lead',
      source: 'mains',
      milliwatts: facts.milliwatts,
      portIds: ['inlet'],
    })
  }
  if (facts.battery) {
    const isCell = facts.battery.startsWith('cell-')
    const count = facts.batteryCount ?? 1
    draft.ports.push(makePort({ id: 'bay', interfaces: facts.battery, side: 'host', count }))
    draft.powerModes.push({
      id: isCell ? 'cells' : 'packs',
      label: count === 1 ? (isCell ? 'One cell' : 'One pack') : `${count} ${isCell ? 'cells' : 'packs'}`,
      source: isCell ? 'cells' : 'packs',
      milliwatts: facts.milliwatts,
      portIds: ['bay'],
    })
  }
}
