import { isIP } from 'node:net'
import { hostname } from 'node:os'
import type Koa from 'koa'
import { ProblemError } from '../base/problem.ts'

/**
 * A page of another site must not write here through somebody's browser. Browsers say where a write comes from; what
 * says nothing is no browser and has to say so by a header that no foreign page can send without asking first.
 */
export function refuseForeignOrigins(isSecure: boolean): Koa.Middleware {
  return async (context, next) => {
    const isRead = context.method === 'GET' || context.method === 'HEAD'
    if (!isRead && !comesFromHere(context, isSecure)) {
      throw new ProblemError(403, 'Refused', 'This came from a page of another address.')
    }
    await next()
  }
}

/** Scheme, name and port are one: a page over plain HTTP at the same name is another place. */
function comesFromHere(context: Koa.Context, isSecure: boolean): boolean {
  const origin = context.get('origin')
  if (origin)
    return URL.canParse(origin) && new URL(origin).origin === `${isSecure ? 'https' : 'http'}://${context.host}`
  const site = context.get('sec-fetch-site')
  return site ? site === 'same-origin' : context.get('x-exemplar-client') !== ''
}

/**
 * A foreign name that points at this machine must not reach it (DNS rebinding): on loopback only the loopback names
 * answer; elsewhere addresses, the machine's own name, `.local` names and those that were set.
 */
export function refuseForeignHosts(isLoopback: boolean, names: readonly string[]): Koa.Middleware {
  const own = new Set([...names, hostname().toLowerCase()])
  return async (context, next) => {
    const name = context.hostname.toLowerCase()
    const isLocal = name === 'localhost' || name === '127.0.0.1' || name === '[::1]' || name === '::1'
    const isKnown =
      isLocal || own.has(name) || (!isLoopback && (isIP(name.replace(/[[\]]/g, '')) > 0 || name.endsWith('.local')))
    if (!isKnown) {
      const detail = 'Exemplar is not known by this name. Set EXEMPLAR_NAMES to the names it should answer to.'
      throw new ProblemError(421, 'Wrong name', detail)
    }
    await next()
  }
}

export function setSecurityHeaders(isSecure: boolean): Koa.Middleware {
  return async (context, next) => {
    context.set({
      // Radix and Chart.js set style attributes, so styles may be inline; scripts may not.
      'Content-Security-Policy':
        "default-src 'self'; script-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data: blob:; media-src 'self' blob:; connect-src 'self'; object-src 'none'; frame-ancestors 'none'; base-uri 'none'; form-action 'self'",
      'X-Content-Type-Options': 'nosniff',
      'X-Frame-Options': 'DENY',
      'Referrer-Policy': 'same-origin',
      'Permissions-Policy': 'camera=(self), microphone=(), geolocation=(), payment=(), usb=()',
      'Cross-Origin-Opener-Policy': 'same-origin',
      'Cross-Origin-Resource-Policy': 'same-origin',
      ...(isSecure ? { 'Strict-Transport-Security': 'max-age=31536000; includeSubDomains' } : {}),
    })
    await next()
  }
}
