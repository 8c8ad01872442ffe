/** Watt hours up to which a lithium pack goes with a passenger as it is, and up to which with the airline's approval. */
const FREE_MILLIWATT_HOURS = 100_000
const APPROVED_MILLIWATT_HOURS = 160_000

/**
 * How a spare lithium pack travels with a passenger by the ICAO Technical Instructions and the IATA Dangerous Goods
 * Regulations: up to 100 Wh freely, above that to 160 Wh with the airline's approval and at most two spares, above that
 * not at all. Spares go in the cabin with their terminals covered. Airlines may be stricter; the caller says so.
 */
export function classifyForLuggage(milliwattHours: number): 'free' | 'with-approval' | 'not-carried' {
  if (milliwattHours <= FREE_MILLIWATT_HOURS) return 'free'
  return milliwattHours <= APPROVED_MILLIWATT_HOURS ? 'with-approval' : 'not-carried'
}
