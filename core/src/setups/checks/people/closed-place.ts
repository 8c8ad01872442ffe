import { isOpenUntil } from '../../../studio/places/place-findings.ts'
import { defineCheck } from '../check.ts'
import { plain } from '../finding-words.ts'

interface ClosedPlace {
  code: 'place-closed'
  place: string
  until: string
  terms: string
}

/** A room that can be used until a day before the last one of the shoot. */
export const closedPlace = defineCheck<ClosedPlace>({
  find({ crew }) {
    const until = crew?.place?.details.accessUntil
    if (!crew?.place || !until || isOpenUntil(crew.place, crew.lastDay)) return []
    const { name, details } = crew.place
    const common = { about: [], roleId: null, level: 'stop' as const, code: 'place-closed' as const }
    return [{ ...common, place: name, until, terms: details.accessTerms }]
  },
  codes: {
    'place-closed': {
      say: ({ place, until, terms }, words) =>
        plain(
          `${place} is closed by then`,
          `It can be used until ${words.sayDay(until)}.${terms ? ` ${terms}.` : ''} Book another room.`,
        ),
      deciding: ({ until }) => [until],
    },
  },
})
