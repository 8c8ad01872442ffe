import { judgeFilmCopies, LIFE_STATES } from '@exemplar/core'
import { desc, eq, isNull } from 'drizzle-orm'
import { refuseField } from '../../foundation/base/problem.ts'
import { requireVersion, type Transaction, write } from '../../foundation/database/app-context.ts'
import { defineRoute } from '../../foundation/http/route.ts'
import { units } from '../../schema/kit-tables.ts'
import { films } from '../../schema/studio-tables.ts'
import { withoutArchive } from './directory-routes.ts'
import { makeFilmDisclosures } from './film-disclosures.ts'

function requireDrives(tx: Transaction, copies: readonly { unitId: string }[]): void {
  for (const [at, { unitId }] of copies.entries()) {
    if (tx.select().from(units).where(eq(units.id, unitId)).get()) continue
    throw refuseField(`/copies/${at}/unitId`, 'There is no such drive.')
  }
}

type Drive = Pick<typeof units.$inferSelect, 'state' | 'archivedAt'>

/** A drive that was taken off the list is as little there as one that is lost. */
const findState = (drive: Drive | undefined) => (drive && drive.archivedAt === null ? drive.state : null)

const sayState = (drive: Drive | undefined) =>
  drive ? (drive.archivedAt === null ? LIFE_STATES[drive.state].label : 'No longer in the kit') : ''

/** The archive: which film lies where. */
export const filmRoutes = [
  defineRoute('get /films', (_, app) => {
    const { db } = app
    const listDisclosures = makeFilmDisclosures(app)
    const drives = new Map(
      db
        .select({ id: units.id, tag: units.tag, state: units.state, archivedAt: units.archivedAt })
        .from(units)
        .all()
        .map((it) => [it.id, it]),
    )
    return db
      .select()
      .from(films)
      .where(isNull(films.archivedAt))
      .orderBy(desc(films.on), films.title)
      .all()
      .map((film) => ({
        ...withoutArchive(film),
        disclosures: listDisclosures(film),
        standing: judgeFilmCopies(film.copies, (id) => findState(drives.get(id))),
        copies: film.copies.map((it) => {
          const drive = drives.get(it.unitId)
          return { ...it, tag: drive?.tag ?? it.unitId, state: sayState(drive) }
        }),
      }))
  }),
  defineRoute('post /films', ({ body, actor }, app) =>
    write(app, actor, ({ tx, newId, log }) => {
      requireDrives(tx, body.copies)
      const film = withoutArchive(
        tx
          .insert(films)
          .values({ ...body, id: newId() })
          .returning()
          .get(),
      )
      log('created', 'film', film.id, { after: film })
      return film
    }),
  ),
  defineRoute('put /films/:id', ({ params, body, version, actor }, app) =>
    write(app, actor, ({ tx, log }) => {
      const id = params.id ?? ''
      const before = requireVersion(tx.select().from(films).where(eq(films.id, id)).get(), version, 'film')
      requireDrives(tx, body.copies)
      const after = { ...body, version: before.version + 1 }
      log('changed', 'film', id, { before, after })
      return withoutArchive(tx.update(films).set(after).where(eq(films.id, id)).returning().get())
    }),
  ),
]
