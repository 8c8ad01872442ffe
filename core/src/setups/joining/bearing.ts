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

/** Whether one end bears the other: supports are there for that, and what hangs from a bar is never taken as safe. */
export function isBorne(host: PlacedItem, h: Port, guest: PlacedItem, g: Port): boolean {
  if (h.interfaces.includes('bar') && g.interfaces.includes('bar')) return true
  // What a phone fits into bears a phone, and a shoe what is small.
  if (h.interfaces.includes('phone-clamp') || h.interfaces.includes('shoe')) return false
  if (host.category === 'room' || isLight(guest) || IN_A_BAY.has(guest.category)) return false
  return CATEGORIES[host.category].group === 'support' && host.category !== 'sandbag' && !isFlow(h)
}

const FLOW: readonly Port['direction'][] = ['in', 'out', 'both']
const isFlow = ({ direction }: Port) => FLOW.includes(direction)
