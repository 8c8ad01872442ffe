import { type BodyOf, computeTax, splitTax, type WishPrice, type WishRow, type WishUse } from '@exemplar/core'

/** Everything of a wish that its form changes. */
export type WishDraft = Required<Omit<BodyOf<'put /wishes/:id'>, 'state' | 'outcome' | 'prices' | 'uses'>> & {
  prices: PriceDraft[]
  uses: WishUse[]
}

/** How a price was told: with its tax in it, before tax, or as it was kept. */
export interface PriceDraft {
  id: string
  kind: WishPrice['kind']
  typedMinor: number | null
  taxed: 'in' | 'on' | 'none'
  /** In hundredths of a per cent; the usual one of the country to begin with. */
  rate: number
  on: string
  source: string
  /** As it was kept to the penny, while nobody touches the amount. */
  kept: { netMinor: number; taxMinor: number } | null
}

let count = 0
export const makePrice = (on: string, rate: number): PriceDraft => ({
  id: `price-${++count}`,
  kind: 'seen',
  typedMinor: null,
  taxed: 'in',
  rate,
  on,
  source: '',
  kept: null,
})

export const makeBlankWish = (today: string, rate: number): WishDraft => ({
  quantity: 1,
  defect: 'missing',
  severity: 1,
  reason: '',
  uses: [],
  prices: [makePrice(today, rate)],
  discount: null,
  condition: 'new',
  warrantyMonths: null,
  needsIds: [],
  insteadIds: [],
  sells: [],
  waitsFor: '',
  waitsUntil: null,
  meanwhile: '',
  advice: '',
  because: 'unsaid',
  tried: '',
  reviewOn: null,
})

/** What somebody begins to change. */
export function makeDraftOf(row: WishRow, rate = 0): WishDraft {
  const { quantity, defect, severity, reason, uses, discount, condition, warrantyMonths } = row
  const { needsIds, insteadIds, sells, waitsFor, waitsUntil, meanwhile, advice, because, tried, reviewOn } = row
  return {
    ...{ quantity, defect, severity, reason, uses, discount, condition, warrantyMonths },
    ...{ needsIds, insteadIds, sells, waitsFor, waitsUntil, meanwhile, advice, because, tried, reviewOn },
    prices: row.prices.map((it) => draftPrice(it, rate)),
  }
}

/** A price that was kept, as its fields show it. */
export const draftPrice = ({ kind, netMinor, taxMinor, on, source }: WishPrice, rate: number): PriceDraft => ({
  ...{ id: `price-${++count}`, kind, on, source },
  typedMinor: netMinor + taxMinor,
  taxed: 'in',
  rate,
  kept: { netMinor, taxMinor },
})

/** The prices as they are sent; a row without an amount is none. */
export function readPrices(prices: readonly PriceDraft[]): WishPrice[] {
  return prices.flatMap(({ kind, typedMinor, taxed, rate, on, source, kept }) => {
    if (typedMinor === null) return []
    const split = {
      in: () => splitTax(typedMinor, rate),
      on: () => ({ netMinor: typedMinor, taxMinor: computeTax(typedMinor, rate) }),
      none: () => ({ netMinor: typedMinor, taxMinor: 0 }),
    }
    return [{ kind, on, source, ...(kept ?? split[taxed]()) }]
  })
}

/** The row as it is, for whoever changes one word of it. */
export function bodyOf(row: WishRow): BodyOf<'put /wishes/:id'> {
  const { prices: _, ...draft } = makeDraftOf(row)
  return { ...draft, prices: row.prices, state: row.state, outcome: row.outcome }
}
