import { ACTIONS, type Action, may, type Permission, UNDO_DAYS } from '@exemplar/core'
import { and, asc, desc, eq, inArray, lt } from 'drizzle-orm'
import { ProblemError, refuseMissing } from '../../foundation/base/problem.ts'
import { type Actor, type Writer, write } from '../../foundation/database/app-context.ts'
import type { Database } from '../../foundation/database/database.ts'
import { defineRoute } from '../../foundation/http/route.ts'
import { changes, events, people, rowChanges } from '../../schema/studio-tables.ts'
import { nameOfSubject } from './subject-names.ts'
import { findObstacle, refuseUsed, takeBack } from './undo.ts'

/** What happened in a change, for one line of the history: the first few things it spoke of. */
function describeChanges(db: Database, ids: readonly number[]) {
  const said = ids.length
    ? db
        .select()
        .from(events)
        .where(inArray(events.changeId, [...ids]))
        .orderBy(asc(events.id))
        .all()
    : []
  const undone = new Set(
    ids.length
      ? db
          .select({ id: changes.undoes })
          .from(changes)
          .where(inArray(changes.undoes, [...ids]))
          .all()
          .map((it) => it.id)
      : [],
  )
  const reversible = new Set(
    ids.length
      ? db
          .selectDistinct({ id: rowChanges.changeId })
          .from(rowChanges)
          .where(inArray(rowChanges.changeId, [...ids]))
          .all()
          .map((it) => it.id)
      : [],
  )
  return (id: number) => {
    const ofChange = said.filter((it) => it.changeId === id)
    return {
      events: ofChange.slice(0, 4).map(({ kind, subjectType, subjectId, data }) => ({
        kind,
        subjectType,
        subjectId,
        data,
        name: nameOfSubject(db, subjectType, subjectId),
      })),
      more: Math.max(0, ofChange.length - 4),
      isUndone: undone.has(id),
      canUndo: reversible.has(id) && !undone.has(id),
    }
  }
}

export const historyRoutes = [
  defineRoute('get /events', ({ query }, { db }) => {
    const rows = db
      .select({
        id: events.id,
        at: events.at,
        kind: events.kind,
        data: events.data,
        changeId: events.changeId,
        person: people.name,
      })
      .from(events)
      .leftJoin(people, eq(people.id, events.personId))
      .where(and(eq(events.subjectType, query.subjectType), eq(events.subjectId, query.subjectId)))
      .orderBy(desc(events.at), desc(events.id))
      .limit(100)
      .all()
    const describe = describeChanges(
      db,
      rows.flatMap((it) => it.changeId ?? []),
    )
    return rows.map((it) => {
      const { isUndone = false, canUndo = false } = it.changeId === null ? {} : describe(it.changeId)
      return { ...it, isUndone, canUndo }
    })
  }),
  defineRoute('get /changes', ({ query, actor }, { db }) => {
    const rows = db
      .select({
        id: changes.id,
        at: changes.at,
        personId: changes.personId,
        undoes: changes.undoes,
        action: changes.action,
        person: people.name,
      })
      .from(changes)
      .leftJoin(people, eq(people.id, changes.personId))
      .where(query.before ? lt(changes.id, query.before) : undefined)
      .orderBy(desc(changes.id))
      .limit(query.limit)
      .all()
    const describe = describeChanges(
      db,
      rows.map((it) => it.id),
    )
    return rows.map(({ action, ...it }) => {
      const described = describe(it.id)
      const isMine = it.personId !== null && it.personId === actor.personId
      const mayUndo =
        may(actor.role, 'undo-any') || (isMine && may(actor.role, 'undo-own') && isStillAllowed(actor, action))
      return { ...it, ...described, canUndo: described.canUndo && mayUndo }
    })
  }),
  defineRoute('post /changes/:id/undo', ({ params, actor }, app) => {
    const id = Number(params.id)
    const change = Number.isInteger(id) ? app.db.select().from(changes).where(eq(changes.id, id)).get() : undefined
    if (!change) throw refuseMissing('change')
    const needed: Action = change.personId !== null && change.personId === actor.personId ? 'undo-own' : 'undo-any'
    if (!may(actor.role, needed)) {
      throw new ProblemError(403, 'Not allowed', 'You can take back your own changes; for others’ ask a manager.')
    }
    requireStillAllowed(actor, change.action)
    try {
      const work = (writer: Writer) => {
        // Taking this back in turn takes the same.
        if (change.action !== '') writer.takes(change.action as Permission)
        takeBack(writer, app.db.$client, id)
      }
      write(app, actor, work, { undoes: id })
    } catch (error) {
      // References are looked at when the transaction ends.
      throw (error as { code?: unknown }).code === 'SQLITE_CONSTRAINT_FOREIGNKEY' ? refuseUsed() : error
    }
    return { changeId: actor.changeId }
  }),
  defineRoute('get /changes/:id', ({ params }, { db }) => {
    const id = Number(params.id)
    if (!Number.isInteger(id)) throw refuseMissing('change')
    return { id, obstacle: findObstacle(db, id) }
  }),
]

/** Rights count at the moment of taking back, and that puts back what only who may do the deed itself may touch. */
function isStillAllowed({ role }: Actor, action: string): boolean {
  if (may(role, 'undo-any')) return true
  return action === 'signed-in' || (action in ACTIONS && may(role, action as Action))
}

function requireStillAllowed(actor: Actor, action: string): void {
  if (isStillAllowed(actor, action)) return
  const detail =
    action === ''
      ? 'This was done before Exemplar wrote down what it takes to do it. A manager can take it back.'
      : 'What this did takes more than you may do now. A manager can take it back.'
  throw new ProblemError(403, 'Not allowed', detail)
}

/** Forgets the before images of changes that are too old to be taken back. What happened stays in the log. */
export function forgetOldImages(db: Database, now: number): number {
  const oldest = now - UNDO_DAYS * 86_400_000
  const last = db
    .select({ id: changes.id })
    .from(changes)
    .where(lt(changes.at, oldest))
    .orderBy(desc(changes.id))
    .limit(1)
    .get()
  if (!last) return 0
  return db
    .delete(rowChanges)
    .where(lt(rowChanges.changeId, last.id + 1))
    .run().changes
}
