import { makePort } from '../model/port.ts'
import {
  addCardSlotMutably,
  addCarrier,
  addFeetMutably,
  addFootMutably,
  addPowerMutably,
  addSoundInMutably,
  addSoundOutMutably,
  addUsbMutably,
  addUsbOutMutably,
  type Draft,
  type Fills,
} from './draft-ends.ts'
import type { TemplateFacts } from './template-facts.ts'

/** Lamps, what shapes their light, microphones and what their sound goes through. */
export const LIGHT_AND_SOUND_FILLS: Fills = {
  light: fillLamp,
  panel: fillLamp,
  cob: fillLamp,
  tube: fillLamp,
  // What it is built round goes into its middle.
  'ring-light'(facts, draft, plugs) {
    fillLamp(facts, draft)
    addCarrier(['thread-1-4', 'phone-clamp'])(facts, draft, plugs)
  },
  // A table lamp stands by itself.
  practical: addPowerMutably,
  flash(facts, draft) {
    addFootMutably(draft, 'shoe')
    addPowerMutably(facts, draft)
  },
  modifier: fillModifier,
  softbox: fillModifier,
  flag: (_, draft) => void draft.ports.push(makePort({ id: 'pin', interfaces: 'grip-pin', side: 'guest' })),
  microphone: fillMicrophone,
  shotgun: fillMicrophone,
  'dynamic-mic': fillMicrophone,
  lavalier: (facts, draft) => addSoundOutMutably(draft, facts),
  headset: (facts, draft) => addSoundOutMutably(draft, facts),
  'boundary-mic': (facts, draft) => addSoundOutMutably(draft, facts),
  'camera-mic'(facts, draft) {
    addFootMutably(draft, 'shoe')
    addSoundOutMutably(draft, facts)
    addPowerMutably(facts, draft)
  },
  'input-unit'(facts, draft) {
    addFootMutably(draft, 'shoe')
    addSoundInMutably(draft, facts)
    addSoundOutMutably(draft, facts)
  },
  'usb-mic'(_, draft) {
    addFootOfMicrophoneMutably(draft)
    addUsbOutMutably(draft)
  },
  'wireless-set'(facts, draft) {
    addSoundInMutably(draft, facts)
    addSoundOutMutably(draft, facts)
    addPowerMutably(facts, draft)
  },
  preamp(facts, draft) {
    addSoundInMutably(draft, facts, { id: 'in', importance: 'essential' })
    addSoundOutMutably(draft, facts)
  },
  recorder(facts, draft) {
    addSoundInMutably(draft, facts)
    addSoundOutMutably(draft, facts, { id: 'line-out', side: 'host', importance: 'optional' })
    addCardSlotMutably(facts, draft)
    addPowerMutably(facts, draft)
  },
  mixer(facts, draft) {
    addSoundInMutably(draft, facts)
    addSoundOutMutably(draft, facts, { id: 'main-out', count: 2, importance: 'optional' })
    addFeetMutably(draft)
    addPowerMutably(facts, draft)
  },
  'audio-interface'(facts, draft) {
    addSoundInMutably(draft, facts)
    addSoundOutMutably(draft, facts, { id: 'line-out', side: 'host', count: 2, importance: 'optional' })
    addUsbMutably(draft)
    addPowerMutably(facts, draft)
  },
  speaker(facts, draft) {
    addSoundInMutably(draft, facts, { id: 'in', importance: 'wanted' })
    addFeetMutably(draft)
    addPowerMutably(facts, draft)
  },
  headphones: (_, draft) =>
    void draft.ports.push(
      makePort({ id: 'plug', interfaces: 'trs-35', side: 'guest', direction: 'in', importance: 'optional' }),
    ),
}

function fillLamp(facts: TemplateFacts, draft: Draft): void {
  draft.ports.push(makePort({ id: 'receiver', interfaces: 'spigot-16', side: 'guest' }))
  if (facts.mount) {
    draft.ports.push(makePort({ id: 'front', interfaces: facts.mount, side: 'host', importance: 'optional' }))
  }
  addPowerMutably(facts, draft)
}

function fillModifier({ mount }: TemplateFacts, draft: Draft): void {
  if (mount) draft.ports.push(makePort({ id: 'rear', interfaces: mount, side: 'guest' }))
}

function addFootOfMicrophoneMutably(draft: Draft): void {
  draft.ports.push(makePort({ id: 'clip', interfaces: 'thread-5-8', side: 'guest' }))
}

function fillMicrophone(facts: TemplateFacts, draft: Draft): void {
  addFootOfMicrophoneMutably(draft)
  addSoundOutMutably(draft, facts)
  addPowerMutably(facts, draft)
}
