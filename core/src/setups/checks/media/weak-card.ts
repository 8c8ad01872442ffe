import { isItemOf } from '../../placed/placed-item.ts'
import { defineCheck, type Found, ofItem } from '../check.ts'
import { plain } from '../finding-words.ts'
import { listStandInsFor } from '../ideas.ts'
import { listCards } from '../joints/cards-in-slots.ts'

interface WeakCard {
  code: 'card-weak'
  tag: string
  name: string
  card: string
  cardKey: string
  /** Null where nobody recorded its class. */
  megabytesPerSecond: number | null
}

/** A body that cost so many times what its card did has its weakest link in the card. Common practice. */
const TIMES_DEARER = 20
/** The classes C10, U1 and V10: the least that cameras ask for. */
const LEAST_CLASS = 10

/**
 * A cheap card of the least class, or of none that anybody recorded, in a body that cost many times as much: all that it takes hangs
 * on it. What either cost is not said, as not everybody may see prices; without both nothing is said.
 */
export const weakCard = defineCheck<WeakCard>({
  find: (scene) =>
    listCards(scene).flatMap(({ recorder, demand, card, rating }): Found<WeakCard>[] => {
      // A sound recorder asks little of a card: the least class is good for it.
      if (!isItemOf(recorder, 'camera') && !isItemOf(recorder, 'external-recorder')) return []
      const [body, own] = [recorder.unit?.priceMinor ?? null, card.unit?.priceMinor ?? null]
      const speed = rating?.quantity === 'cardMegabytesPerSecond' ? rating.value : null
      if (body === null || own === null || body < own * TIMES_DEARER) return []
      // Too slow is told as too slow.
      if (speed !== null && (speed > LEAST_CLASS || speed < (demand ?? 0))) return []
      const about = [recorder.key, card.key]
      const it = { card: card.tag, cardKey: card.key, megabytesPerSecond: speed }
      return [{ ...ofItem(recorder), about, level: 'advise', code: 'card-weak', ...it }]
    }),
  codes: {
    'card-weak': {
      say: ({ tag, name, card, megabytesPerSecond }) =>
        plain(
          `${card} is the weakest link of ${tag}`,
          `It cost a small part of ${name}, ${megabytesPerSecond === null ? 'nobody recorded its class' : `is of the least class (${megabytesPerSecond} MB/s)`}, and every take of it hangs on this card. A better one costs little beside the body.`,
        ),
      deciding: ({ cardKey, megabytesPerSecond }) => [cardKey, megabytesPerSecond],
      ideas: ({ cardKey }, context) => listStandInsFor([cardKey], context),
      replaceable: ({ cardKey }) => [cardKey],
    },
  },
})
