import { DEFAULT_SETTINGS, STANDARD_INTERFACES, type Studio, studioSettingsSchema } from '@exemplar/core'
import { eq } from 'drizzle-orm'
import {
  type AppContext,
  makeSystemActor,
  requireVersion,
  type Transaction,
  type Writer,
  write,
} from '../../foundation/database/app-context.ts'
import { remember } from '../../foundation/database/cache.ts'
import type { Database } from '../../foundation/database/database.ts'
import { defineRoute } from '../../foundation/http/route.ts'
import { interfaces } from '../../schema/kit-tables.ts'
import { studio } from '../../schema/studio-tables.ts'

/** Makes sure that there is a studio with its settings and the standard interfaces: the state of an empty Exemplar. */
export function ensureStudio(app: AppContext): void {
  if (app.db.select().from(studio).get()) {
    addNewStandards(app)
    return
  }
  write(
    app,
    makeSystemActor(),
    ({ tx, log }) => {
      tx.insert(studio).values({ id: 1, settings: DEFAULT_SETTINGS }).run()
      tx.insert(interfaces)
        .values([...STANDARD_INTERFACES])
        .run()
      log('created', 'studio', 'studio', { settings: DEFAULT_SETTINGS })
    },
    { isTracked: false },
  )
}

/** Interfaces that became standard since the database was made. */
function addNewStandards(app: AppContext): void {
  const known = new Set(
    app.db
      .select({ code: interfaces.code })
      .from(interfaces)
      .all()
      .map((it) => it.code),
  )
  const fresh = STANDARD_INTERFACES.filter((it) => !known.has(it.code))
  if (fresh.length === 0) return
  const work = ({ tx, log }: Writer) => {
    tx.insert(interfaces).values(fresh).run()
    for (const it of fresh) log('created', 'interface', it.code, { label: it.label })
  }
  write(app, makeSystemActor(), work, { isTracked: false })
}

export function loadStudio(db: Database | Transaction): Studio {
  const load = () => {
    const row = db.select().from(studio).get()
    if (!row) throw new Error('The database holds no studio; ensureStudio runs at start.')
    // Settings kept by an older version lack what came since; the defaults stand in.
    return { ...studioSettingsSchema.parse(row.settings), version: row.version }
  }
  return 'cache' in db ? remember(db, 'studio', load) : load()
}

export const studioRoutes = [
  defineRoute('get /studio', (_, app) => ({ ...loadStudio(app.db), now: app.now() })),
  defineRoute('put /studio', ({ body, version, actor }, app) =>
    write(app, actor, ({ tx, log }) => {
      const before = requireVersion(loadStudio(tx), version, 'studio')
      tx.update(studio)
        .set({ settings: body, version: before.version + 1 })
        .where(eq(studio.id, 1))
        .run()
      log('changed', 'studio', 'studio', { before, after: body })
      return loadStudio(tx)
    }),
  ),
]
