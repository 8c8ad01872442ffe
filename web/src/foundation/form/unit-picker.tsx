import { listUnitsMeant, type Measure } from '@exemplar/core'
import { useStudioQuery } from '../api/api.ts'
import { Button } from '../parts/button.tsx'

/** Under a field with a bare number in it: in which unit that is, so that nobody has to know what is taken for granted. */
export function UnitPicker({
  label,
  text,
  measure,
  onPick,
}: {
  label: string
  text: string
  measure: Measure
  onPick(text: string): void
}) {
  const { data: studio } = useStudioQuery()
  const units = listUnitsMeant(text, measure, studio?.unitSystem ?? 'metric')
  if (units.length < 2) return null
  return (
    <fieldset className="mt-1 flex flex-wrap items-center gap-1.5 text-[12px] text-quiet">
      <legend className="sr-only">Unit of: {label}</legend>
      in which unit?
      {units.map((unit) => (
        <Button key={unit} size="small" onClick={() => onPick(`${text.trim()} ${unit}`)}>
          {unit}
        </Button>
      ))}
    </fieldset>
  )
}
