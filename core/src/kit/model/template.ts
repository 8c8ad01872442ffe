import type { Category } from './category.ts'
import { EMPTY_MODEL, type NewModel, NO_SPECS, type PowerMode, type RecordingMode, type Specs } from './model.ts'
import { type Importance, makePort, type Port } from './port.ts'
import type { MoreSpecs } from './spec.ts'
import { NO_FACTS, type TemplateFacts } from './template-facts.ts'

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
  phone(facts, draft) {
    draft.ports.push(
      makePort({ id: 'back', interfaces: 'phone-clamp', side: 'guest' }),
      makePort({ id: 'usb', interfaces: 'usb-c', side: 'host', direction: 'both', importance: 'optional' }),
    )
    addRecording(facts, draft)
  },
  camcorder(facts, draft) {
    draft.ports.push(makePort({ id: 'foot', interfaces: ['thread-1-4', 'thread-3-8'], side: 'guest' }))
    addCardSlot(facts, draft)
    addVideo(draft, 'out', 'hdmi-a')
    addMicIn(draft, 'xlr-3', 2)
    addPower(facts, draft)
  },
  'action-camera'(facts, draft) {
    draft.ports.push(makePort({ id: 'foot', interfaces: 'thread-1-4', side: 'guest' }))
    addCardSlot(facts, draft, 'micro-sd')
    addPower(facts, draft)
  },
  webcam(_, draft) {
    draft.ports.push(
      // It sits on the screen by its own clip; the screw is there for who wants it elsewhere.
      makePort({ id: 'foot', interfaces: 'thread-1-4', side: 'guest', importance: 'optional' }),
      makePort({ id: 'plug', interfaces: ['usb-a', 'usb-c'], side: 'guest', direction: 'out' }),
    )
  },
  drone(facts, draft) {
    addCardSlot(facts, draft, 'micro-sd')
    addPower(facts, draft)
  },
  lens(facts, draft) {
    if (facts.mount) draft.ports.push(makePort({ id: 'rear', interfaces: facts.mount, side: 'guest' }))
  },
  'lens-adapter'(facts, draft) {
    if (facts.mount) draft.ports.push(makePort({ id: 'rear', interfaces: facts.mount, side: 'guest' }))
    if (facts.frontMount) draft.ports.push(makePort({ id: 'front', interfaces: facts.frontMount, side: 'host' }))
  },
  filter(facts, draft) {
    if (facts.mount) draft.ports.push(makePort({ id: 'rear', interfaces: facts.mount, side: 'guest' }))
  },
  'external-recorder'(facts, draft) {
    draft.ports.push(makePort({ id: 'foot', interfaces: ['thread-1-4', 'shoe'], side: 'guest' }))
    addVideo(draft, 'in', 'hdmi-a', 'essential')
    // On cards or disks of which form differs from one to the next: it is asked, and not guessed.
    if (facts.cardForm) addCardSlot(facts, draft)
    else addRecording(facts, draft)
    addPower(facts, draft)
  },
  capture(_, draft) {
    addVideo(draft, 'in', 'hdmi-a', 'essential')
    addUsb(draft, 'essential')
  },
  prompter(facts, draft, wall) {
    draft.ports.push(
      makePort({ id: 'foot', interfaces: ['thread-1-4', 'thread-3-8'], side: 'guest' }),
      makePort({ id: 'tray', interfaces: 'phone-clamp', side: 'host', importance: 'optional' }),
    )
    addCarrier(['thread-1-4'])(facts, draft, wall)
  },
  'control-surface': (_, draft) => addUsb(draft),
  monitor(facts, draft) {
    // It hangs by its holes or by its foot, and by one of them it has to.
    const exclusiveGroup = facts.holes ? 'support' : null
    draft.ports.push(
      makePort({ id: 'foot', interfaces: ['thread-1-4', 'shoe'], side: 'guest', exclusiveGroup }),
      makePort({ id: 'video-in', interfaces: 'hdmi-a', side: 'host', direction: 'in', importance: 'wanted' }),
    )
    addHoles(facts, draft, 'guest', exclusiveGroup)
    addPower(facts, draft)
  },
  // On its own feet, or on the wall of the house.
  television(facts, draft) {
    draft.ports.push(
      makePort({
        id: 'video-in',
        interfaces: 'hdmi-a',
        side: 'host',
        direction: 'in',
        count: 2,
        importance: 'optional',
      }),
    )
    addHoles(facts, draft, 'guest')
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
  light: fillLamp,
  panel: fillLamp,
  cob: fillLamp,
  tube: fillLamp,
  // What it is built round goes into its middle.
  'ring-light'(facts, draft, wall) {
    fillLamp(facts, draft)
    addCarrier(['thread-1-4', 'phone-clamp'])(facts, draft, wall)
  },
  // A table lamp stands by itself.
  practical: addPower,
  flash(facts, draft) {
    draft.ports.push(makePort({ id: 'foot', interfaces: 'shoe', side: 'guest' }))
    addPower(facts, draft)
  },
  modifier(facts, draft) {
    if (facts.mount) draft.ports.push(makePort({ id: 'rear', interfaces: facts.mount, side: 'guest' }))
  },
  flag: (_, draft) => void draft.ports.push(makePort({ id: 'pin', interfaces: 'grip-pin', side: 'guest' })),
  microphone: fillMicrophone,
  shotgun: fillMicrophone,
  'dynamic-mic': fillMicrophone,
  lavalier: (_, draft) => addSoundOut(draft, 'trs-35'),
  'camera-mic'(_, draft) {
    draft.ports.push(makePort({ id: 'foot', interfaces: 'shoe', side: 'guest' }))
    addSoundOut(draft, 'trs-35')
  },
  'input-unit'(_, draft) {
    draft.ports.push(makePort({ id: 'foot', interfaces: 'shoe', side: 'guest' }))
    addMicIn(draft, 'xlr-3', 2)
    addSoundOut(draft, 'trs-35')
  },
  'usb-mic'(_, draft) {
    draft.ports.push(makePort({ id: 'clip', interfaces: 'thread-5-8', side: 'guest' }))
    addUsb(draft)
  },
  'wireless-set'(facts, draft) {
    addMicIn(draft, 'trs-35', 1)
    addSoundOut(draft, 'trs-35')
    addPower(facts, draft)
  },
  preamp(_, draft) {
    draft.ports.push(makePort({ id: 'in', interfaces: 'xlr-3', side: 'host', direction: 'in' }))
    addSoundOut(draft, 'xlr-3')
  },
  recorder(facts, draft) {
    addMicIn(draft, 'xlr-3', 2)
    draft.ports.push(
      makePort({ id: 'line-out', interfaces: 'trs-35', side: 'host', direction: 'out', importance: 'optional' }),
    )
    addCardSlot(facts, draft)
    addPower(facts, draft)
  },
  mixer(facts, draft) {
    addMicIn(draft, 'xlr-3', 4)
    draft.ports.push(
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
  'audio-interface'(facts, draft) {
    addMicIn(draft, 'xlr-3', 2)
    addUsb(draft)
    addPower(facts, draft)
  },
  speaker(facts, draft) {
    draft.ports.push(
      makePort({ id: 'in', interfaces: ['xlr-3', 'trs-63'], side: 'host', direction: 'in', importance: 'wanted' }),
    )
    addPower(facts, draft)
  },
  tripod: addCarrier(['thread-1-4', 'thread-3-8']),
  arm: addCarrier(['thread-1-4', 'thread-3-8']),
  // For a bar only where somebody says so: most clamps hold cloth.
  clamp(facts, draft, wall) {
    if (facts.mount !== 'bar') return
    draft.ports.push(makePort({ id: 'jaw', interfaces: 'bar', side: 'guest' }))
    addCarrier(['spigot-16'])(facts, draft, wall)
  },
  rail: addCarrier(['thread-1-4']),
  stand: addCarrier(['spigot-16']),
  'c-stand': addCarrier(['spigot-16', 'grip-pin']),
  'wheeled-stand': addCarrier(['spigot-16', 'spigot-28']),
  'combo-boom': addCarrier(['spigot-16', 'spigot-28']),
  'mic-stand': addCarrier(['thread-5-8']),
  'desk-arm': addCarrier(['thread-5-8', 'thread-3-8']),
  'screen-arm': (facts, draft) => addHoles({ ...facts, holes: facts.holes ?? 'screen-100' }, draft, 'host'),
  'backdrop-support': addCarrier(['cross-bar']),
  head: addBetween('thread-3-8', 'thread-1-4'),
  'boom-arm': addBetween('spigot-16', 'spigot-16'),
  'friction-arm': addBetween('thread-1-4', 'thread-1-4'),
  plate(facts, draft) {
    if (facts.mount) draft.ports.push(makePort({ id: 'under', interfaces: facts.mount, side: 'guest' }))
    const rating = facts.loadGrams === null ? null : ({ quantity: 'loadGrams', value: facts.loadGrams } as const)
    draft.ports.push(makePort({ id: 'screw', interfaces: 'thread-1-4', side: 'host', importance: 'optional', rating }))
    addHoles(facts, draft, 'host')
  },
  'phone-holder'(_, draft) {
    draft.ports.push(
      makePort({ id: 'foot', interfaces: ['thread-1-4', 'shoe'], side: 'guest' }),
      makePort({ id: 'clamp', interfaces: 'phone-clamp', side: 'host', importance: 'optional' }),
    )
  },
  gimbal(facts, draft) {
    addCarrier(['thread-1-4'])(facts, draft, '')
    addPower(facts, draft)
  },
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
  coupler(facts, draft) {
    if (!facts.battery) return
    draft.ports.push(makePort({ id: 'pack', interfaces: facts.battery, side: 'guest' }))
    addPower({ ...facts, battery: null }, draft)
  },
  supply(_, draft) {
    draft.ports.push(makePort({ id: 'out', interfaces: 'dc-55', side: 'guest', importance: 'optional' }))
  },
  strip: fillStrip,
  reel: fillStrip,
  'cable-adapter'(facts, draft) {
    const a = facts.endA ?? facts.endB
    if (!a) return
    draft.ports.push(
      makePort({ id: 'from', interfaces: a, side: 'host', direction: 'in' }),
      makePort({ id: 'to', interfaces: facts.endB ?? a, side: 'guest', direction: 'out' }),
    )
  },
  cable(facts, draft) {
    // What its ends are is the whole of a cable: unknown, they are not guessed.
    if (!facts.endA && !facts.endB) return
    const a = facts.endA ?? facts.endB ?? ''
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
        interfaces: facts.cardForm ?? 'sd',
        side: 'guest',
        importance: 'optional',
        rating: value === null ? null : { quantity: 'cardMegabytesPerSecond', value },
      }),
    )
  },
  // A small card in its sleeve is a full-size card; without one in it the sleeve is nothing.
  'card-sleeve'(_, draft) {
    draft.ports.push(
      makePort({ id: 'inside', interfaces: 'micro-sd', side: 'host' }),
      makePort({ id: 'card', interfaces: 'sd', side: 'guest', importance: 'optional' }),
    )
  },
  reader(facts, draft) {
    const interfaces = facts.cardForm ?? ['sd', 'micro-sd']
    draft.ports.push(makePort({ id: 'slot', interfaces, side: 'host', importance: 'optional' }))
    addUsb(draft)
  },
  drive: (_, draft) => addUsb(draft, 'optional'),
  nas(facts, draft) {
    draft.ports.push(
      makePort({ id: 'network', interfaces: 'rj45', side: 'host', direction: 'both', importance: 'wanted' }),
    )
    addPower(facts, draft)
  },
  // A headset socket has four poles: the plug of a camera's microphone goes in and is not heard.
  computer(facts, draft) {
    draft.ports.push(
      makePort({
        id: 'usb',
        interfaces: ['usb-c', 'usb-a'],
        side: 'host',
        direction: 'both',
        count: 2,
        importance: 'optional',
      }),
      makePort({ id: 'headset', interfaces: 'trrs-35', side: 'host', direction: 'in', importance: 'optional' }),
    )
    addPower(facts, draft)
  },
  tablet(facts, draft) {
    addUsb(draft, 'optional')
    addPower(facts, draft)
  },
  backdrop: (_, draft) =>
    void draft.ports.push(makePort({ id: 'core', interfaces: 'cross-bar', side: 'guest', importance: 'optional' })),
}

function fillLamp(facts: TemplateFacts, draft: Draft): void {
  draft.ports.push(makePort({ id: 'receiver', interfaces: 'spigot-16', side: 'guest' }))
  if (facts.mount) {
    draft.ports.push(makePort({ id: 'front', interfaces: facts.mount, side: 'host', importance: 'optional' }))
  }
  addPower(facts, draft)
}

function fillMicrophone(facts: TemplateFacts, draft: Draft): void {
  draft.ports.push(makePort({ id: 'clip', interfaces: 'thread-5-8', side: 'guest' }))
  addSoundOut(draft, 'xlr-3')
  addPower(facts, draft)
}

function fillStrip(facts: TemplateFacts, draft: Draft, wall: string): void {
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
}

function addSoundOut(draft: Draft, code: string): void {
  draft.ports.push(makePort({ id: 'out', interfaces: code, side: 'guest', direction: 'out' }))
}

function addMicIn(draft: Draft, code: string, count: number): void {
  draft.ports.push(
    makePort({ id: 'mic-in', interfaces: code, side: 'host', direction: 'in', count, importance: 'optional' }),
  )
}

function addVideo(draft: Draft, direction: 'in' | 'out', code: string, importance: Importance = 'optional'): void {
  draft.ports.push(makePort({ id: `video-${direction}`, interfaces: code, side: 'host', direction, importance }))
}

function addUsb(draft: Draft, importance: Importance = 'wanted'): void {
  draft.ports.push(makePort({ id: 'usb', interfaces: 'usb-c', side: 'host', direction: 'both', importance }))
}

/** A screen asks a bracket for its own mass; a bracket is good for so much. */
function addHoles(
  { holes, massGrams, loadGrams }: TemplateFacts,
  draft: Draft,
  side: 'host' | 'guest',
  exclusiveGroup: string | null = null,
): void {
  if (!holes) return
  const of = (value: number | null) => (value === null ? null : ({ quantity: 'loadGrams', value } as const))
  draft.ports.push(
    makePort({
      id: 'holes',
      interfaces: holes,
      side,
      importance: 'optional',
      rating: side === 'host' ? of(loadGrams) : null,
      demand: side === 'guest' ? of(massGrams) : null,
      exclusiveGroup,
    }),
  )
}

/** What stands on one thing and carries another. */
function addBetween(below: string, above: string): Fill {
  return (facts, draft, wall) => {
    draft.ports.push(makePort({ id: 'foot', interfaces: below, side: 'guest' }))
    addCarrier([above])(facts, draft, wall)
  }
}

function addCarrier(interfaces: string[]): Fill {
  return (facts, draft) => {
    const rating = facts.loadGrams === null ? null : ({ quantity: 'loadGrams', value: facts.loadGrams } as const)
    draft.ports.push(makePort({ id: 'carries', interfaces, side: 'host', importance: 'optional', rating }))
  }
}

function addCardSlot(facts: TemplateFacts, draft: Draft, code = 'sd'): void {
  // Of which only the card is known, its rate is asked; of which nobody knows either, both are.
  if (facts.kilobitsPerSecond === null && facts.cardForm === null) return
  const value = facts.cardMegabytesPerSecond
  const demand = value === null ? null : ({ quantity: 'cardMegabytesPerSecond', value } as const)
  draft.ports.push(makePort({ id: 'slot', interfaces: facts.cardForm ?? code, side: 'host', demand }))
  addRecording(facts, draft)
}

function addRecording({ kilobitsPerSecond }: TemplateFacts, draft: Draft): void {
  if (kilobitsPerSecond === null) return
  draft.recordingModes.push({ id: 'usual', label: `${kilobitsPerSecond / 1000} Mbit/s`, kilobitsPerSecond })
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

/** The end and the way of powering of a battery family, a cell or a mains inlet. */
export function makePowerOf(code: string): Pick<NewModel, 'ports' | 'powerModes'> {
  const draft: Draft = { ports: [], powerModes: [], recordingModes: [] }
  addPower({ ...NO_FACTS, ...(code.startsWith('iec-') ? { inlet: code } : { battery: code }) }, draft)
  return { ports: draft.ports, powerModes: draft.powerModes }
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
  { wall = DEFAULT_WALL, more = {} }: { wall?: string; more?: MoreSpecs } = {},
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
    more,
  }
  return { ...EMPTY_MODEL, maker, name, category, specs, ...draft }
}
