import { type AccessRole, hideFrom, hideInRecord } from '@exemplar/core'
import Router from '@koa/router'
import Koa from 'koa'
import compress from 'koa-compress'
import type { z } from 'zod'
import { logRequests, type RequestLog, SILENT } from './foundation/base/log.ts'
import { type FieldProblem, ProblemError, translateConstraint } from './foundation/base/problem.ts'
import type { Actor, AppContext } from './foundation/database/app-context.ts'
import { BODY_BYTES, OPEN_BODY_BYTES, readBytes, readJson, sayBytes } from './foundation/http/json-body.ts'
import { describeApi } from './foundation/http/openapi.ts'
import { servePages } from './foundation/http/pages.ts'
import { requirePermission } from './foundation/http/permission.ts'
import { refuseForeignHosts, refuseForeignOrigins, setSecurityHeaders } from './foundation/http/request-guards.ts'
import { RawReply, type Route } from './foundation/http/route.ts'
import { sayDevice } from './studio/access/device-words.ts'
import { findSession } from './studio/access/sessions.ts'
import { listChangedSubjects } from './studio/history/changed-subjects.ts'

const COOKIE_LIFE_MS = 42 * 86_400_000
/** A body that took longer to come in may come from somebody whose rights were taken meanwhile. */
const LONG_READING_MS = 200

/** The name of the session's cookie; over TLS one that only this very address can have set (RFC 6265bis, 4.1.3.2). */
export const sessionCookie = ({ isSecure }: Pick<AppContext['config'], 'isSecure'>): string =>
  isSecure ? '__Host-exemplar_session' : 'exemplar_session'

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
  koa.use(refuseForeignOrigins(app.config.isSecure))
  koa.use(compress({ threshold: 1024, br: false }))
  const router = new Router({ prefix: '/api' })
  let description: ReturnType<typeof describeApi> | undefined
  router.get('/openapi.json', (context) => {
    // Made when it is first asked for: it takes a quarter of a second, and most never ask.
    description ??= describeApi(routes)
    context.body = description
  })
  for (const route of routes) {
    router[route.method](route.path, (context: Koa.Context) => {
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
  const { epoch } = app.gate
  const token = context.cookies.get(sessionCookie(app.config), { signed: true })
  const enter = () => {
    const signedIn = findSession(app, token)
    requirePermission(route.permission, signedIn?.role ?? null)
    return signedIn
  }
  // Who may not is told before anything of theirs is read.
  const before = enter()
  const start = performance.now()
  const body = await readBody(context, route)
  // Rights count at the moment of the deed.
  const signedIn = performance.now() - start > LONG_READING_MS ? enter() : before
  const { personId = null, role = null, isOwner = false } = signedIn ?? {}
  context.state.role = role
  const actor: Actor = { personId, role, isOwner, changeId: null, epoch, action: route.permission }
  const request = {
    params: context.params as Record<string, string>,
    // Whoever may not see an amount writes none either.
    body: route.body ? hideFrom(role, route.body, body) : body,
    query: route.query ? parse(route.query, { ...context.query }, '?') : undefined,
    version: route.isChange ? readVersion(context.get('if-match')) : 0,
    actor,
    connection: {
      address: context.ip,
      device: sayDevice(context.get('user-agent')),
      sessionId: signedIn?.sessionId ?? null,
      lastEventId: readEventId(context.get('last-event-id')),
      setToken: (it: string | null) => setSessionCookie(context, it, app.config),
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

function setSessionCookie(context: Koa.Context, token: string | null, config: AppContext['config']): void {
  // Whoever goes leaves nothing of the house on the device.
  if (token === null) context.set('Clear-Site-Data', '"storage"')
  context.cookies.set(sessionCookie(config), token, {
    signed: true,
    httpOnly: true,
    sameSite: 'lax',
    secure: config.isSecure,
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
  const { rawLimit } = route
  // Bytes stay bytes, whatever their sender calls them.
  if (rawLimit !== undefined) return readBytes(context, rawLimit, `This file is larger than ${sayBytes(rawLimit)}.`)
  if (!route.body) return undefined
  const sent = await readJson(context, route.bodyLimit ?? (route.permission === 'open' ? OPEN_BODY_BYTES : BODY_BYTES))
  context.state.sent = sent
  return parse(route.body, sent, '')
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
  const { retryAfterSeconds, current, report } = problem.details
  const yours = current === undefined ? undefined : context.state.sent
  context.status = problem.status
  if (retryAfterSeconds !== undefined) context.set('Retry-After', String(retryAfterSeconds))
  const role = (context.state.role as AccessRole | undefined) ?? null
  const shown = {
    ...(current === undefined ? {} : { current: hideInRecord(role, current), yours }),
    ...(report === undefined ? {} : { report: hideInRecord(role, report) }),
  }
  context.body = JSON.stringify({ ...problem.toBody(), ...shown })
  context.type = 'application/problem+json'
}

async function refuseUnknownApi(context: Koa.Context, next: Koa.Next): Promise<void> {
  if (context.path === '/api' || context.path.startsWith('/api/')) {
    throw new ProblemError(404, 'Not here', `There is nothing at ${context.method} ${context.path.slice(0, 120)}.`)
  }
  await next()
}
