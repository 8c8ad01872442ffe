import { eq } from 'drizzle-orm'
import { ProblemError, refuseField, refuseMissing } from '../../foundation/base/problem.ts'
import { type Actor, type AppContext, requireVersion, write } from '../../foundation/database/app-context.ts'
import { defineRoute } from '../../foundation/http/route.ts'
import { accounts, invitations, people } from '../../schema/studio-tables.ts'
import { requireConfirmed } from './confirmation.ts'
import { makeInvitation } from './invitations.ts'
import { endSessionsOf } from './sessions.ts'
import { listSignIns } from './sign-in-log.ts'

const SIGN_INS_SHOWN = 100

function requireAccount(app: AppContext, personId: string, version: number) {
  const row = app.db.select().from(accounts).where(eq(accounts.personId, personId)).get()
  return requireVersion(row, version, 'account')
}

/** Nobody but the owner touches the owner's account. */
function requireRank(actor: Actor, account: { isOwner: boolean }): void {
  if (!account.isOwner || actor.isOwner) return
  throw new ProblemError(403, 'Not allowed', 'Only the owner can change the owner’s account.')
}

/** Who may come in, and as what. */
export const accountRoutes = [
  defineRoute('get /access/accounts', (_, { db }) =>
    db
      .select({ account: accounts, name: people.name })
      .from(accounts)
      .innerJoin(people, eq(people.id, accounts.personId))
      .orderBy(people.name)
      .all()
      .map(({ account: { passwordHash, secondFactor, ...account }, name }) => ({
        ...account,
        name,
        hasPassword: passwordHash !== null,
        hasSecondFactor: secondFactor?.isOn ?? false,
      })),
  ),
  defineRoute('post /access/invitations', ({ body, actor, connection }, app) => {
    requireConfirmed(app, connection)
    return write(app, actor, (writer) => {
      const { tx } = writer
      if (!tx.select().from(people).where(eq(people.id, body.personId)).get()) throw refuseMissing('person')
      const known = tx.select().from(accounts).where(eq(accounts.personId, body.personId)).get()
      if (known) throw refuseField('/personId', 'This person can sign in already. Make a new link instead.', 409)
      if (tx.select().from(accounts).where(eq(accounts.signInName, body.signInName)).get()) {
        throw refuseField('/signInName', 'Somebody else has this sign-in name.', 409)
      }
      tx.insert(accounts)
        .values({ ...body, passwordHash: null })
        .run()
      return makeInvitation(writer, body.personId)
    })
  }),
  defineRoute('post /access/accounts/:id/reset', ({ params, version, actor, connection }, app) => {
    requireConfirmed(app, connection)
    const account = requireAccount(app, params.id ?? '', version)
    requireRank(actor, account)
    const invitation = write(app, actor, (writer) => {
      writer.tx
        .update(accounts)
        .set({ passwordHash: null, secondFactor: null, version: version + 1 })
        .where(eq(accounts.personId, account.personId))
        .run()
      return makeInvitation(writer, account.personId)
    })
    endSessionsOf(app, account.personId)
    return invitation
  }),
  defineRoute('post /access/accounts/:id/sign-out-everywhere', ({ params, actor }, app) => {
    const account = app.db
      .select()
      .from(accounts)
      .where(eq(accounts.personId, params.id ?? ''))
      .get()
    if (!account) throw refuseMissing('account')
    requireRank(actor, account)
    endSessionsOf(app, account.personId)
  }),
  defineRoute('put /access/accounts/:id', ({ params, body, version, actor, connection }, app) => {
    requireConfirmed(app, connection)
    const account = requireAccount(app, params.id ?? '', version)
    requireRank(actor, account)
    if (account.isOwner && (body.role !== 'manager' || body.isDisabled)) {
      throw refuseField('/role', 'The owner stays a manager, so that somebody always can get in.')
    }
    const { personId } = account
    const after = { role: body.role, disabledAt: body.isDisabled ? app.now() : null, version: version + 1 }
    write(app, actor, ({ tx, log }) => {
      tx.update(accounts).set(after).where(eq(accounts.personId, personId)).run()
      // A link that was given before would let in who was just shut out.
      if (body.isDisabled) tx.delete(invitations).where(eq(invitations.personId, personId)).run()
      log('access-changed', 'person', personId, { role: body.role, isDisabled: body.isDisabled })
    })
    // Whoever may do less from now on must not go on with a page that still shows more.
    endSessionsOf(app, personId)
    return { personId, version: after.version }
  }),
  defineRoute('get /access/sign-ins', (_, app) => listSignIns(app, SIGN_INS_SHOWN)),
]
