/** One field at fault, by RFC 6901 pointer into the body (or `?name` for a query parameter). */
export interface FieldProblem {
  pointer: string
  message: string
}

interface Details {
  errors?: FieldProblem[]
  /** The state that stands, for a write that came too late. */
  current?: unknown
  /** Anything else the person can act on, such as the report of an import. */
  report?: unknown
  /** When it is worth trying again. */
  retryAfterSeconds?: number
}

/** An expected failure of a request, answered as RFC 9457 problem details. */
export class ProblemError extends Error {
  readonly status: number
  readonly title: string
  readonly details: Details

  constructor(status: number, title: string, detail: string, details: Details = {}) {
    super(detail)
    this.status = status
    this.title = title
    this.details = details
  }

  /** As RFC 9457 has it. */
  toBody() {
    const { retryAfterSeconds: _, ...rest } = this.details
    return { type: 'about:blank', title: this.title, status: this.status, detail: this.message, ...rest }
  }
}

export function refuseMissing(what: string): ProblemError {
  return new ProblemError(404, 'Not here', `There is no such ${what}. It may have been archived.`)
}

export function refuseStale(what: string, current: unknown): ProblemError {
  const detail = `Somebody else changed this ${what} meanwhile. Nothing of yours was written.`
  return new ProblemError(409, 'Changed meanwhile', detail, { current })
}

export function refuseField(pointer: string, message: string, status = 422): ProblemError {
  return new ProblemError(status, 'Please look at one field', message, { errors: [{ pointer, message }] })
}

/** Turns what SQLite says about a constraint into a sentence; null for anything that is not a constraint. */
export function translateConstraint(error: unknown): ProblemError | null {
  const cause = error instanceof Error && error.cause instanceof Error ? error.cause : error
  const code = (cause as { code?: unknown } | null)?.code
  const message = cause instanceof Error ? cause.message : ''
  if (code === 'SQLITE_CONSTRAINT_UNIQUE') {
    const column = /\.(\w+)/.exec(message)?.[1] ?? ''
    return refuseField(`/${column}`, `Another one has this ${column} already.`, 409)
  }
  if (code === 'SQLITE_CONSTRAINT_FOREIGNKEY') {
    return new ProblemError(422, 'Not here', 'This names a thing, place, person or setup that does not exist.')
  }
  if (code === 'SQLITE_FULL') {
    return new ProblemError(507, 'The disk is full', 'Nothing was written. Make room on the disk and try again.')
  }
  if (code === 'SQLITE_CORRUPT' || code === 'SQLITE_NOTADB') {
    const detail = 'The database is damaged. Stop Exemplar and restore the newest backup: npm run restore.'
    return new ProblemError(500, 'The database is damaged', detail)
  }
  if (code === 'SQLITE_READONLY' || code === 'SQLITE_CANTOPEN' || code?.toString().startsWith('SQLITE_IOERR')) {
    const detail = 'The database cannot be written. See whether its disk is there, and who may write to its folder.'
    return new ProblemError(503, 'The disk does not answer', detail)
  }
  if (code === 'SQLITE_BUSY') {
    return new ProblemError(503, 'Busy', 'Another program is writing to the database. Try again in a moment.')
  }
  return null
}
