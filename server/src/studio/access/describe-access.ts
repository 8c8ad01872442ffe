import { eq } from 'drizzle-orm'
import { hashToken } from '../../foundation/base/secrets.ts'
import type { AppContext } from '../../foundation/database/app-context.ts'
import { accounts, people } from '../../schema/studio-tables.ts'
import { canStepIn, findConfirmedUntil } from './confirmation.ts'

export function hasOwner({ db }: AppContext): boolean {
  return db.select().from(accounts).where(eq(accounts.isOwner, true)).get() !== undefined
}

/** Who is signed in and what they may do, by a token that was just made or by the session that asks. */
export function describeAccess(
  app: AppContext,
  personId: string | null,
  token: string | null,
  sessionId: string | null = token === null ? null : hashToken(token),
) {
  const row = personId
    ? app.db
        .select({ id: people.id, name: people.name, account: accounts })
        .from(accounts)
        .innerJoin(people, eq(people.id, accounts.personId))
        .where(eq(accounts.personId, personId))
        .get()
    : undefined
  return {
    person: row ? { id: row.id, name: row.name } : null,
    role: row?.account.role ?? null,
    isOwner: row?.account.isOwner ?? false,
    needsOwner: !hasOwner(app),
    /** One click signs in as each role: the demo on this machine only. */
    canStepIn: canStepIn(app),
    isEmpty: app.db.$client.prepare('SELECT NOT EXISTS (SELECT 1 FROM units)').pluck().get() === 1,
    confirmedUntil: row ? findConfirmedUntil(app, sessionId) : null,
    hasSecondFactor: row?.account.secondFactor?.isOn ?? false,
  }
}
