/** A lamp as it is offered: how much light it gives, in lux at one metre or in watts of lamps alike, and its price. */
export interface LightOffer {
  light: number
  priceMinor: number
}

export interface LightComparison {
  /** How many times as much the second gives, and how many stops that is: twice is one. */
  times: number
  stops: number
  moreMinor: number
  /** Light for each whole unit of money, of the first and of the second. */
  perMoney: readonly [number, number]
  /** What a stop more costs; null where the second gives no more. */
  perStopMinor: number | null
  /** To what share of its distance the first gives as much by being moved nearer: the inverse square. */
  nearerShare: number
}

/** Two lamps by what they give for their price, in stops. Both give light and cost something. */
export function compareLight(one: LightOffer, other: LightOffer, minorPerMoney: number): LightComparison {
  const times = other.light / one.light
  const stops = Math.log2(times)
  const moreMinor = other.priceMinor - one.priceMinor
  const per = ({ light, priceMinor }: LightOffer) => (light * minorPerMoney) / priceMinor
  return {
    times,
    stops,
    moreMinor,
    perMoney: [per(one), per(other)],
    perStopMinor: stops > 0 ? moreMinor / stops : null,
    nearerShare: 1 / Math.sqrt(times),
  }
}
