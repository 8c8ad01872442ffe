import { listInWords, sayNumber } from '../../units/wording.ts'
import type { PlaceFinding } from './place-findings.ts'
/** The sentence of a finding about a place. */
export function sayPlaceFinding(
  finding: PlaceFinding,
  words: { sayDay(date: string): string; sayLength(mm: number): string; sayMass(grams: number): string },
): string {
  switch (finding.code) {
    case 'size-unknown':
      return 'Cannot tell what fits: the size of this room is not recorded.'
    case 'access-ended':
      return `It could be used until ${words.sayDay(finding.until)}. ${finding.bookings ? `${sayNumber(finding.bookings, 'booking stands', 'bookings stand')} after that day.` : ''}`.trim()
    case 'access-ending':
      return `It can be used until ${words.sayDay(finding.until)}${finding.bookings ? `, and ${sayNumber(finding.bookings, 'booking stands', 'bookings stand')} after that day` : ''}.`
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
      return `Cannot tell whether it is too heavy: ${sayNumber(finding.unknown, 'thing in it was', 'things in it were')} never weighed.`
    default:
      return finding satisfies never
  }
}
