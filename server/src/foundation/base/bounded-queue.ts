import { ProblemError } from './problem.ts'

interface Bounds {
  /** So many at once. */
  running: number
  /** So many wait behind them; whoever comes after is told so. */
  waiting: number
  /** The sentence for whoever finds the line full. */
  full: string
}

const RETRY_SECONDS = 5

/**
 * Makes heavy work stand in line, so that it takes a known share of the machine however many ask for it. Refuses with 503 and a sentence
 * where the line is full.
 */
export function makeBoundedQueue({ running, waiting, full }: Bounds): <T>(work: () => Promise<T>) => Promise<T> {
  let active = 0
  const line: (() => void)[] = []
  return async (work) => {
    if (active >= running) {
      if (line.length >= waiting) throw new ProblemError(503, 'Busy', full, { retryAfterSeconds: RETRY_SECONDS })
      await new Promise<void>((resolve) => line.push(resolve))
    } else active++
    try {
      return await work()
    } finally {
      // The place is handed on, so that nobody slips in between.
      const next = line.shift()
      if (next) next()
      else active--
    }
  }
}
