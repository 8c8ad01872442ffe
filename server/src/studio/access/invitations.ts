import { eq } from 'drizzle-orm'
import { ProblemError } from '../../foundation/base/problem.ts'
import { hashToken, makeToken } from '../../foundation/base/secrets.ts'
import type { AppContext, Writer } from '../../foundation/database/app-context.ts'
import { accounts, invitations, people } from '../../schema/studio-tables.ts'

/** A link to set a password works so long. */
const INVITATION_MS = 7 * 86_400_000

/** Makes a link and forgets every earlier one of that person. The token is in this reply and nowhere else. */
export function makeInvitation({ tx, now, log }: Writer, personId: string): { token: string; expiresAt: number } {
  const token = makeToken()
  const expiresAt = now + INVITATION_MS
  tx.delete(invitations).where(eq(invitations.personId, personId)).run()
  tx.insert(invitations)
    .values({ id: hashToken(token), personId, expiresAt })
    .run()
  log('access-changed', 'person', personId, { invited: true })
  return { token, expiresAt }
}

/** The person whom a link invites; refuses one that was used, is over, or whose account was switched off since. */
export function findInvitation(app: AppContext, token: string) {
  const row = app.db
    .select({
      invitation: invitations,
      name: people.name,
      signInName: accounts.signInName,
      disabledAt: accounts.disabledAt,
    })
    .from(invitations)
    .innerJoin(people, eq(people.id, invitations.personId))
    .innerJoin(accounts, eq(accounts.personId, invitations.personId))
    .where(eq(invitations.id, hashToken(token)))
    .get()
  if (row && row.disabledAt === null && row.invitation.usedAt === null && row.invitation.expiresAt > app.now())
    return row
  throw new ProblemError(410, 'No longer good', 'This link was used or is over. Ask a manager for a new one.')
}
