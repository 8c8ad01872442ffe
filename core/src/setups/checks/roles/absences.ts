import type { Absence } from '../../../kit/unit/absence.ts'
import { type FindingLevel, findWorstLevel } from '../../../studio/finding.ts'
import { findRoom } from '../../../studio/places/place-findings.ts'
import { listInWords } from '../../../units/wording.ts'
import type { UnmetNeed } from '../../joining/completeness.ts'
import { isAccessory } from '../../joining/needed-accessories.ts'
import { isItemOf, type PlacedItem } from '../../placed/placed-item.ts'
import { listInUse } from '../../setup/setup.ts'
import { defineCheck, type Found, LEVEL_OF_IMPORTANCE, ofItem } from '../check.ts'
import { plain, sayAbsence } from '../finding-words.ts'
import { findRole, listStandInsFor } from '../ideas.ts'
import type { Scene } from '../scene.ts'

interface AbsentItem {
  code: 'thing-absent'
  unitId: string
  tag: string
  name: string
  absence: Absence
  /** What nothing is left for without it. */
  leaves: string[]
}

interface BoundItem {
  code: 'bound-elsewhere'
  unitId: string
  tag: string
  name: string
  room: string
  here: string
}

/** Single things that stand in a role and will not be there. */
export const absences = defineCheck<AbsentItem>({
  find: (scene) => [
    ...scene.away.flatMap(({ item, leaves }) =>
      describe(item, leaves, scene, (absence) => findLevel(absence, findWeight(item, scene), leaves)),
    ),
    // Of what is only there in case nothing stops.
    ...scene.spareAway.flatMap((item) => describe(item, [], scene, () => 'advise')),
  ],
  codes: {
    'thing-absent': {
      say: ({ tag, name, absence, leaves }, words) =>
        plain(`${tag} is not there`, `${name} is ${sayAbsence(absence, words)}.${sayLeft(leaves)}`),
      cause: ({ absence }) => (absence.reason === 'booked' ? absence.bookingId : null),
      sayTogether: (findings, words) => {
        const [first] = findings
        const why = first ? sayAbsence(first.absence, words) : ''
        return plain(`${findings.length} things are not there`, `${listInWords(findings.map((it) => it.tag))}: ${why}.`)
      },
      deciding: ({ absence }) => [absence.reason, 'state' in absence ? absence.state : null],
      ideas: ({ unitId }, context) => listStandInsFor([unitId], context),
      replaceable: ({ unitId }) => [unitId],
    },
  },
})

function describe(
  item: PlacedItem,
  leaves: readonly UnmetNeed[],
  scene: Scene,
  weigh: (absence: Absence) => FindingLevel,
): Found<AbsentItem>[] {
  const absence = item.unit ? scene.absences.get(item.unit.id) : undefined
  if (!item.unit || !absence) return []
  const tags = [...new Set(leaves.map((it) => it.thing.tag))]
  const figures = { unitId: item.unit.id, absence, leaves: tags }
  return [{ ...ofItem(item), level: weigh(absence), code: 'thing-absent', ...figures }]
}

/**
 * What is there for something else weighs by what it leaves open, unless it is what its role wants and nothing else is: a second
 * lead that is lost stops nobody.
 */
function findWeight(item: PlacedItem, scene: Scene): FindingLevel {
  const role = findRole(scene, item.roleId)
  const own = LEVEL_OF_IMPORTANCE[role?.importance ?? 'optional']
  if (!isAccessory(item) && !SERVING.some((kind) => isItemOf(item, kind))) return own
  const wants = role?.wants ?? null
  // A role that says not what it wants is about what stands in it first.
  if (wants === null) return role && listInUse(role)[0]?.unitId === item.unit?.id ? own : 'advise'
  const isFilled = scene.items.some((it) => it.roleId === item.roleId && isItemOf(it, wants))
  return isItemOf(item, wants) && !isFilled ? own : 'advise'
}

/** Beside accessories what is summed up: how much of it lacks is told by the sums. */
const SERVING = ['pack', 'cell', 'card'] as const

/**
 * As much as its role, or as the most important of what it leaves open. Whoever is late may still be back in time: that is
 * a question, and no stop yet.
 */
function findLevel({ reason }: Absence, weight: FindingLevel, leaves: readonly UnmetNeed[]): FindingLevel {
  const level = findWorstLevel([weight, ...leaves.map((it) => it.level)])
  return reason === 'late' && level === 'stop' ? 'unknown-stop' : level
}

/** What lacks something because a thing is away. */
export const sayLeft = (leaves: readonly string[]) =>
  leaves.length > 0 ? ` Without it nothing is left for ${listInWords(leaves)}.` : ''

/** What is the venue's own stays in its room: a setup elsewhere cannot count on it. */
export const boundElsewhere = defineCheck<BoundItem>({
  find: (scene) => scene.items.flatMap((item) => findBound(item, scene)),
  codes: {
    'bound-elsewhere': {
      say: ({ tag, name, room, here }) =>
        plain(
          `${tag} stays in ${room}`,
          `${name} is the venue’s own and belongs to ${room}. This is to be in ${here}.`,
        ),
      deciding: ({ room, here }) => [room, here],
      ideas: ({ unitId }, context) => listStandInsFor([unitId], context),
      replaceable: ({ unitId }) => [unitId],
    },
  },
})

function findBound(item: PlacedItem, { where }: Scene) {
  const here = where && findRoom(where.placeId, where.places)
  if (!where || !here || item.unit?.acquisition !== 'venue') return []
  const room = findRoom(item.unit.placeId, where.places)
  if (!room || room.id === here.id) return []
  const common = { ...ofItem(item), unitId: item.unit.id, room: room.name, here: here.name }
  return [{ ...common, code: 'bound-elsewhere' as const }]
}
