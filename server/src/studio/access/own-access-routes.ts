import { eq } from 'drizzle-orm'
import { toDataURL } from 'qrcode'
import { ProblemError, refuseField, refuseMissing } from '../../foundation/base/problem.ts'
import { hashPassword, verifyPassword } from '../../foundation/base/secrets.ts'
import { type Actor, type AppContext, write } from '../../foundation/database/app-context.ts'
import { type Connection, defineRoute } from '../../foundation/http/route.ts'
import { accounts } from '../../schema/studio-tables.ts'
import { requireUncommon } from './common-passwords.ts'
import { confirmSession, findConfirmedUntil, requireConfirmed } from './confirmation.ts'
import { describeAccess } from './describe-access.ts'
import { beginSecondFactor, makeRecoveryCodes, sayUri, useCode } from './second-factor.ts'
import { beginSession, endSession, endSessionsOf, listSessions } from './sessions.ts'
import { findLimits, requirePerson } from './show-who-it-is.ts'
import { isFamiliar } from './sign-in-log.ts'

function requireOwnAccount(app: AppContext, { personId }: Actor) {
  const account = personId ? app.db.select().from(accounts).where(eq(accounts.personId, personId)).get() : undefined
  if (!account) throw refuseMissing('account')
  return account
}

/** One's own password, devices and second factor. */
export const ownAccessRoutes = [
  defineRoute('post /access/password', async ({ body, actor, connection }, app) => {
    const account = requireOwnAccount(app, actor)
    const { personId, signInName } = account
    await findLimits(app).take(signInName, connection.address, () => isFamiliar(app, personId, connection.address))
    if (!(await verifyPassword(body.old, account.passwordHash, app.config.passwordCost))) {
      throw refuseField('/old', 'This is not your password.')
    }
    await findLimits(app).forgive(signInName, connection.address)
    requireUncommon(body.password, signInName)
    const passwordHash = await hashPassword(body.password, app.config.passwordCost)
    write(app, actor, ({ tx, log }) => {
      tx.update(accounts)
        .set({ passwordHash, version: account.version + 1 })
        .where(eq(accounts.personId, personId))
        .run()
      log('access-changed', 'person', personId, { password: true })
    })
    endSessionsOf(app, personId)
    const token = beginSession(app, personId, connection.device)
    connection.setToken(token)
    return describeAccess(app, personId, token)
  }),
  defineRoute('post /access/confirm', async ({ body, actor, connection }, app) => {
    const { signInName } = requireOwnAccount(app, actor)
    await requirePerson(app, connection, { ...body, signInName }, 'confirmed').catch(sayAtField)
    if (connection.sessionId) confirmSession(app, connection.sessionId)
    return { confirmedUntil: findConfirmedUntil(app, connection.sessionId) }
  }),
  defineRoute('get /access/sessions', ({ actor, connection }, app) =>
    listSessions(app, actor.personId ?? '').map(({ id, device, createdAt, seenAt }) => ({
      id,
      device,
      createdAt,
      seenAt,
      isThis: id === connection.sessionId,
    })),
  ),
  defineRoute('delete /access/sessions/:id', ({ params, actor }, app) => {
    const session = listSessions(app, actor.personId ?? '').find((it) => it.id === params.id)
    if (!session) throw refuseMissing('session')
    endSession(app, session.id)
  }),
  defineRoute('post /access/second-factor', async ({ actor, connection }, app) => {
    const account = requireConfirmedAccount(app, actor, connection)
    if (account.secondFactor?.isOn) {
      throw new ProblemError(409, 'There is one', 'You have a second factor. Turn it off before you set up another.')
    }
    const factor = beginSecondFactor()
    keepFactor(app, actor, account.personId, factor)
    const uri = sayUri(factor, account.signInName)
    return { secret: factor.secret, uri, picture: await toDataURL(uri, { margin: 2, width: 220 }) }
  }),
  defineRoute('put /access/second-factor', ({ body, actor, connection }, app) => {
    const { personId, secondFactor } = requireConfirmedAccount(app, actor, connection)
    if (!secondFactor || secondFactor.isOn)
      throw new ProblemError(409, 'Not begun', 'Begin with what your device has to read.')
    const used = useCode(secondFactor, body.code, app.now())
    if (!used)
      throw refuseField('/code', 'This is not the code of this half minute. See whether your device’s clock is right.')
    const { codes, hashes } = makeRecoveryCodes()
    keepFactor(app, actor, personId, { ...used, isOn: true, recovery: hashes })
    endSessionsOf(app, personId, connection.sessionId)
    return { recovery: codes }
  }),
  defineRoute('delete /access/second-factor', ({ actor, connection }, app) => {
    const { personId } = requireConfirmedAccount(app, actor, connection)
    keepFactor(app, actor, personId, null)
  }),
]

function requireConfirmedAccount(app: AppContext, actor: Actor, connection: Connection) {
  requireConfirmed(app, connection)
  return requireOwnAccount(app, actor)
}

type Factor = (typeof accounts.$inferSelect)['secondFactor']

function keepFactor(app: AppContext, actor: Actor, personId: string, secondFactor: Factor): void {
  write(app, actor, ({ tx, log }) => {
    tx.update(accounts).set({ secondFactor }).where(eq(accounts.personId, personId)).run()
    log('access-changed', 'person', personId, { secondFactor: secondFactor?.isOn ?? false })
  })
}

/** Whoever is signed in stays it when the password was mistyped: the field says so, and 401 would send them out. */
function sayAtField(error: unknown): never {
  if (!(error instanceof ProblemError) || error.status !== 401) throw error
  const isCode = (error.details.report as { needsCode?: boolean } | undefined)?.needsCode === true
  const message = isCode ? error.message : 'This is not your password.'
  throw refuseField(isCode ? '/code' : '/password', message)
}
