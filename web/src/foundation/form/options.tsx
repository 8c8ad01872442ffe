import {
  ACQUISITION_CODES,
  ACQUISITIONS,
  CATEGORIES,
  CATEGORY_CODES,
  LIFE_STATE_CODES,
  LIFE_STATES,
  type PlaceKind,
} from '@exemplar/core'
import { usePartiesQuery, usePlacesQuery } from '../api/api.ts'

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

export function StateOptions() {
  return LIFE_STATE_CODES.map((code) => (
    <option key={code} value={code}>
      {LIFE_STATES[code].label}
    </option>
  ))
}

export function AcquisitionOptions() {
  return ACQUISITION_CODES.map((code) => (
    <option key={code} value={code}>
      {ACQUISITIONS[code]}
    </option>
  ))
}

/** Vendors, lenders and the others, the blank one first under its name. */
export function PartyOptions({ none }: { none: string }) {
  const { data: parties } = usePartiesQuery()
  return (
    <>
      <option value="">{none}</option>
      {parties?.map((it) => (
        <option key={it.id} value={it.id}>
          {it.name}
        </option>
      ))}
    </>
  )
}
