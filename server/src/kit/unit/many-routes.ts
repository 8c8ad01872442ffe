import { listManyChanges, type ManyChanges, type manySchema, nameModel } from '@exemplar/core'
import { eq } from 'drizzle-orm'
import type { z } from 'zod'
import { isAnyOf } from '../../availability/holdings.ts'
import { ProblemError } from '../../foundation/base/problem.ts'
import { type AppContext, type Transaction, write } from '../../foundation/database/app-context.ts'
import { defineRoute } from '../../foundation/http/route.ts'
import { models, units } from '../../schema/kit-tables.ts'
import { setupUnits } from '../../schema/setups-tables.ts'
import { parties, people, places } from '../../schema/studio-tables.ts'
import { listUnitIds } from './unit-list.ts'

type Many = z.infer<typeof manySchema>
type Reader = AppContext['db'] | Transaction

interface Line {
  id: string
  tag: string
  name: string
  changes: { field: string; before: string; after: string }[]
  /** Why it stays as it is; null where it does not. */
  obstacle: string | null
}

/** What would become of each thing, in the order of their tags. */
function makeLines(app: AppContext, db: Reader, { ids, filter, changes }: Many): Line[] {
  const wanted = ids ?? listUnitIds(app, filter)
  const rows = db
    .select({ unit: units, model: models })
    .from(units)
    .innerJoin(models, eq(models.id, units.modelId))
    .where(isAnyOf(units.id, wanted))
    .all()
  const used = changes.archive ? listUsed(db, wanted) : new Set<string>()
  const nameOf = makeNames(db)
  return rows
    .map(({ unit, model }): Line => {
      const fields = listManyChanges(unit, changes).map(({ field, before, after }) => ({
        field,
        before: nameOf(before),
        after: nameOf(after),
      }))
      if (changes.archive && unit.archivedAt === null)
        fields.push({ field: 'archive' as never, before: '', after: 'archived' })
      if (changes.restore && unit.archivedAt !== null)
        fields.push({ field: 'archive' as never, before: 'archived', after: '' })
      const obstacle = used.has(unit.id) ? 'stands in a setup' : null
      return { id: unit.id, tag: unit.tag, name: nameModel(model), changes: fields, obstacle }
    })
    .sort((a, b) => (a.tag < b.tag ? -1 : 1))
}

function listUsed(db: Reader, ids: readonly string[]): Set<string> {
  const rows = db
    .selectDistinct({ unitId: setupUnits.unitId })
    .from(setupUnits)
    .where(isAnyOf(setupUnits.unitId, ids))
    .all()
  return new Set(rows.map((it) => it.unitId))
}

/** Places, people and parties are shown by name, whatever is kept. */
function makeNames(db: Reader): (value: unknown) => string {
  const names = new Map(
    [places, people, parties].flatMap((table) =>
      db
        .select({ id: table.id, name: table.name })
        .from(table)
        .all()
        .map((it) => [it.id, it.name] as const),
    ),
  )
  return (value) => (value === null || value === '' ? '–' : (names.get(String(value)) ?? String(value)))
}

const isTouched = (line: Line) => line.obstacle === null && line.changes.length > 0

function report(lines: readonly Line[]) {
  return {
    changed: lines.filter(isTouched).length,
    unchanged: lines.filter((it) => it.obstacle === null && it.changes.length === 0).length,
    obstacles: lines.filter((it) => it.obstacle !== null).length,
    // A page shows so many; the counts tell of all.
    lines: lines.filter((it) => it.obstacle !== null || it.changes.length > 0).slice(0, 500),
  }
}

/** The changes as columns; archiving is a time, and nothing at all where it was not asked for. */
function makeSet({ archive, restore, ...fields }: ManyChanges, now: number) {
  return { ...fields, ...(archive ? { archivedAt: now } : {}), ...(restore ? { archivedAt: null } : {}) }
}

export const manyRoutes = [
  defineRoute('post /units/change-many/preview', ({ body }, app) => report(makeLines(app, app.db, body))),
  defineRoute('post /units/change-many', ({ body, actor }, app) => {
    if (!makeLines(app, app.db, body).some(isTouched)) {
      throw new ProblemError(422, 'Nothing to change', 'None of these things would be different.')
    }
    return write(app, actor, ({ tx, now, log }) => {
      const lines = makeLines(app, tx, body)
      const set = makeSet(body.changes, now)
      for (const { id, changes } of lines.filter(isTouched)) {
        const before = tx
          .select({ version: units.version, state: units.state })
          .from(units)
          .where(eq(units.id, id))
          .get()
        tx.update(units)
          .set({ ...set, version: (before?.version ?? 0) + 1 })
          .where(eq(units.id, id))
          .run()
        const kind = body.changes.archive ? 'archived' : body.changes.state ? 'state-changed' : 'changed'
        const states = body.changes.state
          ? { before: { state: before?.state }, after: { state: body.changes.state } }
          : {}
        log(kind, 'unit', id, { changes, ...states })
      }
      return report(lines)
    })
  }),
]
