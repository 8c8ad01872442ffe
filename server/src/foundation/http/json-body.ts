import type Koa from 'koa'
import rawBody from 'raw-body'
import { ProblemError } from '../base/problem.ts'

/** What nobody who is signed in sends; enough for a name and a password. */
export const OPEN_BODY_BYTES = 16_000
export const BODY_BYTES = 1_000_000
/** A setup nests seven deep; deeper than this is nobody's record. */
export const MOST_NESTED = 32

export const sayBytes = (bytes: number) =>
  bytes < 1_000_000 ? `${Math.floor(bytes / 1000)} kB` : `${Math.floor(bytes / 1_000_000)} MB`

/** Reads a request's JSON of at most so many bytes and levels. An empty object where it says that it is something else. */
export async function readJson(context: Koa.Context, limit: number): Promise<unknown> {
  const bytes = await readBytes(context, limit, `What was sent is larger than ${sayBytes(limit)}. Split it.`)
  if (!context.is('json', '+json') || bytes.length === 0) return {}
  const text = bytes.toString('utf8')
  requireShallow(text)
  try {
    const value: unknown = JSON.parse(text)
    if (typeof value === 'object' && value !== null) return value
  } catch {}
  throw new ProblemError(400, 'Cannot be read', 'What was sent is not JSON as RFC 8259 has it.')
}

/** Reads at most so many bytes, and says the limit where there are more. */
export async function readBytes(context: Koa.Context, limit: number, tooLarge: string): Promise<Buffer> {
  try {
    return await rawBody(context.req, { limit, length: context.req.headers['content-length'] ?? null })
  } catch (error) {
    if ((error as { type?: string }).type !== 'entity.too.large') throw error
    throw new ProblemError(413, 'Too large', tooLarge)
  }
}

/** Counts brackets outside of strings, before anything is built of them. */
export function requireShallow(text: string): void {
  let depth = 0
  let isText = false
  for (let at = 0; at < text.length; at++) {
    const code = text.charCodeAt(at)
    if (isText) {
      if (code === BACKSLASH) at++
      else if (code === QUOTE) isText = false
    } else if (code === QUOTE) isText = true
    else if (code === OPEN_BRACE || code === OPEN_BRACKET) {
      if (++depth > MOST_NESTED) throw refuseNested()
    } else if (code === CLOSE_BRACE || code === CLOSE_BRACKET) depth--
  }
}

const [QUOTE, BACKSLASH, OPEN_BRACE, CLOSE_BRACE, OPEN_BRACKET, CLOSE_BRACKET] = [...'"\\{}[]'].map((it) =>
  it.charCodeAt(0),
) as [number, number, number, number, number, number]

const refuseNested = () =>
  new ProblemError(400, 'Nested too deep', `What was sent is nested more than ${MOST_NESTED} levels deep.`)
