import type { FigureCode, PolicyRef, PolicySource } from './policy.ts'
import { findPractice } from './practice.ts'
/** What each setting is called and what it changes, for the form, the advice and the docs. */
export const FIGURE_WORDS: Readonly<Record<FigureCode, { label: string; unit: string; changes: string }>> = {
  sparePacks: {
    label: 'Spare packs of each family',
    unit: '',
    changes: 'Charged packs to have beyond what the sum of the devices says.',
  },
  cardHeadroomPercent: {
    label: 'Kept free on every card',
    unit: '%',
    changes: 'Shortens the recording time of every card. Common practice is 10.',
  },
  packEfficiencyPercent: {
    label: 'Share of a pack that reaches the device',
    unit: '%',
    changes: 'Shortens every runtime by what plates and converters lose.',
  },
  continuousLoadPercent: {
    label: 'Load of a circuit for three hours or more',
    unit: '%',
    changes: 'From here on a long load is a stop. NFPA 70 has 80; your own code decides.',
  },
}

const FROM: Readonly<Record<PolicySource, string>> = {
  studio: 'the studio’s policy',
  default: 'what Exemplar takes where nobody chose',
  purpose: 'the policy for this purpose',
  setup: 'this setup’s own policy',
}

/** "Follows the studio's policy: kept free on every card, 10 %." */
export function sayPolicy(ref: PolicyRef): string {
  if (ref.kind === 'figure') {
    const { label, unit } = FIGURE_WORDS[ref.code]
    return `Follows ${FROM[ref.from]}: ${label[0]?.toLowerCase()}${label.slice(1)}, ${ref.value}${unit ? ` ${unit}` : ''}.`
  }
  const school = findPractice(ref.code)
  const way = school.ways[ref.way] ?? ref.way
  return `Follows ${FROM[ref.from]}: ${school.question} ${way}.`
}
