import { eq } from 'drizzle-orm'
import { ProblemError, refuseField, refuseMissing } from '../../foundation/base/problem.ts'
import { hashPassword } from '../../foundation/base/secrets.ts'
import { type AppContext, makeSystemActor, type Writer, write } from '../../foundation/database/app-context.ts'
import { type Connection, defineRoute } from '../../foundation/http/route.ts'
import { accounts, invitations, people } from '../../schema/studio-tables.ts'
import { requireUncommon } from './common-passwords.ts'
import { canStepIn } from './confirmation.ts'
import { describeAccess, hasOwner } from './describe-access.ts'
import { findInvitation } from './invitations.ts'
import { beginSession, endSession, endSessionsOf } from './sessions.ts'
import { findLimits, requirePerson } from './show-who-it-is.ts'
import { logSignIn } from './sign-in-log.ts'

/** Signs in on this connection, always with a new token: one that was planted before is worth nothing. */
function enter(app: AppContext, connection: Connection, personId: string) {
  if (connection.sessionId) endSession(app, connection.sessionId)
  const token = beginSession(app, personId, connection.device)
  connection.setToken(token)
  return describeAccess(app, personId, token)
}

function insertAccount({ tx, newId, log }: Writer, name: string, signInName: string, passwordHash: string): string {
  const personId = newId()
  tx.insert(people).values({ id: personId, name, skills: [], note: '' }).run()
  tx.insert(accounts).values({ personId, signInName, passwordHash, role: 'manager', isOwner: true }).run()
  log('created', 'person', personId, { after: { name } })
  log('access-changed', 'person', personId, { role: 'manager' })
  return personId
}

/** What a new Exemplar may be begun with. */
export interface Beginnings {
  fillDemo(app: AppContext): void
}

/** Coming in, for the first time and every other, and going out. */
export const makeDoorRoutes = ({ fillDemo }: Beginnings) => [
  defineRoute('get /access/me', ({ actor, connection }, app) =>
    describeAccess(app, actor.personId, null, connection.sessionId),
  ),
  defineRoute('post /access/first-run', async ({ body, connection }, app) => {
    if (hasOwner(app)) throw new ProblemError(409, 'There is an owner', 'This Exemplar has its owner. Sign in.')
    await findLimits(app).take('first-run', connection.address, () => false)
    if (app.config.firstRunCode && body.code.trim() !== app.config.firstRunCode) {
      throw refuseField('/code', 'This is not the code that stands in the log of the machine.')
    }
    requireUncommon(body.password, body.signInName)
    const hash = await hashPassword(body.password, app.config.passwordCost)
    if (hasOwner(app)) throw new ProblemError(409, 'There is an owner', 'Somebody else was quicker. Sign in.')
    await findLimits(app).forgive('first-run', connection.address)
    if (body.start === 'demo') fillDemo(app)
    const personId = write(
      app,
      makeSystemActor(),
      (writer) => insertAccount(writer, body.name, body.signInName, hash),
      { isTracked: false },
    )
    logSignIn(app, connection, { name: body.signInName, personId, outcome: 'in' })
    return enter(app, connection, personId)
  }),
  defineRoute('post /access/sign-in', async ({ body, connection }, app) => {
    const account = await requirePerson(app, connection, body)
    return enter(app, connection, account.personId)
  }),
  defineRoute('post /access/step-in', ({ body, connection }, app) => {
    if (!canStepIn(app)) throw new ProblemError(403, 'Not allowed', 'That works in the demo on its own machine only.')
    const account = app.db.select().from(accounts).where(eq(accounts.role, body.role)).get()
    if (!account) throw refuseMissing('account')
    return enter(app, connection, account.personId)
  }),
  defineRoute('post /access/sign-out', ({ connection }, app) => {
    if (connection.sessionId) endSession(app, connection.sessionId)
    connection.setToken(null)
  }),
  defineRoute('post /access/sign-out-everywhere', ({ actor, connection }, app) => {
    if (actor.personId) endSessionsOf(app, actor.personId)
    connection.setToken(null)
  }),
  defineRoute('get /access/invitations/:token', ({ params }, app) => {
    const { name, signInName } = findInvitation(app, params.token ?? '')
    return { name, signInName }
  }),
  defineRoute('post /access/invitations/:token', async ({ params, body, connection }, app) => {
    const { invitation, signInName } = findInvitation(app, params.token ?? '')
    requireUncommon(body.password, signInName)
    const passwordHash = await hashPassword(body.password, app.config.passwordCost)
    // Asked once more after the pause: a manager may have switched the account off meanwhile.
    findInvitation(app, params.token ?? '')
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
    logSignIn(app, connection, { name: signInName, personId, outcome: 'in' })
    return enter(app, connection, personId)
  }),
]
