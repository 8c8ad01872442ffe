import { eq } from 'drizzle-orm'
import { ProblemError, refuseField, refuseMissing } from '../../foundation/base/problem.ts'
import { hashPassword, hashToken, makeToken, verifyPassword } from '../../foundation/base/secrets.ts'
import {
  type Actor,
  type AppContext,
  makeSystemActor,
  requireVersion,
  type Writer,
  write,
} from '../../foundation/database/app-context.ts'
import { type Connection, defineRoute } from '../../foundation/http/route.ts'
import { accounts, invitations, people } from '../../schema/studio-tables.ts'
import { beginSession, endSession, endSessionsOf } from './sessions.ts'
import { makeSignInLimits } from './sign-in-limits.ts'

/** A link to set a password works so long. */
const INVITATION_MS = 7 * 86_400_000

const limitsOf = new WeakMap<AppContext, ReturnType<typeof makeSignInLimits>>()
function findLimits(app: AppContext) {
  const limits = limitsOf.get(app) ?? makeSignInLimits()
  limitsOf.set(app, limits)
  return limits
}

function hasOwner({ db }: AppContext): boolean {
  return db.select().from(accounts).where(eq(accounts.isOwner, true)).get() !== undefined
}

function canStepIn({ config }: AppContext): boolean {
  return config.isDemo && config.isLoopback
}

/** Signs in on this connection, always with a new token: one that was planted before is worth nothing. */
function enter(app: AppContext, connection: Connection, personId: string) {
  if (connection.sessionId) endSession(app.db, connection.sessionId)
  connection.setToken(beginSession(app, personId))
  return describeAccess(app, personId)
}

function describeAccess(app: AppContext, personId: string | null) {
  const row = personId
    ? app.db
        .select({ id: people.id, name: people.name, role: accounts.role, isOwner: accounts.isOwner })
        .from(accounts)
        .innerJoin(people, eq(people.id, accounts.personId))
        .where(eq(accounts.personId, personId))
        .get()
    : undefined
  return {
    person: row ? { id: row.id, name: row.name } : null,
    role: row?.role ?? null,
    isOwner: row?.isOwner ?? false,
    needsOwner: !hasOwner(app),
    /** One click signs in as each role: the demo on this machine only. */
    canStepIn: canStepIn(app),
    isEmpty: app.db.$client.prepare('SELECT NOT EXISTS (SELECT 1 FROM units)').pluck().get() === 1,
  }
}

function insertAccount({ tx, newId, log }: Writer, name: string, signInName: string, passwordHash: string): string {
  const personId = newId()
  tx.insert(people).values({ id: personId, name, skills: [], note: '' }).run()
  tx.insert(accounts).values({ personId, signInName, passwordHash, role: 'manager', isOwner: true }).run()
  log('created', 'person', personId, { after: { name } })
  log('access-changed', 'person', personId, { role: 'manager' })
  return personId
}

function requireAccount(app: AppContext, personId: string, version: number) {
  const row = app.db.select().from(accounts).where(eq(accounts.personId, personId)).get()
  return requireVersion(row, version, 'account')
}

/** Nobody but the owner touches the owner's account. */
function requireRank(actor: Actor, account: { isOwner: boolean }): void {
  if (!account.isOwner || actor.isOwner) return
  throw new ProblemError(403, 'Not allowed', 'Only the owner can change the owner’s account.')
}

/** Makes a link and forgets every earlier one of that person. The token is in this reply and nowhere else. */
function makeInvitation({ tx, now, log }: Writer, personId: string): { token: string; expiresAt: number } {
  const token = makeToken()
  const expiresAt = now + INVITATION_MS
  tx.delete(invitations).where(eq(invitations.personId, personId)).run()
  tx.insert(invitations)
    .values({ id: hashToken(token), personId, expiresAt })
    .run()
  log('access-changed', 'person', personId, { invited: true })
  return { token, expiresAt }
}

function findInvitation(app: AppContext, token: string) {
  const row = app.db
    .select({ invitation: invitations, name: people.name, signInName: accounts.signInName })
    .from(invitations)
    .innerJoin(people, eq(people.id, invitations.personId))
    .innerJoin(accounts, eq(accounts.personId, invitations.personId))
    .where(eq(invitations.id, hashToken(token)))
    .get()
  if (row && row.invitation.usedAt === null && row.invitation.expiresAt > app.now()) return row
  throw new ProblemError(410, 'No longer good', 'This link was used or is over. Ask a manager for a new one.')
}

/** What a new Exemplar may be begun with. */
export interface Beginnings {
  fillDemo(app: AppContext): void
}

export const makeAccessRoutes = ({ fillDemo }: Beginnings) => [
  defineRoute('get /access/me', ({ actor }, app) => describeAccess(app, actor.personId)),
  defineRoute('post /access/first-run', async ({ body, connection }, app) => {
    if (hasOwner(app)) throw new ProblemError(409, 'There is an owner', 'This Exemplar has its owner. Sign in.')
    if (app.config.firstRunCode && body.code.trim() !== app.config.firstRunCode) {
      await findLimits(app).countFailure('first-run', connection.address)
      throw refuseField('/code', 'This is not the code that stands in the log of the machine.')
    }
    const hash = await hashPassword(body.password, app.config.passwordCost)
    if (hasOwner(app)) throw new ProblemError(409, 'There is an owner', 'Somebody else was quicker. Sign in.')
    if (body.start === 'demo') fillDemo(app)
    const personId = write(
      app,
      makeSystemActor(),
      (writer) => insertAccount(writer, body.name, body.signInName, hash),
      {
        isTracked: false,
      },
    )
    return enter(app, connection, personId)
  }),
  defineRoute('post /access/sign-in', async ({ body, connection }, app) => {
    const limits = findLimits(app)
    const name = body.signInName.trim().toLowerCase()
    await limits.requireFree(name, connection.address)
    const account = app.db.select().from(accounts).where(eq(accounts.signInName, name)).get()
    const isRight = await verifyPassword(body.password, account?.passwordHash ?? null, app.config.passwordCost)
    if (!account || !isRight || account.disabledAt !== null) {
      await limits.countFailure(name, connection.address)
      throw new ProblemError(401, 'Not signed in', 'Name and password do not belong together.')
    }
    await limits.forgive(name)
    return enter(app, connection, account.personId)
  }),
  defineRoute('post /access/step-in', ({ body, connection }, app) => {
    if (!canStepIn(app)) throw new ProblemError(403, 'Not allowed', 'That works in the demo on its own machine only.')
    const account = app.db.select().from(accounts).where(eq(accounts.role, body.role)).get()
    if (!account) throw refuseMissing('account')
    return enter(app, connection, account.personId)
  }),
  defineRoute('post /access/sign-out', ({ connection }, app) => {
    if (connection.sessionId) endSession(app.db, connection.sessionId)
    connection.setToken(null)
  }),
  defineRoute('post /access/sign-out-everywhere', ({ actor, connection }, app) => {
    if (actor.personId) endSessionsOf(app, actor.personId)
    connection.setToken(null)
  }),
  defineRoute('post /access/password', async ({ body, actor, connection }, app) => {
    const { personId } = actor
    const account = personId ? app.db.select().from(accounts).where(eq(accounts.personId, personId)).get() : null
    if (!account) throw refuseMissing('account')
    await findLimits(app).requireFree(account.signInName, connection.address)
    if (!(await verifyPassword(body.old, account.passwordHash, app.config.passwordCost))) {
      await findLimits(app).countFailure(account.signInName, connection.address)
      throw refuseField('/old', 'This is not your password.')
    }
    const passwordHash = await hashPassword(body.password, app.config.passwordCost)
    write(app, actor, ({ tx, log }) => {
      tx.update(accounts)
        .set({ passwordHash, version: account.version + 1 })
        .where(eq(accounts.personId, account.personId))
        .run()
      log('access-changed', 'person', account.personId, { password: true })
    })
    endSessionsOf(app, account.personId)
    return enter(app, connection, account.personId)
  }),
  defineRoute('get /access/accounts', (_, { db }) =>
    db
      .select({ account: accounts, name: people.name })
      .from(accounts)
      .innerJoin(people, eq(people.id, accounts.personId))
      .orderBy(people.name)
      .all()
      .map(({ account: { passwordHash, ...account }, name }) => ({
        ...account,
        name,
        hasPassword: passwordHash !== null,
      })),
  ),
  defineRoute('post /access/invitations', ({ body, actor }, app) =>
    write(app, actor, (writer) => {
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
    }),
  ),
  defineRoute('post /access/accounts/:id/reset', ({ params, version, actor }, app) => {
    const account = requireAccount(app, params.id ?? '', version)
    requireRank(actor, account)
    const invitation = write(app, actor, (writer) => {
      writer.tx
        .update(accounts)
        .set({ passwordHash: null, version: version + 1 })
        .where(eq(accounts.personId, account.personId))
        .run()
      return makeInvitation(writer, account.personId)
    })
    endSessionsOf(app, account.personId)
    return invitation
  }),
  defineRoute('post /access/accounts/:id/sign-out-everywhere', ({ params }, app) =>
    endSessionsOf(app, params.id ?? ''),
  ),
  defineRoute('put /access/accounts/:id', ({ params, body, version, actor }, app) => {
    const account = requireAccount(app, params.id ?? '', version)
    requireRank(actor, account)
    if (account.isOwner && (body.role !== 'manager' || body.isDisabled)) {
      throw refuseField('/role', 'The owner stays a manager, so that somebody always can get in.')
    }
    const { personId } = account
    const after = { role: body.role, disabledAt: body.isDisabled ? app.now() : null, version: version + 1 }
    write(app, actor, ({ tx, log }) => {
      tx.update(accounts).set(after).where(eq(accounts.personId, personId)).run()
      log('access-changed', 'person', personId, { role: body.role, isDisabled: body.isDisabled })
    })
    // Whoever may do less from now on must not go on with a page that still shows more.
    endSessionsOf(app, personId)
    return { personId, version: after.version }
  }),
  defineRoute('get /access/invitations/:token', ({ params }, app) => {
    const { name, signInName } = findInvitation(app, params.token ?? '')
    return { name, signInName }
  }),
  defineRoute('post /access/invitations/:token', async ({ params, body, connection }, app) => {
    const { invitation } = findInvitation(app, params.token ?? '')
    const passwordHash = await hashPassword(body.password, app.config.passwordCost)
    const { personId } = invitation
    write(app, { ...makeSystemActor(), personId }, ({ tx, now, log }) => {
      // Asked again inside the transaction: of two who follow one link at once, one comes too late.
      const unused = tx.select().from(invitations).where(eq(invitations.id, invitation.id)).get()
      if (unused?.usedAt !== null) throw new ProblemError(410, 'No longer good', 'This link was used already.')
      tx.update(invitations).set({ usedAt: now }).where(eq(invitations.id, invitation.id)).run()
      tx.update(accounts).set({ passwordHash }).where(eq(accounts.personId, personId)).run()
      log('access-changed', 'person', personId, { password: true })
    })
    endSessionsOf(app, personId)
    return enter(app, connection, personId)
  }),
]
