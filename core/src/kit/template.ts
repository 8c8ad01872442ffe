import type { Category } from './category.ts'
import { type NewModel, NO_SPECS, type PowerMode, type RecordingMode, type Specs } from './model.ts'
import { makePort, type Port } from './port.ts'

/**
 * What somebody may know about a thing when it is entered. Everything is optional: a template fills what is usual,
 * and what stays null is shown as unknown.
 */
export interface TemplateFacts {
  /** Lens mount of a body, lens or adapter (its rear end). */
  mount: string | null
  /** Front mount of a lens adapter. */
  frontMount: string | null
  /** Battery family or cell that feeds it, or that it is. */
  battery: string | null
  /** How many packs or cells it takes at once. */
  batteryCount: number | null
  /** Mains inlet, or the connector of a lead. */
  inlet: string | null
  milliwatts: number | null
  massGrams: number | null
  /** What a support is good for. */
  loadGrams: number | null
  energyMilliwattHours: number | null
  capacityMegabytes: number | null
  /** Minimum sustained write of a card, or what a recorder requires of one. */
  cardMegabytesPerSecond: number | null
  kilobitsPerSecond: number | null
  /** Ends of a cable. */
  endA: string | null
  endB: string | null
  outlets: number | null
  /** Outside measures; a width that can be set has two ends. */
  widthMinMm: number | null
  widthMaxMm: number | null
  depthMm: number | null
  heightMm: number | null
}

export const NO_FACTS: TemplateFacts = {
  mount: null,
  frontMount: null,
  battery: null,
  batteryCount: null,
  inlet: null,
  milliwatts: null,
  massGrams: null,
  loadGrams: null,
  energyMilliwattHours: null,
  capacityMegabytes: null,
  cardMegabytesPerSecond: null,
  kilobitsPerSecond: null,
  endA: null,
  endB: null,
  outlets: null,
  widthMinMm: null,
  widthMaxMm: null,
  depthMm: null,
  heightMm: null,
}

/** The facts worth asking for on quick entry of a category, most telling first. */
export const ASKED_FACTS: Readonly<Partial<Record<Category, readonly (keyof TemplateFacts)[]>>> = {
  camera: ['mount', 'battery', 'inlet', 'milliwatts', 'kilobitsPerSecond', 'cardMegabytesPerSecond', 'massGrams'],
  lens: ['mount', 'massGrams'],
  'lens-adapter': ['mount', 'frontMount'],
  monitor: ['battery', 'inlet', 'milliwatts', 'massGrams'],
  switcher: ['inlet', 'milliwatts'],
  light: ['inlet', 'battery', 'batteryCount', 'milliwatts', 'massGrams'],
  microphone: ['battery', 'massGrams'],
  recorder: ['battery', 'batteryCount', 'inlet', 'milliwatts', 'kilobitsPerSecond'],
  mixer: ['inlet', 'milliwatts'],
  tripod: ['loadGrams', 'massGrams'],
  stand: ['loadGrams', 'massGrams'],
  arm: ['loadGrams', 'massGrams'],
  'mic-stand': ['loadGrams'],
  pack: ['battery', 'energyMilliwattHours', 'massGrams'],
  cell: ['battery'],
  charger: ['battery', 'outlets', 'milliwatts', 'inlet'],
  lead: ['inlet'],
  strip: ['outlets'],
  cable: ['endA', 'endB'],
  card: ['capacityMegabytes', 'cardMegabytesPerSecond'],
  computer: ['inlet', 'milliwatts'],
  furniture: ['widthMinMm', 'widthMaxMm', 'depthMm', 'heightMm', 'loadGrams', 'massGrams'],
  backdrop: ['widthMinMm', 'depthMm', 'heightMm', 'massGrams'],
}

/** The plug of the studio's own wall sockets; leads and strips end in it. */
export const DEFAULT_WALL = 'mains-bs1363'

interface Draft {
  ports: Port[]
  powerModes: PowerMode[]
  recordingModes: RecordingMode[]
}

type Fill = (facts: TemplateFacts, draft: Draft, wall: string) => void

const FILLS: Readonly<Partial<Record<Category, Fill>>> = {
  camera(facts, draft) {
    if (facts.mount) draft.ports.push(makePort({ id: 'mount', interfaces: facts.mount, side: 'host' }))
    draft.ports.push(makePort({ id: 'foot', interfaces: ['thread-1-4', 'thread-3-8'], side: 'guest' }))
    addCardSlot(facts, draft)
    draft.ports.push(
      makePort({ id: 'video-out', interfaces: 'hdmi-a', side: 'host', direction: 'out', importance: 'optional' }),
      makePort({ id: 'mic-in', interfaces: 'trs-35', side: 'host', direction: 'in', importance: 'optional' }),
      makePort({ id: 'shoe', interfaces: 'shoe', side: 'host', importance: 'optional' }),
    )
    addPower(facts, draft)
  },
  lens(facts, draft) {
    if (facts.mount) draft.ports.push(makePort({ id: 'rear', interfaces: facts.mount, side: 'guest' }))
  },
  'lens-adapter'(facts, draft) {
    if (facts.mount) draft.ports.push(makePort({ id: 'rear', interfaces: facts.mount, side: 'guest' }))
    if (facts.frontMount) draft.ports.push(makePort({ id: 'front', interfaces: facts.frontMount, side: 'host' }))
  },
  monitor(facts, draft) {
    draft.ports.push(
      makePort({ id: 'foot', interfaces: ['thread-1-4', 'shoe'], side: 'guest' }),
      makePort({ id: 'video-in', interfaces: 'hdmi-a', side: 'host', direction: 'in', importance: 'wanted' }),
    )
    addPower(facts, draft)
  },
  switcher(facts, draft) {
    draft.ports.push(
      makePort({
        id: 'video-in',
        interfaces: 'hdmi-a',
        side: 'host',
        direction: 'in',
        count: 4,
        importance: 'optional',
      }),
      makePort({ id: 'video-out', interfaces: 'hdmi-a', side: 'host', direction: 'out', importance: 'optional' }),
    )
    addPower(facts, draft)
  },
  light(facts, draft) {
    draft.ports.push(makePort({ id: 'receiver', interfaces: 'spigot-16', side: 'guest' }))
    addPower(facts, draft)
  },
  microphone(facts, draft) {
    draft.ports.push(
      makePort({ id: 'clip', interfaces: 'thread-5-8', side: 'guest' }),
      makePort({ id: 'out', interfaces: 'xlr-3', side: 'guest', direction: 'out' }),
    )
    addPower(facts, draft)
  },
  recorder(facts, draft) {
    draft.ports.push(
      makePort({ id: 'mic-in', interfaces: 'xlr-3', side: 'host', direction: 'in', count: 2, importance: 'optional' }),
    )
    addCardSlot(facts, draft)
    addPower(facts, draft)
  },
  mixer(facts, draft) {
    draft.ports.push(
      makePort({ id: 'mic-in', interfaces: 'xlr-3', side: 'host', direction: 'in', count: 4, importance: 'optional' }),
      makePort({
        id: 'main-out',
        interfaces: 'xlr-3',
        side: 'guest',
        direction: 'out',
        count: 2,
        importance: 'optional',
      }),
    )
    addPower(facts, draft)
  },
  tripod: addCarrier(['thread-1-4', 'thread-3-8']),
  arm: addCarrier(['thread-1-4', 'thread-3-8']),
  rail: addCarrier(['thread-1-4']),
  stand: addCarrier(['spigot-16']),
  'mic-stand': addCarrier(['thread-5-8']),
  pack(facts, draft) {
    if (!facts.battery) return
    draft.ports.push(makePort({ id: 'pack', interfaces: facts.battery, side: 'guest', importance: 'optional' }))
  },
  cell(facts, draft) {
    const cell = facts.battery ?? 'cell-aa'
    draft.ports.push(makePort({ id: 'cell', interfaces: cell, side: 'guest', importance: 'optional' }))
  },
  charger(facts, draft) {
    if (facts.battery) {
      const count = facts.outlets ?? 1
      draft.ports.push(makePort({ id: 'bay', interfaces: facts.battery, side: 'host', count, importance: 'optional' }))
    }
    addPower({ ...facts, battery: null }, draft)
  },
  lead(facts, draft, wall) {
    draft.ports.push(
      makePort({ id: 'connector', interfaces: facts.inlet ?? 'iec-c13', side: 'guest' }),
      makePort({ id: 'plug', interfaces: wall, side: 'guest' }),
    )
  },
  strip(facts, draft, wall) {
    draft.ports.push(
      // A strip in a strip overloads the first one: the sockets refuse whatever distributes further.
      makePort({ id: 'plug', interfaces: wall, side: 'guest', carries: ['distribution'] }),
      makePort({
        id: 'socket',
        interfaces: wall,
        side: 'host',
        count: facts.outlets ?? 4,
        importance: 'optional',
        forbids: ['distribution'],
      }),
    )
  },
  cable(facts, draft) {
    const a = facts.endA ?? 'hdmi-a'
    const b = facts.endB ?? a
    // An XLR cable has a socket at the end that takes the microphone; video and data cables have two plugs.
    draft.ports.push(
      makePort({ id: 'from', interfaces: a, side: a === 'xlr-3' ? 'host' : 'guest', direction: 'in' }),
      makePort({ id: 'to', interfaces: b, side: 'guest', direction: 'out' }),
    )
  },
  card(facts, draft) {
    const value = facts.cardMegabytesPerSecond
    draft.ports.push(
      makePort({
        id: 'card',
        interfaces: 'sd',
        side: 'guest',
        importance: 'optional',
        rating: value === null ? null : { quantity: 'cardMegabytesPerSecond', value },
      }),
    )
  },
  computer: addPower,
}

function addCarrier(interfaces: string[]): Fill {
  return (facts, draft) => {
    const rating = facts.loadGrams === null ? null : ({ quantity: 'loadGrams', value: facts.loadGrams } as const)
    draft.ports.push(makePort({ id: 'carries', interfaces, side: 'host', importance: 'optional', rating }))
  }
}

function addCardSlot(facts: TemplateFacts, draft: Draft): void {
  if (facts.kilobitsPerSecond === null) return
  const value = facts.cardMegabytesPerSecond
  const demand = value === null ? null : ({ quantity: 'cardMegabytesPerSecond', value } as const)
  draft.ports.push(makePort({ id: 'slot', interfaces: 'sd', side: 'host', demand }))
  const megabits = facts.kilobitsPerSecond / 1000
  draft.recordingModes.push({ id: 'usual', label: `${megabits} Mbit/s`, kilobitsPerSecond: facts.kilobitsPerSecond })
}

function addPower(facts: TemplateFacts, draft: Draft): void {
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

/** All three sides or nothing: half a size fits no room. A width that cannot be set has one end. */
function findFootprint({ widthMinMm, widthMaxMm, depthMm, heightMm }: TemplateFacts): Specs['footprint'] {
  const narrow = widthMinMm ?? widthMaxMm
  if (!narrow || !depthMm || !heightMm) return null
  return { widthMinMm: narrow, widthMaxMm: Math.max(narrow, widthMaxMm ?? narrow), depthMm, heightMm }
}

/** Makes a model of a category with the ports, powering and recording that such a thing usually has. */
export function makeModelFromTemplate(
  category: Category,
  maker: string,
  name: string,
  facts: Partial<TemplateFacts> = {},
  wall: string = DEFAULT_WALL,
): NewModel {
  const known: TemplateFacts = { ...NO_FACTS, ...facts }
  const draft: Draft = { ports: [], powerModes: [], recordingModes: [] }
  FILLS[category]?.(known, draft, wall)
  const specs: Specs = {
    ...NO_SPECS,
    massGrams: known.massGrams,
    energyMilliwattHours: known.energyMilliwattHours,
    capacityMegabytes: known.capacityMegabytes,
    footprint: findFootprint(known),
  }
  return { maker, name, category, specs, ...draft }
}
