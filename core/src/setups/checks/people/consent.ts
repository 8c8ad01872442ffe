import { listTraitsOn, type Person, TRAITS, type Trait } from '../../../studio/people/person.ts'
import type { NewSetup } from '../../setup/setup.ts'
import { defineCheck, type Found } from '../check.ts'
import { plain } from '../finding-words.ts'

type PersonFinding =
  | { code: 'person-limit'; person: string; trait: Trait; until: string | null; note: string }
  | { code: 'consent-refused'; person: string; note: string }

/** What people who are booked would rather not, or must not. */
export const consent = defineCheck<PersonFinding>({
  find({ setup, crew }) {
    const booked = crew?.bookedIds ? crew.team.filter((it) => crew.bookedIds?.includes(it.id)) : []
    return booked.flatMap((person) => checkPerson(person, setup, crew?.firstDay ?? ''))
  },
  codes: {
    'person-limit': {
      say({ person, trait, until, note }, words) {
        const end = until ? ` until ${words.sayDay(until)}` : ''
        return plain(
          `${person}: ${TRAITS[trait].label.toLowerCase()}${end}`,
          `This setup asks for the contrary. Change the place, the lamp or the person.${note ? ` ${note}.` : ''}`,
        )
      },
      deciding: ({ trait, until, note }) => [trait, until, note],
    },
    'consent-refused': {
      say: ({ person, note }) =>
        plain(`${person} does not want to be filmed`, `Keep ${person} behind the camera.${note ? ` ${note}.` : ''}`),
      deciding: ({ note }) => [note],
    },
  },
})

function checkPerson(person: Person, { asks }: NewSetup, day: string): Found<PersonFinding>[] {
  const common = { roleId: null, level: 'warn' as const, person: person.name }
  const limits = listTraitsOn(person, day)
    .filter(({ trait }) => asks.includes(TRAITS[trait].against))
    .map(
      (it): Found<PersonFinding> => ({
        ...common,
        about: [person.id, it.trait],
        code: 'person-limit',
        ...pickLimit(it),
      }),
    )
  if (person.consent.state !== 'refused') return limits
  return [...limits, { ...common, about: [person.id], code: 'consent-refused', note: person.consent.note }]
}

const pickLimit = ({ trait, until, note }: { trait: Trait; until: string | null; note: string }) => ({
  trait,
  until,
  note,
})
