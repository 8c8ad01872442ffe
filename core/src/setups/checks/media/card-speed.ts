import { trim } from '../../../units/quantity.ts'
import { defineCheck, ofItem } from '../check.ts'
import { plain } from '../finding-words.ts'
import { findRole, listAssignments } from '../ideas.ts'
import { listCardsInSlots } from '../joints/cards-in-slots.ts'

interface SlowCard {
  code: 'card-slow'
  tag: string
  name: string
  card: string
  cardKey: string
  wantedMegabytesPerSecond: number
  megabytesPerSecond: number
}

/** Cards that are in a slot and write more slowly than it asks for: the recording stops in the middle. */
export const cardSpeed = defineCheck<SlowCard>({
  shownIn: 'signals',
  find: (scene) =>
    listCardsInSlots(scene).flatMap(({ recorder, demand, card, rating }) => {
      if (rating?.quantity !== 'cardMegabytesPerSecond' || rating.value >= demand) return []
      return [
        {
          ...ofItem(recorder),
          about: [recorder.key, card.key],
          code: 'card-slow' as const,
          card: card.tag,
          cardKey: card.key,
          wantedMegabytesPerSecond: demand,
          megabytesPerSecond: rating.value,
        },
      ]
    }),
  codes: {
    'card-slow': {
      say: ({ tag, name, card, wantedMegabytesPerSecond, megabytesPerSecond }) =>
        plain(
          `${card} is too slow for ${tag}`,
          `${name} wants a card that keeps up ${trim(wantedMegabytesPerSecond, 0)} MB/s; ${card} is good for ${trim(megabytesPerSecond, 0)}. Recording may stop in the middle. A faster card, or a lower bit rate, would do.`,
        ),
      deciding: ({ wantedMegabytesPerSecond, megabytesPerSecond }) => [wantedMegabytesPerSecond, megabytesPerSecond],
      ideas({ roleId, wantedMegabytesPerSecond }, { scene, store }) {
        const role = findRole(scene, roleId)
        if (!role) return []
        return listAssignments(role, store, ({ model }) =>
          model.ports.some(
            ({ rating }) => rating?.quantity === 'cardMegabytesPerSecond' && rating.value >= wantedMegabytesPerSecond,
          ),
        )
      },
      replaceable: ({ cardKey }) => [cardKey],
      seeks: () => ({ categories: ['card'] }),
    },
  },
})
