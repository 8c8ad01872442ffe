import type { PlaceKind } from '@exemplar/core'

export const PLACE_NAMES: Record<PlaceKind, string> = {
  room: 'Room',
  store: 'Store',
  shelf: 'Shelf',
  case: 'Case',
  bag: 'Bag',
}
