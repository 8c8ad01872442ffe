import { type NewPlace, NO_DETAILS } from '@exemplar/core'

/** The parts of a place that are sent back when it is changed. */
export function toPlaceDraft({ name, kind, parentId, circuits, note, details }: NewPlace): NewPlace {
  return { name, kind, parentId, circuits, note, details }
}

export const BLANK_PLACE: NewPlace = {
  name: '',
  kind: 'room',
  parentId: null,
  circuits: [],
  note: '',
  details: NO_DETAILS,
}
