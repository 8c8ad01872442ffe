import { ProblemError } from './problem.ts'

const RETRY_SECONDS = 5

/** Whether the house may be written to. Closed while a restore puts another database in the place of this one. */
export interface WriteGate {
  /** Counts the databases that stood here: what was read from an earlier one must not be written to this one. */
  readonly epoch: number
  readonly isOpen: boolean
  /** Refuses every write until the gate is opened again, by whoever closed it. */
  close(): { open(): void; openAnew(): void }
  /** Throws a sentence while the gate is closed, or where what is to be written was read before a restore. */
  requireOpen(epoch?: number): void
}

export function makeWriteGate(): WriteGate {
  let epoch = 0
  let isClosed = false
  return {
    get epoch() {
      return epoch
    },
    get isOpen() {
      return !isClosed
    },
    close() {
      requireNot(isClosed)
      isClosed = true
      return {
        open() {
          isClosed = false
        },
        openAnew() {
          epoch++
          isClosed = false
        },
      }
    },
    requireOpen(since = epoch) {
      requireNot(isClosed)
      if (since === epoch) return
      const detail = 'A backup was restored meanwhile, so nothing of this was written. Load the page again.'
      throw new ProblemError(503, 'Restored meanwhile', detail, { retryAfterSeconds: RETRY_SECONDS })
    },
  }
}

function requireNot(isClosed: boolean): void {
  if (!isClosed) return
  const detail = 'A backup is being restored, so nothing can be written for a moment. Nothing of yours was written.'
  throw new ProblemError(503, 'Being restored', detail, { retryAfterSeconds: RETRY_SECONDS })
}
