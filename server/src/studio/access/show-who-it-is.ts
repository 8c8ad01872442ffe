import type { SignInOutcome } from '@exemplar/core'
import { eq } from 'drizzle-orm'
import { ProblemError } from '../../foundation/base/problem.ts'
import { verifyPassword } from '../../foundation/base/secrets.ts'
import type { AppContext } from '../../foundation/database/app-context.ts'
import type { Connection } from '../../foundation/http/route.ts'
import { accounts } from '../../schema/studio-tables.ts'
import { useCode, useRecoveryCode } from './second-factor.ts'
import { isFirstRefusal, makeSignInLimits } from './sign-in-limits.ts'
import { isFamiliar, logSignIn } from './sign-in-log.ts'

const limitsOf = new WeakMap<AppContext, ReturnType<typeof makeSignInLimits>>()

export function findLimits(app: AppContext) {
  const limits = limitsOf.get(app) ?? makeSignInLimits()
  limitsOf.set(app, limits)
  return limits
}

interface Shown {
  signInName: string
  password: string
  code: string
}

type Account = typeof accounts.$inferSelect

/**
 * The account of whoever shows the password, and where there is a second factor its code, counted before anything is
 * looked at. Refuses in the same words whether there is such a name or not.
 */
export async function requirePerson(
  app: AppContext,
  connection: Connection,
  shown: Shown,
  outcome: 'in' | 'confirmed' = 'in',
): Promise<Account> {
  const name = shown.signInName.trim().toLowerCase()
  const find = () => app.db.select().from(accounts).where(eq(accounts.signInName, name)).get()
  const { address } = connection
  const isKnownHere = () => {
    const personId = find()?.personId
    return personId !== undefined && isFamiliar(app, personId, address)
  }
  const tell = (what: SignInOutcome) =>
    logSignIn(app, connection, { name, personId: find()?.personId ?? null, outcome: what })
  try {
    // Before anything else, so that a flood of tries costs next to nothing.
    await findLimits(app).take(name, address, isKnownHere)
  } catch (error) {
    // Once for each row of tries: whoever goes on knocking must not push the others out of the book.
    if (isFirstRefusal(error)) tell('limited')
    throw error
  }
  const account = find()
  const isRight = await verifyPassword(shown.password, account?.passwordHash ?? null, app.config.passwordCost)
  if (!account || !isRight || account.disabledAt !== null) {
    tell(account && isRight ? 'switched-off' : 'wrong')
    throw new ProblemError(401, 'Not signed in', 'Name and password do not belong together.')
  }
  if (account.secondFactor?.isOn) requireCode(app, account.personId, shown.code, tell)
  await findLimits(app).forgive(name, address)
  tell(outcome)
  return account
}

/** Uses the code up, as of now: of two who send one code, one comes too late. */
function requireCode(app: AppContext, personId: string, code: string, tell: (outcome: SignInOutcome) => void): void {
  if (code.trim() === '') {
    const detail = 'Type the code that your device shows, or one of your recovery codes.'
    throw new ProblemError(401, 'Code wanted', detail, { report: { needsCode: true } })
  }
  const factor = app.db.select().from(accounts).where(eq(accounts.personId, personId)).get()?.secondFactor
  const used = factor && (useCode(factor, code, app.now()) ?? useRecoveryCode(factor, code))
  if (!used) {
    tell('wrong-code')
    const detail = 'This code is not good, or was used. Codes of the device last half a minute.'
    throw new ProblemError(401, 'Not signed in', detail, {
      report: { needsCode: true },
      errors: [{ pointer: '/code', message: detail }],
    })
  }
  app.gate.requireOpen()
  app.db.update(accounts).set({ secondFactor: used }).where(eq(accounts.personId, personId)).run()
}
