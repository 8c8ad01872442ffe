import type { AccessRole } from '@exemplar/core'
import { and, desc, eq, gt, isNull, lt, ne } from 'drizzle-orm'
import { hashToken, makeToken } from '../../foundation/base/secrets.ts'
import type { AppContext } from '../../foundation/database/app-context.ts'
import { accounts, sessions } from '../../schema/studio-tables.ts'

const DAY = 86_400_000
/** A session ends when it was not used for so long, and in any case after three times that. */
const IDLE_DAYS = 14
const LIFE_DAYS = 42
/** Being seen is written down at most so often: reading must not mean writing. */
const SEEN_MS = 10 * 60_000

export interface SignedIn {
  sessionId: string
  personId: string
  role: AccessRole
  isOwner: boolean
}

/** Begins a session and gives back its token, which is kept nowhere but in the cookie. */
export function beginSession({ db, now, gate }: AppContext, personId: string, device = ''): string {
  gate.requireOpen()
  const token = makeToken()
  const at = now()
  db.delete(sessions).where(lt(sessions.expiresAt, at)).run()
  db.insert(sessions)
    .values({
      id: hashToken(token),
      personId,
      createdAt: at,
      seenAt: at,
      expiresAt: at + LIFE_DAYS * DAY,
      confirmedAt: at,
      device,
    })
    .run()
  return token
}

const isAlive = (at: number) => and(gt(sessions.expiresAt, at), gt(sessions.seenAt, at - IDLE_DAYS * DAY))

/** Who a token belongs to; null where it is unknown, over, or its account was switched off. */
export function findSession({ db, now, gate }: AppContext, token: string | undefined): SignedIn | null {
  if (!token) return null
  const at = now()
  const row = db
    .select({ session: sessions, role: accounts.role, isOwner: accounts.isOwner })
    .from(sessions)
    .innerJoin(accounts, and(eq(accounts.personId, sessions.personId), isNull(accounts.disabledAt)))
    .where(and(eq(sessions.id, hashToken(token)), isAlive(at)))
    .get()
  if (!row) return null
  const { id, personId, seenAt } = row.session
  if (at - seenAt > SEEN_MS && gate.isOpen) db.update(sessions).set({ seenAt: at }).where(eq(sessions.id, id)).run()
  return { sessionId: id, personId, role: row.role, isOwner: row.isOwner }
}

/** Where a person is signed in, the device used last first. */
export function listSessions({ db, now }: AppContext, personId: string) {
  return db
    .select()
    .from(sessions)
    .where(and(eq(sessions.personId, personId), isAlive(now())))
    .orderBy(desc(sessions.seenAt))
    .all()
}

/** Ends one session, and whatever listens on it. */
export function endSession({ db, live }: AppContext, sessionId: string): void {
  db.delete(sessions).where(eq(sessions.id, sessionId)).run()
  live.tellSignedOut({ sessionId })
}

/** Ends every session of a person, on every device, and the pages that listen there; one may be left. */
export function endSessionsOf({ db, live }: AppContext, personId: string, except: string | null = null): void {
  db.delete(sessions)
    .where(and(eq(sessions.personId, personId), except === null ? undefined : ne(sessions.id, except)))
    .run()
  live.tellSignedOut({ personId, except })
}
