import { differenceCiede2000 } from 'culori'
import type { NewPlace } from './place.ts'

const difference = differenceCiede2000()

export interface ColourMatch {
  /** CIEDE2000 (ISO/CIE 11664-6): about 1 is just seen side by side, under 10 reads as the same colour of wall. */
  difference: number
  colour: string
}

/** How near the colours of a place come to one that is wanted; null where none are recorded. */
export function matchColour({ details }: Pick<NewPlace, 'details'>, wanted: string): ColourMatch | null {
  const matches = details.colours.map((colour) => ({ colour, difference: difference(colour, wanted) }))
  return matches.sort((a, b) => a.difference - b.difference)[0] ?? null
}

/** Places in the order of how near they come to a wanted colour; those without a recorded colour last, by name. */
export function rankPlacesByColour<T extends Pick<NewPlace, 'details' | 'name'>>(
  places: readonly T[],
  wanted: string,
): { place: T; match: ColourMatch | null }[] {
  return places
    .map((place) => ({ place, match: matchColour(place, wanted) }))
    .sort(
      (a, b) =>
        (a.match?.difference ?? Infinity) - (b.match?.difference ?? Infinity) || (a.place.name < b.place.name ? -1 : 1),
    )
}
