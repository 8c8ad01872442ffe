import { usePlacesQuery } from '../../foundation/api/api.ts'
import { ComboField } from '../../foundation/form/combo-field.tsx'
import { useMakePlace } from './making.ts'

/** Where something lives; a place that is not in the list yet is made by its name. */
export function PlaceField({
  label,
  value,
  onChange,
}: {
  label: string
  value: string
  onChange(placeId: string): void
}) {
  const { data: places = [] } = usePlacesQuery()
  const make = useMakePlace()
  return (
    <ComboField
      label={label}
      value={value}
      choices={places.map((it) => ({ value: it.id, label: it.name, aside: it.kind }))}
      recent="place"
      placeholder="Not known yet"
      makes="place"
      onMake={make}
      onChange={onChange}
    />
  )
}
