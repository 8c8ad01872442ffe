import { PassThrough } from 'node:stream'
import { desc, eq, gt, inArray } from 'drizzle-orm'
import type { SignedOut } from '../../foundation/base/live.ts'
import { ProblemError } from '../../foundation/base/problem.ts'
import type { AppContext } from '../../foundation/database/app-context.ts'
import { defineRoute, RawReply } from '../../foundation/http/route.ts'
import { changes, events, people, sessions } from '../../schema/studio-tables.ts'
import { listChangedSubjects } from './changed-subjects.ts'

/** A sign of life so often, by which both sides notice that the other is gone. */
const HEARTBEAT_MS = 15_000
/** So many pages of one person are told of changes at once. */
const MOST_STREAMS = 24
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

/** The newest change as it was described, for all who listen: it is the same for everybody. */
const described = new WeakMap<AppContext, { epoch: number; id: number; text: ReturnType<typeof describeChange> }>()

function describeOnce(app: AppContext, id: number) {
  const { epoch } = app.gate
  const kept = described.get(app)
  if (kept?.id === id && kept.epoch === epoch) return kept.text
  const text = describeChange(app, id)
  described.set(app, { epoch, id, text })
  return text
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
    const leave = enterStreams(app, actor.personId ?? '')
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
    const stopChanges = app.live.onChange((id) => send('change', id, describeOnce(app, id)))
    const end = () => {
      clearInterval(heartbeat)
      stopChanges()
      stopSignedOut()
      leave()
      stream.end()
    }
    const stopSignedOut = app.live.onSignedOut((who) => {
      if (!isMeant(who, actor.personId, connection.sessionId)) return
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

/** Whose listening ends now. */
function isMeant(who: SignedOut, personId: string | null, sessionId: string | null): boolean {
  if (who === 'everybody') return true
  if ('sessionId' in who) return who.sessionId === sessionId
  return who.personId === personId && (who.except ?? null) !== sessionId
}

const streamsOf = new WeakMap<AppContext, Map<string, number>>()

/** Counts the streams of a person, and refuses one too many in a sentence. Returns what gives the place back, once. */
function enterStreams(app: AppContext, personId: string): () => void {
  const streams = streamsOf.get(app) ?? new Map<string, number>()
  streamsOf.set(app, streams)
  const open = streams.get(personId) ?? 0
  if (open >= MOST_STREAMS) {
    const detail = `You have ${MOST_STREAMS} pages open at once, and more are not kept up to date. Close some.`
    throw new ProblemError(429, 'Many pages', detail, { retryAfterSeconds: 30 })
  }
  streams.set(personId, open + 1)
  let isThere = true
  return () => {
    if (isThere) streams.set(personId, (streams.get(personId) ?? 1) - 1)
    isThere = false
  }
}

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
