import { eq } from 'drizzle-orm'
import { ProblemError } from '../../foundation/base/problem.ts'
import type { AppContext } from '../../foundation/database/app-context.ts'
import type { Connection } from '../../foundation/http/route.ts'
import { sessions } from '../../schema/studio-tables.ts'

/** So long it counts that somebody showed that it is them. */
export const CONFIRMED_MS = 10 * 60_000

/** The demo on its own machine lets everybody in as anybody with one click, so asking again would protect nothing. */
export const canStepIn = ({ config }: AppContext): boolean => config.isDemo && config.isLoopback

/** Until when a session needs not show again that it is the person; null where it has to. */
export function findConfirmedUntil(app: AppContext, sessionId: string | null): number | null {
  if (sessionId === null) return null
  const now = app.now()
  if (canStepIn(app)) return now + CONFIRMED_MS
  const row = app.db.select().from(sessions).where(eq(sessions.id, sessionId)).get()
  if (!row) return null
  const until = row.confirmedAt + CONFIRMED_MS
  // Of a clock that was set back nothing is believed.
  const isNow = row.confirmedAt <= now && until > now
  return isNow ? until : null
}

/** What cannot be taken back, and what gives everything away, asks who it is once more: a page left open is not a person. */
export function requireConfirmed(app: AppContext, { sessionId }: Pick<Connection, 'sessionId'>): void {
  if (findConfirmedUntil(app, sessionId) !== null) return
  const detail = 'Sign in once more before this: type your password. It holds for ten minutes.'
  throw new ProblemError(403, 'Sign in again', detail, { report: { needsConfirmation: true } })
}

export function confirmSession({ db, now }: AppContext, sessionId: string): void {
  db.update(sessions).set({ confirmedAt: now() }).where(eq(sessions.id, sessionId)).run()
}
