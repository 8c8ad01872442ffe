import type { Unit } from '../../../kit/unit/unit.ts'
import type { FindingLevel } from '../../../studio/finding.ts'
import { hasSkill, listTraitsOn, type Person, TRAITS, type Trait } from '../../../studio/people/person.ts'
import type { Place } from '../../../studio/places/place.ts'
import { isOpenUntil } from '../../../studio/places/place-findings.ts'
import type { Holdings } from '../../placed/placed-item.ts'
import type { NewSetup } from '../../setup/setup.ts'

/** What people and the place have to say about a setup at a time. */
export type CrewFinding = { key: string; level: FindingLevel } & (
  | { code: 'skill-missing'; skill: string; knownBy: string[]; isBooked: boolean }
  | { code: 'skill-single'; skill: string; person: string }
  | { code: 'person-limit'; person: string; trait: Trait; until: string | null; note: string }
  | { code: 'consent-refused'; person: string; note: string }
  | { code: 'owner-not-asked'; tag: string; name: string; owner: string }
  | { code: 'place-closed'; place: string; until: string; terms: string }
)

export interface Crew {
  team: readonly Person[]
  /** Who is booked; null where no booking is judged, only the setup as it stands. */
  bookedIds: readonly string[] | null
  place: Pick<Place, 'name' | 'details'> | null
  /** First and last calendar day, in the studio's zone. */
  firstDay: string
  lastDay: string
}

export function judgeCrew(setup: NewSetup, holdings: Holdings, crew: Crew): CrewFinding[] {
  const booked = crew.bookedIds === null ? null : crew.team.filter((it) => crew.bookedIds?.includes(it.id))
  return [
    ...setup.skills.flatMap((skill) => judgeSkill(skill, crew.team, booked)),
    ...(booked ?? []).flatMap((person) => judgePerson(person, setup, crew.firstDay)),
    ...judgeOwners(setup, holdings, crew.team),
    ...judgeAccess(crew),
  ]
}

/** Nobody at all: stop. Nobody who is booked: a warning, as somebody may still be asked. One person only: worth saying. */
function judgeSkill(skill: string, team: readonly Person[], booked: readonly Person[] | null): CrewFinding[] {
  const knowing = team.filter((it) => hasSkill(it, skill))
  const knownBy = knowing.map((it) => it.name)
  const [only] = knownBy
  if (!only) {
    return [{ key: `skill-missing/${skill}`, level: 'stop', code: 'skill-missing', skill, knownBy, isBooked: false }]
  }
  if (booked && booked.length > 0 && !booked.some((it) => hasSkill(it, skill))) {
    return [{ key: `skill-missing/${skill}`, level: 'warn', code: 'skill-missing', skill, knownBy, isBooked: true }]
  }
  if (knownBy.length > 1) return []
  return [{ key: `skill-single/${skill}`, level: 'advise', code: 'skill-single', skill, person: only }]
}

function judgePerson(person: Person, { asks }: NewSetup, day: string): CrewFinding[] {
  const limits = listTraitsOn(person, day)
    .filter(({ trait }) => asks.includes(TRAITS[trait].against))
    .map(
      ({ trait, until, note }): CrewFinding => ({
        key: `person-limit/${person.id}/${trait}`,
        level: 'warn',
        code: 'person-limit',
        person: person.name,
        trait,
        until,
        note,
      }),
    )
  if (person.consent.state !== 'refused') return limits
  const { note } = person.consent
  return [
    ...limits,
    { key: `consent-refused/${person.id}`, level: 'warn', code: 'consent-refused', person: person.name, note },
  ]
}

/** A phone or laptop that is somebody's own works here only with their word for it. */
function judgeOwners(setup: NewSetup, { units, models }: Holdings, team: readonly Person[]): CrewFinding[] {
  const nameOf = (unit: Unit) => models.get(unit.modelId)?.name ?? unit.tag
  return setup.roles
    .flatMap((role) => role.things.flatMap((it) => units.get(it.unitId ?? '') ?? []))
    .filter((unit) => unit.ownerId !== null && !unit.ownerAgreed)
    .map((unit) => ({
      key: `owner-not-asked/${unit.id}`,
      level: 'warn',
      code: 'owner-not-asked',
      tag: unit.tag,
      name: nameOf(unit),
      owner: team.find((it) => it.id === unit.ownerId)?.name ?? 'its owner',
    }))
}

function judgeAccess({ place, lastDay }: Crew): CrewFinding[] {
  const until = place?.details.accessUntil
  if (!place || !until || isOpenUntil(place, lastDay)) return []
  const { name, details } = place
  return [{ key: 'place-closed', level: 'stop', code: 'place-closed', place: name, until, terms: details.accessTerms }]
}
