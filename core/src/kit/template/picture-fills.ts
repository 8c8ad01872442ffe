import { makePort } from '../model/port.ts'
import {
  addCardSlotMutably,
  addCarrier,
  addFeetMutably,
  addFootMutably,
  addHolesMutably,
  addPowerMutably,
  addRecordingMutably,
  addSoundInMutably,
  addUsbMutably,
  addUsbOutMutably,
  addVideoInMutably,
  addVideoOutMutably,
  type Draft,
  type Fill,
  type Fills,
  FOOT_THREADS,
} from './draft-ends.ts'
import type { TemplateFacts } from './template-facts.ts'

/** Cameras, what goes in front of them, and what shows, switches and keeps their pictures. */
export const PICTURE_FILLS: Fills = {
  camera(facts, draft) {
    if (facts.mount) draft.ports.push(makePort({ id: 'mount', interfaces: facts.mount, side: 'host' }))
    addFootMutably(draft, FOOT_THREADS)
    addCardSlotMutably(facts, draft)
    addVideoOutMutably(draft, facts)
    addSoundInMutably(draft, facts)
    draft.ports.push(makePort({ id: 'shoe', interfaces: 'shoe', side: 'host', importance: 'optional' }))
    // It gives its picture to a computer, and takes nothing there.
    draft.ports.push(
      makePort({ id: 'usb', interfaces: 'usb-c', side: 'host', direction: 'out', importance: 'optional' }),
    )
    addPowerMutably(facts, draft)
  },
  phone(facts, draft) {
    draft.ports.push(makePort({ id: 'back', interfaces: 'phone-clamp', side: 'guest' }))
    addUsbMutably(draft, 'optional')
    addSoundInMutably(draft, facts)
    addRecordingMutably(facts, draft)
  },
  camcorder(facts, draft) {
    addFootMutably(draft, FOOT_THREADS)
    addCardSlotMutably(facts, draft)
    addVideoOutMutably(draft, facts)
    addSoundInMutably(draft, facts)
    addPowerMutably(facts, draft)
  },
  'action-camera'(facts, draft) {
    addFootMutably(draft, 'thread-1-4')
    addCardSlotMutably(facts, draft)
    addSoundInMutably(draft, facts)
    addPowerMutably(facts, draft)
  },
  webcam(_, draft) {
    // It sits on the screen by its own clip; the screw is there for who wants it elsewhere.
    addFootMutably(draft, 'thread-1-4', 'optional')
    draft.ports.push(makePort({ id: 'plug', interfaces: ['usb-a', 'usb-c'], side: 'guest', direction: 'out' }))
  },
  drone(facts, draft) {
    addCardSlotMutably(facts, draft)
    addPowerMutably(facts, draft)
  },
  lens: fillRear,
  'lens-adapter': fillBothMounts,
  filter: fillRear,
  'step-ring': fillBothMounts,
  'external-recorder'(facts, draft) {
    addFootMutably(draft, ['thread-1-4', 'shoe'])
    addVideoInMutably(draft, facts, 'essential')
    addVideoOutMutably(draft, facts)
    addCardSlotMutably(facts, draft)
    addPowerMutably(facts, draft)
  },
  capture(facts, draft) {
    addVideoInMutably(draft, facts, 'essential')
    addUsbOutMutably(draft, 'essential')
  },
  converter: fillConverter(() => 1),
  splitter: fillConverter(({ outlets }) => outlets ?? 2),
  'video-link'(facts, draft) {
    addFootMutably(draft, ['thread-1-4', 'shoe'], 'optional')
    addVideoInMutably(draft, facts, 'essential')
    addVideoOutMutably(draft, facts)
    addPowerMutably(facts, draft)
  },
  prompter(facts, draft, plugs) {
    addFootMutably(draft, FOOT_THREADS)
    draft.ports.push(makePort({ id: 'tray', interfaces: 'phone-clamp', side: 'host', importance: 'optional' }))
    addCarrier(['thread-1-4'])(facts, draft, plugs)
  },
  'control-surface': (_, draft) => addUsbOutMutably(draft),
  monitor(facts, draft) {
    // It hangs by its holes or by its foot, and by one of them it has to.
    const exclusiveGroup = facts.holes ? 'support' : null
    draft.ports.push(makePort({ id: 'foot', interfaces: ['thread-1-4', 'shoe'], side: 'guest', exclusiveGroup }))
    addVideoInMutably(draft, facts, 'wanted')
    addHolesMutably(facts, draft, 'guest', exclusiveGroup)
    addPowerMutably(facts, draft)
  },
  'desk-monitor': fillScreenOnFeet,
  television: fillScreenOnFeet,
  switcher(facts, draft) {
    addVideoInMutably(draft, facts)
    addVideoOutMutably(draft, facts)
    // Most give their programme to a computer as a camera on USB (common practice).
    addUsbOutMutably(draft, 'optional')
    addFeetMutably(draft)
    addPowerMutably(facts, draft)
  },
}

function fillRear({ mount }: TemplateFacts, draft: Draft): void {
  if (mount) draft.ports.push(makePort({ id: 'rear', interfaces: mount, side: 'guest' }))
}

function fillBothMounts(facts: TemplateFacts, draft: Draft): void {
  fillRear(facts, draft)
  if (facts.frontMount) draft.ports.push(makePort({ id: 'front', interfaces: facts.frontMount, side: 'host' }))
}

/** On its own feet, or on the wall of the house. */
function fillScreenOnFeet(facts: TemplateFacts, draft: Draft): void {
  addVideoInMutably(draft, facts)
  addHolesMutably(facts, draft, 'guest')
  addFeetMutably(draft)
  addPowerMutably(facts, draft)
}

function fillConverter(countOutputs: (facts: TemplateFacts) => number): Fill {
  return (facts, draft) => {
    addVideoInMutably(draft, facts, 'essential')
    addVideoOutMutably(draft, facts, countOutputs(facts))
    addPowerMutably(facts, draft)
  }
}
