import { PassThrough } from 'node:stream'
import { desc, eq, gt, inArray } from 'drizzle-orm'
import type { AppContext } from '../../foundation/database/app-context.ts'
import { defineRoute, RawReply } from '../../foundation/http/route.ts'
import { changes, events, people, sessions } from '../../schema/studio-tables.ts'
import { listChangedSubjects } from './changed-subjects.ts'

/** A sign of life so often, by which both sides notice that the other is gone. */
const HEARTBEAT_MS = 15_000
/** Whoever missed more than so many changes is told to load everything anew. */
const MOST_REPLAYED = 200

/** One change as it is told: who did something to what. No contents; pages ask for what they show. */
function describeChange({ db }: AppContext, id: number) {
  const change = db
    .select({ id: changes.id, at: changes.at, personId: changes.personId, person: people.name })
    .from(changes)
    .leftJoin(people, eq(people.id, changes.personId))
    .where(eq(changes.id, id))
    .get()
  const subjects = db
    .selectDistinct({ type: events.subjectType, id: events.subjectId })
    .from(events)
    .where(eq(events.changeId, id))
    .limit(40)
    .all()
  return { ...change, subjects, touched: listChangedSubjects(db, id) }
}

function listMissed({ db }: AppContext, since: number): number[] | null {
  const rows = db
    .select({ id: changes.id })
    .from(changes)
    .where(gt(changes.id, since))
    .orderBy(changes.id)
    .limit(MOST_REPLAYED + 1)
    .all()
  return rows.length > MOST_REPLAYED ? null : rows.map((it) => it.id)
}

export const liveRoutes = [
  defineRoute('get /live', ({ query, connection, actor }, app) => {
    const stream = new PassThrough()
    const send = (event: string, id: number, data: unknown) =>
      stream.write(`id: ${id}\nevent: ${event}\ndata: ${JSON.stringify(data)}\n\n`)
    const newest = app.db.select({ id: changes.id }).from(changes).orderBy(desc(changes.id)).limit(1).get()?.id ?? 0
    const since = connection.lastEventId ?? query.since ?? newest
    const missed = since > newest ? null : listMissed(app, since)
    stream.write('retry: 1000\n\n')
    if (missed === null) send('reload', newest, {})
    else for (const id of missed) send('change', id, describeChange(app, id))
    send('ready', newest, {})
    const stopChanges = app.live.onChange((id) => send('change', id, describeChange(app, id)))
    const end = () => {
      clearInterval(heartbeat)
      stopChanges()
      stopSignedOut()
      stream.end()
    }
    const stopSignedOut = app.live.onSignedOut((personId) => {
      if (personId !== actor.personId) return
      send('signed-out', newest, {})
      end()
    })
    const heartbeat = setInterval(() => {
      if (isSessionThere(app, connection.sessionId)) stream.write(': here\n\n')
      else end()
    }, HEARTBEAT_MS)
    heartbeat.unref()
    connection.signal.addEventListener('abort', end)
    return new RawReply('text/event-stream', stream, { 'X-Accel-Buffering': 'no' })
  }),
]

function isSessionThere({ db }: AppContext, sessionId: string | null): boolean {
  return (
    sessionId !== null &&
    db
      .select()
      .from(sessions)
      .where(inArray(sessions.id, [sessionId]))
      .get() !== undefined
  )
}
