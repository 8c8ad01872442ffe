import { listPlugFits, PLUG_SYSTEMS, type PlugSystemCode } from '../../studio/places/plug-systems.ts'
import { makePort } from '../model/port.ts'
import {
  addFeetMutably,
  addPowerMutably,
  addUsbMutably,
  addUsbOutMutably,
  addVideoOutMutably,
  cardRating,
  type Draft,
  type Fills,
} from './draft-ends.ts'
import type { TemplateFacts } from './template-facts.ts'

/** What feeds, what joins, what keeps. */
export const POWER_AND_MEDIA_FILLS: Fills = {
  pack({ battery }, draft) {
    if (!battery) return
    draft.ports.push(makePort({ id: 'pack', interfaces: battery, side: 'guest', importance: 'optional' }))
  },
  cell({ battery }, draft) {
    const interfaces = battery ?? 'cell-aa'
    draft.ports.push(makePort({ id: 'cell', interfaces, side: 'guest', importance: 'optional' }))
  },
  charger(facts, draft) {
    const { battery, outlets } = facts
    if (battery) {
      const count = outlets ?? 1
      draft.ports.push(makePort({ id: 'bay', interfaces: battery, side: 'host', count, importance: 'optional' }))
    }
    addPowerMutably({ ...facts, battery: null }, draft)
  },
  lead({ inlet, plug }, draft, plugs) {
    const connector = inlet ?? 'iec-c13'
    draft.ports.push(
      makePort({ id: 'connector', interfaces: connector, side: 'guest' }),
      makePort({ id: 'plug', interfaces: plug ? [plug] : listPlugFits(plugs, connector), side: 'guest' }),
    )
  },
  coupler(facts, draft) {
    const { battery } = facts
    if (battery) draft.ports.push(makePort({ id: 'pack', interfaces: battery, side: 'guest' }))
    addPowerMutably({ ...facts, battery: null }, draft)
  },
  supply(facts, draft) {
    draft.ports.push(makePort({ id: 'out', interfaces: 'dc-55', side: 'guest', importance: 'optional' }))
    addPowerMutably({ ...facts, battery: null }, draft)
  },
  // A strip in a strip overloads the first one: the sockets refuse whatever distributes further.
  strip: fillStrip({ carries: ['distribution'], forbids: ['distribution'] }),
  // A strip on a reel is what reels are for; a reel in a reel is not.
  reel: fillStrip({ carries: ['distribution', 'reel'], forbids: ['reel'] }),
  'cable-adapter'({ endA, endB }, draft) {
    const a = endA ?? endB
    if (!a) return
    draft.ports.push(
      makePort({ id: 'from', interfaces: a, side: 'host', direction: 'in' }),
      makePort({ id: 'to', interfaces: endB ?? a, side: 'guest', direction: 'out' }),
    )
  },
  cable({ endA, endB }, draft) {
    // What its ends are is the whole of a cable: unknown, they are not guessed.
    const a = endA ?? endB
    if (!a) return
    // An XLR cable has a socket at the end that takes the microphone; video and data cables have two plugs.
    draft.ports.push(
      makePort({ id: 'from', interfaces: a, side: a === 'xlr-3' ? 'host' : 'guest', direction: 'in' }),
      makePort({ id: 'to', interfaces: endB ?? a, side: 'guest', direction: 'out' }),
    )
  },
  card({ cardForm, cardMegabytesPerSecond }, draft) {
    const rating = cardRating(cardMegabytesPerSecond)
    draft.ports.push(
      makePort({ id: 'card', interfaces: cardForm ?? 'sd', side: 'guest', importance: 'optional', rating }),
    )
  },
  // A small card in its sleeve is a full-size card; without one in it the sleeve is nothing.
  'card-sleeve'(_, draft) {
    draft.ports.push(
      makePort({ id: 'inside', interfaces: 'micro-sd', side: 'host' }),
      makePort({ id: 'card', interfaces: 'sd', side: 'guest', importance: 'optional' }),
    )
  },
  reader({ cardForm }, draft) {
    const interfaces = cardForm ?? ['sd', 'micro-sd']
    draft.ports.push(makePort({ id: 'slot', interfaces, side: 'host', importance: 'optional' }))
    addUsbOutMutably(draft)
  },
  drive: (_, draft) => addUsbMutably(draft, 'optional'),
  nas(facts, draft) {
    addNetworkMutably(draft, 1)
    addPowerMutably(facts, draft)
  },
  'network-switch'(facts, draft) {
    addNetworkMutably(draft, facts.outlets ?? 4)
    addPowerMutably(facts, draft)
  },
  'usb-hub'({ outlets }, draft) {
    draft.ports.push(
      makePort({ id: 'plug', interfaces: ['usb-c', 'usb-a'], side: 'guest', direction: 'both', importance: 'wanted' }),
    )
    addUsbMutably(draft, 'optional', outlets ?? 4)
  },
  computer: fillComputer,
  laptop: fillComputer,
  tablet(facts, draft) {
    addUsbMutably(draft, 'optional')
    addPowerMutably(facts, draft)
  },
}

/** A headset socket has four poles: the plug of a camera's microphone goes in and is not heard. */
function fillComputer(facts: TemplateFacts, draft: Draft): void {
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
  addVideoOutMutably(draft, facts)
  addFeetMutably(draft)
  addPowerMutably(facts, draft)
}

function addNetworkMutably(draft: Draft, count: number): void {
  draft.ports.push(
    makePort({
      id: 'network',
      interfaces: 'rj45',
      side: 'host',
      direction: 'both',
      count,
      importance: count === 1 ? 'wanted' : 'optional',
    }),
  )
}

function fillStrip({ carries, forbids }: { carries: string[]; forbids: string[] }) {
  return ({ plug, outlets }: TemplateFacts, draft: Draft, plugs: PlugSystemCode): void => {
    const interfaces = plug ?? PLUG_SYSTEMS[plugs].socket
    const count = outlets ?? 4
    draft.ports.push(
      makePort({ id: 'plug', interfaces, side: 'guest', carries }),
      makePort({ id: 'socket', interfaces, side: 'host', count, importance: 'optional', forbids }),
    )
  }
}
