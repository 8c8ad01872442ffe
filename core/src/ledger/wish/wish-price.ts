import { roundHalfAwayFromZero } from '../../units/rounding.ts'
import { addDays } from '../../units/wall-time.ts'
import { ASK_AFTER_DAYS, type Wish, type WishPrice } from './wish.ts'

/** What one piece costs today, and all of them; money off that still holds is taken off. */
export interface WishCost {
  kind: WishPrice['kind']
  on: string
  netMinor: number
  taxMinor: number
  /** Net and tax of all pieces. */
  totalMinor: number
  /** What the discount takes off all pieces; 0 where none holds. */
  offMinor: number
}

/** The price that was written down last; of one day the one that is surest. */
export function findLatestPrice(prices: readonly WishPrice[]): WishPrice | null {
  const sure = { estimate: 0, seen: 1, quote: 2 }
  return prices.reduce<WishPrice | null>((best, it) => {
    if (!best || it.on > best.on) return it
    return it.on === best.on && sure[it.kind] >= sure[best.kind] ? it : best
  }, null)
}

/** Whether money off still holds on a day: its last day counts. */
export const isDiscountOpen = (wish: Pick<Wish, 'discount'>, today: string): boolean =>
  wish.discount !== null && (wish.discount.until === null || wish.discount.until >= today)

/**
 * What a wish costs on a day, in whole minor units, tax per piece and rounded half away from zero; null where no price is known. The tax
 * falls with the net, as its share of it stays.
 */
export function costWish(wish: Pick<Wish, 'prices' | 'quantity' | 'discount'>, today: string): WishCost | null {
  const price = findLatestPrice(wish.prices)
  if (!price) return null
  const keep = isDiscountOpen(wish, today) ? (100 - (wish.discount?.percent ?? 0)) / 100 : 1
  const netMinor = roundHalfAwayFromZero(price.netMinor * keep)
  const taxMinor = roundHalfAwayFromZero(price.taxMinor * keep)
  const totalMinor = (netMinor + taxMinor) * wish.quantity
  return {
    kind: price.kind,
    on: price.on,
    netMinor,
    taxMinor,
    totalMinor,
    offMinor: (price.netMinor + price.taxMinor) * wish.quantity - totalMinor,
  }
}

/** Whether it waits for something still: until its day has passed, where it has one. */
export const isWaiting = (wish: Pick<Wish, 'waitsFor' | 'waitsUntil'>, today: string): boolean =>
  wish.waitsFor !== '' && (wish.waitsUntil === null || wish.waitsUntil >= today)

/** Whether it served long enough to say if it cured what it was bought for, or its trial is over, and nobody said. */
export const asksOutcome = (wish: Pick<Wish, 'state' | 'outcome' | 'arrivedOn' | 'reviewOn'>, today: string): boolean =>
  wish.state === 'here' &&
  wish.outcome === null &&
  wish.arrivedOn !== null &&
  (wish.reviewOn ?? addDays(wish.arrivedOn, ASK_AFTER_DAYS)) <= today
