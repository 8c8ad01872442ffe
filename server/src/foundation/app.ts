import { bodyParser } from '@koa/bodyparser'
import Router from '@koa/router'
import Koa from 'koa'
import compress from 'koa-compress'
import type { z } from 'zod'
import type { House } from './house.ts'
import { describeApi } from './openapi.ts'
import { servePages } from './pages.ts'
import { type FieldProblem, ProblemError, translateConstraint } from './problem.ts'
import type { Route } from './route.ts'

const BODY_LIMIT = '6mb'

/** The whole application: API under `/api`, pages elsewhere. */
export function makeApp(house: House, routes: readonly Route[], pagesFolder: string | null): Koa {
  const app = new Koa()
  app.use(setSecurityHeaders)
  app.use(answerProblems)
  app.use(refuseForeignOrigins)
  app.use(compress({ threshold: 1024, br: false }))
  app.use(bodyParser({ enableTypes: ['json'], jsonLimit: BODY_LIMIT, onError: refuseBody }))
  const router = new Router({ prefix: '/api' })
  const description = describeApi(routes)
  router.get('/openapi.json', (context) => {
    context.body = description
  })
  for (const route of routes) router[route.method](route.path, (context) => answer(context, route, house))
  app.use(router.routes())
  app.use(refuseUnknownApi)
  if (pagesFolder) app.use(servePages(pagesFolder))
  // Koa prints every error by itself; those that a person can mend are answered, only the others belong in the log.
  app.on('error', (error: NodeJS.ErrnoException) => {
    const hasLeft = error.code === 'EPIPE' || error.code === 'ECONNRESET'
    if (!(error instanceof ProblemError) && !hasLeft) console.error(error)
  })
  return app
}

function answer(context: Koa.Context, route: Route, house: House): void {
  const params = context.params as Record<string, string>
  const request = {
    params,
    body: route.body ? parse(route.body, context.request.body ?? {}, '') : undefined,
    query: route.query ? parse(route.query, { ...context.query }, '?') : undefined,
    version: route.isChange ? readVersion(context.get('if-match')) : 0,
    personId: /^[A-Za-z0-9_-]{1,64}$/.exec(context.get('x-exemplar-person'))?.[0] ?? null,
  }
  const reply = route.handle(request, house)
  context.status = reply === undefined ? 204 : route.status
  if (reply === undefined) return
  const version = (reply as { version?: unknown } | null)?.version
  if (typeof version === 'number') context.set('ETag', `"${version}"`)
  context.set('Cache-Control', 'no-store')
  context.body = reply as object
}

function parse<T>(schema: z.ZodType<T>, value: unknown, prefix: '' | '?'): T {
  const result = schema.safeParse(value)
  if (result.success) return result.data
  const errors = result.error.issues.slice(0, 20).map(
    (issue): FieldProblem => ({
      pointer: prefix === '?' ? `?${issue.path.join('.')}` : `/${issue.path.join('/')}`,
      message: sayIssue(issue),
    }),
  )
  const first = errors[0]
  const more = errors.length > 1 ? ` And ${errors.length - 1} more.` : ''
  const at = first && first.pointer.length > 1 ? ` (${first.pointer.slice(1)})` : ''
  throw new ProblemError(422, 'Please look at what was sent', `${first?.message ?? 'It cannot be read.'}${at}${more}`, {
    errors,
  })
}

/** Zod's own wording is for programmers; our schemas carry sentences, and the rest gets one here. */
function sayIssue(issue: z.core.$ZodIssue): string {
  const isOurs = /[.!?]$/.test(issue.message) && !issue.message.startsWith('Invalid')
  if (isOurs) return issue.message
  switch (issue.code) {
    case 'invalid_type':
      return `This must be ${NAMES[issue.expected] ?? issue.expected}.`
    case 'too_big':
      return `This is too large or too long: at most ${issue.maximum}.`
    case 'too_small':
      return `This is too small or too short: at least ${issue.minimum}.`
    case 'invalid_value':
      return `This must be one of: ${issue.values.join(', ')}.`
    default:
      return `${issue.message}.`
  }
}

const NAMES: Readonly<Record<string, string>> = {
  string: 'text',
  number: 'a number',
  int: 'a whole number',
  boolean: 'true or false',
  array: 'a list',
  object: 'an object',
}

function readVersion(header: string): number {
  const version = Number(/^(?:W\/)?"(\d{1,15})"$/.exec(header.trim())?.[1])
  if (Number.isInteger(version) && version > 0) return version
  const detail = 'Say which version you saw: an If-Match header with the number of the version in quotation marks.'
  throw new ProblemError(428, 'Version missing', detail)
}

function refuseBody(error: Error & { status?: number; type?: string }): never {
  if (error.status === 413 || error.type === 'entity.too.large') {
    throw new ProblemError(413, 'Too large', `What was sent is larger than ${BODY_LIMIT.toUpperCase()}. Split it.`)
  }
  throw new ProblemError(400, 'Cannot be read', 'What was sent is not JSON as RFC 8259 has it.')
}

async function answerProblems(context: Koa.Context, next: Koa.Next): Promise<void> {
  try {
    await next()
  } catch (error) {
    const problem = error instanceof ProblemError ? error : (translateConstraint(error) ?? translateHttpError(error))
    if (!problem) {
      console.error(error)
      sendProblem(context, new ProblemError(500, 'A fault in Exemplar', 'Nothing was written. The log says more.'))
      return
    }
    sendProblem(context, problem)
  }
}

/** Koa's own refusals (a body cut short, a bad address) carry a status below 500. */
function translateHttpError(error: unknown): ProblemError | null {
  const status = (error as { status?: unknown } | null)?.status
  if (typeof status !== 'number' || status < 400 || status > 499) return null
  return new ProblemError(status, 'Cannot be read', 'The request cannot be read as it was sent.')
}

function sendProblem(context: Koa.Context, { status, title, message, details }: ProblemError): void {
  const yours = details.current === undefined ? undefined : context.request.body
  context.status = status
  context.body = JSON.stringify({ type: 'about:blank', title, status, detail: message, ...details, yours })
  context.type = 'application/problem+json'
}

async function refuseUnknownApi(context: Koa.Context, next: Koa.Next): Promise<void> {
  if (context.path === '/api' || context.path.startsWith('/api/')) {
    throw new ProblemError(404, 'Not here', `There is nothing at ${context.method} ${context.path.slice(0, 120)}.`)
  }
  await next()
}

/** A page of another site must not write here through somebody's browser. */
async function refuseForeignOrigins(context: Koa.Context, next: Koa.Next): Promise<void> {
  const origin = context.get('origin')
  const isRead = context.method === 'GET' || context.method === 'HEAD'
  if (!isRead && origin && !(URL.canParse(origin) && new URL(origin).host === context.host)) {
    throw new ProblemError(403, 'Refused', 'This came from a page of another address.')
  }
  await next()
}

async function setSecurityHeaders(context: Koa.Context, next: Koa.Next): Promise<void> {
  context.set({
    // Radix and Chart.js set style attributes, so styles may be inline; scripts may not.
    'Content-Security-Policy':
      "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data:; frame-ancestors 'none'; base-uri 'none'; form-action 'self'",
    'X-Content-Type-Options': 'nosniff',
    'Referrer-Policy': 'same-origin',
  })
  await next()
}
