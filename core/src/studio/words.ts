import { listInWords } from '../units/wording.ts'
import { ACCESS_ROLE_NAMES, type AccessRole } from './people/access.ts'
import type { PlaceFinding } from './places/place-findings.ts'
import type { FigureCode, PolicyRef, PolicySource } from './policy/policy.ts'
import { findPractice } from './policy/practice.ts'

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

export function sayAccessRole(role: AccessRole): string {
  return ACCESS_ROLE_NAMES[role].label
}

/** The sentence of a finding about a place. */
export function sayPlaceFinding(
  finding: PlaceFinding,
  words: { sayDay(date: string): string; sayLength(mm: number): string; sayMass(grams: number): string },
): string {
  switch (finding.code) {
    case 'size-unknown':
      return 'Cannot tell what fits: the size of this room is not recorded.'
    case 'access-ended':
      return `It could be used until ${words.sayDay(finding.until)}. ${finding.bookings ? `${finding.bookings} bookings stand after that day.` : ''}`.trim()
    case 'access-ending':
      return `It can be used until ${words.sayDay(finding.until)}${finding.bookings ? `, and ${finding.bookings} bookings stand after that day` : ''}.`
    case 'socket-without-circuit':
      return `Cannot tell what ${listInWords(finding.names)} may carry: no circuit is named.`
    case 'bar-unrated':
      return `Cannot tell what ${listInWords(finding.names)} bears. Hang nothing from it until somebody competent has said so; what hangs over people is theirs to rig.`
    case 'switch-off':
      return `Switch off before recording, and on again afterwards: ${listInWords(finding.names)}.`
    case 'cannot-switch-off':
      return `${listInWords(finding.names)} cannot be switched off: expect it in the sound or the colour.`
    case 'hot':
      return `Keep cloth, leads and packs away from ${listInWords(finding.names)}.`
    case 'mixed-light':
      return `The lights of the house differ: ${listInWords(finding.lights.map((it) => `${it.name} ${it.kelvin.toLocaleString('en-GB')} K`))}. Off, or matched.`
    case 'overweight':
      return `It bears ${words.sayMass(finding.limitGrams)}; what lives in it weighs ${words.sayMass(finding.massGrams)}${finding.unknown ? `, and ${finding.unknown} more were never weighed` : ''}.`
    case 'mass-unknown':
      return `Cannot tell whether it is too heavy: ${finding.unknown} things in it were never weighed.`
    default:
      return finding satisfies never
  }
}
