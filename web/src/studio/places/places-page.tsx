import { type Place, rankPlacesByColour } from '@exemplar/core'
import { useState } from 'react'
import { Link } from 'react-router'
import { usePlacesQuery, useStudioQuery } from '../../foundation/api/api.ts'
import { useMay } from '../../foundation/api/session.ts'
import { useMeasures } from '../../foundation/form/measures.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { Empty, Section } from '../../foundation/parts/page-parts.tsx'
import { SheetDialog } from '../../foundation/parts/sheet-dialog.tsx'
import { sayDayWithYear } from '../../foundation/words/calendar-words.ts'
import { PlaceForm } from './place-form.tsx'
import { PLACE_NAMES } from './place-names.ts'

/** Rooms first, then what stands in them; a brand’s colour finds the room that carries it. */
export function PlacesPage() {
  const { data: places } = usePlacesQuery()
  const { data: studio } = useStudioQuery()
  const [isAdding, setAdding] = useState(false)
  const [colour, setColour] = useState<string | null>(null)
  const may = useMay()
  if (!places) return null
  const rooms = places.filter((it) => it.kind === 'room')
  const ranked = colour ? rankPlacesByColour(rooms, colour) : rooms.map((place) => ({ place, match: null }))
  const others = places.filter((it) => it.kind !== 'room')
  return (
    <>
      <Section title="Rooms" aside={`${rooms.length}`}>
        {rooms.length === 0 && (
          <Empty title="No room yet">
            A room with its circuits, doors and windows is what setups are judged against.
          </Empty>
        )}
        {(studio?.brandColours.length ?? 0) > 0 && (
          <p className="flex flex-wrap items-center gap-2 py-2 text-[13px] text-quiet">
            Which room carries this colour?
            {studio?.brandColours.map((it) => (
              <button
                type="button"
                key={it}
                aria-pressed={colour === it}
                aria-label={`Rooms by nearness to ${it}`}
                className="size-6 rounded-paper border border-rule-strong aria-pressed:ring-2 aria-pressed:ring-ink"
                style={{ background: it }}
                onClick={() => setColour(colour === it ? null : it)}
              />
            ))}
          </p>
        )}
        <ul>
          {ranked.map(({ place, match }) => (
            <PlaceRow key={place.id} place={place} places={places}>
              {colour && (match ? `colours ${match.difference.toFixed(0)} apart` : 'no colour recorded')}
            </PlaceRow>
          ))}
        </ul>
      </Section>
      <Section title="Stores, shelves, cases and bags" aside={`${others.length}`}>
        <ul>
          {others.map((place) => (
            <PlaceRow key={place.id} place={place} places={places} />
          ))}
        </ul>
      </Section>
      {may('change-directory') && (
        <Button className="mt-3" onClick={() => setAdding(true)}>
          Add a place
        </Button>
      )}
      <SheetDialog open={isAdding} onClose={() => setAdding(false)} wide title="Add a place">
        <PlaceForm place={null} onClose={() => setAdding(false)} />
      </SheetDialog>
    </>
  )
}

function PlaceRow({ place, places, children }: { place: Place; places: readonly Place[]; children?: React.ReactNode }) {
  const { sayLength, sayMass } = useMeasures()
  const { size, colours, accessUntil, massLimitGrams } = place.details
  const parent = places.find((it) => it.id === place.parentId)?.name
  const facts = [
    place.kind !== 'room' && PLACE_NAMES[place.kind].toLowerCase(),
    parent && `in ${parent}`,
    size && `${sayLength(size.widthMm)} × ${sayLength(size.depthMm)}, ${sayLength(size.heightMm)} high`,
    ...place.circuits.map((it) => `${it.name} ${it.volts} V ${it.amps} A`),
    massLimitGrams && `bears ${sayMass(massLimitGrams)}`,
    accessUntil && `until ${sayDayWithYear(accessUntil)}`,
  ]
  return (
    <li className="flex items-center gap-3 border-b border-rule py-2">
      <span className="flex gap-1" aria-hidden>
        {colours.map((it) => (
          <i key={it} className="size-3.5 rounded-paper border border-rule" style={{ background: it }} />
        ))}
      </span>
      <span className="flex-1">
        <Link to={`/studio/places/${place.id}`} className="font-semibold">
          {place.name}
        </Link>{' '}
        <span className="text-[13px] text-quiet">{facts.filter(Boolean).join(' · ')}</span>
      </span>
      <span className="text-[12px] text-quiet">{children}</span>
    </li>
  )
}
