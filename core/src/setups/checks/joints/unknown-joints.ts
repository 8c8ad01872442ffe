import type { UnknownJoint } from '../../joining/completeness.ts'
import { defineCheck, ofItem } from '../check.ts'
import { type FindingWords, plain } from '../finding-words.ts'
import { listStandInsFor } from '../ideas.ts'
import type { Scene } from '../scene.ts'
import { listCardsInSlots } from './cards-in-slots.ts'

interface JointUnknown {
  code: 'joint-unknown'
  tag: string
  name: string
  other: string
  otherKey: string
  /** Of which model the fact is asked; null where it is no model's, such as a bar of the room. */
  modelId: string | null
  fact: UnknownJoint['fact']
}

/** Joints that may hold, of which a figure is not recorded. */
export const unknownJoints = defineCheck<JointUnknown>({
  shownIn: ({ fact }) => (fact === 'card-speed' ? 'signals' : 'rig'),
  find: (scene) =>
    [...scene.unknown, ...listInSleeves(scene)].map(({ thing, other, fact }) => ({
      ...ofItem(thing),
      about: [thing.key, other.key],
      level: 'unknown',
      code: 'joint-unknown',
      other: other.tag,
      otherKey: other.key,
      modelId: (fact === 'load-limit' ? other : thing).model?.id ?? null,
      fact,
    })),
  codes: {
    'joint-unknown': {
      couldStop: true,
      say: sayUnknownJoint,
      deciding: ({ fact }) => [fact],
      // Beside the question: one that is rated, and free, in its stead.
      ideas: ({ fact, otherKey }, context) => (fact === 'load-limit' ? listStandInsFor([otherKey], context) : []),
      replaceable: ({ fact, otherKey }) => (fact === 'load-limit' ? [otherKey] : []),
      asks: ({ modelId, fact }) => (modelId === null ? null : { modelId, fact }),
    },
  },
})

/** A card in a sleeve meets the slot only through it, so that no joint says what is not known of it. */
const listInSleeves = (scene: Scene): UnknownJoint[] =>
  listCardsInSlots(scene).flatMap(({ recorder, card, rating, isInSleeve }) =>
    isInSleeve && rating === null ? [{ thing: card, other: recorder, fact: 'card-speed' as const }] : [],
  )

function sayUnknownJoint({ fact, tag, name, other }: JointUnknown): FindingWords {
  switch (fact) {
    case 'card-speed':
      return plain(
        `Cannot tell whether ${tag} is fast enough`,
        `The speed class of ${name} is not recorded. It is printed on the card.`,
      )
    case 'mass':
      return plain(
        `Cannot tell whether ${other} bears ${tag}`,
        `The mass of ${name} is not recorded. Weigh it, or look at its plate.`,
      )
    case 'load-limit':
      return plain(`Cannot tell what ${other} bears`, `No load limit is recorded for ${other}, which carries ${name}.`)
    default:
      return fact satisfies never
  }
}
