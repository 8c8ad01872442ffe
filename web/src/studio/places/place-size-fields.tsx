import type { PlaceDetails } from '@exemplar/core'
import { useState } from 'react'
import { FigureField } from '../../foundation/form/figure-field.tsx'
import { MeasureField } from '../../foundation/form/measures.tsx'

export interface DetailsProps {
  details: PlaceDetails
  onChange(part: Partial<PlaceDetails>): void
}

/** Where on the earth: both or none. */
export function SpotFields({ details, onChange }: DetailsProps) {
  const [spot, setSpot] = useState<{ latitude: number | null; longitude: number | null }>(
    details.position ?? { latitude: null, longitude: null },
  )
  const put = (part: Partial<typeof spot>) => {
    const next = { ...spot, ...part }
    setSpot(next)
    const { latitude, longitude } = next
    onChange({ position: latitude === null || longitude === null ? null : { latitude, longitude } })
  }
  const isHalf = (spot.latitude === null) !== (spot.longitude === null)
  return (
    <div className="grid grid-cols-2 gap-3 md:grid-cols-4">
      <FigureField
        label="Latitude, °"
        hint="south below zero; for the sun on its windows"
        least={-90}
        most={90}
        isNeeded={isHalf}
        value={spot.latitude}
        onChange={(latitude) => put({ latitude })}
      />
      <FigureField
        label="Longitude, °"
        hint="west below zero"
        least={-180}
        most={180}
        isNeeded={isHalf}
        value={spot.longitude}
        onChange={(longitude) => put({ longitude })}
      />
    </div>
  )
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
