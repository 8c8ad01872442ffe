import type { Category } from '../model/category.ts'
import type { Model } from '../model/model.ts'
import { ASKED_FACTS, type TemplateFacts } from '../template/template-facts.ts'
import type { Unit } from '../unit/unit.ts'

/** What can be missing from the record of a thing, in the order in which it helps to fill it in. */
export const RECORDABLE = {
  identity: 'which model it is',
  place: 'where it lives',
  photo: 'a photo',
  power: 'how it is powered and what it draws',
  mount: 'its mount',
  load: 'what it bears',
  capacity: 'what it holds',
  recording: 'at what rate it records',
  mass: 'its mass',
  serial: 'its serial number',
  since: 'since when it is here',
  value: 'its price or value',
} as const
export type Recordable = keyof typeof RECORDABLE

export interface Recorded {
  percent: number
  missing: Recordable[]
}

const BY_FACT: Readonly<Partial<Record<keyof TemplateFacts, Recordable>>> = {
  mount: 'mount',
  battery: 'power',
  inlet: 'power',
  milliwatts: 'power',
  massGrams: 'mass',
  loadGrams: 'load',
  energyMilliwattHours: 'capacity',
  capacityMegabytes: 'capacity',
  kilobitsPerSecond: 'recording',
}

/** How much of what is worth knowing of such a thing is recorded, in per cent, and what is not. */
export function scoreRecorded(
  unit: Pick<Unit, 'serial' | 'placeId' | 'acquiredOn' | 'priceMinor' | 'provenance'>,
  model: Pick<Model, 'maker' | 'category' | 'specs' | 'ports' | 'powerModes' | 'recordingModes'>,
  hasPhoto: boolean,
): Recorded {
  const asked = listAsked(model.category)
  const missing = asked.filter((it) => !isRecorded(it, unit, model, hasPhoto))
  return { percent: Math.round((100 * (asked.length - missing.length)) / asked.length), missing }
}

function listAsked(category: Category): Recordable[] {
  const byCategory = new Set((ASKED_FACTS[category] ?? ['massGrams']).flatMap((fact) => BY_FACT[fact] ?? []))
  const always: readonly Recordable[] = ['identity', 'place', 'photo', 'serial', 'since', 'value']
  return (Object.keys(RECORDABLE) as Recordable[]).filter((it) => always.includes(it) || byCategory.has(it))
}

function isRecorded(
  what: Recordable,
  unit: Pick<Unit, 'serial' | 'placeId' | 'acquiredOn' | 'priceMinor' | 'provenance'>,
  model: Pick<Model, 'maker' | 'specs' | 'ports' | 'powerModes' | 'recordingModes'>,
  hasPhoto: boolean,
): boolean {
  switch (what) {
    case 'identity':
      return model.maker !== ''
    case 'place':
      return unit.placeId !== null
    case 'photo':
      return hasPhoto
    case 'power':
      return model.powerModes.length > 0 && model.powerModes.every((mode) => mode.milliwatts !== null)
    case 'mount':
      return model.ports.some((port) => port.id === 'mount' || port.id === 'rear' || port.id === 'front')
    case 'load':
      return model.ports.some((port) => port.rating?.quantity === 'loadGrams')
    case 'capacity':
      return model.specs.capacityMegabytes !== null || model.specs.energyMilliwattHours !== null
    case 'recording':
      return model.recordingModes.length > 0
    case 'mass':
      return model.specs.massGrams !== null
    case 'serial':
      return unit.serial !== null
    case 'since':
      return unit.acquiredOn !== null
    case 'value':
      return unit.priceMinor !== null || unit.provenance.valueMinor !== null
    default:
      return what satisfies never
  }
}
