import { computeTax } from '../../units/money.ts'
import { ACQUISITIONS, type Unit } from './unit.ts'

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

/** Ways in which a thing came of which whoever watches should know. */
const SAID: Readonly<Partial<Record<Unit['acquisition'], string>>> = {
  gift: 'was given to us',
  sample: 'was given to us for this film',
  sponsored: 'was paid for by a sponsor',
  'loan-in': 'is lent to us',
}

/**
 * The sentence that goes with a film in which the thing is seen: the crew's own where they wrote one, else one made from
 * how it came; null where nothing is to be said. A thing paid in full says so where there is an interest in its sale.
 */
export function sayDisclosure(
  { acquisition, provenance }: Pick<Unit, 'acquisition' | 'provenance'>,
  name: string,
  giver: string | null,
): string | null {
  if (provenance.disclosure !== '') return provenance.disclosure
  const how = SAID[acquisition]
  const interest = provenance.interest === '' ? '' : ` We earn from its sale: ${provenance.interest}.`
  if (how) return `The ${name} ${how}${giver ? ` by ${giver}` : ''}.${interest}`
  if (interest === '') return null
  return `We paid for the ${name} in full (${ACQUISITIONS[acquisition].toLowerCase()}).${interest}`
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

/** What was given in each year and is worth, the latest year first: the base of whatever tax there is on it. */
export function sumGifts(
  units: readonly Pick<Unit, 'acquisition' | 'acquiredOn' | 'provenance'>[],
): { year: number; things: number; valueMinor: number }[] {
  const years = new Map<number, { year: number; things: number; valueMinor: number }>()
  for (const { acquisition, acquiredOn, provenance } of units) {
    const day = provenance.valueOn ?? acquiredOn
    if (!GIVEN.has(acquisition) || day === null) continue
    const year = Number(day.slice(0, 4))
    const sum = years.get(year) ?? { year, things: 0, valueMinor: 0 }
    years.set(year, { year, things: sum.things + 1, valueMinor: sum.valueMinor + (provenance.valueMinor ?? 0) })
  }
  return [...years.values()].sort((a, b) => b.year - a.year)
}
