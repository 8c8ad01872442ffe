import { z } from 'zod'
import { type MeanBetweenFailures, reckonMeanBetweenFailures } from '../formulas/reliability/mean-between-failures.ts'
import { countSpares } from '../formulas/reliability/poisson.ts'
import { CATEGORY_CODES, type Category } from '../kit/model/category.ts'
import { amount } from '../studio/people/secrecy.ts'

/** A time at which a thing could not be used: of itself, not by an accident. */
export const failureSchema = z.object({
  on: z.string(),
  /** Whole days until it was mended; null while it is not. */
  daysOut: z.number().nullable(),
  /** How old it was; null where nobody knows when it came. */
  ageDays: z.number().nullable(),
})
export type Failure = z.infer<typeof failureSchema>

/** What the log tells of one thing, also of one that is gone: those that died young count most. */
export const reliabilityRecordSchema = z.object({
  unitId: z.string(),
  tag: z.string(),
  name: z.string(),
  modelId: z.string(),
  category: z.enum(CATEGORY_CODES),
  maker: z.string(),
  supplier: z.string().nullable(),
  /** What it cost; null where nobody knows. */
  priceMinor: amount(z.number().nullable()),
  /** What another costs today, or cost once; null where nobody knows. */
  newMinor: amount(z.number().nullable()),
  /** Days from its coming until today, or until it was sold, lost or written off; null where nobody knows when it came. */
  lifeDays: z.number().nullable(),
  /** It is no longer here to serve. */
  isGone: z.boolean(),
  /** Its end was its failing, and not its sale or loss. */
  hasDied: z.boolean(),
  uses: z.number(),
  /** Of them within the last year. */
  usesInYear: z.number(),
  hours: z.number(),
  failures: z.array(failureSchema),
  accidents: z.number(),
})
export type ReliabilityRecord = z.infer<typeof reliabilityRecordSchema>

/** By what things are looked at together. */
export const RELIABILITY_GROUPS = {
  model: 'Model',
  kind: 'Kind',
  maker: 'Maker',
  supplier: 'Supplier',
  price: 'Price',
  thing: 'Thing',
} as const
export type ReliabilityGroup = keyof typeof RELIABILITY_GROUPS

/** What failed within so many days of its coming failed early. Common practice. */
export const EARLY_DAYS = 180

/** Some things together: how long they served, and how often they failed. */
export interface ReliabilityRow {
  key: string
  name: string
  things: number
  uses: number
  hours: number
  failures: number
  accidents: number
  /** Failures within their first half year. */
  early: number
  died: number
  betweenUses: MeanBetweenFailures | null
  betweenHours: MeanBetweenFailures | null
  /** Spares that are enough for a year like the last, in 19 of 20; null where nothing failed yet, as nobody can tell. */
  sparesForYear: number | null
  /** Days until mended, on average over those that were; null where none was. */
  meanDaysOut: number | null
  /** What they cost a month of their lives, and over how many of them it is known. */
  perMonthMinor: number | null
  priced: number
}

/** Spares are counted that are enough in so large a share of such years. */
const SPARES_TARGET = 0.95

/** A month of service. */
const MONTH_DAYS = 365.25 / 12

/** Fewer things with a price than that of one kind make no cheap and dear. */
const LEAST_PRICED = 4

/**
 * What the log says by model, maker, price and so on, what failed most often first. Cheap and dear are said within a kind, as a
 * cable is cheaper than a camera: up to the middle price of its kind, and above it; a kind with fewer than four prices has neither.
 */
export function groupReliability(records: readonly ReliabilityRecord[], by: ReliabilityGroup): ReliabilityRow[] {
  const nameOf = makeNamer(records, by)
  const groups = new Map<string, { name: string; records: ReliabilityRecord[] }>()
  for (const record of records) {
    const group = nameOf(record)
    if (group === null) continue
    const known = groups.get(group.key)
    if (known) known.records.push(record)
    else groups.set(group.key, { name: group.name, records: [record] })
  }
  return [...groups]
    .map(([key, { name, records: own }]) => sumUp(key, name, own))
    .sort((a, b) => perUse(b) - perUse(a) || b.failures - a.failures || b.uses - a.uses || (a.name < b.name ? -1 : 1))
}

const perUse = ({ failures, uses }: ReliabilityRow) =>
  failures === 0 ? 0 : uses === 0 ? Number.MAX_VALUE : failures / uses

function sumUp(key: string, name: string, records: readonly ReliabilityRecord[]): ReliabilityRow {
  const sum = (read: (it: ReliabilityRecord) => number) => records.reduce((total, it) => total + read(it), 0)
  const failures = records.flatMap((it) => it.failures)
  const mended = failures.flatMap((it) => it.daysOut ?? [])
  const [uses, hours] = [sum((it) => it.uses), sum((it) => it.hours)]
  const priced = records.filter((it) => it.priceMinor !== null && it.lifeDays !== null && it.lifeDays > 0)
  const months = priced.reduce((total, it) => total + (it.lifeDays ?? 0) / MONTH_DAYS, 0)
  return {
    key,
    name,
    things: records.length,
    uses,
    hours,
    failures: failures.length,
    accidents: sum((it) => it.accidents),
    early: failures.filter((it) => it.ageDays !== null && it.ageDays <= EARLY_DAYS).length,
    died: records.filter((it) => it.hasDied).length,
    betweenUses: reckonMeanBetweenFailures(failures.length, uses),
    betweenHours: reckonMeanBetweenFailures(failures.length, hours),
    sparesForYear:
      failures.length === 0 || uses === 0
        ? null
        : countSpares((sum((it) => it.usesInYear) * failures.length) / uses, SPARES_TARGET),
    meanDaysOut: mended.length === 0 ? null : mended.reduce((total, it) => total + it, 0) / mended.length,
    perMonthMinor:
      months === 0 ? null : Math.round(priced.reduce((total, it) => total + (it.priceMinor ?? 0), 0) / months),
    priced: priced.length,
  }
}

type Namer = (record: ReliabilityRecord) => { key: string; name: string } | null

function makeNamer(records: readonly ReliabilityRecord[], by: ReliabilityGroup): Namer {
  const named = (name: string | null, none: string) =>
    name === null || name.trim() === ''
      ? { key: '', name: none }
      : { key: name.trim().toLowerCase(), name: name.trim() }
  switch (by) {
    case 'thing':
      return (it) => ({ key: it.unitId, name: it.name })
    case 'model':
      return (it) => ({ key: it.modelId, name: it.name })
    case 'kind':
      return (it) => ({ key: it.category, name: it.category })
    case 'maker':
      return (it) => named(it.maker, 'No maker recorded')
    case 'supplier':
      return (it) => named(it.supplier, 'No supplier recorded')
    case 'price':
      return makePriceNamer(records)
  }
}

function makePriceNamer(records: readonly ReliabilityRecord[]): Namer {
  const prices = new Map<Category, number[]>()
  for (const { category, priceMinor } of records) {
    if (priceMinor === null) continue
    const known = prices.get(category)
    if (known) known.push(priceMinor)
    else prices.set(category, [priceMinor])
  }
  const middles = new Map<Category, number>()
  for (const [category, own] of prices) {
    const sorted = own.sort((a, b) => a - b)
    const middle = sorted[Math.floor((sorted.length - 1) / 2)] ?? 0
    // Where all cost the same there is no cheap and dear.
    if (sorted.length >= LEAST_PRICED && sorted.some((it) => it > middle)) middles.set(category, middle)
  }
  return ({ category, priceMinor }) => {
    const middle = middles.get(category)
    if (priceMinor === null || middle === undefined) return null
    return priceMinor <= middle
      ? { key: 'cheaper', name: 'The cheaper half of their kind' }
      : { key: 'dearer', name: 'The dearer half of their kind' }
  }
}

/** How often a thing is reckoned to fail at a use, and what that rests on. */
export interface FailureRate {
  perUse: number
  /** What is known of its model, and of its kind. */
  model: { failures: number; uses: number }
  kind: { failures: number; uses: number }
}

/** With fewer uses of all things together nothing is said of what will fail. */
export const LEAST_LOGGED_USES = 50

/** How often each thing is reckoned to fail; null where too little was logged for any figure. */
export interface FailureRates {
  rateOf(modelId: string, category: Category): FailureRate | null
  uses: number
  failures: number
}

/**
 * How often things are reckoned to fail at a use. A model's own record counts, and what is known of its kind as one failure more,
 * so that one that was used twice is neither perfect nor hopeless; the same of a kind within all the kit. (The mean of a gamma
 * distribution whose prior is worth one failure.) Without any failure the kit is taken to fail once in the uses that it
 * would have got through with an even chance.
 */
export function makeFailureRates(
  records: readonly Pick<ReliabilityRecord, 'modelId' | 'category' | 'uses' | 'failures'>[],
): FailureRates {
  const all = { failures: 0, uses: 0 }
  const [kinds, models] = [new Map<string, typeof all>(), new Map<string, typeof all>()]
  const add = (into: Map<string, typeof all>, key: string, uses: number, failures: number) => {
    const known = into.get(key) ?? { failures: 0, uses: 0 }
    into.set(key, { failures: known.failures + failures, uses: known.uses + uses })
  }
  for (const { modelId, category, uses, failures } of records) {
    all.uses += uses
    all.failures += failures.length
    add(kinds, category, uses, failures.length)
    add(models, modelId, uses, failures.length)
  }
  const none = { failures: 0, uses: 0 }
  const ofAll = all.uses / (all.failures === 0 ? Math.LN2 : all.failures)
  return {
    ...all,
    rateOf: (modelId, category) => {
      if (all.uses < LEAST_LOGGED_USES) return null
      const kind = kinds.get(category) ?? none
      const model = models.get(modelId) ?? none
      const ofKind = (kind.uses + ofAll) / (kind.failures + 1)
      return { perUse: (model.failures + 1) / (model.uses + ofKind), model, kind }
    },
  }
}
