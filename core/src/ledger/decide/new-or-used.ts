import { roundHalfAwayFromZero } from '../../units/rounding.ts'

/** What one way to buy costs: once, in cover, and what it may fetch when it goes. */
export interface Offer {
  priceMinor: number
  /** For cover over the whole time; used things usually have none. */
  coverMinor: number
  months: number
  resaleMinor: number
  /** How likely it fails beyond mending in that time, without cover. */
  failPercent: number
}

export interface OfferCost {
  /** Price, cover, and the share of a replacement that its failing would cost. */
  trueMinor: number
  riskMinor: number
  perMonthMinor: number
}

/** What an offer costs a month of service: what is paid and risked, less what it fetches in the end. */
export function costOffer(offer: Offer, replacementMinor: number): OfferCost {
  const riskMinor = roundHalfAwayFromZero((replacementMinor * offer.failPercent) / 100)
  const trueMinor = offer.priceMinor + offer.coverMinor + riskMinor
  return {
    riskMinor,
    trueMinor,
    perMonthMinor: roundHalfAwayFromZero((trueMinor - offer.resaleMinor) / Math.max(1, offer.months)),
  }
}

/** New with cover against used: which costs less a month, where what fails is replaced by a new one. */
export function compareNewAndUsed(
  fresh: Offer,
  used: Offer,
): { fresh: OfferCost; used: OfferCost; cheaper: 'new' | 'used' | 'same' } {
  const costs = { fresh: costOffer(fresh, fresh.priceMinor), used: costOffer(used, fresh.priceMinor) }
  const difference = costs.fresh.perMonthMinor - costs.used.perMonthMinor
  return { ...costs, cheaper: difference === 0 ? 'same' : difference < 0 ? 'new' : 'used' }
}
