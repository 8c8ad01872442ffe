import { isIPv6 } from 'node:net'
import { RateLimiterMemory, type RateLimiterRes } from 'rate-limiter-flexible'
import { ProblemError } from '../../foundation/base/problem.ts'

const QUARTER_HOUR_S = 15 * 60
/** Wrong tries in a quarter of an hour: for one name from one address, from one address, and for one name from strangers. */
export const TRIES = { pair: 6, address: 30, name: 60 } as const

/**
 * Counts tries before anything is looked at, so that a thousand at once are as many as a thousand one after the other. A
 * name is shut only to who has tried it too often from where they are, and, after many, to addresses it never came in
 * from: strangers cannot lock anybody out of the place where they work.
 */
export function makeSignInLimits() {
  const limiters = {
    pair: new RateLimiterMemory({ points: TRIES.pair, duration: QUARTER_HOUR_S }),
    address: new RateLimiterMemory({ points: TRIES.address, duration: QUARTER_HOUR_S }),
    name: new RateLimiterMemory({ points: TRIES.name, duration: QUARTER_HOUR_S }),
  }
  return {
    /** Counts a try, and refuses it where there were too many; whether the address is familiar is asked last. */
    async take(name: string, address: string, isFamiliar: () => boolean): Promise<void> {
      const from = bucketOf(address)
      await consume(limiters.pair, `${name} ${from}`)
      await consume(limiters.address, from)
      if (!isFamiliar()) await consume(limiters.name, name)
    },
    /** It was them: nothing of it counts. */
    async forgive(name: string, address: string): Promise<void> {
      const from = bucketOf(address)
      await limiters.pair.delete(`${name} ${from}`)
      await limiters.address.reward(from, 1)
      await limiters.name.reward(name, 1)
    },
  }
}

const firstRefusals = new WeakSet<object>()

/** Whether this refusal is the first of its row of tries. */
export const isFirstRefusal = (error: unknown): boolean =>
  typeof error === 'object' && error !== null && firstRefusals.has(error)

async function consume(limiter: RateLimiterMemory, key: string): Promise<void> {
  try {
    await limiter.consume(key)
  } catch (rejected) {
    const { msBeforeNext, consumedPoints } = rejected as RateLimiterRes
    const seconds = Math.max(1, Math.ceil(msBeforeNext / 1000))
    const minutes = Math.ceil(seconds / 60)
    const detail = `Too many wrong tries. Wait ${minutes} ${minutes === 1 ? 'minute' : 'minutes'}, or ask a manager for a new link.`
    const problem = new ProblemError(429, 'Wait a little', detail, { retryAfterSeconds: seconds })
    if (consumedPoints === limiter.points + 1) firstRefusals.add(problem)
    throw problem
  }
}

/** One household has a whole /64 of IPv6 addresses, so it counts as one. */
function bucketOf(address: string): string {
  if (!isIPv6(address) || address.includes('.')) return address
  const [head = '', tail] = address.split('::')
  const groups = head.split(':').filter(Boolean)
  if (tail !== undefined) while (groups.length < 4) groups.push('0')
  return groups.slice(0, 4).join(':')
}
