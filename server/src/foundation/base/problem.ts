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
  if (code === 'SQLITE_CORRUPT' || code === 'SQLITE_NOTADB') {
    const detail = 'The database is damaged. Stop Exemplar and restore the newest backup: npm run restore.'
    return new ProblemError(500, 'The database is damaged', detail)
  }
  if (code === 'SQLITE_BUSY') {
    return new ProblemError(503, 'Busy', 'Another program is writing to the database. Try again in a moment.')
  }
  return translateStorage(cause)
}

const FULL = new Set(['ENOSPC', 'EDQUOT', 'SQLITE_FULL'])
const LOCKED = new Set(['EROFS', 'EACCES', 'EPERM', 'SQLITE_READONLY', 'SQLITE_CANTOPEN'])
const SILENT_DISK = new Set(['EIO', 'ENODEV', 'ENXIO', 'ESTALE', 'ENOTCONN', 'ETIMEDOUT'])

/** Turns what the system says of a disk into a sentence (507, RFC 4918); null for anything that is not about one. */
export function translateStorage(error: unknown): ProblemError | null {
  const code = String((error as { code?: unknown } | null)?.code ?? '')
  if (FULL.has(code)) {
    return new ProblemError(507, 'The disk is full', 'Nothing was written. Make room on the disk and try again.')
  }
  if (LOCKED.has(code) || code.startsWith('SQLITE_READONLY_') || code.startsWith('SQLITE_CANTOPEN_')) {
    const detail =
      'Nothing was written: the disk cannot be written to. See whether it is there, and who may write to it.'
    return new ProblemError(507, 'The disk cannot be written', detail)
  }
  if (SILENT_DISK.has(code) || code.startsWith('SQLITE_IOERR')) {
    const detail =
      'Nothing was written: the disk does not answer. See whether it is there and sound, and take a backup.'
    return new ProblemError(507, 'The disk does not answer', detail)
  }
  return null
}
