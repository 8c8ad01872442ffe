import { RateLimiterMemory, type RateLimiterRes } from 'rate-limiter-flexible'
import { ProblemError } from '../../foundation/base/problem.ts'

const QUARTER_HOUR_S = 15 * 60
const FAILURES_PER_NAME = 6
const FAILURES_PER_ADDRESS = 30

/** Counts failed sign-ins by name and by address, and makes who fails too often wait. */
export function makeSignInLimits() {
  const byName = new RateLimiterMemory({ points: FAILURES_PER_NAME, duration: QUARTER_HOUR_S })
  const byAddress = new RateLimiterMemory({ points: FAILURES_PER_ADDRESS, duration: QUARTER_HOUR_S })
  const requireLeft = (state: RateLimiterRes | null) => {
    if (!state || state.remainingPoints > 0) return
    const seconds = Math.max(1, Math.ceil(state.msBeforeNext / 1000))
    const minutes = Math.ceil(seconds / 60)
    const detail = `Too many wrong tries. Wait ${minutes} ${minutes === 1 ? 'minute' : 'minutes'}, or ask a manager for a new link.`
    throw new ProblemError(429, 'Wait a little', detail, { retryAfterSeconds: seconds })
  }
  return {
    async requireFree(name: string, address: string): Promise<void> {
      requireLeft(await byName.get(name))
      requireLeft(await byAddress.get(address))
    },
    /** Counting never refuses by itself; the next try is what is refused. */
    async countFailure(name: string, address: string): Promise<void> {
      await byName.consume(name).catch(() => {})
      await byAddress.consume(address).catch(() => {})
    },
    async forgive(name: string): Promise<void> {
      await byName.delete(name)
    },
  }
}
