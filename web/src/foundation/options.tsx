import { CATEGORIES, CATEGORY_CODES, type PlaceKind } from '@exemplar/core'
import { usePlacesQuery } from './api.ts'

/** The choices of a select, the blank one first where it has a name. */
export function PlaceOptions({ none, kind, without }: { none: string; kind?: PlaceKind; without?: string }) {
  const { data: places } = usePlacesQuery()
  return (
    <>
      <option value="">{none}</option>
      {places
        ?.filter((it) => (!kind || it.kind === kind) && it.id !== without)
        .map((it) => (
          <option key={it.id} value={it.id}>
            {it.name}
          </option>
        ))}
    </>
  )
}

export function CategoryOptions() {
  return CATEGORY_CODES.map((code) => (
    <option key={code} value={code}>
      {CATEGORIES[code].label}
    </option>
  ))
}
