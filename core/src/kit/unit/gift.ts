import { sumKnown } from '../../units/known-sum.ts'
import { computeTax } from '../../units/money.ts'
import type { Acquisition, Duty, InterestKind, Provenance, Unit } from './unit.ts'

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

/** How a thing came, for whoever watches. */
const HOW: Readonly<Record<Acquisition, (name: string, by: string) => string>> = {
  'bought-new': (name) => `We bought the ${name} ourselves.`,
  'bought-used': (name) => `We bought the ${name} ourselves, used.`,
  bundled: (name) => `The ${name} came with something else.`,
  gift: (name, by) => `The ${name} was given to us${by}.`,
  sample: (name, by) => `The ${name} was given to us for this film${by}.`,
  sponsored: (name, by) =>
    by === '' ? `The ${name} was paid for by a sponsor.` : `The ${name} was paid for${by}, a sponsor.`,
  exchanged: (name, by) =>
    `The ${name} came to us in exchange for something else${by ? `,${by.replace(' by', ' from')}` : ''}.`,
  'loan-in': (name, by) => `The ${name} is lent to us${by}.`,
  rented: (name) => `We rent the ${name}.`,
  venue: (name) => `The ${name} belongs to the venue.`,
  household: (name) => `The ${name} is from our household.`,
  personal: (name) => `The ${name} belongs to one of us.`,
  'hand-made': (name) => `We made the ${name} ourselves.`,
  found: (name) => `We found the ${name}.`,
}

/** Ways in which it came that are said in any case; the others only where there is an interest in its sale. */
const ALWAYS_SAID: ReadonlySet<Acquisition> = new Set(['gift', 'sample', 'sponsored', 'exchanged', 'loan-in'])

const INTERESTS: Readonly<Record<InterestKind, string>> = {
  unsaid: 'On its sale:',
  'we-earn': 'We earn from its sale:',
  'viewers-save': 'Viewers save on it:',
}

const BOUGHT: ReadonlySet<Acquisition> = new Set(['bought-new', 'bought-used'])

/**
 * The sentence that goes with a film in which the thing is seen, on a calendar day: the crew's own where they wrote one, else
 * one made from how it came; null where nothing is to be said. A code that ran out before that day is not named, and that the
 * whole price was paid is said only of what was bought, and only where somebody wrote it down.
 */
export function sayDisclosure(
  { acquisition, provenance, state }: Pick<Unit, 'acquisition' | 'provenance' | 'state'>,
  { name, giver, on }: { name: string; giver: string | null; on: string },
): string | null {
  if (provenance.disclosure !== '') return provenance.disclosure
  const inFull = provenance.paidInFull && BOUGHT.has(acquisition) ? ['We paid its full price.'] : []
  const more = [...inFull, ...sayInterest(provenance, on), ...sayViewerCode(provenance, on)]
  if (!ALWAYS_SAID.has(acquisition) && more.length === 0) return null
  const by = giver ? ` by ${giver}` : ''
  const isOver = acquisition === 'loan-in' && state === 'returned'
  return [isOver ? `The ${name} was lent to us${by}.` : HOW[acquisition](name, by), ...more].join(' ')
}

function sayInterest({ interest, interestKind, interestUntil }: Provenance, on: string): string[] {
  if (interest === '' || (interestUntil !== null && interestUntil < on)) return []
  return [`${INTERESTS[interestKind]} ${interest.replace(/\.$/, '')}.`]
}

function sayViewerCode({ viewerCode }: Provenance, on: string): string[] {
  if (!viewerCode || (viewerCode.until !== null && viewerCode.until < on)) return []
  const { code, percent } = viewerCode
  return [
    percent === null ? `Viewers pay less with the code ${code}.` : `Viewers save ${percent} % with the code ${code}.`,
  ]
}

/** The day on which the first of what is said of a thing ends; null where nothing of it does. */
export function findDisclosureEnd({ interestUntil, viewerCode, interest }: Provenance, on: string): string | null {
  const ends = [interest === '' ? null : interestUntil, viewerCode?.until ?? null]
  return ends.filter((it) => it !== null && it >= on).sort()[0] ?? null
}

/** Whether something that was promised is done by a day: a day that is to come does not count yet. */
export const isDutyDone = ({ doneOn }: Pick<Duty, 'doneOn'>, today: string): boolean =>
  doneOn !== null && doneOn <= today

/** What was promised for things and is not done yet, the most pressing first; without a day, last. */
export function listOpenDuties<T extends Pick<Unit, 'tag' | 'provenance'>>(
  units: readonly T[],
  today: string,
): { unit: T; what: string; dueOn: string | null }[] {
  return units
    .flatMap((unit) =>
      unit.provenance.duties.flatMap((it) => (isDutyDone(it, today) ? [] : [{ unit, what: it.what, dueOn: it.dueOn }])),
    )
    .sort((a, b) => ((a.dueOn ?? '9') < (b.dueOn ?? '9') ? -1 : 1))
}

const GIVEN: ReadonlySet<Unit['acquisition']> = new Set(['gift', 'sample', 'sponsored'])

/** What was given in one year. */
export interface GiftYear {
  year: number
  things: number
  valueMinor: number
  /** Of so many nobody said what they are worth. */
  unknown: number
  /** What the tax on them takes out of pocket; null where the studio knows no rate. */
  taxMinor: number | null
}

/** What was given in each year and is worth, the latest year first, and what it costs at the rate of the studio, thing by thing. */
export function sumGifts(
  units: readonly Pick<Unit, 'acquisition' | 'acquiredOn' | 'provenance'>[],
  taxBasisPoints: number | null,
): GiftYear[] {
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
      const taxMinor =
        taxBasisPoints === null
          ? null
          : values.reduce<number>((all, it) => all + computeTax(it ?? 0, taxBasisPoints), 0)
      return { year, things: values.length, valueMinor: sum, unknown, taxMinor }
    })
    .sort((a, b) => b.year - a.year)
}
