import { sumKnown } from '../../units/known-sum.ts'
import { computeTax } from '../../units/money.ts'
import type { Acquisition, InterestKind, Unit } from './unit.ts'

/** What taking a gift comes to: in many places a gift for coverage is income. A planning aid, no tax advice. */
export interface GiftReckoning {
  taxMinor: number
  hoursMinor: number
  /** What is left of its value after tax and the hours that were promised for it; negative where it costs more. */
  netMinor: number
}

export interface GiftTerms {
  valueMinor: number
  taxBasisPoints: number
  hours: number
  hourMinor: number
}

export function reckonGift({ valueMinor, taxBasisPoints, hours, hourMinor }: GiftTerms): GiftReckoning {
  const taxMinor = computeTax(valueMinor, taxBasisPoints)
  const hoursMinor = Math.round(hours * hourMinor)
  return { taxMinor, hoursMinor, netMinor: valueMinor - taxMinor - hoursMinor }
}

/** How a thing came, for whoever watches. What was paid in full nobody recorded, so it is not said. */
const HOW: Readonly<Record<Acquisition, (name: string, by: string) => string>> = {
  'bought-new': (name) => `We bought the ${name} ourselves.`,
  'bought-used': (name) => `We bought the ${name} ourselves, used.`,
  bundled: (name) => `The ${name} came with something else.`,
  gift: (name, by) => `The ${name} was given to us${by}.`,
  sample: (name, by) => `The ${name} was given to us for this film${by}.`,
  sponsored: (name, by) =>
    by === '' ? `The ${name} was paid for by a sponsor.` : `The ${name} was paid for${by}, a sponsor.`,
  'loan-in': (name, by) => `The ${name} is lent to us${by}.`,
  rented: (name) => `We rent the ${name}.`,
  venue: (name) => `The ${name} belongs to the venue.`,
  household: (name) => `The ${name} is from our household.`,
  personal: (name) => `The ${name} belongs to one of us.`,
  'hand-made': (name) => `We made the ${name} ourselves.`,
  found: (name) => `We found the ${name}.`,
}

/** Ways in which it came that are said in any case; the others only where there is an interest in its sale. */
const ALWAYS_SAID: ReadonlySet<Acquisition> = new Set(['gift', 'sample', 'sponsored', 'loan-in'])

const INTERESTS: Readonly<Record<InterestKind, string>> = {
  unsaid: 'On its sale:',
  'we-earn': 'We earn from its sale:',
  'viewers-save': 'Viewers save on it:',
}

/**
 * The sentence that goes with a film in which the thing is seen, on a calendar day: the crew's own where they wrote one, else
 * one made from how it came; null where nothing is to be said. A code that ran out before that day is not named.
 */
export function sayDisclosure(
  { acquisition, provenance }: Pick<Unit, 'acquisition' | 'provenance'>,
  { name, giver, on }: { name: string; giver: string | null; on: string },
): string | null {
  if (provenance.disclosure !== '') return provenance.disclosure
  const { interest: what, interestKind, interestUntil } = provenance
  const holds = what !== '' && (interestUntil === null || interestUntil >= on)
  const interest = holds ? ` ${INTERESTS[interestKind]} ${what.replace(/\.$/, '')}.` : ''
  if (!ALWAYS_SAID.has(acquisition) && interest === '') return null
  return `${HOW[acquisition](name, giver ? ` by ${giver}` : '')}${interest}`
}

/** What was promised for things and is not done yet, the most pressing first; without a day, last. */
export function listOpenDuties<T extends Pick<Unit, 'tag' | 'provenance'>>(
  units: readonly T[],
): { unit: T; what: string; dueOn: string | null }[] {
  return units
    .flatMap((unit) =>
      unit.provenance.duties.flatMap(({ what, dueOn, doneOn }) => (doneOn === null ? [{ unit, what, dueOn }] : [])),
    )
    .sort((a, b) => ((a.dueOn ?? '9') < (b.dueOn ?? '9') ? -1 : 1))
}

const GIVEN: ReadonlySet<Unit['acquisition']> = new Set(['gift', 'sample', 'sponsored'])

/** What was given in each year and is worth, the latest year first: the base of whatever tax there is on it, and of how many nobody said. */
export function sumGifts(
  units: readonly Pick<Unit, 'acquisition' | 'acquiredOn' | 'provenance'>[],
): { year: number; things: number; valueMinor: number; unknown: number }[] {
  const years = new Map<number, (number | null)[]>()
  for (const { acquisition, acquiredOn, provenance } of units) {
    const day = provenance.valueOn ?? acquiredOn
    if (!GIVEN.has(acquisition) || day === null) continue
    const year = Number(day.slice(0, 4))
    years.set(year, [...(years.get(year) ?? []), provenance.valueMinor])
  }
  return [...years]
    .map(([year, values]) => {
      const { sum, unknown } = sumKnown(values)
      return { year, things: values.length, valueMinor: sum, unknown }
    })
    .sort((a, b) => b.year - a.year)
}
