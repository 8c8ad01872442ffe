import { isWallSocket } from '../../studio/places/plug-systems.ts'
import {
  formatData,
  formatEnergy,
  formatLength,
  formatMass,
  formatPower,
  type Measure,
  trim,
} from '../../units/quantity.ts'
import type { Category, Group } from '../model/category.ts'
import { CATEGORIES, isKindOf } from '../model/category.ts'
import type { Interface } from '../model/interface.ts'
import { END_FACTS, type FactKey, NO_END } from './template-facts.ts'

/** How a fact is typed: chosen from the connectors, a measure as people write it, or a whole number. */
export type FactForm = { kind: 'connector' } | { kind: 'measure'; measure: Measure } | { kind: 'count' }

interface FactWords {
  label: string
  form: FactForm
  /** Where a kind of thing is asked in other words. */
  of?: Readonly<Partial<Record<Category, string>>>
}

const CONNECTOR: FactForm = { kind: 'connector' }
const COUNT: FactForm = { kind: 'count' }
const measure = (of: Measure): FactForm => ({ kind: 'measure', measure: of })

/** The question for each fact, in the words in which it is asked at entry, on the page of the thing and in lists. */
export const FACT_WORDS: Readonly<Record<FactKey, FactWords>> = {
  mount: {
    label: 'Mount',
    form: CONNECTOR,
    of: {
      camera: 'Lens mount',
      lens: 'Lens mount',
      'lens-adapter': 'Mount at the body',
      filter: 'Thread',
      'step-ring': 'Thread at the lens',
      light: 'Mount in front, for a softbox',
      panel: 'Mount in front, for a softbox',
      cob: 'Mount in front, for a softbox',
      modifier: 'Mount at the lamp',
      softbox: 'Mount at the lamp',
      plate: 'What it goes on',
      clamp: 'What it grips',
    },
  },
  frontMount: { label: 'Mount at the lens', form: CONNECTOR, of: { 'step-ring': 'Thread in front' } },
  battery: {
    label: 'Battery it takes',
    form: CONNECTOR,
    of: { pack: 'Battery family', cell: 'Size of the cell', charger: 'Battery it charges', coupler: 'In place of' },
  },
  batteryCount: { label: 'Batteries at once', form: COUNT },
  inlet: {
    label: 'Mains inlet',
    form: CONNECTOR,
    of: { lead: 'Connector at the device' },
  },
  milliwatts: { label: 'Draws', form: measure('power'), of: { supply: 'Delivers', coupler: 'Delivers' } },
  massGrams: { label: 'Mass', form: measure('mass') },
  loadGrams: { label: 'Bears', form: measure('mass') },
  energyMilliwattHours: { label: 'Energy', form: measure('energy') },
  capacityMegabytes: {
    label: 'Capacity',
    form: measure('data'),
    of: {
      phone: 'Memory of its own, free',
      camera: 'Memory of its own',
      camcorder: 'Memory of its own',
      'action-camera': 'Memory of its own',
      drone: 'Memory of its own',
    },
  },
  cardMegabytesPerSecond: {
    label: 'Card it asks for, MB/s sustained',
    form: COUNT,
    of: { card: 'Writes at least, MB/s (V30 is 30)' },
  },
  kilobitsPerSecond: { label: 'Records at', form: measure('bitRate') },
  endA: { label: 'One end', form: CONNECTOR },
  endB: { label: 'Other end', form: CONNECTOR },
  outlets: {
    label: 'Outlets',
    form: COUNT,
    of: { charger: 'Bays', splitter: 'Outputs', 'usb-hub': 'Sockets', 'network-switch': 'Sockets' },
  },
  plug: { label: 'Plug, where it is not the usual one', form: CONNECTOR },
  videoOut: { label: 'Picture comes out at', form: CONNECTOR },
  videoIn: { label: 'Picture goes in at', form: CONNECTOR },
  videoInputs: { label: 'Picture inputs', form: COUNT },
  soundIn: {
    label: 'Sound goes in at',
    form: CONNECTOR,
    of: { camera: 'Microphone socket', 'wireless-set': 'Microphone socket of the transmitter' },
  },
  soundInputs: { label: 'Sound inputs', form: COUNT },
  soundOut: {
    label: 'Plug of it',
    form: CONNECTOR,
    of: {
      recorder: 'Sound comes out at',
      mixer: 'Sound comes out at',
      'audio-interface': 'Sound comes out at',
      'wireless-set': 'Plug of the receiver',
      'input-unit': 'Plug to the camera',
    },
  },
  cardForm: { label: 'Card', form: CONNECTOR, of: { card: 'Form' } },
  holes: { label: 'Holes at the back', form: CONNECTOR },
  widthMinMm: {
    label: 'Width',
    form: measure('length'),
    of: { furniture: 'Width, at its narrowest', table: 'Width, at its narrowest' },
  },
  widthMaxMm: { label: 'Width, at its widest', form: measure('length') },
  depthMm: { label: 'Depth', form: measure('length') },
  heightMm: { label: 'Height', form: measure('length') },
}

/** The question for one fact of one kind of thing. */
export function labelFact(fact: FactKey, category: Category): string {
  const { label, of } = FACT_WORDS[fact]
  return of?.[category] ?? label
}

const PICTURE = ['hdmi-a', 'hdmi-c', 'hdmi-d', 'bnc', 'usb-c']
const SOUND = ['xlr-3', 'xlr-mini', 'trs-35', 'trrs-35', 'trs-63', 'usb-c']
const isThread = (code: string) => code.startsWith('filter-')
const isLampMount = (code: string) => code.startsWith('screw-')
const isCell = (code: string) => code.startsWith('cell-')

/** Whether a connector can answer a fact of a kind of thing. */
export function isAnswer(fact: FactKey, category: Category, { code, kind }: Interface): boolean {
  switch (fact) {
    case 'mount':
      return isMountOf(category, code, kind)
    case 'frontMount':
      return kind === 'mount' && isThread(code) === (category === 'step-ring') && !isLampMount(code)
    case 'battery':
      if (kind !== 'battery') return false
      return category === 'cell' ? isCell(code) : category === 'pack' || category === 'coupler' ? !isCell(code) : true
    case 'inlet':
      return kind === 'mains' && !isWallSocket(code)
    case 'plug':
      return isWallSocket(code)
    case 'endA':
    case 'endB':
      return kind === 'signal'
    case 'videoOut':
    case 'videoIn':
      return PICTURE.includes(code)
    case 'soundIn':
    case 'soundOut':
      return SOUND.includes(code)
    case 'cardForm':
      return kind === 'card'
    case 'holes':
      return code.startsWith('screen-')
    default:
      return false
  }
}

function isMountOf(category: Category, code: string, kind: Interface['kind']): boolean {
  if (category === 'clamp') return code === 'bar'
  if (category === 'plate')
    return kind === 'carry' && !code.startsWith('screen-') && code !== 'hand' && code !== 'pocket'
  if (kind !== 'mount') return false
  if (isKindOf(category, 'filter')) return isThread(code)
  const group: Group = CATEGORIES[category].group
  return !isThread(code) && (group === 'light' || !isLampMount(code))
}

/** Facts of which the studio may have an answer of its own, made where it is missing, and what kind of connector that is. */
export const OWN_ANSWERS: Readonly<Partial<Record<FactKey, Interface['kind']>>> = {
  mount: 'mount',
  frontMount: 'mount',
  battery: 'battery',
  cardForm: 'card',
}

/** Facts that may be answered by "it has none". */
export const canBeNone = (fact: FactKey): boolean => END_FACTS.some((it) => it === fact)

/** An answer in words: `8 kg`, `full-size HDMI`, `4`. */
export function sayFact(
  fact: FactKey,
  value: string | number,
  interfaces: ReadonlyMap<string, Pick<Interface, 'label'>>,
  system: 'metric' | 'imperial',
): string {
  if (value === NO_END) return 'none'
  const { form } = FACT_WORDS[fact]
  if (form.kind === 'connector') return interfaces.get(String(value))?.label ?? String(value)
  if (form.kind === 'count') return fact === 'cardMegabytesPerSecond' ? `${value} MB/s` : String(value)
  return SAID[form.measure](Number(value), system)
}

const SAID: Readonly<Record<Measure, (value: number, system: 'metric' | 'imperial') => string>> = {
  mass: formatMass,
  length: formatLength,
  power: formatPower,
  energy: formatEnergy,
  data: formatData,
  bitRate: (kilobits) => `${trim(kilobits / 1000, 1)} Mbit/s`,
  time: (minutes) => `${minutes} min`,
}
