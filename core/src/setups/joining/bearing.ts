import { CATEGORIES } from '../../kit/model/category.ts'
import type { Port } from '../../kit/model/port.ts'
import { isItemOf, isLight, type PlacedItem } from '../placed/placed-item.ts'

/** A shoe takes a small screen or lamp, and nothing tells whether one that nobody weighed is small. */
export function isInShoe(host: PlacedItem, { interfaces }: Port, guest: PlacedItem): boolean {
  if (!interfaces.includes('shoe') || guest.massGrams !== null) return false
  if (!isItemOf(host, 'camera') && host.category !== 'cage') return false
  return isItemOf(guest, 'monitor') || isItemOf(guest, 'light')
}

/** What sits in a mount or a bay of what bears other things: nobody rates that. */
const IN_A_BAY: ReadonlySet<PlacedItem['category']> = new Set(['lens', 'pack', 'coupler'])

const CARRIES_A_CAMERA: ReadonlySet<PlacedItem['category']> = new Set(['ring-light', 'prompter'])

const isOnScrew = ({ interfaces }: Port) => interfaces.includes('thread-1-4') || interfaces.includes('thread-3-8')

/** Whether one end bears the other: supports are there for that, and what hangs from a bar is never taken as safe. */
export function isBorne(host: PlacedItem, h: Port, guest: PlacedItem, g: Port): boolean {
  if (h.interfaces.includes('bar') && g.interfaces.includes('bar')) return true
  // A ring lamp and a prompter carry a camera and what it stands in, which is not what most of their kind are built for.
  if (CARRIES_A_CAMERA.has(host.category)) return isOnScrew(h) && isOnScrew(g) && !isLight(guest)
  // What a phone fits into bears a phone, and a shoe what is small.
  if (h.interfaces.includes('phone-clamp') || h.interfaces.includes('shoe')) return false
  if (host.category === 'room' || isLight(guest) || IN_A_BAY.has(guest.category)) return false
  return CATEGORIES[host.category].group === 'support' && host.category !== 'sandbag' && !isFlow(h)
}

const FLOW: readonly Port['direction'][] = ['in', 'out', 'both']
const isFlow = ({ direction }: Port) => FLOW.includes(direction)
