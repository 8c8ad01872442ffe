import { compareSnapshots, LIFE_STATES, listOwnThings, nameModel, type SnapshotContents } from '@exemplar/core'
import { desc, eq, isNull } from 'drizzle-orm'
import { refuseMissing } from '../../foundation/base/problem.ts'
import { requireVersion, type Transaction, write } from '../../foundation/database/app-context.ts'
import type { Database } from '../../foundation/database/database.ts'
import { defineRoute } from '../../foundation/http/route.ts'
import { snapshots } from '../../schema/kit-tables.ts'
import { setups } from '../../schema/setups-tables.ts'
import { loadLive } from '../exchange/kit-file-store.ts'

type Reader = Database | Transaction

/** The kit and the setups as they are now. */
function takeContents(db: Reader): SnapshotContents {
  const { units, stock, models, places } = loadLive(db)
  const modelOf = new Map(models.map((it) => [it.id, it]))
  const placeOf = new Map(places.map((it) => [it.id, it.name]))
  const nameOf = (modelId: string) => {
    const model = modelOf.get(modelId)
    return model ? nameModel(model) : ''
  }
  const tags = new Map([...units, ...stock].map((it) => [it.id, it.tag]))
  return {
    things: [
      ...units.map((it) => ({
        id: it.id,
        tag: it.tag,
        name: nameOf(it.modelId),
        place: placeOf.get(it.placeId ?? '') ?? null,
        state: LIFE_STATES[it.state].label,
        quantity: null,
        valueMinor: it.priceMinor ?? it.provenance.valueMinor,
      })),
      ...stock.map((it) => ({
        id: it.id,
        tag: it.tag,
        name: nameOf(it.modelId),
        place: placeOf.get(it.placeId ?? '') ?? null,
        state: 'Stock',
        quantity: it.quantity,
        valueMinor: null,
      })),
    ],
    setups: db
      .select()
      .from(setups)
      .where(isNull(setups.archivedAt))
      .all()
      .map(({ id, code, name, roles }) => ({
        id,
        code,
        name,
        things: roles.flatMap((role) =>
          role.things.map((it) => {
            const thingId = it.unitId ?? it.stockId ?? ''
            return { id: thingId, tag: tags.get(thingId) ?? '', role: role.name }
          }),
        ),
      })),
  }
}

function loadContents(db: Reader, id: string): { name: string; contents: SnapshotContents } {
  if (id === 'now') return { name: 'now', contents: takeContents(db) }
  const row = db.select().from(snapshots).where(eq(snapshots.id, id)).get()
  if (!row) throw refuseMissing('snapshot')
  return row
}

export const snapshotRoutes = [
  defineRoute('get /snapshots', (_, { db }) =>
    db
      .select()
      .from(snapshots)
      .where(isNull(snapshots.archivedAt))
      .orderBy(desc(snapshots.takenAt))
      .all()
      .map(({ contents, archivedAt: _, ...it }) => ({
        ...it,
        things: listOwnThings(contents).length,
        setups: contents.setups.length,
      })),
  ),
  defineRoute('get /snapshots/difference', ({ query }, { db }) => {
    const [from, to] = [loadContents(db, query.from), loadContents(db, query.to)]
    return { from: from.name, to: to.name, ...compareSnapshots(from.contents, to.contents) }
  }),
  defineRoute('post /snapshots', ({ body, actor }, app) =>
    write(app, actor, ({ tx, now, newId, log }) => {
      const { id, version } = tx
        .insert(snapshots)
        .values({ id: newId(), name: body.name, takenAt: now, contents: takeContents(tx) })
        .returning()
        .get()
      log('created', 'snapshot', id, { name: body.name })
      return { id, version, name: body.name }
    }),
  ),
  defineRoute('delete /snapshots/:id', ({ params, version, actor }, app) =>
    write(app, actor, ({ tx, now, log }) => {
      const id = params.id ?? ''
      const row = tx.select().from(snapshots).where(eq(snapshots.id, id)).get()
      const before = requireVersion(row, version, 'snapshot')
      tx.update(snapshots)
        .set({ archivedAt: now, version: before.version + 1 })
        .where(eq(snapshots.id, id))
        .run()
      log('archived', 'snapshot', id, { name: before.name })
      return { id, version: before.version + 1 }
    }),
  ),
]
