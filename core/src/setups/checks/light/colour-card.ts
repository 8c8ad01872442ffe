import { isItemOf } from '../../placed/placed-item.ts'
import { defineCheck } from '../check.ts'
import { plain } from '../finding-words.ts'
import { isOfKind, listAssignments, listFromStock } from '../ideas.ts'

interface CardLacking {
  code: 'colour-card-lacking'
  minutes: number
}

/** Colours are corrected afterwards, and nothing of known colours is there to be filmed. */
export const colourCard = defineCheck<CardLacking>({
  find({ setup, items, away }) {
    const minutes = setup.stage.correctionMinutes
    // One that is away is told as that.
    const isPlanned = [...items, ...away.map(({ item }) => item)].some((it) => isItemOf(it, 'colour-card'))
    if (!minutes || isPlanned) return []
    return [{ about: ['colour-card'], roleId: null, level: 'advise', code: 'colour-card-lacking', minutes }]
  },
  codes: {
    'colour-card-lacking': {
      say: ({ minutes }) =>
        plain(
          'No colour card is filmed',
          `${minutes} minutes of correcting colours are planned for each film, by eye alone. A card of known colours in the light of the take makes them fewer.`,
        ),
      deciding: ({ minutes }) => [minutes],
      ideas: (_, { scene, store }) => {
        const home = scene.setup.roles.find((it) => it.wants === 'colour-card') ?? scene.setup.roles[0]
        const isCard = isOfKind('colour-card')
        return home ? [...listAssignments(home, store, isCard), ...listFromStock(home, store, isCard)] : []
      },
      seeks: () => ({ categories: ['colour-card'] }),
    },
  },
})
