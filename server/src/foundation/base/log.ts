import type Koa from 'koa'
import { pino } from 'pino'

/** One line of JSON for each request and fault. Never names, addresses, bodies or ids: routes as they are declared. */
export interface RequestLog {
  request(line: { method: string; route: string; status: number; ms: number }): void
  fault(error: unknown): void
  note(what: string): void
}

export const SILENT: RequestLog = { request() {}, fault() {}, note() {} }

export function makeLog(level: string): RequestLog {
  const logger = pino({ level, base: null, timestamp: pino.stdTimeFunctions.isoTime })
  return {
    request: (line) => (line.status >= 500 ? logger.error(line, 'request') : logger.info(line, 'request')),
    fault: (error) =>
      logger.error({ fault: error instanceof Error ? (error.stack ?? error.message) : String(error) }, 'fault'),
    note: (what) => logger.info(what),
  }
}

export function logRequests(log: RequestLog): Koa.Middleware {
  return async (context, next) => {
    const start = performance.now()
    await next()
    // Files of the pages are of no interest; the API is.
    if (!context.path.startsWith('/api')) return
    const route = (context.state.route as string | undefined) ?? '(none)'
    log.request({ method: context.method, route, status: context.status, ms: Math.round(performance.now() - start) })
  }
}
