import type { PlaceDetails } from '@exemplar/core'
import { useState } from 'react'
import { MeasureField } from '../../foundation/form/measures.tsx'

export interface DetailsProps {
  details: PlaceDetails
  onChange(part: Partial<PlaceDetails>): void
}

/** Width, depth and height stand or fall together: a size that is known by half is not known. */
export function SizeFields({ details, onChange, withMass }: DetailsProps & { withMass: boolean }) {
  const [size, setSize] = useState<Partial<NonNullable<PlaceDetails['size']>>>(details.size ?? {})
  const put = (part: Record<string, number | null>) => {
    const next = Object.fromEntries(Object.entries({ ...size, ...part }).filter(([, it]) => it !== null))
    setSize(next)
    const { widthMm, depthMm, heightMm } = next as NonNullable<PlaceDetails['size']>
    onChange({ size: widthMm && depthMm && heightMm ? { widthMm, depthMm, heightMm } : null })
  }
  return (
    <div className="grid grid-cols-2 gap-3 md:grid-cols-4">
      <MeasureField
        measure="length"
        label="Width inside"
        value={size.widthMm ?? null}
        onChange={(it) => put({ widthMm: it })}
      />
      <MeasureField
        measure="length"
        label="Depth inside"
        value={size.depthMm ?? null}
        onChange={(it) => put({ depthMm: it })}
      />
      <MeasureField
        measure="length"
        label="Height"
        value={size.heightMm ?? null}
        onChange={(it) => put({ heightMm: it })}
      />
      {withMass && (
        <MeasureField
          measure="mass"
          label="Bears at most"
          value={details.massLimitGrams}
          onChange={(massLimitGrams) => onChange({ massLimitGrams })}
        />
      )}
    </div>
  )
}
