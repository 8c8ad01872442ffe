import { makePort } from '../model/port.ts'
import {
  addBetween,
  addCarrier,
  addFootMutably,
  addHolesMutably,
  addPowerMutably,
  type Draft,
  type Fills,
  FOOT_THREADS,
  loadRating,
} from './draft-ends.ts'
import type { TemplateFacts } from './template-facts.ts'

/** What carries, and what is built of it. */
export const SUPPORT_FILLS: Fills = {
  tripod: addCarrier(FOOT_THREADS),
  // On one leg it stands by nobody's leave: somebody holds it.
  monopod(facts, draft, plugs) {
    draft.ports.push(makePort({ id: 'grip', interfaces: 'hand', side: 'guest' }))
    addCarrier(FOOT_THREADS)(facts, draft, plugs)
  },
  arm: addCarrier(FOOT_THREADS),
  'standing-arm': addCarrier(FOOT_THREADS),
  // For a bar only where somebody says so: most clamps hold cloth.
  clamp(facts, draft, plugs) {
    if (facts.mount !== 'bar') return
    draft.ports.push(makePort({ id: 'jaw', interfaces: 'bar', side: 'guest' }))
    addCarrier(['spigot-16'])(facts, draft, plugs)
  },
  rail: addCarrier(['thread-1-4']),
  stand: addCarrier(['spigot-16']),
  'c-stand': addCarrier(['spigot-16', 'grip-pin']),
  'wheeled-stand': addCarrier(['spigot-16', 'spigot-28']),
  'combo-boom': addCarrier(['spigot-16', 'spigot-28']),
  'mic-stand': addCarrier(['thread-5-8']),
  'desk-arm'(facts, draft, plugs) {
    addCarrier(['thread-5-8', 'thread-3-8'])(facts, draft, plugs)
    addEdgeClampMutably(draft)
  },
  'screen-arm'(facts, draft) {
    // A screen that could stand by itself hangs on the arm that is there for it.
    const rating = loadRating(facts.loadGrams)
    const interfaces = facts.holes ?? 'screen-100'
    draft.ports.push(makePort({ id: 'holes', interfaces, side: 'host', importance: 'wanted', rating }))
    addEdgeClampMutably(draft)
  },
  'backdrop-support': addCarrier(['cross-bar']),
  head: addBetween('thread-3-8', 'thread-1-4'),
  'ball-head': addBetween('thread-3-8', 'thread-1-4'),
  // Its two ends lie on two stands or arms; what hangs from it is clamped to it.
  crossbar({ loadGrams }, draft) {
    const rating = loadRating(loadGrams)
    draft.ports.push(
      makePort({ id: 'ends', interfaces: 'spigot-16', side: 'guest', count: 2 }),
      makePort({ id: 'carries', interfaces: 'bar', side: 'host', count: 8, importance: 'optional', rating }),
    )
  },
  'boom-arm': addBetween('spigot-16', 'spigot-16'),
  'grip-head': addBetween('spigot-16', ['grip-pin', 'spigot-16']),
  // Its lower end is a screw, with a foot for the shoe on it.
  'friction-arm': addBetween(['thread-1-4', 'shoe'], 'thread-1-4'),
  'shock-mount': addBetween('thread-5-8', 'thread-5-8'),
  plate(facts, draft) {
    if (facts.mount) draft.ports.push(makePort({ id: 'under', interfaces: facts.mount, side: 'guest' }))
    addScrewMutably(facts, draft)
    addHolesMutably(facts, draft, 'host')
  },
  // Under it the tripod, in it the camera, round it holes for what else rides on the rig.
  cage(facts, draft) {
    draft.ports.push(makePort({ id: 'under', interfaces: FOOT_THREADS, side: 'guest' }))
    addScrewMutably(facts, draft)
    const rating = loadRating(facts.loadGrams)
    draft.ports.push(
      makePort({ id: 'points', interfaces: 'thread-1-4', side: 'host', count: 4, importance: 'optional', rating }),
      makePort({ id: 'shoe', interfaces: 'shoe', side: 'host', count: 2, importance: 'optional' }),
    )
  },
  'phone-holder'(_, draft) {
    addFootMutably(draft, ['thread-1-4', 'shoe'])
    draft.ports.push(makePort({ id: 'clamp', interfaces: 'phone-clamp', side: 'host', importance: 'optional' }))
  },
  // Somebody carries it, or it stands on what a tripod gives.
  gimbal(facts, draft, plugs) {
    draft.ports.push(makePort({ id: 'grip', interfaces: ['hand', ...FOOT_THREADS], side: 'guest' }))
    addCarrier(['thread-1-4'])(facts, draft, plugs)
    addPowerMutably(facts, draft)
  },
  backdrop: (_, draft) =>
    void draft.ports.push(makePort({ id: 'core', interfaces: 'cross-bar', side: 'guest', importance: 'optional' })),
  furniture: fillTop,
  table: fillTop,
}

function addScrewMutably({ loadGrams }: TemplateFacts, draft: Draft): void {
  const rating = loadRating(loadGrams)
  draft.ports.push(makePort({ id: 'screw', interfaces: 'thread-1-4', side: 'host', importance: 'optional', rating }))
}

/** It holds to a table; to which one can be said, and what that bears is asked then. */
function addEdgeClampMutably(draft: Draft): void {
  draft.ports.push(makePort({ id: 'edge', interfaces: 'table-edge', side: 'guest', importance: 'optional' }))
}

function fillTop({ loadGrams }: TemplateFacts, draft: Draft): void {
  const rating = loadRating(loadGrams)
  draft.ports.push(
    makePort({ id: 'top', interfaces: 'surface', side: 'host', count: 8, importance: 'optional', rating }),
    makePort({ id: 'edge', interfaces: 'table-edge', side: 'host', count: 4, importance: 'optional', rating }),
  )
}
