import { type Category, isKindOf } from '../../kit/model/category.ts'
import { makePort, type Port } from '../../kit/model/port.ts'
import type { Bar, Circuit } from '../../studio/places/place.ts'
import type { NewSetup } from '../setup/setup.ts'
import { placeOnce } from './place-once.ts'
import { type Holdings, listPlacedItems, NOTHING_KNOWN, type PlacedItem } from './placed-item.ts'

/** What a setup stands in: nothing of the kit, and yet things are plugged into it, hung from it and held by it. */
export interface Venue {
  circuit: Circuit | null
  /** Bars and ceiling clips of the room. */
  bars?: readonly Bar[]
}

/** So many clamps go on one bar; its load is what limits it. */
const CLAMPS_ON_BAR = 12
const HANDS = 2
const POCKETS = 2

/** Every piece of a setup, then the room's sockets, its bars, and the hands of who carries. */
export function listSceneItems(
  setup: Pick<NewSetup, 'roles' | 'carriers'>,
  holdings: Holdings,
  around: Venue,
): PlacedItem[] {
  const things = listPlacedItems(setup, holdings, around.circuit)
  const fixed = listFixed(setup, around)
  return setup.carriers > 0 ? [...things.map(makeHoldable), ...fixed] : [...things, ...fixed]
}

/** Bars and people, without the sockets. */
export function listFixed({ carriers }: Pick<NewSetup, 'carriers'>, { bars = [] }: Venue): PlacedItem[] {
  return [...bars.map(placeBar), ...(carriers > 0 ? [placePeople(carriers)] : [])]
}

const placeBar = placeOnce(makeBar)

function makeBar({ id, name, loadGrams }: Bar): PlacedItem {
  const rating = loadGrams === null ? null : ({ quantity: 'loadGrams', value: loadGrams } as const)
  const port = makePort({
    id: 'bar',
    interfaces: 'bar',
    side: 'host',
    count: CLAMPS_ON_BAR,
    importance: 'optional',
    rating,
  })
  return makeFixed(`bar:${id}`, name, name, [port])
}

const placedPeople = new Map<number, PlacedItem>()

function placePeople(carriers: number): PlacedItem {
  const known = placedPeople.get(carriers)
  if (known) return known
  const placed = makePeople(carriers)
  placedPeople.set(carriers, placed)
  return placed
}

function makePeople(carriers: number): PlacedItem {
  const ports = [
    makePort({ id: 'hand', interfaces: 'hand', side: 'host', count: HANDS * carriers, importance: 'optional' }),
    makePort({ id: 'pocket', interfaces: 'pocket', side: 'host', count: POCKETS * carriers, importance: 'optional' }),
  ]
  return makeFixed('people', 'HANDS', carriers === 1 ? 'who carries' : `${carriers} who carry`, ports)
}

function makeFixed(key: string, tag: string, name: string, ports: Port[]): PlacedItem {
  return { key, tag, name, category: 'room', roleId: null, roleImportance: 'optional', ports, ...NOTHING_KNOWN }
}

/** Kinds that can be held where somebody is there for it, and the ends by which a hand does it as well as a stand. */
const HELD: readonly (readonly [Category, ReadonlySet<string>])[] = [
  ['camera', new Set(['thread-1-4', 'phone-clamp'])],
  ['microphone', new Set(['thread-5-8'])],
  ['boom-arm', new Set(['spigot-16'])],
]

/** Cameras, microphones and boom poles can be held, where somebody is there to hold them. */
export function makeHoldable(thing: PlacedItem): PlacedItem {
  const { category } = thing
  const held = category === 'room' ? undefined : HELD.find(([kind]) => isKindOf(category, kind))
  return held ? { ...thing, ports: thing.ports.map((port) => withHand(port, held[1])) } : thing
}

/** The same port each time, so that a thing that did not change is seen not to have. */
const WITH_HAND = new WeakMap<Port, Port>()

function withHand(port: Port, heldAt: ReadonlySet<string>): Port {
  if (port.side !== 'guest' || !port.interfaces.some((code) => heldAt.has(code))) return port
  const known = WITH_HAND.get(port)
  if (known) return known
  const held = { ...port, interfaces: [...port.interfaces, 'hand'] }
  WITH_HAND.set(port, held)
  return held
}
