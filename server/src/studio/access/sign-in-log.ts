import type { SignInOutcome } from '@exemplar/core'
import { and, desc, eq, lt } from 'drizzle-orm'
import type { AppContext } from '../../foundation/database/app-context.ts'
import type { Connection } from '../../foundation/http/route.ts'
import { people, signIns } from '../../schema/studio-tables.ts'

const DAY = 86_400_000
const KEPT_DAYS = 90
/** However many knock, the log takes no more room than this. */
const MOST_KEPT = 5_000

interface Attempt {
  name: string
  personId: string | null
  outcome: SignInOutcome
}

/** Writes down who came to the door. */
export function logSignIn({ db, now }: AppContext, connection: Connection, { name, personId, outcome }: Attempt): void {
  const { address, device } = connection
  const { id } = db
    .insert(signIns)
    .values({ at: now(), name: name.slice(0, 80), personId, outcome, address, device })
    .returning({ id: signIns.id })
    .get()
  db.delete(signIns)
    .where(lt(signIns.id, id - MOST_KEPT))
    .run()
}

/** At the end of the day what is old is forgotten: addresses are people's own. */
export function forgetOldSignIns({ db, now }: AppContext): void {
  db.delete(signIns)
    .where(lt(signIns.at, now() - KEPT_DAYS * DAY))
    .run()
}

/** Whether somebody came in by this name from this address before. */
export function isFamiliar({ db }: AppContext, personId: string, address: string): boolean {
  const row = db
    .select({ id: signIns.id })
    .from(signIns)
    .where(and(eq(signIns.personId, personId), eq(signIns.address, address), eq(signIns.outcome, 'in')))
    .limit(1)
    .get()
  return row !== undefined
}

export function listSignIns({ db }: AppContext, limit: number) {
  return db
    .select({
      id: signIns.id,
      at: signIns.at,
      name: signIns.name,
      person: people.name,
      outcome: signIns.outcome,
      address: signIns.address,
      device: signIns.device,
    })
    .from(signIns)
    .leftJoin(people, eq(people.id, signIns.personId))
    .orderBy(desc(signIns.id))
    .limit(limit)
    .all()
}
