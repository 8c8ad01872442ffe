import { type AccessRole, hideFrom, hideInRecord } from '@exemplar/core'
import { bodyParser } from '@koa/bodyparser'
import Router from '@koa/router'
import Koa from 'koa'
import compress from 'koa-compress'
import rawBody from 'raw-body'
import type { z } from 'zod'
import { logRequests, type RequestLog, SILENT } from './foundation/base/log.ts'
import { type FieldProblem, ProblemError, translateConstraint } from './foundation/base/problem.ts'
import type { AppContext } from './foundation/database/app-context.ts'
import { describeApi } from './foundation/http/openapi.ts'
import { servePages } from './foundation/http/pages.ts'
import { requirePermission } from './foundation/http/permission.ts'
import { refuseForeignHosts, refuseForeignOrigins, setSecurityHeaders } from './foundation/http/request-guards.ts'
import { RawReply, type Route } from './foundation/http/route.ts'
import { findSession } from './studio/access/sessions.ts'
import { listChangedSubjects } from './studio/history/changed-subjects.ts'

const BODY_LIMIT = '6mb'
export const SESSION_COOKIE = 'exemplar_session'
const COOKIE_LIFE_MS = 42 * 86_400_000

interface AppOptions {
  pagesFolder?: string | null
  log?: RequestLog
  names?: readonly string[]
}

/** The whole application: API under `/api`, pages elsewhere. */
export function makeApp(app: AppContext, routes: readonly Route[], options: AppOptions = {}): Koa {
  const { pagesFolder = null, log = SILENT, names = [] } = options
  const koa = new Koa()
  koa.keys = app.keys
  koa.use(logRequests(log))
  koa.use(setSecurityHeaders(app.config.isSecure))
  koa.use(answerProblems(log))
  koa.use(refuseForeignHosts(app.config.isLoopback, names))
  koa.use(refuseForeignOrigins)
  koa.use(compress({ threshold: 1024, br: false }))
  const router = new Router({ prefix: '/api' })
  const description = describeApi(routes)
  router.get('/openapi.json', (context) => {
    context.body = description
  })
  const parseJson = bodyParser({ enableTypes: ['json'], jsonLimit: BODY_LIMIT, onError: refuseBody })
  for (const route of routes) {
    // Bytes stay bytes, whatever their sender calls them.
    const before = route.rawLimit === undefined ? [parseJson] : []
    router[route.method](route.path, ...before, (context: Koa.Context) => {
      context.state.route = route.path
      return answer(context, route, app)
    })
  }
  koa.use(router.routes())
  koa.use(refuseUnknownApi)
  if (pagesFolder) koa.use(servePages(pagesFolder))
  // Koa prints every error by itself; those that a person can mend are answered, only the others belong in the log.
  koa.on('error', (error: NodeJS.ErrnoException) => {
    const hasLeft = error.code === 'EPIPE' || error.code === 'ECONNRESET' || error.code === 'ERR_STREAM_PREMATURE_CLOSE'
    if (!(error instanceof ProblemError) && !hasLeft) log.fault(error)
  })
  return koa
}

async function answer(context: Koa.Context, route: Route, app: AppContext): Promise<void> {
  const signedIn = findSession(app, context.cookies.get(SESSION_COOKIE, { signed: true }))
  const { personId = null, role = null, isOwner = false } = signedIn ?? {}
  requirePermission(route.permission, role)
  context.state.role = role
  const actor = { personId, role, isOwner, changeId: null as number | null }
  const request = {
    params: context.params as Record<string, string>,
    body: await readBody(context, route),
    query: route.query ? parse(route.query, { ...context.query }, '?') : undefined,
    version: route.isChange ? readVersion(context.get('if-match')) : 0,
    actor,
    connection: {
      address: context.ip,
      sessionId: signedIn?.sessionId ?? null,
      lastEventId: readEventId(context.get('last-event-id')),
      setToken: (token: string | null) => setSessionCookie(context, token, app.config.isSecure),
      signal: makeLeaveSignal(context),
    },
  }
  const reply = await route.handle(request, app)
  if (actor.changeId !== null) {
    context.set('X-Exemplar-Change', String(actor.changeId))
    context.set('X-Exemplar-Subjects', listChangedSubjects(app.db, actor.changeId).join(','))
  }
  context.status = reply === undefined ? 204 : (route.status ?? 200)
  context.set('Cache-Control', 'no-store')
  if (reply === undefined) return
  if (reply instanceof RawReply) {
    // A stream of events must go out piece by piece, and files are mostly packed already.
    context.compress = false
    context.status = reply.status
    context.set(reply.headers)
    context.type = reply.type
    context.body = reply.body
    return
  }
  const version = (reply as { version?: unknown } | null)?.version
  if (typeof version === 'number') context.set('ETag', `"${version}"`)
  context.body = showTo(role, route, reply) as object
}

/** A reply without what this role may not see. */
function showTo(role: AccessRole | null, { reply: schema }: Route, reply: unknown): unknown {
  return typeof schema === 'string' ? reply : hideFrom(role, schema, reply)
}

function setSessionCookie(context: Koa.Context, token: string | null, isSecure: boolean): void {
  context.cookies.set(SESSION_COOKIE, token, {
    signed: true,
    httpOnly: true,
    sameSite: 'lax',
    secure: isSecure,
    path: '/',
    maxAge: token === null ? 0 : COOKIE_LIFE_MS,
  })
}

function readEventId(header: string): number | null {
  return /^\d{1,15}$/.test(header) ? Number(header) : null
}

function makeLeaveSignal(context: Koa.Context): AbortSignal {
  const controller = new AbortController()
  context.res.once('close', () => controller.abort())
  return controller.signal
}

async function readBody(context: Koa.Context, route: Route): Promise<unknown> {
  if (route.rawLimit !== undefined) return readRaw(context, route.rawLimit)
  return route.body ? parse(route.body, context.request.body ?? {}, '') : undefined
}

async function readRaw(context: Koa.Context, limit: number): Promise<Buffer> {
  try {
    return await rawBody(context.req, { limit, length: context.req.headers['content-length'] ?? null })
  } catch (error) {
    if ((error as { type?: string }).type !== 'entity.too.large') throw error
    throw new ProblemError(413, 'Too large', `This file is larger than ${Math.floor(limit / 1_000_000)} MB.`)
  }
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

function answerProblems(log: RequestLog): Koa.Middleware {
  return async (context, next) => {
    try {
      await next()
    } catch (error) {
      const problem = error instanceof ProblemError ? error : (translateConstraint(error) ?? translateHttpError(error))
      if (!problem) log.fault(error)
      sendProblem(
        context,
        problem ?? new ProblemError(500, 'A fault in Exemplar', 'Nothing was written. The log says more.'),
      )
    }
  }
}

/** Koa's own refusals (a body cut short, a bad address) carry a status below 500. */
function translateHttpError(error: unknown): ProblemError | null {
  const status = (error as { status?: unknown } | null)?.status
  if (typeof status !== 'number' || status < 400 || status > 499) return null
  return new ProblemError(status, 'Cannot be read', 'The request cannot be read as it was sent.')
}

function sendProblem(context: Koa.Context, problem: ProblemError): void {
  const { retryAfterSeconds, current } = problem.details
  const yours = current === undefined ? undefined : context.request.body
  context.status = problem.status
  if (retryAfterSeconds !== undefined) context.set('Retry-After', String(retryAfterSeconds))
  const role = (context.state.role as AccessRole | undefined) ?? null
  const shown = current === undefined ? {} : { current: hideInRecord(role, current), yours }
  context.body = JSON.stringify({ ...problem.toBody(), ...shown })
  context.type = 'application/problem+json'
}

async function refuseUnknownApi(context: Koa.Context, next: Koa.Next): Promise<void> {
  if (context.path === '/api' || context.path.startsWith('/api/')) {
    throw new ProblemError(404, 'Not here', `There is nothing at ${context.method} ${context.path.slice(0, 120)}.`)
  }
  await next()
}
