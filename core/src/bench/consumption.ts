import { addDays } from '../units/wall-time.ts'

/** What is known of how a counted thing is used up. */
export interface ConsumptionFacts {
  quantity: number
  /** Buy more when so many are left; 0 for never. */
  reorderLevel: number
  /** Pieces a session as somebody said; null where nobody did. */
  saidPerUse: number | null
  /** Pieces that were used up, and the sessions in which it served over the same days. */
  usedUp: number
  sessions: number
  /** The days of the sessions ahead in which it serves, soonest first. */
  ahead: readonly string[]
  leadDays: number | null
  expiresOn: string | null
}

/** How long it lasts, and by when to order more. */
export interface ConsumptionStanding {
  /** Pieces a session, and whether somebody said so or the log tells. */
  perUse: number | null
  basis: 'said' | 'log' | null
  /** The first session ahead after which no more than the reorder level is left, and the first for which too little is there. */
  lowOn: string | null
  shortOn: string | null
  /** So many pieces are missing for the sessions ahead. */
  missing: number
  /** The last day on which to order, so that it is here in time; null where nothing runs short or nobody said how long it takes. */
  orderBy: string | null
  isOrderDue: boolean
  isExpired: boolean
  /** The first session ahead that comes after its end. */
  expiresBefore: string | null
}

/** Fewer sessions than that tell no pace. */
const LEAST_SESSIONS = 3

/**
 * How long a counted thing lasts: pieces a session as somebody said, or as the log tells over three sessions at least, taken off at
 * each session ahead. Half pieces count up at the end, as nobody buys half of one. What it says is unknown without a pace.
 */
export function judgeConsumption(facts: ConsumptionFacts, today: string): ConsumptionStanding {
  const { quantity, reorderLevel, ahead, leadDays, expiresOn } = facts
  const logged = facts.sessions >= LEAST_SESSIONS && facts.usedUp > 0 ? facts.usedUp / facts.sessions : null
  const perUse = facts.saidPerUse ?? logged
  const basis = facts.saidPerUse !== null ? 'said' : logged !== null ? 'log' : null
  const leftAfter = (sessions: number) => quantity - (perUse ?? 0) * sessions
  const find = (holds: (left: number) => boolean) => ahead.find((_, at) => holds(leftAfter(at + 1))) ?? null
  const shortOn = perUse ? find((left) => left < 0) : null
  const lowOn = perUse && reorderLevel > 0 ? find((left) => left <= reorderLevel) : null
  const missing = perUse ? Math.max(0, Math.ceil(perUse * ahead.length - quantity - 1e-9)) : 0
  const orderBy = shortOn !== null && leadDays !== null ? addDays(shortOn, -leadDays) : null
  return {
    perUse,
    basis,
    lowOn,
    shortOn,
    missing,
    orderBy,
    isOrderDue: orderBy !== null && orderBy <= today,
    isExpired: expiresOn !== null && expiresOn < today,
    expiresBefore: expiresOn === null ? null : (ahead.find((it) => it > expiresOn) ?? null),
  }
}
